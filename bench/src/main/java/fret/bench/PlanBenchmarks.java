package fret.bench;

import fret.drill.DrillKind;
import fret.instrument.InstrumentType;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.plan.Budget;
import fret.plan.Gate;
import fret.plan.Goal;
import fret.plan.PlanRequest;
import fret.plan.Planner;
import fret.plan.PracticePlan;
import fret.plan.ReadyDate;
import fret.plan.Unit;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.TimeSignature;
import fret.search.Token;
import fret.session.Learning;
import fret.session.Session;
import fret.sound.ClickLine;
import fret.sound.ClickStyle;
import fret.sound.ClickTrack;
import fret.tempo.Beat;
import fret.tempo.Ladder;
import fret.tempo.LadderKind;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.apache.commons.numbers.fraction.Fraction;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;

/** The plan and the click. */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
public class PlanBenchmarks {
  /** Twelve passages of twenty chunks and joins each, over sixteen weeks. */
  @State(Scope.Benchmark)
  public static class Twelve {
    private static final LocalDate FROM = LocalDate.of(2026, 3, 2);
    final PlanRequest request = request();

    private static PlanRequest request() {
      List<Goal> goals = new ArrayList<>();
      for (int p = 1; p <= 12; p++) {
        List<Unit> units = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
          units.add(
              new Unit(
                  "u" + i,
                  i % 2 == 0 ? Unit.Kind.CHUNK : Unit.Kind.JOIN,
                  Set.of("u" + i),
                  Map.of(
                      DrillKind.STRAIGHT, List.of(2.0),
                      DrillKind.ADD_A_NOTE, List.of(0.5, 1.0, 1.5, 2.0),
                      DrillKind.RHYTHMS, List.of(2.0, 2.0, 1.5, 1.5)),
                  0.6 + 0.1 * (i % 8)));
        }
        LocalDate day = FROM.plusDays(112);
        goals.add(
            new Goal(
                Goal.Id.of(p),
                1,
                ReadyDate.of(FROM, day),
                day,
                new Tempo(Beat.QUARTER, 100),
                Ladder.toTarget(100),
                units,
                20,
                0));
      }
      return new PlanRequest(
          goals,
          Budget.of(60),
          FROM,
          new PlanRequest.Rules(Gate.Settings.USUAL, PlanRequest.Climb.LEVEL_A_DAY, 2),
          List.of(),
          List.of());
    }
  }

  /** An hour of sixteenths. */
  @State(Scope.Benchmark)
  public static class Hour {
    final Score score = score();

    private static Score score() {
      LineBuilder line = new LineBuilder(TimeSignature.of(4, 4), KeySignature.NONE, Clef.TREBLE);
      for (int i = 0; i < 1500; i++) {
        line.add(TimeSignature.COMMON_TIME.barLength(), Pitch.parse("A4"));
      }
      return line.build("", Interval.UNISON);
    }
  }

  /** Two hundred bars of eighths, no two alike, with their fingering and bow. */
  @State(Scope.Benchmark)
  public static class Page {
    final Session session = session();

    private static Session session() {
      LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
      String[] notes = "A4 B4 C5 D5 E5 F5 G5 E5 G4 A4 B4 C5 D5 C5 B4".split(" ");
      Random random = new Random(3);
      for (int i = 0; i < 200 * 8; i++) {
        line.add(Fraction.of(1, 8), Pitch.parse(notes[random.nextInt(notes.length)]));
      }
      Passage.Settings settings =
          new Passage.Settings(
              "",
              new Tempo(Beat.QUARTER, 100),
              Setup.usual(InstrumentType.VIOLIN),
              Reading.PLAIN,
              false);
      return Session.of(Passage.of("", "", settings).withId(1), line.build("", Interval.UNISON));
    }
  }

  /** What there is to learn in it, with every drill that a plan may ask for. */
  @Benchmark
  public Learning learningOfTwoHundredBars(Page page) {
    return Learning.of(page.session, LadderKind.EVEN, 0);
  }

  @Benchmark
  public PracticePlan planTwelvePassages(Twelve twelve) {
    return Planner.plan(twelve.request, Token.NEVER);
  }

  @Benchmark
  public ClickTrack clicksOfAnHour(Hour hour) {
    ClickLine line =
        new ClickLine(
            hour.score,
            TempoMap.steady(new Tempo(Beat.QUARTER, 100)),
            ClickStyle.PLAIN.withBetween(4));
    return new ClickTrack(line.clicks(), line.seconds());
  }
}
