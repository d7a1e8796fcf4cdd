package fret.session;

import static org.assertj.core.api.Assertions.assertThat;

import fret.drill.Chunk;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.score.Event;
import fret.score.Score;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class KeptFingersTest {
  private static Optional<Drill> drill(String notes) {
    Session s = Lines.session(notes);
    Chunk chunk = Learning.chunks(s).get(0);
    return new DrillBook(s).of(chunk, DrillKind.KEPT_FINGERS);
  }

  private static List<Event> played(Score part) {
    return part.events().stream().filter(e -> !e.isRest()).toList();
  }

  private static String notes(Score part) {
    return played(part).stream()
        .map(e -> e.heads().get(0).printedFinger() + e.heads().get(0).pitch())
        .collect(Collectors.joining(" "));
  }

  /** B4 comes back after C5 and D5 on its string: its finger waits for it. */
  @Test
  void theFingerWaitsWhileTheOthersPlay() {
    List<Score> parts = drill("B4 C5 D5 B4 A4 G4 E4 A4").orElseThrow().parts();
    assertThat(parts).hasSize(1);
    String once = "1B4 2C5 3D5 1B4";
    assertThat(notes(parts.get(0))).isEqualTo(once + " " + once);
    List<Event> first = played(parts.get(0)).subList(0, 4);
    assertThat(first.get(0).duration()).isEqualTo(first.get(1).duration().multiply(2));
    assertThat(first.get(3).duration()).isEqualTo(first.get(0).duration());
  }

  /** The longest way is practised first; nothing that overlaps is practised twice. */
  @Test
  void theLongestWayComesFirst() {
    List<Score> parts = drill("B4 C5 B4 E5 F5 G5 A5 F5").orElseThrow().parts();
    assertThat(parts).hasSize(2);
    assertThat(notes(parts.get(0))).startsWith("1F5 2G5 3A5 1F5");
    assertThat(notes(parts.get(1))).startsWith("1B4 2C5 1B4");
  }

  @Test
  void whereNothingComesBackThereIsNoSuchDrill() {
    assertThat(drill("A4 B4 C5 D5 E5 F5 G5 A5")).isEmpty();
    assertThat(drill("B4 B4 C5 C5 D5 D5 E5 E5")).as("a repeated note needs no waiting").isEmpty();
  }
}
