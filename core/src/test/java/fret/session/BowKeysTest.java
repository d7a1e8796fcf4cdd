package fret.session;

import static org.assertj.core.api.Assertions.assertThat;

import fret.bowing.BowRules;
import fret.bowing.PhraseMark;
import fret.score.RandomParts;
import fret.score.Score;
import fret.search.Token;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.BiFunction;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Any key of the bow on any note of any part gives an answer, and what is stored opens again. */
class BowKeysTest {
  private static final List<BiFunction<Session, Integer, Optional<Change>>> KEYS =
      List.of(
          BowDecisions::turn,
          BowDecisions::turnSecondTime,
          (s, m) -> joint(s, m, BowRules.Joint.HOOK),
          (s, m) -> joint(s, m, BowRules.Joint.RETAKE),
          (s, m) -> joint(s, m, BowRules.Joint.BREAK),
          (s, m) -> BowDecisions.slur(s, m, Math.min(m + 2, s.resolved().slices().size() - 1)),
          BowDecisions::nextKind,
          BowDecisions::nextPlace,
          (s, m) -> BowDecisions.longer(s, m, -1),
          (s, m) -> Optional.of(LineDecisions.louder(s, m, 1)),
          (s, m) -> Optional.of(BowDecisions.amount(s, m, true)),
          (s, m) -> Optional.of(LineDecisions.phrase(s, m, PhraseMark.TOP)),
          (s, m) -> BowDecisions.clear(s, m, Math.min(m + 3, s.resolved().slices().size() - 1)),
          (s, m) -> Optional.of(BowVersions.adopt(s, s.bowing())),
          (s, m) -> Optional.of(BowVersions.use(s, "")));

  private static Optional<Change> joint(Session s, int moment, BowRules.Joint joint) {
    return moment == 0 ? Optional.empty() : Optional.of(BowDecisions.joint(s, moment, joint));
  }

  @ParameterizedTest
  @ValueSource(ints = {0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19})
  void everyKeyGivesAnAnswer(int seed) {
    Random random = new Random(seed);
    Score page = RandomParts.of(seed, 1 + random.nextInt(8));
    Session s = Session.of(Lines.passage(), page);
    for (int i = 0; i < 60 && !s.resolved().notes().isEmpty(); i++) {
      int moment = random.nextInt(s.resolved().slices().size());
      Optional<Change> change = KEYS.get(random.nextInt(KEYS.size())).apply(s, moment);
      if (change.isPresent() && !change.get().isEmpty()) {
        s = s.after(s.step(change.get())).computed(Token.NEVER);
      }
      assertThat(s.isComputed()).isTrue();
    }
    Session again = Session.of(s.passage(), page);
    assertThat(again.bowing().strokes()).isEqualTo(s.bowing().strokes());
  }
}
