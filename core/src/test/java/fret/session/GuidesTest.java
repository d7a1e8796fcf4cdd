package fret.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.fingering.GuideFingers;
import fret.fingering.Shift;
import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.mark.GuideLayer;
import fret.pitch.Pitch;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Octaves up the violin, 1-4 to 1-4: either finger guides, and the player says which. */
class GuidesTest {
  private static final Instrument VIOLIN = Instrument.standard(InstrumentType.VIOLIN);

  private Session octaves;

  @BeforeEach
  void pinOctaves() {
    Session s = Lines.session("A4+A5 D5+D6 D5");
    int[] strings = {3, 2, 3, 2};
    Finger[] fingers = {Finger.FIRST, Finger.FOURTH, Finger.FIRST, Finger.FOURTH};
    for (int i = 0; i < 4; i++) {
      s = Lines.after(s, Decisions.pin(s, i, Optional.of(fingers[i]), strings[i]));
    }
    octaves = s;
  }

  private static Shift shift(Session s) {
    return s.fingering().shifts().get(0);
  }

  @Test
  void eitherFingerGuidesWithItsOwnMillimetres() {
    assertThat(GuideFingers.at(octaves.resolved(), VIOLIN, octaves.fingering(), 1))
        .containsExactly(Finger.FIRST, Finger.FOURTH);
    Shift low = shift(octaves);
    assertThat(low.toFinger()).as("the lowest note, where nothing is said").isEqualTo(Finger.FIRST);
    // D string, A4 to D5: 328 (2^(-7/12) - 2^(-12/12))
    assertThat(low.oldFinger().orElseThrow().slideMm())
        .isCloseTo(328 * (Math.pow(2, -7 / 12.0) - 0.5), within(0.05));
    Session high =
        Lines.after(octaves, Decisions.toggle(octaves, GuideLayer.GUIDE, 2, Finger.FOURTH));
    Shift s = shift(high);
    assertThat(s.fromFinger()).isEqualTo(Finger.FOURTH);
    assertThat(s.arrivalString()).isEqualTo(2);
    assertThat(s.oldFinger().orElseThrow().pitch()).isEqualTo(Pitch.parse("D6"));
    // A string, A5 to D6: 328 (2^(-12/12) - 2^(-17/12))
    assertThat(s.oldFinger().orElseThrow().slideMm())
        .isCloseTo(328 * (0.5 - Math.pow(2, -17 / 12.0)), within(0.05));
    assertThat(s.travelMm()).as("the hand goes as far").isEqualTo(low.travelMm());
    assertThat(high.fingering().notes()).isEqualTo(octaves.fingering().notes());
  }

  @Test
  void takenBackTheLowestGuidesAgain() {
    Session high =
        Lines.after(octaves, Decisions.toggle(octaves, GuideLayer.GUIDE, 2, Finger.FOURTH));
    Session back = Lines.after(high, Decisions.toggle(high, GuideLayer.GUIDE, 2, Finger.FOURTH));
    assertThat(shift(back)).isEqualTo(shift(octaves));
    Session unfit =
        Lines.after(octaves, Decisions.toggle(octaves, GuideLayer.GUIDE, 2, Finger.SECOND));
    assertThat(shift(unfit)).as("a finger that does not slide").isEqualTo(shift(octaves));
  }
}
