package fret.score;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.OrnamentForm.Ending;
import fret.score.OrnamentForm.Start;
import fret.score.Signs.Ornament;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Ornaments note by note. Forms: common practice, no source. */
class WrittenOutTest {
  private static final OrnamentForm USUAL = OrnamentForm.USUAL;

  /** A half note on G4 in E flat major. */
  private static ResolvedPassage half(Signs signs) {
    LineBuilder line =
        new LineBuilder(TimeSignature.COMMON_TIME, new KeySignature(-3), Clef.TREBLE);
    line.add(Fraction.of(1, 2), List.of(Head.of(Pitch.parse("G4"))), signs);
    line.add(Fraction.of(1, 2), Pitch.parse("F4"));
    return Resolver.resolve(line.build("", Interval.UNISON));
  }

  private static Optional<WrittenOut> played(Signs signs, OrnamentForm form, double seconds) {
    ResolvedPassage p = half(signs);
    return WrittenOut.of(p, p.notes().get(0), form, seconds);
  }

  private static String names(Ornament ornament, OrnamentForm form, double seconds) {
    List<String> all =
        played(Signs.PLAIN.withOrnament(ornament), form, seconds).orElseThrow().tones().stream()
            .map(t -> t.pitch().toString())
            .toList();
    return String.join(" ", all);
  }

  /** A half at 60 with eight notes a second: sixteen of them, the last two for the main note. */
  @Test
  void aHalfAtSixtyHasTheTimeOfSixteenNotes() {
    WrittenOut trill = played(Signs.PLAIN.withOrnament(Ornament.TRILL), USUAL, 2).orElseThrow();
    assertThat(trill.tones()).hasSize(15);
    assertThat(trill.tones().get(0).pitch()).hasToString("G4");
    assertThat(trill.tones().get(1).pitch()).as("the key has A flat").hasToString("Ab4");
    assertThat(trill.tones().subList(0, 14)).allMatch(t -> Math.abs(t.lasts() - 1 / 16.0) < 1e-9);
    assertThat(trill.tones().get(14).pitch()).as("it rests on its note").hasToString("G4");
    assertThat(trill.tones().get(14).lasts()).isEqualTo(2 / 16.0);
    Signs sharpened =
        new Signs(
            List.of(),
            List.of(),
            Set.of(),
            Ornament.TRILL,
            0,
            Signs.Bow.NONE,
            false,
            0,
            Signs.Tuplet.NONE,
            List.of());
    assertThat(played(sharpened, USUAL, 2).orElseThrow().tones().get(1).pitch())
        .as("as the printed accidental says")
        .hasToString("A4");
  }

  @ParameterizedTest
  @CsvSource({
    "TRILL, MAIN, PRINTED, 0.5, G4 Ab4 G4",
    "TRILL, UPPER, PRINTED, 0.5, Ab4 G4 Ab4 G4",
    "TRILL, MAIN, TURNED, 1, G4 Ab4 G4 Ab4 G4 F4 G4",
    "TRILL, UPPER, TURNED, 1, Ab4 G4 Ab4 G4 Ab4 G4 F4 G4",
    "TRILL_WITH_TERMINATION, MAIN, PRINTED, 0.6, G4 Ab4 G4 F4 G4",
    "TRILL_WITH_TERMINATION, MAIN, PLAIN, 0.6, G4 Ab4 G4 Ab4 G4",
    "TRILL, MAIN, PRINTED, 0.1, G4 Ab4 G4",
    "TURN, MAIN, PRINTED, 2, Ab4 G4 F4 G4",
    "INVERTED_TURN, MAIN, PRINTED, 2, F4 G4 Ab4 G4",
    "MORDENT, MAIN, PRINTED, 2, G4 F4 G4",
    "INVERTED_MORDENT, MAIN, PRINTED, 2, G4 Ab4 G4",
  })
  void eachOrnamentHasItsNotes(
      Ornament ornament, Start start, Ending ending, double seconds, String notes) {
    assertThat(names(ornament, USUAL.from(start).ending(ending), seconds)).isEqualTo(notes);
  }

  /** Whatever its form, it begins with its note and ends with it, without a hole. */
  @ParameterizedTest
  @CsvSource({"0.05", "0.3", "1", "2.37", "11"})
  void theNotesFillTheirNote(double seconds) {
    for (Ornament o : Ornament.values()) {
      for (Ending e : Ending.values()) {
        for (double beats : new double[] {0, 1}) {
          double at = 0;
          Signs signs = Signs.PLAIN.withOrnament(o);
          List<WrittenOut.Tone> tones =
              played(signs, USUAL.ending(e).first(beats), seconds)
                  .map(WrittenOut::tones)
                  .orElse(List.of());
          for (WrittenOut.Tone t : tones) {
            assertThat(t.from()).isCloseTo(at, within(1e-9));
            assertThat(t.lasts()).isPositive();
            at += t.lasts();
          }
          assertThat(at).as("%s %s", o, e).isCloseTo(tones.isEmpty() ? 0 : 1, within(1e-9));
        }
      }
    }
  }

  /** A quarter of the half is trilled, the rest stands. */
  @Test
  void onlyTheFirstBeatOnRequest() {
    List<WrittenOut.Tone> tones =
        played(Signs.PLAIN.withOrnament(Ornament.TRILL), USUAL.first(1), 2).orElseThrow().tones();
    assertThat(tones).hasSize(9);
    assertThat(tones.get(8)).isEqualTo(new WrittenOut.Tone(Pitch.parse("G4"), 0.5, 0.5));
  }

  /** Two strokes are sixteenths; three and more go as fast as the hand. */
  @Test
  void tremolos() {
    assertThat(played(Signs.PLAIN.withTremolo(2), USUAL, 2).orElseThrow().tones()).hasSize(8);
    assertThat(played(Signs.PLAIN.withTremolo(3), USUAL, 2).orElseThrow().tones()).hasSize(24);
    assertThat(played(Signs.PLAIN, USUAL, 2)).isEmpty();
  }

  @Test
  void whatNobodyPlaysIsRefused() {
    assertThatThrownBy(() -> USUAL.at(1)).isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> USUAL.at(17)).isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> USUAL.first(-1)).isInstanceOf(IllegalArgumentException.class);
  }
}
