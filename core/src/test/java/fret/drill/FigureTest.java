package fret.drill;

import static org.assertj.core.api.Assertions.assertThat;

import fret.drill.Figure.Kind;
import fret.score.ResolvedPassage;
import fret.score.Score;
import fret.session.DrillBook;
import fret.session.Lines;
import fret.session.Session;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Scales and broken chords by name; the names are those of any theory book (common practice). */
class FigureTest {
  private static ResolvedPassage passage(String notes) {
    return fret.score.Resolver.resolve(Lines.page(notes));
  }

  @ParameterizedTest
  @CsvSource({
    "D4 E4 F#4 G4 A4 B4 C#5 D5, D, MAJOR_SCALE",
    "D5 C#5 B4 A4 G4 F#4 E4 D4, D, MAJOR_SCALE",
    "A4 B4 C5 D5 E5 F5 G5 A5, A, MINOR_SCALE",
    "A4 B4 C5 D5 E5 F5 G#5 A5, A, HARMONIC_MINOR_SCALE",
    "A4 B4 C5 D5 E5 F#5 G#5 A5, A, MELODIC_MINOR_SCALE",
    "G3 B3 D4 G4 B4 D5 G5 B5, G, MAJOR_ARPEGGIO",
    "A3 C4 E4 A4 C5 E5 A5 C6, A, MINOR_ARPEGGIO",
    "G3 B3 D4 F4 G4 B4 D5 F5, G, DOMINANT_ARPEGGIO",
  })
  void isNamed(String notes, String tonic, Kind kind) {
    assertThat(Figure.of(passage(notes))).containsExactly(new Figure(0, 7, tonic, kind));
  }

  @Test
  void aMelodyThatTurnsIsNone() {
    assertThat(Figure.of(passage("D4 E4 F4 D4 E4 F4 G4 E4 F4 G4 A4 F4 G4 A4 B4 G4"))).isEmpty();
    assertThat(Figure.of(passage("C4 D4 F#4 G#4 C5 D5 F#5 G#5"))).isEmpty();
  }

  /** The scale of the passage is warmed up with the passage's own fingers. */
  @Test
  void itIsWarmedUpAsThePassageHasIt() {
    Session s = Lines.session("G3 A3 B3 C4 D4 E4 F4 G4 A4 B4 C5 D5 E5 F5 G5 A5");
    List<Score> parts = new DrillBook(s).ofPassage(DrillKind.WARM_UP).orElseThrow().parts();
    List<Score> own = parts.stream().filter(p -> p.title().endsWith("scale")).toList();
    assertThat(own).hasSize(1);
    List<String> fingers =
        own.get(0).events().stream()
            .filter(e -> !e.isRest())
            .map(e -> e.heads().get(0).printedFinger())
            .toList();
    List<String> played =
        s.fingering().notes().stream().map(n -> n.orElseThrow().finger().digit()).toList();
    assertThat(fingers).isEqualTo(played);
    assertThat(own.get(0).bars().get(0).directions())
        .anyMatch(d -> d.kind() == fret.score.Direction.Kind.CRESCENDO);
  }
}
