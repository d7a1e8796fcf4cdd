package fret.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.fingering.Shift;
import fret.instrument.Finger;
import fret.mark.SlideLayer;
import fret.mark.SlideWish;
import fret.player.EffortKind;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A slide that is meant to be heard costs nothing; before a jury all are hidden, and come back. */
class SlidesTest {
  private Session slurred;
  private int into;

  /** A slide under a slur on one finger, by two pins. */
  @BeforeEach
  void pinASlide() {
    Session s = Lines.session("A4 (B4 E5) D5 C5 B4");
    s = Lines.after(s, Decisions.pin(s, 1, Optional.of(Finger.FIRST), 2));
    s = Lines.after(s, Decisions.pin(s, 2, Optional.of(Finger.FIRST), 2));
    slurred = s;
    into = 2;
    assertThat(shift(s).travelMm()).isPositive();
  }

  private Shift shift(Session s) {
    return s.fingering().shifts().stream()
        .filter(x -> x.toNote() == into)
        .findFirst()
        .orElseThrow();
  }

  private double heard(Session s) {
    int slice = s.resolved().notes().get(into).slice();
    return s.fingering().reasonsAt(slice).stream()
        .filter(
            r ->
                r.id().equals(EffortKind.SLUR_SHIFT.id())
                    || r.id().equals(EffortKind.SLIDE_HEARD.id())
                    || r.id().equals(EffortKind.UNCOVERED.id()))
        .mapToDouble(r -> r.effort())
        .sum();
  }

  @Test
  void aSlideThatIsMeantCostsNothingAndAHiddenOneTwice() {
    double usual = heard(slurred);
    assertThat(usual).isPositive();
    Session meant =
        Lines.after(slurred, Decisions.toggle(slurred, SlideLayer.SLIDE, into, SlideWish.HEARD));
    assertThat(heard(meant)).isZero();
    assertThat(shift(meant).heard()).isTrue();
    assertThat(meant.fingering().effort())
        .isCloseTo(slurred.fingering().effort() - usual, within(1e-6));
    Session hidden =
        Lines.after(slurred, Decisions.toggle(slurred, SlideLayer.SLIDE, into, SlideWish.HIDDEN));
    assertThat(heard(hidden)).isCloseTo(2 * usual, within(1e-9));
    assertThat(shift(hidden).heard()).isFalse();
  }

  @Test
  void beforeAJuryNothingIsHeardAndItComesBack() {
    Session meant =
        Lines.after(slurred, Decisions.toggle(slurred, SlideLayer.SLIDE, into, SlideWish.HEARD));
    Session jury = Lines.after(meant, Decisions.hideSlides(meant, true));
    assertThat(shift(jury).heard()).isFalse();
    assertThat(heard(jury)).isCloseTo(heard(slurred), within(1e-9));
    assertThat(jury.at(SlideLayer.SLIDE, into)).as("the mark waits").isPresent();
    Session back = Lines.after(jury, Decisions.hideSlides(jury, false));
    assertThat(shift(back).heard()).isTrue();
    assertThat(back.fingering().notes()).isEqualTo(meant.fingering().notes());
  }
}
