package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.InstrumentType;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.player.EffortKind;
import fret.player.Preset;
import fret.score.Direction;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Signs;
import fret.score.TimeSignature;
import java.util.List;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** The colour of a fast theme. */
class ThemesTest {
  private static final Signs SHORT =
      Signs.PLAIN.withArticulations(Set.of(Signs.Articulation.STACCATO));

  /**
   * Bars of eight eighths up and down, each in one articulation; {@code loud} where one changes.
   */
  private static ResolvedPassage bars(int loudAt, Signs... each) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (int bar = 0; bar < each.length; bar++) {
      if (bar == loudAt) {
        line.say(Direction.Kind.DYNAMIC, "f");
      }
      for (String n : "A4 B4 C5 D5 E5 F5 E5 D5".split(" ")) {
        line.add(Fraction.of(1, 8), List.of(Head.of(Pitch.parse(n))), each[bar]);
      }
    }
    return Resolver.resolve(line.build("", Interval.UNISON));
  }

  private static String themes(ResolvedPassage p) {
    boolean[] in = Themes.of(p);
    StringBuilder bars = new StringBuilder();
    for (int i = 0; i < in.length; i += 8) {
      bars.append(in[i] ? 'x' : '-');
    }
    return bars.toString();
  }

  @Test
  void twoBarsOfOneCharacterAreATheme() {
    assertThat(themes(bars(0, SHORT, SHORT, Signs.PLAIN))).isEqualTo("xx-");
    assertThat(themes(bars(0, SHORT, Signs.PLAIN, SHORT))).isEqualTo("---");
    assertThat(themes(bars(2, SHORT, SHORT, SHORT, SHORT))).as("a new dynamic").isEqualTo("xxxx");
    assertThat(themes(bars(1, SHORT, SHORT, SHORT))).isEqualTo("-xx");
    assertThat(themes(bars(0, SHORT))).as("one bar is none").isEqualTo("-");
  }

  /** Eighths at 160 are no sung notes; a big sound keeps their string all the same. */
  @Test
  void aBigSoundKeepsItsStringInAFastTheme() {
    ResolvedPassage p = bars(0, SHORT, SHORT);
    FingeringTask task = Exercises.task(InstrumentType.VIOLIN, p, 160);
    Fingering sure = new FingeringSolver(task.withPreset(Preset.SURE)).best();
    Fingering big = new FingeringSolver(task.withPreset(Preset.POWERFUL)).best();
    assertThat(Exercises.quantity(sure, EffortKind.COLOUR)).as("too short to be sung").isZero();
    assertThat(Exercises.quantity(sure, EffortKind.THEME)).isPositive();
    assertThat(Exercises.quantity(big, EffortKind.THEME))
        .isLessThan(Exercises.quantity(sure, EffortKind.THEME));
    assertThat(
            Exercises.quantity(
                new FingeringSolver(
                        Exercises.task(InstrumentType.VIOLIN, bars(1, SHORT, SHORT), 160))
                    .best(),
                EffortKind.THEME))
        .as("a dynamic between them")
        .isZero();
  }
}
