package fret.app.view;

import fret.app.viewmodel.Proofing;
import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.base.Problem;
import fret.base.Said;
import fret.proof.Finding;
import fret.score.Divided;
import fret.session.Session;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** What is to be decided or looked at on the page: two voices, misreadings, unplayable notes. */
final class NoticedPane extends VBox {
  private static final int MOST_SHOWN = 12;

  private final Studio studio;
  private final HBox question = Parts.row(10);
  private final VBox problems = new VBox(6);

  NoticedPane(Studio studio) {
    super(8);
    this.studio = studio;
    question.getStyleClass().add("question");
    question.setId("divided-question");
    getChildren().addAll(question, Parts.scroll(problems));
  }

  /** Asks what is to be asked of a page. */
  void show(Session b) {
    showQuestion(b.passage().settings().reading().divided());
  }

  /** Whether there is a question on show. */
  boolean isAsking() {
    return question.isVisible();
  }

  /** Two voices on the stave: asked once, remembered, changeable. */
  private void showQuestion(Divided now) {
    List<String> bars = Divided.barsWithTwoVoices(studio.session().page());
    boolean any = !bars.isEmpty();
    question.setVisible(any);
    question.setManaged(any);
    question.getChildren().clear();
    if (!any) {
      return;
    }
    String where =
        bars.size() == 1
            ? Sentences.of("noticed.voices.bar", bars.get(0))
            : Sentences.of("noticed.voices.bars", bars.size());
    String asked =
        switch (now) {
          case UNDECIDED -> Sentences.of("noticed.voices.UNDECIDED", where);
          case DOUBLE_STOPS -> Sentences.of("noticed.voices.DOUBLE_STOPS", where);
          case UPPER -> Sentences.of("noticed.voices.UPPER", where);
          case LOWER -> Sentences.of("noticed.voices.LOWER", where);
        };
    question.getChildren().add(Parts.line(asked, now == Divided.UNDECIDED ? "strong" : "quiet"));
    question
        .getChildren()
        .add(answer(Sentences.of("noticed.upper-line"), "divided-upper", Divided.UPPER, now));
    question
        .getChildren()
        .add(answer(Sentences.of("noticed.lower-line"), "divided-lower", Divided.LOWER, now));
    question
        .getChildren()
        .add(
            answer(
                Sentences.of("noticed.double-stops"), "divided-both", Divided.DOUBLE_STOPS, now));
  }

  private Button answer(String text, String id, Divided value, Divided now) {
    Button button = Parts.button(text, id, () -> decide(text, value));
    button.setDisable(value == now);
    return button;
  }

  private void decide(String text, Divided value) {
    studio.changeSettings(
        Said.of("set.divided", text), s -> s.withReading(s.reading().withDivided(value)));
  }

  /**
   * Shows what was noticed.
   *
   * @return how much
   */
  int showFindings(Session b) {
    problems.getChildren().clear();
    List<Problem> all = new ArrayList<>(studio.session().problems());
    all.addAll(b.fingering().problems());
    List<Finding> findings =
        studio.proofing().proofProperty().get().findings().stream()
            .filter(f -> !Proofing.isAccepted(b.passage().settings().details(), f))
            .toList();
    if (all.isEmpty() && findings.isEmpty()) {
      problems
          .getChildren()
          .add(
              Parts.label(
                  Sentences.of(
                      "noticed.nothing", b.passage().settings().setup().instrument().displayName()),
                  "quiet"));
    }
    all.subList(0, Math.min(MOST_SHOWN, all.size()))
        .forEach(p -> problems.getChildren().add(Parts.label(Sentences.of(p), "problem")));
    for (Finding f : findings.subList(0, Math.min(MOST_SHOWN, findings.size()))) {
      problems.getChildren().add(finding(f));
    }
    int count = all.size() + findings.size();
    int more = Math.max(0, all.size() - MOST_SHOWN) + Math.max(0, findings.size() - MOST_SHOWN);
    if (more > 0) {
      problems.getChildren().add(Parts.label(Sentences.of("noticed.more", more), "quiet"));
    }
    return count;
  }

  private HBox finding(Finding f) {
    Label text =
        Parts.label(Sentences.of("noticed.finding", f.bar(), Sentences.of(f.message())), "plain");
    HBox.setHgrow(text, Priority.ALWAYS);
    text.setMaxWidth(Double.MAX_VALUE);
    HBox row = Parts.row(8, text);
    if (f.mended().isPresent()) {
      row.getChildren().add(small(Sentences.of(f.fix()), () -> studio.proofing().mend(f)));
    }
    row.getChildren()
        .add(small(Sentences.of("noticed.right-as"), () -> studio.proofing().accept(f)));
    return row;
  }

  private static Button small(String text, Runnable action) {
    return Parts.button(text, "", action, "small");
  }
}
