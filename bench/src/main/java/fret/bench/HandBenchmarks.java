package fret.bench;

import fret.fingering.Fingering;
import fret.fingering.FingeringSolver;
import fret.fingering.FingeringTask;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.player.Hand;
import fret.player.HandModel;
import fret.player.Preset;
import fret.player.School;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.NoteValue;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.apache.commons.numbers.fraction.Fraction;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** 1,000 moments of music in which more than usual is remembered of hand and bow. */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class HandBenchmarks {
  private static final int MOMENTS = 1000;
  private static final int[] LINE = {2, 4, 5, 7};
  private static final int[] SWING = {0, 7, 16, 7};

  /** An open pedal under a line, a swing over three strings, two voices. */
  @State(Scope.Benchmark)
  public static class Music {
    @Param({"pedal", "swing", "voices"})
    String music;

    @Param({"VIOLIN", "CELLO"})
    InstrumentType type;

    FingeringTask task;

    @Setup
    public void build() {
      Instrument instrument = Instrument.standard(type);
      int lowest = instrument.open(instrument.stringCount()).midi();
      task =
          new FingeringTask(
              Resolver.resolve(score(lowest)),
              TempoMap.steady(new Tempo(Beat.QUARTER, 96)),
              new HandModel(instrument, School.USUAL, Hand.MEDIUM),
              Preset.SURE);
    }

    private Score score(int lowest) {
      LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
      Fraction length = Fraction.of(1, music.equals("voices") ? 8 : 16);
      for (int i = 0; i < MOMENTS; i++) {
        line.add(length, pitch(lowest + above(i)));
      }
      Score score = line.build(music, Interval.UNISON);
      return music.equals("voices") ? withLower(score, lowest) : score;
    }

    private int above(int i) {
      return switch (music) {
        case "pedal" -> i % 2 == 0 ? 14 : 21 + LINE[i / 2 % LINE.length];
        case "swing" -> 9 + SWING[i % SWING.length] + i / 16 % 3;
        default -> 19 + i / 2 % 4 + (i % 2 == 0 ? 0 : 2);
      };
    }

    /** A lower voice in quarters under every two eighths. */
    private static Score withLower(Score score, int lowest) {
      List<Bar> bars = new ArrayList<>();
      Fraction quarter = Fraction.of(1, 4);
      int i = 0;
      for (Bar bar : score.bars()) {
        List<Event> events = new ArrayList<>(bar.events());
        for (Fraction at = bar.start(); at.compareTo(bar.end()) < 0; at = at.add(quarter)) {
          events.add(
              new Event(
                  "2",
                  at,
                  quarter,
                  NoteValue.ofLength(quarter).orElseThrow(),
                  List.of(Head.of(pitch(lowest + 14 + i++ % 4))),
                  Event.Grace.NONE,
                  false,
                  Signs.PLAIN));
        }
        bars.add(bar.withEvents(events));
      }
      return score.withBars(bars);
    }

    private static Pitch pitch(int midi) {
      return Pitch.ofMidi(midi, KeySignature.NONE);
    }
  }

  @Benchmark
  public Fingering finger(Music music) {
    return new FingeringSolver(music.task).best();
  }

  @Benchmark
  public Fingering fingerAlike(Music music) {
    return new FingeringSolver(music.task).consistent();
  }
}
