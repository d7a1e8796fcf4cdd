package fret.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.LineBuilder;
import fret.score.LoudnessLine;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

class PerformanceTest {
  private static final TempoMap SIXTY = TempoMap.steady(new Tempo(Beat.QUARTER, 60));

  private static Score line(String notes) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (String p : notes.split(" ")) {
      line.add(Fraction.of(1, 4), Pitch.parse(p));
    }
    return line.build("x", Interval.UNISON);
  }

  private static double loudness(float[] samples, double fromS, double toS) {
    double sum = 0;
    int from = (int) (fromS * ClickTrack.SAMPLE_RATE);
    int to = (int) (toS * ClickTrack.SAMPLE_RATE);
    for (int i = from; i < to; i++) {
      sum += samples[i] * (double) samples[i];
    }
    return Math.sqrt(sum / (to - from));
  }

  /** Strength of one frequency in a stretch, by correlation. */
  private static double strength(float[] samples, double hertz, double fromS, double toS) {
    double re = 0;
    double im = 0;
    for (int i = (int) (fromS * ClickTrack.SAMPLE_RATE); i < toS * ClickTrack.SAMPLE_RATE; i++) {
      double angle = 2 * Math.PI * hertz * i / ClickTrack.SAMPLE_RATE;
      re += samples[i] * Math.cos(angle);
      im += samples[i] * Math.sin(angle);
    }
    return Math.hypot(re, im);
  }

  @Test
  void eachNoteSoundsAtItsTimeAndPitch() {
    ResolvedPassage passage = Resolver.resolve(line("A4 E5 A4 C5"));
    float[] all =
        new Performance(passage, LoudnessLine.of(passage.score()), SIXTY, 440).samples(0, 3);
    assertThat(all.length / (double) ClickTrack.SAMPLE_RATE).isCloseTo(4, within(0.5));
    // A4 = 440 Hz (ISO 16:1975); E5 a tempered fifth above, 659.3 Hz
    assertThat(strength(all, 440, 0.1, 0.9)).isGreaterThan(20 * strength(all, 659.26, 0.1, 0.9));
    assertThat(strength(all, 659.26, 1.1, 1.9)).isGreaterThan(20 * strength(all, 440, 1.1, 1.9));
    float[] last =
        new Performance(passage, LoudnessLine.of(passage.score()), SIXTY, 440).samples(1, 1);
    assertThat(strength(last, 659.26, 0.1, 0.9)).isGreaterThan(20 * strength(last, 440, 0.1, 0.9));
    assertThat(loudness(last, 1.1, 1.3)).isCloseTo(0, within(1e-6));
  }

  @Test
  void printedDynamicsAndHairpinsAreHeard() {
    Score score = line("A4 A4 A4 A4");
    List<Bar> bars = new ArrayList<>(score.bars());
    bars.set(
        0,
        bars.get(0)
            .withDirections(
                List.of(
                    new Direction(Fraction.ZERO, Direction.Kind.DYNAMIC, "p", 0),
                    new Direction(Fraction.of(1, 4), Direction.Kind.CRESCENDO, "", 0),
                    new Direction(Fraction.of(3, 4), Direction.Kind.HAIRPIN_END, "", 0),
                    new Direction(Fraction.of(3, 4), Direction.Kind.DYNAMIC, "ff", 0))));
    ResolvedPassage louder = Resolver.resolve(score.withBars(bars));
    float[] all =
        new Performance(louder, LoudnessLine.of(louder.score()), SIXTY, 440).samples(0, 3);
    double soft = loudness(all, 0.2, 0.8);
    double middle = loudness(all, 2.2, 2.8);
    double loud = loudness(all, 3.2, 3.8);
    assertThat(middle).isGreaterThan(soft);
    assertThat(20 * Math.log10(loud / soft)).isCloseTo(15, within(0.5));
    for (float s : all) {
      assertThat(Math.abs(s)).isLessThanOrEqualTo(0.81f);
    }
  }

  @Test
  void ofAVeryLongPassageTheFirstTenMinutesAreHeard() {
    TempoMap slow = TempoMap.steady(new Tempo(Beat.QUARTER, 2));
    ResolvedPassage eleven =
        Resolver.resolve(line("A4 A4 A4 A4 A4 A4 A4 A4 A4 A4 A4 A4 A4 A4 A4 A4 A4 A4 A4 A4 A4 A4"));
    float[] samples =
        new Performance(eleven, LoudnessLine.of(eleven.score()), slow, 440).samples(0, 21);
    assertThat(samples.length / (double) ClickTrack.SAMPLE_RATE).isBetween(600.0, 601.0);
  }

  /** Under A4 and E5 another part has a C4 of its own at the second note. */
  @Test
  void otherPartsSoundAtTheirPlaceAndHalfAsLoud() {
    ResolvedPassage own = Resolver.resolve(line("A4 E5 A4 C5"));
    ResolvedPassage other = Resolver.resolve(line("D4 C4 D4 C4"));
    LoudnessLine line = LoudnessLine.of(own.score());
    float[] mine = new Performance(own, line, SIXTY, 440).samples(1, 1);
    float[] theirs =
        new Performance(other, line, SIXTY, 440).between(Fraction.of(1, 4), Fraction.of(1, 2));
    assertThat(strength(theirs, 261.63, 0.1, 0.9))
        .isGreaterThan(20 * strength(theirs, 293.66, 0.1, 0.9));
    float[] both = Performance.together(mine, List.of(theirs));
    assertThat(both).hasSameSizeAs(mine);
    assertThat(strength(both, 659.26, 0.1, 0.9))
        .isCloseTo(
            2 * strength(both, 261.63, 0.1, 0.9), within(0.2 * strength(both, 659.26, 0.1, 0.9)));
    assertThat(Performance.together(mine, List.of())).isEqualTo(mine);
  }
}
