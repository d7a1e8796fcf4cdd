package fret.fingering;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.score.ResolvedPassage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How a line runs, which digits a page needs, which nodes speak. */
class LineAndDigitsTest {
  private static final Fraction QUARTER = Fraction.of(1, 4);

  private static Contour at(String notes, int i) {
    return Contour.of(Exercises.line(notes, QUARTER), i, 0.5);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "G4 A4 G4 | 1 | 1 | true | 0 | OTHER",
        "G4 A4 F4 | 1 | 1 | false | 0 | BROKEN_CHORD",
        "G4 E4 A4 | 1 | -1 | false | 0 | BROKEN_CHORD",
        "G4 A4 B4 | 1 | 0 | false | 0 | SCALE",
        // a repeated note turns nowhere
        "G4 G4 A4 | 1 | 0 | false | 0 | OTHER",
        // the ends of a line, and what stands beside a rest or a chord
        "G4 A4 G4 | 0 | 0 | false | 0 | OTHER",
        "G4 A4 G4 | 2 | 0 | false | 0 | OTHER",
        "G4 - A4 G4 | 1 | 0 | false | 0 | OTHER",
        "G4 D4+B4 G4 | 1 | 0 | false | 0 | OTHER",
        // three leaps in one direction are an arpeggio, two are not
        "G3 B3 D4 G4 | 1 | 0 | false | 1 | BROKEN_CHORD",
        "G3 B3 D4 G4 | 2 | 0 | false | 1 | BROKEN_CHORD",
        "G4 D4 B3 G3 | 1 | 0 | false | -1 | BROKEN_CHORD",
        "G3 B3 D4 C4 | 1 | 0 | false | 0 | BROKEN_CHORD",
        // a whole tone is a step
        "G3 B3 C#4 E4 | 1 | 0 | false | 0 | BROKEN_CHORD",
        // a scale falls too; a chromatic line is none
        "C5 B4 A4 | 1 | 0 | false | 0 | SCALE",
        "C5 B4 Bb4 | 1 | 0 | false | 0 | OTHER",
        "B4 C5 Eb5 | 1 | 0 | false | 0 | BROKEN_CHORD",
      })
  void theLineTurnsComesBackAndClimbs(
      String notes, int at, int turn, boolean comesBack, int arpeggio, Contour.Motion motion) {
    assertThat(at(notes.strip(), at)).isEqualTo(new Contour(turn, comesBack, arpeggio, motion));
  }

  @Test
  void aQuickArpeggioIsNotClimbedNoteByNote() {
    ResolvedPassage line = Exercises.line("G3 B3 D4 G4", QUARTER);
    assertThat(Contour.of(line, 1, 0.2).arpeggio()).isEqualTo(1);
    assertThat(Contour.of(line, 1, 0.19).arpeggio()).isZero();
  }

  // ---- digits ------------------------------------------------------------------------------

  private static Fingering pinned(String notes, String places) {
    Instrument violin = Instrument.standard(InstrumentType.VIOLIN);
    List<NoteRule> rules = new ArrayList<>();
    String[] words = places.split("[ +]");
    for (int i = 0; i < words.length; i++) {
      boolean touched = words[i].startsWith("h");
      String place = touched ? words[i].substring(1) : words[i];
      rules.add(
          new NoteRule(
              i,
              Finger.ofDigit(place.substring(1)),
              Optional.empty(),
              violin.stringNamed(place.substring(0, 1)),
              0,
              touched,
              false));
    }
    Fingering f =
        new FingeringSolver(
                Exercises.task(InstrumentType.VIOLIN, Exercises.line(notes, QUARTER), 80)
                    .withRules(rules))
            .best();
    assertThat(f.problems()).isEmpty();
    return f;
  }

  /** Common practice, no source: a numeral where the same digits could be read elsewhere. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        // a scale in first position, over the strings: none
        "G4 A4 B4 C5 D5 | D3 A0 A1 A2 A3 | ",
        // to third position and back: the digit is enough, nothing else is near
        "B4 D5 E5 D5 B4 | A1 A1 A2 A1 A1 | ",
        // high on the D string what the A string has in first position
        "E4 F4 B4 C5 | D1 D2 D1 D2 | 2",
        // the numeral holds while the string stays, also after a further shift
        "E4 B4 D5 F5 | D1 D1 D1 D1 | 1",
        // and is told again after another string, also where a higher place would be much nearer
        "E4 B4 E5 B4 E4 B4 | D1 D1 A1 A1 D1 D1 | 1 3 5",
        // a hand that stays is read as staying, on whatever string
        "E4 B4 E5 F5 C5 | D1 D1 A1 A2 D2 | 1",
        // a double stop is told whole
        "A3+F4 E4+B4 E4+C5 | G1+D2 G1+D1 G1+D2 | 2 3",
      })
  void aNumeralStandsWhereTheStringIsInDoubt(String notes, String places, String wanted) {
    Fingering f = pinned(notes.strip(), places.strip());
    Set<Integer> told =
        StringDoubt.of(
            Exercises.line(notes.strip(), QUARTER), Instrument.standard(InstrumentType.VIOLIN), f);
    assertThat(told.stream().map(String::valueOf).toList())
        .isEqualTo(wanted == null ? List.of() : List.of(wanted.strip().split(" ")));
  }

  private static Set<Integer> digits(String notes, String places, int... decided) {
    Set<Integer> pins = new TreeSet<>();
    for (int d : decided) {
      pins.add(d);
    }
    return new TreeSet<>(
        SparseDigits.of(
            Exercises.line(notes, QUARTER),
            Instrument.standard(InstrumentType.VIOLIN),
            pinned(notes, places),
            pins::contains));
  }

  /** common practice, no source: a page is sparse. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        // the first stopped note only
        "B4 C5 D5 C5 | A1 A2 A3 A2 | 0",
        "A4 B4 C5 D5 | A0 A1 A2 A3 | 1",
        // the arrival of a shift
        "B4 C5 D5 Eb5 | A1 A2 A1 A2 | 0 2",
        // fourth finger or open string: the page must say
        "B4 D5 E5 D5 | A1 A3 A4 A3 | 0 2",
        "B4 D5 E5 D5 | A1 A3 E0 A3 | 0",
        // another finger on the same note
        "B4 D5 D5 D5 | A1 A3 A1 A1 | 0 2",
        // a harmonic
        "B4 A5 B4 B4 | A1 hA4 A1 A1 | 0 1",
      })
  void onlyTheDigitsThatAreNeededAreShown(String notes, String places, String expected) {
    Set<Integer> wanted = new TreeSet<>();
    for (String w : expected.strip().split(" ")) {
      wanted.add(Integer.valueOf(w));
    }
    assertThat(digits(notes.strip(), places.strip())).containsAll(wanted);
    if (!places.contains("h")) {
      assertThat(digits(notes.strip(), places.strip())).isEqualTo(wanted);
    }
  }

  /** The digits of a double stop stand together; its open string needs none. */
  @Test
  void chordsAreToldWholeOrNotAtAll() {
    assertThat(digits("C5 G4+B4 A4+C5 G4+B4", "A2 D3 A1 D4 A2 D3 A1")).containsExactly(0, 3, 4);
    assertThat(digits("D4+B4 C5 D4+B4", "D0 A1 A2 D0 A1")).containsExactly(1);
  }

  @Test
  void whatThePlayerDecidedIsAlwaysShown() {
    assertThat(digits("B4 C5 D5 C5", "A1 A2 A3 A2", 3)).containsExactly(0, 3);
  }

  // ---- harmonics ---------------------------------------------------------------------------

  /**
   * Where a string is touched at 1/n of its length it sounds its nth partial: the same places come
   * out of the geometry of the string and of the table.
   */
  @ParameterizedTest
  @CsvSource({"12, 2", "7, 3", "19, 3", "5, 4", "24, 4", "4, 5", "9, 5", "16, 5", "28, 5"})
  void nodesLieAtWholePartsOfTheString(int semitone, int partial) {
    assertThat(NaturalHarmonics.partialAt(semitone)).isEqualTo(partial);
    Instrument cello = Instrument.standard(InstrumentType.CELLO);
    double share = cello.mmFromNut(semitone) / cello.stringLengthMm();
    double nearest = Math.rint(share * partial) / partial;
    assertThat(Math.abs(share - nearest) * cello.stringLengthMm())
        .as("mm beside the node")
        .isLessThan(6);
  }

  @ParameterizedTest
  @CsvSource({"1", "2", "3", "6", "8", "10", "11", "13", "20"})
  void otherPlacesDoNotSpeak(int semitone) {
    assertThat(NaturalHarmonics.partialAt(semitone)).isZero();
  }

  /** Partials 2 to 5: octave, twelfth, double octave, seventeenth. */
  @ParameterizedTest
  @CsvSource({"12, A4", "7, E5", "19, E5", "5, A5", "4, C#6", "9, C#6"})
  void harmonicsOfTheCellosAString(int semitone, String sounding) {
    Instrument cello = Instrument.standard(InstrumentType.CELLO);
    assertThat(NaturalHarmonics.sounding(cello, 1, semitone).midi())
        .isEqualTo(fret.pitch.Pitch.parse(sounding).midi());
  }
}
