package fret.app.work;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.work.Computing.Rank;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class ComputingTest {
  private final ByHand worker = new ByHand();
  private final ByHand publish = new ByHand();
  private final List<Throwable> failures = new ArrayList<>();
  private final List<String> answers = new ArrayList<>();
  private final Computing computing = new Computing(worker, publish, failures::add, pending -> {});

  private void ask(String kind, Rank rank, String answer) {
    computing.ask(kind, rank, token -> answer, answers::add);
  }

  @Test
  void theMostUrgentIsAnsweredFirstAndEachInItsTurn() {
    ask("a", Rank.BEHIND, "behind");
    ask("b", Rank.BESIDE, "beside");
    ask("c", Rank.BESIDE, "beside too");
    ask("d", Rank.OPENING, "opening");
    worker.all();
    publish.all();
    assertThat(answers).containsExactly("opening", "beside", "beside too", "behind");
    assertThat(computing.pending()).isZero();
  }

  @Test
  void aNewerQuestionReplacesTheOlderOneEvenWhenThatIsAnswered() {
    ask("kind", Rank.BESIDE, "old");
    worker.all();
    ask("kind", Rank.BESIDE, "new");
    ask("other", Rank.BEHIND, "other");
    computing.forget("other");
    worker.all();
    publish.all();
    assertThat(answers).containsExactly("new");
    assertThat(computing.pending()).isZero();
  }

  /** Alternatives are under way when a finger is pinned: they give way and come after it. */
  @Test
  void whatIsMoreUrgentInterruptsAndTheOtherIsBegunAgain() {
    List<String> begun = new ArrayList<>();
    computing.ask(
        "alternatives",
        Rank.BEHIND,
        token -> {
          begun.add("alternatives");
          if (begun.size() == 1) {
            ask("standing", Rank.STANDING, "standing");
          }
          token.check();
          return "alternatives";
        },
        answers::add);
    worker.all();
    publish.all();
    assertThat(begun).hasSize(2);
    assertThat(answers).containsExactly("standing", "alternatives");
  }

  /** Deep input overflows the stack: that question fails, the next ones are answered. */
  @Test
  void anErrorEndsNothingButItsQuestion() {
    computing.ask("deep", Rank.OPENING, token -> deep(0), n -> answers.add("deep"));
    computing.ask(
        "broken",
        Rank.OPENING,
        token -> {
          throw new AssertionError("broken");
        },
        n -> answers.add("broken"));
    ask("next", Rank.BESIDE, "next");
    worker.all();
    publish.all();
    assertThat(failures).hasSize(2);
    assertThat(failures.get(0)).isInstanceOf(StackOverflowError.class);
    assertThat(answers).containsExactly("next");
    assertThat(computing.pending()).isZero();
  }

  private static int deep(int n) {
    return n == -1 ? 0 : deep(n + 1) + 1;
  }

  @Test
  void whatFollowsFromAnAnswerIsAskedBeforeItCountsAsDone() {
    computing.ask("a", Rank.BESIDE, token -> "a", a -> ask("b", Rank.BESIDE, "b"));
    worker.all();
    publish.step();
    publish.all();
    assertThat(computing.pending()).isEqualTo(1);
    worker.all();
    publish.all();
    assertThat(answers).containsExactly("b");
  }

  @Test
  void atTheEndNothingMoreIsAnswered() {
    ask("a", Rank.BESIDE, "a");
    worker.all();
    computing.finish();
    ask("b", Rank.BESIDE, "b");
    worker.all();
    publish.all();
    assertThat(answers).isEmpty();
    computing.goOn();
    ask("c", Rank.BESIDE, "c");
    worker.all();
    publish.all();
    assertThat(answers).containsExactly("c");
  }
}
