package fret.instrument;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fret.pitch.Pitch;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Strings, places in mm and planes of the bow, against closed forms and handbook values. */
class InstrumentTest {
  private static final Instrument CELLO =
      Instrument.of(InstrumentType.CELLO, Tuning.usual(InstrumentType.CELLO), 690);

  /**
   * Places of an equal scale on a string: half at the octave, a quarter left at two (acoustics).
   */
  @ParameterizedTest
  @CsvSource({"0, 0", "12, 345", "24, 517.5", "7, 229.48", "5, 173.08", "1, 38.73"})
  void placesOfACelloOf690Mm(double semitones, double mm) {
    assertThat(CELLO.mmFromNut(semitones)).isCloseTo(mm, within(0.01));
  }

  /** The clean window of ten cents to either side, whole: at 7 semitones of the cello 5.3 mm. */
  @Test
  void theWindowGrowsNarrowerUpTheString() {
    assertThat(CELLO.windowMm(7, 10)).isCloseTo(5.3, within(0.05));
    assertThat(CELLO.windowMm(19, 10)).isCloseTo(CELLO.windowMm(7, 10) / 2, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource({
    "VIOLIN, E5 A4 D4 G3",
    "VIOLA, A4 D4 G3 C3",
    "CELLO, A3 D3 G2 C2",
    "BASS, G2 D2 A1 E1"
  })
  void openStringsAreNamedAndNumberedFromTheHighest(InstrumentType type, String strings) {
    Instrument on = Instrument.standard(type);
    String[] names = strings.split(" ");
    assertThat(on.stringCount()).isEqualTo(4);
    for (int s = 1; s <= 4; s++) {
      assertThat(on.open(s)).hasToString(names[s - 1]);
      assertThat(on.stringNamed(on.stringName(s))).isEqualTo(s);
      assertThat(on.semitones(s, on.open(s))).isZero();
    }
    assertThat(on.stringNamed("H")).isZero();
    assertThat(on.stringNames(List.of(2, 4, 3)))
        .isEqualTo(on.stringName(4) + "+" + on.stringName(3) + "+" + on.stringName(2));
  }

  /** Natural harmonics are the 2nd to 5th partials: octave, twelfth, two octaves, and a third. */
  @ParameterizedTest
  @CsvSource({"2, A4", "3, E5", "4, A5", "5, C#6"})
  void harmonicsOfAnAString(int partial, String pitch) {
    assertThat(CELLO.harmonic(1, partial)).hasToString(pitch);
    assertThatThrownBy(() -> CELLO.harmonic(1, 6)).isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void twoStringsOfOneLetterAreToldApart() {
    Instrument on = Instrument.of(InstrumentType.VIOLIN, Tuning.parse("E5 A4 D4 A3", false), 328);
    assertThat(on.stringName(2)).isEqualTo("A4");
    assertThat(on.stringName(4)).isEqualTo("A3");
    assertThat(on.stringName(1)).isEqualTo("E");
  }

  @ParameterizedTest
  @EnumSource(InstrumentType.class)
  void everyTuningThatIsOfferedIsReadBack(InstrumentType type) {
    assertThat(Tuning.choices(type).get(0)).isEqualTo(Tuning.usual(type));
    for (Tuning t : Tuning.choices(type)) {
      assertThat(Tuning.parse(t.text(), false).strings()).isEqualTo(t.strings());
      Instrument on = Instrument.of(type, t, Instrument.usualLengthMm(type));
      for (int s = 2; s <= on.stringCount(); s++) {
        assertThat(on.open(s).midi()).isLessThan(on.open(s - 1).midi());
      }
    }
    assertThatThrownBy(() -> Tuning.parse("E5 X4", false))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void semitonesBelowAStringAreNegative() {
    assertThat(CELLO.semitones(1, Pitch.parse("G3"))).isEqualTo(-2);
    assertThat(CELLO.semitones(4, Pitch.parse("C4"))).isEqualTo(24);
  }

  /** One crossing of the violin moves the hand 16.9 cm at the tip and 0.8 cm at the frog. */
  @Test
  void planesOfTheViolin() {
    BowGeometry bow = BowGeometry.usual(Instrument.standard(InstrumentType.VIOLIN));
    assertThat(bow.handCm(bow.angleDegrees(), 62)).isCloseTo(16.9, within(0.05));
    assertThat(bow.handCm(bow.angleDegrees(), 0)).isCloseTo(0.8, within(0.05));
    assertThat(bow.planeDegrees(1)).isCloseTo(-bow.planeDegrees(4), within(1e-9));
    assertThat(bow.planeDegrees(List.of(2, 3))).isCloseTo(0, within(1e-9));
    assertThat(bow.withHair(60).hairCm()).isEqualTo(60);
    assertThatThrownBy(() -> bow.withHair(90)).isInstanceOf(IllegalArgumentException.class);
  }

  /** Neighbouring planes of each instrument (bridges of handbooks, from memory). */
  @ParameterizedTest
  @CsvSource({"VIOLIN, 15.6", "VIOLA, 14.4", "CELLO, 13.7", "BASS, 20.7"})
  void anglesBetweenNeighbouringStrings(InstrumentType type, double degrees) {
    assertThat(BowGeometry.usual(Instrument.standard(type)).angleDegrees())
        .isCloseTo(degrees, within(0.1));
  }
}
