package fret.bowing;

import static org.assertj.core.api.Assertions.assertThat;

import fret.base.Said;
import fret.instrument.InstrumentType;
import org.junit.jupiter.api.Test;

/** What is told apart of two bowings, counted by hand on lines whose bows are printed. */
class BowTraitsTest {
  private static Bowing bowed(String words) {
    return new BowSolver(Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, words), 90)).best();
  }

  @Test
  void theSameBowingHasNothingToTellItApart() {
    Bowing line = bowed("D5:4 E5:4 F5:4 G5:4");
    assertThat(BowTraits.of(line, line)).isEmpty();
  }

  @Test
  void howItBeginsIsToldFirst() {
    Bowing down = bowed("D5:4n E5:4v F5:4n G5:4v");
    Bowing up = bowed("D5:4v E5:4n F5:4v G5:4n");
    assertThat(BowTraits.of(up, down))
        .startsWith(Said.of("bow-trait.begins.up"))
        .contains(Said.of("bow-trait.FIRSTS", 1))
        .doesNotContain(Said.of("bow-trait.STROKES", 4));
    assertThat(BowTraits.of(down, up))
        .containsExactly(Said.of("bow-trait.begins.down"), Said.of("bow-trait.FIRSTS.none"));
  }

  @Test
  void retakesAndTheirAbsenceAreCounted() {
    Bowing lifted = bowed("D5:4n -:4 E5:4n -:4 F5:4n -:4 G5:4n -:4");
    Bowing plain = bowed("D5:4n -:4 E5:4v -:4 F5:4n -:4 G5:4v -:4");
    assertThat(BowTraits.of(lifted, plain)).contains(Said.of("bow-trait.RETAKES", 3));
    assertThat(BowTraits.of(plain, lifted)).contains(Said.of("bow-trait.RETAKES.none"));
  }
}
