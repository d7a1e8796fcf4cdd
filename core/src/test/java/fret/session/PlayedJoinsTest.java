package fret.session;

import static org.assertj.core.api.Assertions.assertThat;

import fret.drill.Chunk;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.plan.Unit;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Score;
import fret.tempo.LadderKind;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Bars 1 to 4, of which 3 is a first ending and 4 the second: 1 2 3 1 2 4. */
class PlayedJoinsTest {
  private Session session;

  @BeforeEach
  void repeated() {
    Score page =
        Lines.page(
            "A4 B4 C5 D5 E5 D5 C5 B4 G4 A4 B4 C5 D5 C5 B4 A4 "
                + "E4 F4 G4 A4 B4 A4 G4 F4 D4 E4 F4 G4 A4 G4 F4 E4");
    List<Bar> bars = new ArrayList<>(page.bars());
    bars.set(0, bars.get(0).withRepeats(true, false, List.of()));
    bars.set(2, bars.get(2).withRepeats(false, true, List.of(1)));
    bars.set(3, bars.get(3).withRepeats(false, false, List.of(2)));
    session = Session.of(Lines.passage(), page.withBars(bars));
  }

  private Chunk join(String from, String to) {
    return Learning.chunks(session).stream()
        .filter(c -> c.isJoin() && c.fromBar().equals(from) && c.toBar().equals(to))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void whatIsPlayedIsJoinedAndNothingElse() {
    List<String> joins =
        Learning.chunks(session).stream()
            .filter(Chunk::isJoin)
            .map(c -> c.fromBar() + "-" + c.toBar())
            .toList();
    assertThat(joins).contains("3-1", "2-4").doesNotContain("3-4");
  }

  @Test
  void theWayBackIsOneDrillOfBothSides() {
    Drill drill = new DrillBook(session).of(join("3", "1"), DrillKind.STRAIGHT).orElseThrow();
    List<String> heard =
        drill.whole().events().stream()
            .filter(e -> !e.isRest())
            .map(e -> e.heads().get(0).pitch().toString())
            .toList();
    assertThat(heard).containsExactly("A4", "G4", "F4", "A4", "B4", "C5");
    assertThat(drill.whole().bars()).extracting(Bar::number).containsExactly("3", "1");
    Event last = drill.whole().events().get(5);
    assertThat(last.end()).isEqualTo(drill.whole().end());
  }

  @Test
  void everyDrillOfItCanBeMadeAndItIsPlanned() {
    Chunk join = join("2", "4");
    for (DrillKind kind : DrillKind.values()) {
      new DrillBook(session).of(join, kind);
      new DrillBook(session).of(join("3", "1"), kind);
    }
    List<String> units =
        Learning.of(session, LadderKind.EVEN, 0).sections().get(0).units().stream()
            .map(Unit::id)
            .toList();
    assertThat(units).contains(join("3", "1").id(), join.id());
  }
}
