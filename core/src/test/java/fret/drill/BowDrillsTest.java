package fret.drill;

import static org.assertj.core.api.Assertions.assertThat;

import fret.bowing.Stroke;
import fret.pitch.Pitch;
import fret.score.Event;
import fret.score.Head;
import fret.score.Score;
import fret.score.Signs;
import fret.session.Lines;
import fret.session.Session;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class BowDrillsTest {
  private final Session s = Lines.session("B4 C5 D5 E5 F5 G5 A5 B5 A5 G5 F5 E5 D5 C5 B4 A4");

  private Optional<Score> drill(int from, int to, BowDrills.Kind kind) {
    return BowDrills.notation(
        s.resolved(), s.bowing(), s.bowTask().bow(), s.bowTask().instrument(), from, to, kind);
  }

  private static List<Event> notes(Score score) {
    return score.events().stream().filter(e -> !e.isRest()).toList();
  }

  private static List<String> pitches(List<Event> notes) {
    return notes.stream()
        .map(
            e -> e.heads().stream().map(h -> h.pitch().toString()).collect(Collectors.joining("+")))
        .toList();
  }

  @Test
  void theBowAloneKeepsStringsStrokesAndTimes() {
    List<Event> notes = notes(drill(0, 7, BowDrills.Kind.OPEN_STRINGS).orElseThrow());
    assertThat(notes).hasSize(8);
    for (int m = 0; m < 8; m++) {
      int string = s.bowing().moments().get(m).strings().get(0);
      Pitch open = s.bowTask().instrument().open(string);
      assertThat(notes.get(m).heads()).extracting(Head::pitch).containsExactly(open);
      Stroke stroke = s.bowing().strokeAt(m).orElseThrow();
      if (stroke.fromMoment() == m) {
        assertThat(notes.get(m).signs().bow())
            .isEqualTo(stroke.down() ? Signs.Bow.DOWN : Signs.Bow.UP);
      }
      assertThat(notes.get(m).duration()).isEqualTo(s.resolved().slices().get(m).duration());
    }
  }

  @Test
  void aCrossingIsHeldOneStringBothTheOtherBoth() {
    Score drill = drill(0, 15, BowDrills.Kind.CROSSING).orElseThrow();
    List<String> first = pitches(notes(drill)).subList(0, 4);
    assertThat(first.get(0)).doesNotContain("+");
    assertThat(first.get(1)).contains("+").contains(first.get(0)).contains(first.get(2));
    assertThat(first.get(3)).isEqualTo(first.get(1));
    assertThat(drill(0, 1, BowDrills.Kind.CROSSING)).as("on one string").isEmpty();
  }

  @Test
  void doubledNotesComeTwiceInTheirOwnLength() {
    List<Event> notes = notes(drill(0, 3, BowDrills.Kind.DOUBLED).orElseThrow());
    assertThat(pitches(notes)).containsExactly("B4", "B4", "C5", "C5", "D5", "D5", "E5", "E5");
    assertThat(notes.get(1).duration()).isEqualTo(s.resolved().slices().get(0).duration());
  }

  @Test
  void theAccentGoesFromNoteToNoteWithinOneBow() {
    List<Event> notes = notes(drill(0, 3, BowDrills.Kind.SPENDING).orElseThrow());
    assertThat(notes).hasSize(16);
    for (int bow = 0; bow < 4; bow++) {
      for (int i = 0; i < 4; i++) {
        Event e = notes.get(4 * bow + i);
        boolean accented = e.signs().articulations().contains(Signs.Articulation.ACCENT);
        assertThat(accented).isEqualTo(i == bow);
      }
      assertThat(notes.get(4 * bow).signs().slurStarts()).hasSize(1);
      assertThat(notes.get(4 * bow + 3).signs().slurStops()).hasSize(1);
    }
    assertThat(drill(2, 2, BowDrills.Kind.SPENDING)).isEmpty();
  }

  @Test
  void eachStrokeIsBareFirst() {
    List<Event> notes = notes(drill(0, 1, BowDrills.Kind.BARE_FIRST).orElseThrow());
    assertThat(pitches(notes)).containsExactly("A4", "B4", "A4", "C5");
  }
}
