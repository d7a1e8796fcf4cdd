package fret.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.pitch.Pitch;
import fret.take.Expected.Join;
import fret.take.Expected.Moment;
import fret.take.Expected.Span;
import fret.take.Expected.Tone;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.IntToDoubleFunction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Six bars of eight eighths at 120, their onsets made by a tempo that is known. */
class TempoLineTest {
  private static final int BARS = 6;
  private static final int A_BAR = 8;
  private static final double EIGHTH_MS = 250;

  private static Expected line() {
    List<Moment> moments = new ArrayList<>();
    List<Span> bars = new ArrayList<>();
    for (int i = 0; i < BARS * A_BAR; i++) {
      Pitch pitch = Pitch.parse(i % 2 == 0 ? "D4" : "A4");
      double at = i * EIGHTH_MS;
      moments.add(
          new Moment(
              i,
              i / A_BAR,
              at,
              at + EIGHTH_MS,
              EIGHTH_MS,
              List.of(new Tone(i, pitch, pitch.hertz(440))),
              List.of(),
              i == 0 ? Join.ENTRY : Join.PLAIN,
              true,
              false,
              false,
              4));
      if (i % A_BAR == 0) {
        String number = String.valueOf(i / A_BAR + 1);
        bars.add(new Span(i / A_BAR, number, at, at + A_BAR * EIGHTH_MS));
      }
    }
    return new Expected(moments, bars, 440);
  }

  /**
   * @param pace of each bar as a multiple of the target
   * @param offMs what each note is moved by
   */
  private static TempoLine heard(IntToDoubleFunction pace, IntToDoubleFunction offMs) {
    List<HeardNote> notes = new ArrayList<>();
    double at = 2;
    for (int i = 0; i < BARS * A_BAR; i++) {
      double step = EIGHTH_MS / 1000 / pace.applyAsDouble(i / A_BAR);
      double onset = at + offMs.applyAsDouble(i) / 1000;
      HeardPitch pitch = new HeardPitch(0, 0, 0, 0, 0, 0);
      notes.add(new HeardNote(i, onset, onset + step, -20, 20, pitch, List.of(), 0, 0.9));
      at += step;
    }
    Heard all = new Heard(at + 1, notes, List.of(), List.of(), List.of(), 0, 1);
    return new TempoLine(line(), all);
  }

  @ParameterizedTest
  @ValueSource(doubles = {0.5, 0.8, 1, 1.4})
  void aSteadyTakeIsSteadyAtAnyTempo(double times) {
    TempoLine line = heard(b -> times, i -> 0);
    assertThat(line.times()).isCloseTo(times, within(1e-6));
    assertThat(line.bars()).hasSize(BARS);
    assertThat(line.bars()).allMatch(b -> Math.abs(b.percent()) < 0.01);
    assertThat(line.timesIn(3)).isCloseTo(times, within(1e-6));
  }

  @ParameterizedTest
  @ValueSource(doubles = {-8, 7, 12})
  void aBarThatRushesOrDragsIsToldByHowMuch(double percent) {
    TempoLine line = heard(b -> b == 2 ? 1 + percent / 100 : 1, i -> 0);
    assertThat(line.bars().get(2).percent()).isCloseTo(percent, within(1.0));
    for (int other : new int[] {0, 1, 4, 5}) {
      assertThat(line.bars().get(other).percent()).isCloseTo(0, within(1.0));
    }
  }

  /** One note that comes late bends no bar. */
  @ParameterizedTest
  @ValueSource(doubles = {-60, 45, 90})
  void aNoteOutOfTimeIsToldByItself(double ms) {
    TempoLine line = heard(b -> 1, i -> i == 19 ? ms : 0);
    assertThat(line.lateMs(19).orElseThrow()).isCloseTo(ms, within(6.0));
    assertThat(line.lateMs(18).orElseThrow()).isCloseTo(0, within(6.0));
    assertThat(line.lateMs(20).orElseThrow()).isCloseTo(0, within(6.0));
    assertThat(line.bars().get(2).percent()).isCloseTo(0, within(1.5));
  }

  /** With jitter the interval that is given holds the true tempo of nearly every bar. */
  @Test
  void theIntervalOfABarHoldsItsTempo() {
    Random random = new Random(11);
    int held = 0;
    int all = 0;
    for (int take = 0; take < 40; take++) {
      double[] jitter = random.doubles(BARS * A_BAR, -1, 1).map(x -> 10 * x).toArray();
      for (TempoLine.BarTempo b : heard(x -> 1, i -> jitter[i]).bars()) {
        held += Math.abs(b.percent()) <= b.exact() ? 1 : 0;
        all++;
      }
    }
    assertThat(held / (double) all).isBetween(0.9, 0.99);
  }
}
