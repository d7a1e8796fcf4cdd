package fret.bowing;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.InstrumentType;
import fret.score.Event;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Signs;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** The page as a bowing has it, read again: its slurs are the strokes. */
class BowedScoreTest {
  private static final String SLURRED = "(D5:4 E5:4 F5:4 G5:4) A5:4 G5:4 -:4 F5:4";

  private static BowTask task(String words, BowRules rules) {
    return Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, words), 80).withRules(rules);
  }

  private static BowRules joints(Map<Integer, BowRules.Joint> joints) {
    return BowRules.NONE.withJoints(joints);
  }

  private static Score written(BowTask task, boolean marked) {
    return BowedScore.of(task.passage(), new BowSolver(task).best(), marked);
  }

  private static String slurs(Score score) {
    StringBuilder text = new StringBuilder();
    for (Event e : score.events()) {
      text.append("(".repeat(e.signs().slurStarts().size()))
          .append(e.isRest() ? '-' : 'o')
          .append(")".repeat(e.signs().slurStops().size()));
    }
    return text.toString();
  }

  private static String marks(Score score) {
    StringBuilder text = new StringBuilder();
    for (Event e : score.events()) {
      Signs.Bow bow = e.signs().bow();
      text.append(bow == Signs.Bow.DOWN ? 'n' : bow == Signs.Bow.UP ? 'v' : '.');
    }
    return text.toString();
  }

  @Test
  void whatIsNotChangedIsThePageItself() {
    BowTask task = task(SLURRED, BowRules.NONE);
    assertThat(written(task, false)).isSameAs(task.passage().score());
    assertThat(slurs(written(task, true))).isEqualTo("(oooo)oo-o");
  }

  @Test
  void aBrokenSlurIsTwoAndOneNoteAloneHasNone() {
    Score two = written(task(SLURRED, joints(Map.of(2, BowRules.Joint.BREAK))), false);
    assertThat(slurs(two)).isEqualTo("(oo)(oo)oo-o");
    Score rest = written(task(SLURRED, joints(Map.of(1, BowRules.Joint.BREAK))), false);
    assertThat(slurs(rest)).isEqualTo("o(ooo)oo-o");
  }

  @Test
  void aSlurGrowsOverTheNotesThatAreJoined() {
    BowRules longer = joints(Map.of(4, BowRules.Joint.SLUR, 5, BowRules.Joint.SLUR));
    assertThat(slurs(written(task(SLURRED, longer), false))).isEqualTo("(oooooo)-o");
    BowRules moved = joints(Map.of(3, BowRules.Joint.BREAK, 4, BowRules.Joint.SLUR));
    assertThat(slurs(written(task(SLURRED, moved), false))).isEqualTo("(ooo)(oo)o-o");
  }

  /** Read again, the strokes and the directions are those that were written. */
  @Test
  void thePageReadAgainIsBowedTheSame() {
    BowRules rules =
        joints(
            Map.of(
                2, BowRules.Joint.BREAK,
                5, BowRules.Joint.SLUR));
    BowTask task = task(SLURRED, rules.withBows(Map.of(0, Signs.Bow.UP)));
    Bowing planned = new BowSolver(task).best();
    ResolvedPassage again = Resolver.resolve(BowedScore.of(task.passage(), planned, true));
    BowTask read = Lines.task(InstrumentType.VIOLIN, again, 80);
    Bowing bowed = new BowSolver(read).best();
    assertThat(bowed.strokes().stream().map(Stroke::fromMoment))
        .containsExactlyElementsOf(planned.strokes().stream().map(Stroke::fromMoment).toList());
    assertThat(Lines.bows(bowed).replace(" ", "")).isEqualTo(Lines.bows(planned).replace(" ", ""));
  }

  /** Marks stand where a reader would go another way: at first, after a rest, where it differs. */
  @Test
  void onlyTheMarksThatAReaderNeeds() {
    assertThat(marks(written(task("D5:4 E5:4 F5:4 G5:4", BowRules.NONE), true))).isEqualTo("n...");
    String rested = marks(written(task(SLURRED, BowRules.NONE), true));
    assertThat(List.of(rested.charAt(0), rested.charAt(4), rested.charAt(5)))
        .containsExactly('n', '.', '.');
    assertThat(rested.charAt(7)).as("after the rest").isNotEqualTo('.');
    BowRules hook = joints(Map.of(2, BowRules.Joint.HOOK));
    assertThat(marks(written(task("D5:4 E5:4 F5:4 G5:4", hook), true))).isEqualTo("n.v.");
  }
}
