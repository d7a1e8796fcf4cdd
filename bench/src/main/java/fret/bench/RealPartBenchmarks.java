package fret.bench;

import fret.fingering.Fingering;
import fret.fingering.FingeringSolver;
import fret.instrument.InstrumentType;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.score.Score;
import fret.search.Token;
import fret.session.Arm;
import fret.session.Decisions;
import fret.session.Ear;
import fret.session.Session;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Parts as they lie on stands: what opening one takes, told apart, and what a pin takes. */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class RealPartBenchmarks {
  private static final int PINS = 24;

  /** A part with all that stands of it. */
  @State(Scope.Benchmark)
  public static class Part {
    @Param({"100", "300", "1000"})
    int bars;

    @Param({"VIOLIN", "CELLO"})
    InstrumentType type;

    Session session;
    final List<Session> pinned = new ArrayList<>();
    int at;

    /** Reads it and answers all once. */
    @org.openjdk.jmh.annotations.Setup
    public void build() {
      Score page = RealPart.of(type, bars, 1);
      Passage.Settings settings =
          new Passage.Settings(
              "", new Tempo(Beat.QUARTER, 96), Setup.usual(type), Reading.PLAIN, false);
      session = Session.of(Passage.of("", "", settings).withId(1), page, Token.NEVER);
      FingeringSolver solver = new FingeringSolver(session.task());
      int count = session.resolved().notes().size();
      for (int pin = 0; pin < PINS; pin++) {
        int note = pin * count / PINS;
        List<Fingering> ways = solver.choicesAt(note);
        ways.stream()
            .flatMap(w -> w.notes().get(note).stream())
            .filter(p -> !Optional.of(p).equals(session.fingering().notes().get(note)))
            .findFirst()
            .ifPresent(p -> pinned.add(session.after(session.step(Decisions.pin(session, p)))));
      }
    }

    Session next() {
      return pinned.get(at++ % pinned.size());
    }
  }

  /** The left hand alone. */
  @Benchmark
  public Fingering hand(Part part) {
    return new FingeringSolver(part.session.computed().standing().task()).consistent();
  }

  /** Both hands. */
  @Benchmark
  public Arm handAndBow(Part part) {
    return Session.of(part.session.passage(), part.session.page()).arm();
  }

  /** What is tuned, once both hands stand. */
  @Benchmark
  public Object tuning(Part part) {
    return Ear.tuned(part.session, Ear.harmony(part.session, List.of()));
  }

  /** Both hands after a pin that changes something. */
  @Benchmark
  public Session pin(Part part) {
    return part.next().computed(Token.NEVER);
  }
}
