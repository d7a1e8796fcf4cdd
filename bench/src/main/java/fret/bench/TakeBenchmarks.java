package fret.bench;

import fret.pitch.Pitch;
import fret.search.Token;
import fret.take.Expected;
import fret.take.Expected.Join;
import fret.take.Expected.Moment;
import fret.take.Expected.Span;
import fret.take.Expected.Tone;
import fret.take.Recording;
import fret.take.SimulatedPlayer;
import fret.take.SimulatedPlayer.Style;
import fret.take.TakeReport;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/**
 * Listening to a take. The heap is bounded: the recording of ten minutes takes 53 MB of it, so what
 * the listening adds is below 300 MB.
 */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx350m")
public class TakeBenchmarks {
  /** A scale-like line of the instrument from a lowest key on, 2.5 notes a second. */
  @State(Scope.Benchmark)
  public static class Played {
    private static final double STEP_MS = 400;
    private static final int RANGE = 24;

    @Param({"1", "10"})
    public int minutes;

    @Param({"55", "36"})
    public int lowest;

    Expected expected;
    Recording recording;

    @Setup
    public void play() {
      Random random = new Random(3);
      int count = (int) (minutes * 60_000 / STEP_MS) - 4;
      List<Moment> moments = new ArrayList<>();
      List<Span> bars = new ArrayList<>();
      int key = lowest + RANGE / 2;
      for (int i = 0; i < count; i++) {
        key += random.nextInt(5) - 2;
        key = Math.max(lowest, Math.min(lowest + RANGE, key));
        Pitch pitch =
            Pitch.parse("C C# D D# E F F# G G# A A# B".split(" ")[key % 12] + (key / 12 - 1));
        Tone tone = new Tone(i, pitch, pitch.hertz(440));
        double at = i * STEP_MS;
        moments.add(
            new Moment(
                i,
                i / 4,
                at,
                at + STEP_MS,
                STEP_MS,
                List.of(tone),
                List.of(),
                i == 0 ? Join.ENTRY : Join.PLAIN,
                i + 1 < count,
                false,
                false,
                4));
        if (i % 4 == 0) {
          bars.add(new Span(i / 4, String.valueOf(i / 4 + 1), at, at + 4 * STEP_MS));
        }
      }
      expected = new Expected(moments, bars, 440);
      float[] samples = SimulatedPlayer.play(expected, List.of(), Style.USUAL).samples();
      recording = Recording.of(samples, SimulatedPlayer.RATE);
    }
  }

  @Benchmark
  public TakeReport listen(Played played) {
    return TakeReport.of(played.recording, played.expected, Token.NEVER, p -> {});
  }
}
