package fret.app.view;

import fret.app.viewmodel.Proofing;
import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.base.Problem;
import fret.proof.Finding;
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
  private final PageQuestions questions;
  private final VBox problems = new VBox(6);

  NoticedPane(Studio studio, Runnable tempos) {
    super(8);
    this.studio = studio;
    questions = new PageQuestions(studio, tempos);
    getChildren().addAll(Parts.scroll(new VBox(8, questions, problems)));
  }

  /** Asks what is to be asked of a page. */
  void show(Session b) {
    questions.show(b);
  }

  /** Whether something is asked that nobody has answered. */
  boolean isAsking() {
    return questions.isAsking();
  }

  /**
   * Shows what was noticed.
   *
   * @return how much
   */
  int showFindings(Session b) {
    problems.getChildren().clear();
    List<Problem> all = new ArrayList<>(studio.session().problems());
    all.addAll(b.handProblems());
    b.unkept().stream()
        .filter(u -> !u.isMine() && u.wish().isPresent())
        .map(u -> u.problem(b.resolved(), b.task().hand().instrument(), b.fingering()))
        .forEach(all::add);
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
