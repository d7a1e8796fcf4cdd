package fret.app.viewmodel;

import fret.base.Said;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** Questions to the player, one at a time and never in a dialog: all goes on without an answer. */
public final class Asking {
  /** One answer and what it does. */
  public record Answer(Said words, Runnable then) {
    public Answer {
      Objects.requireNonNull(words);
      Objects.requireNonNull(then);
    }
  }

  /**
   * A question.
   *
   * @param about the same thing is asked once at a time
   * @param answers the first is the one that changes something
   */
  public record Question(Object about, Said words, List<Answer> answers) {
    public Question {
      Objects.requireNonNull(about);
      Objects.requireNonNull(words);
      answers = List.copyOf(answers);
    }
  }

  private final ReadOnlyObjectWrapper<Optional<Question>> asked =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final List<Question> waiting = new ArrayList<>();

  /** What is asked now. */
  public ReadOnlyObjectProperty<Optional<Question>> askedProperty() {
    return asked.getReadOnlyProperty();
  }

  /** Asks something, after what is asked already; the same thing only once. */
  void ask(Question question) {
    forget(question.about());
    waiting.add(question);
    next();
  }

  /** What is asked about something is not asked any more. */
  void forget(Object about) {
    waiting.removeIf(q -> q.about().equals(about));
    if (asked.get().filter(q -> q.about().equals(about)).isPresent()) {
      asked.set(Optional.empty());
      next();
    }
  }

  /**
   * Answers what is asked now; nothing happens where there is no such answer.
   *
   * @param which from 0
   */
  public void answer(int which) {
    Optional<Question> now = asked.get();
    if (now.isPresent() && which < now.get().answers().size()) {
      asked.set(Optional.empty());
      now.get().answers().get(which).then().run();
      next();
    }
  }

  private void next() {
    if (asked.get().isEmpty() && !waiting.isEmpty()) {
      asked.set(Optional.of(waiting.remove(0)));
    }
  }
}
