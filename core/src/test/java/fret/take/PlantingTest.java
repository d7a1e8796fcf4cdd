package fret.take;

import static org.assertj.core.api.Assertions.assertThat;

import fret.pitch.Pitch;
import fret.search.Token;
import fret.take.Expected.Join;
import fret.take.Expected.Moment;
import fret.take.Expected.Span;
import fret.take.Expected.Tone;
import fret.take.Fault.Kind;
import fret.take.SimulatedPlayer.Played;
import fret.take.SimulatedPlayer.Style;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Four bars of quarters at 100, each fault planted by itself and told by itself. */
class PlantingTest {
  private static final double QUARTER = 600;
  private static final String[] LINE =
      "D4 E4 F#4 G4 A4 B4 A4 G4 F#4 A4 D5 A4 B4 G4 E4 D4 C#4 D4 A4 D4".split(" ");

  private static Expected line() {
    List<Moment> moments = new ArrayList<>();
    List<Span> bars = new ArrayList<>();
    for (int i = 0; i < LINE.length; i++) {
      Pitch pitch = Pitch.parse(LINE[i]);
      Tone tone = new Tone(i, pitch, pitch.hertz(440));
      boolean last = i + 1 == LINE.length;
      double at = QUARTER * i;
      // The last note of the third bar is short, before nothing that is slurred.
      boolean shorter = i == 11;
      moments.add(
          new Moment(
              i,
              i / 4,
              at,
              at + QUARTER,
              shorter ? QUARTER / 2 : QUARTER,
              List.of(tone),
              List.of(),
              i == 0 ? Join.ENTRY : Join.PLAIN,
              !last && !shorter,
              i % 4 == 1,
              false,
              4));
      if (i % 4 == 0) {
        bars.add(new Span(i / 4, String.valueOf(i / 4 + 1), at, at + 4 * QUARTER));
      }
    }
    return new Expected(moments, bars, 440);
  }

  private static List<Finding> told(List<Fault> faults, Style style) {
    Played played = SimulatedPlayer.play(line(), faults, style);
    Recording r = Recording.of(played.samples(), SimulatedPlayer.RATE);
    return TakeReport.of(r, line(), Token.NEVER, p -> {}).findings();
  }

  @ParameterizedTest
  @CsvSource({
    "RUSH, 2, 9",
    "DRAG, 2, 9",
    "LATE, 2, 60",
    "EARLY, 2, 60",
    "SHARP, 1, 20",
    "FLAT, 1, 20",
    "GAP, 1, 150",
    "CLIPPED, 1, 150",
    "WRONG, 2, 1",
    "MISSING, 2, 1",
    "ADDED, 2, 1",
    "RESTART, 2, 1",
    "OVER_HELD, 2, 150"
  })
  void eachIsToldByItsKindAndBarAndNothingElse(Kind kind, int bar, double amount) {
    Optional<Fault> planted = Planting.inBar(line(), kind, bar, amount);
    assertThat(planted).isPresent();
    List<Finding> found = told(List.of(planted.get()), Style.USUAL.withSeed(21));
    assertThat(found).extracting(Finding::kind).containsExactly(planted.get().kind());
    assertThat(line().moments().get(found.get(0).moment()).bar()).isEqualTo(bar);
    assertThat(found.get(0).confidence()).isBetween(0.25, 1.0);
  }

  @Test
  void aCleanTakeIsCleanAtAnyTempoAndTuning() {
    assertThat(told(List.of(), Style.USUAL.withSeed(5))).isEmpty();
    assertThat(told(List.of(), Style.USUAL.withSeed(6).withTempo(0.55))).isEmpty();
    assertThat(told(List.of(), Style.USUAL.withSeed(7).withTempo(1.45))).isEmpty();
    assertThat(told(List.of(), Style.USUAL.withSeed(8).withTuned(-40))).isEmpty();
    assertThat(told(List.of(), Style.USUAL.withSeed(9).withTuned(60))).isEmpty();
  }

  @Test
  void theTuningOfTheWholeTakeIsTold() {
    Played played = SimulatedPlayer.play(line(), List.of(), Style.USUAL.withTuned(20));
    Recording r = Recording.of(played.samples(), SimulatedPlayer.RATE);
    double a4 = TakeReport.of(r, line(), Token.NEVER, p -> {}).a4();
    assertThat(a4).isBetween(444.5, 445.8);
  }

  @Test
  void theSameSeedPlaysTheSame() {
    float[] one = SimulatedPlayer.play(line(), List.of(), Style.USUAL.withSeed(4)).samples();
    float[] again = SimulatedPlayer.play(line(), List.of(), Style.USUAL.withSeed(4)).samples();
    assertThat(one).isEqualTo(again);
  }

  @Test
  void whereAKindMakesNoSenseItIsNotPlanted() {
    assertThat(Planting.inBar(line(), Kind.RUSH, 0, 9)).isEmpty();
    assertThat(Planting.inBar(line(), Kind.LATE, 2, 400)).isEmpty();
    assertThat(Planting.at(line(), Kind.SHARP, 0, 20)).isEmpty();
    assertThat(Planting.inBar(line(), Kind.UNEVEN, 2, 20)).isEmpty();
    assertThat(Planting.inBar(line(), Kind.SHARP, 99, 20)).isEmpty();
  }

  @Test
  void silenceTellsNothingAndOtherMusicIsLeftOut() {
    float[] nothing = new float[4 * SimulatedPlayer.RATE];
    Recording silent = Recording.of(nothing, SimulatedPlayer.RATE);
    Heard heard = Listener.hear(silent, line(), Token.NEVER, p -> {});
    assertThat(heard.alignedShare()).isZero();
    float[] other = new float[4 * SimulatedPlayer.RATE];
    for (int i = 0; i < other.length; i++) {
      other[i] = (float) (0.3 * Math.sin(2 * Math.PI * 1733 * i / SimulatedPlayer.RATE));
    }
    Heard noise =
        Listener.hear(Recording.of(other, SimulatedPlayer.RATE), line(), Token.NEVER, p -> {});
    assertThat(noise.alignedShare()).isLessThan(0.2);
  }

  /**
   * A trill of eight notes a second whose main note starts in tune and ends 30 cents high: its
   * drift is told, its neighbour is no wrong note.
   */
  @Test
  void theMainNoteOfALongTrillIsTold() {
    List<Moment> moments = new ArrayList<>();
    double main = Pitch.parse("A4").hertz(440);
    double length = 2400;
    moments.add(moment(0, "D4", 0, 600, false));
    moments.add(moment(1, "A4", 600, length, true));
    moments.add(moment(2, "D4", 600 + length, 600, false));
    Expected e = new Expected(moments, List.of(new Span(0, "1", 0, 1200 + length)), 440);
    float[] x = new float[(int) (4.4 * Recording.RATE)];
    double phase = 0;
    for (int i = 0; i < x.length; i++) {
      double t = i / (double) Recording.RATE - 0.5;
      double into = (t - 0.6) / 2.4;
      boolean trill = into >= 0 && into < 1;
      double cents = !trill ? 0 : 30 * into + ((int) (into * 2.4 * 16) % 2 == 1 ? 200 : 0);
      double hertz = trill ? main : moments.get(0).starting().get(0).hertz();
      phase += 2 * Math.PI * hertz * Math.pow(2, cents / 1200) / Recording.RATE;
      double sum = 0;
      for (int h = 1; h <= 8; h++) {
        sum += 0.1 / h * Math.sin(h * phase);
      }
      x[i] = t < 0 || t > 3.6 ? 0 : (float) sum;
    }
    TakeReport r = TakeReport.of(new Recording(x), e, Token.NEVER, p -> {});
    HeardPitch heard = r.heard().of(1).orElseThrow().pitch();
    assertThat(heard.driftCents()).isBetween(12.0, 28.0);
    assertThat(heard.vibratoHz()).isZero();
    assertThat(r.findings()).extracting(Finding::kind).containsExactly(Kind.DRIFT);
  }

  private static Moment moment(int i, String name, double at, double length, boolean ornament) {
    Pitch pitch = Pitch.parse(name);
    return new Moment(
        i,
        0,
        at,
        at + length,
        length,
        List.of(new Tone(i, pitch, pitch.hertz(440))),
        List.of(),
        i == 0 ? Join.ENTRY : Join.PLAIN,
        i < 2,
        false,
        ornament,
        4);
  }
}
