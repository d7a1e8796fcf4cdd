package fret.app.view;

import fret.app.words.Sentences;
import fret.app.words.Terms;
import java.util.List;
import java.util.stream.Collectors;
import javafx.animation.PauseTransition;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.util.Duration;

/**
 * Says what the words of the trade mean where they stand: the mouse rests on a label or a button,
 * and each word of it that is explained anywhere is explained there.
 */
final class Explains {
  private static final Duration REST = Duration.millis(650);
  private static final int MOST = 3;
  private static final double WIDTH = 380;

  private final Tooltip tip = new Tooltip();
  private final PauseTransition rest = new PauseTransition(REST);
  private Labeled over;

  Explains() {
    tip.setId("explains");
    tip.setWrapText(true);
    tip.setMaxWidth(WIDTH);
    rest.setOnFinished(e -> show());
  }

  /** Explains all that stands on a node. */
  void on(Node root) {
    root.addEventFilter(MouseEvent.MOUSE_MOVED, this::moved);
    root.addEventFilter(MouseEvent.MOUSE_PRESSED, e -> leave());
    root.addEventFilter(
        MouseEvent.MOUSE_EXITED_TARGET,
        e -> {
          if (e.getTarget() == over || e.getTarget() == root) {
            leave();
          }
        });
  }

  private void moved(MouseEvent e) {
    Labeled now = labelled(e.getTarget());
    if (now != over) {
      leave();
      over = now;
      if (now != null) {
        rest.playFromStart();
      }
    }
  }

  /** The label or button under the mouse; none where it tells something of its own. */
  private static Labeled labelled(Object target) {
    for (Node n = target instanceof Node node ? node : null; n != null; n = n.getParent()) {
      if (n instanceof Labeled l && l.getText() != null && !l.getText().isBlank()) {
        return l.getTooltip() == null ? l : null;
      }
    }
    return null;
  }

  private void leave() {
    rest.stop();
    tip.hide();
    over = null;
  }

  private void show() {
    if (over == null || over.getScene() == null) {
      return;
    }
    List<String> terms = Terms.in(over.getText());
    if (terms.isEmpty()) {
      return;
    }
    tip.setText(
        terms.stream()
            .limit(MOST)
            .map(t -> Sentences.of("find.term", t, Terms.all().get(t)))
            .collect(Collectors.joining("\n")));
    Bounds at = over.localToScreen(over.getBoundsInLocal());
    tip.show(over, at.getMinX(), at.getMaxY() + 4);
  }
}
