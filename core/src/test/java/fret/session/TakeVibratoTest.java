package fret.session;

import static org.assertj.core.api.Assertions.assertThat;

import fret.base.Said;
import fret.mark.VibratoWish;
import fret.take.HeardPitch;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Quarters of a second: two swings to a quarter are 2 Hz, four are 4 Hz. */
class TakeVibratoTest {
  private static Optional<String> told(VibratoWish asked, double hertz, double cents) {
    HeardPitch heard = new HeardPitch(0, 0, hertz, cents, 0, 0);
    return TakeVibrato.differs(asked, heard, 1).map(Said::id);
  }

  @ParameterizedTest
  @CsvSource({
    "USUAL, 5.5, 20, ",
    "USUAL, 6.5, 27, ",
    "USUAL, 0, 0, take.vibrato.not-heard",
    "USUAL, 5.5, 36, take.vibrato.wider",
    "WIDE, 5, 15, take.vibrato.narrower",
    "NARROW, 6, 20, take.vibrato.wider",
    "GROWING, 5.5, 12, ",
    "NONE, 0, 0, ",
    "NONE, 5.5, 12, take.vibrato.none-asked",
    "FOUR, 4.2, 20, ",
    "FOUR, 5.6, 20, take.vibrato.rate",
    "THREE, 3.1, 20, "
  })
  void onlyWhatDiffersFromWhatIsAskedIsTold(
      VibratoWish asked, double hertz, double cents, String id) {
    assertThat(told(asked, hertz, cents)).isEqualTo(Optional.ofNullable(id));
  }

  @Test
  void theRateThatIsAskedIsThatOfTheTakesOwnTempo() {
    HeardPitch heard = new HeardPitch(0, 0, 5, 20, 0, 0);
    assertThat(TakeVibrato.differs(VibratoWish.FOUR, heard, 0.8)).isEmpty();
    assertThat(TakeVibrato.differs(VibratoWish.FOUR, heard, 1.25))
        .contains(Said.of("take.vibrato.rate", 5.0, 3.2));
  }
}
