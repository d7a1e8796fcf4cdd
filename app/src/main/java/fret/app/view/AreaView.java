package fret.app.view;

import fret.app.command.Action;
import fret.app.widget.StripView;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;

/** What an area of work shows and what can be done in it. */
interface AreaView {
  Node node();

  /** Its strip, which the common keys move about in. */
  default Optional<StripView> strip() {
    return Optional.empty();
  }

  /** What can be done in it by key; earlier ones count first. */
  default List<Action> actions() {
    return List.of();
  }

  /** Whether keys mean something else for the time being, as in writing. */
  default boolean hasMode() {
    return false;
  }

  /** It has been put on show. */
  default void shown() {}

  /** Something else has been put on show. */
  default void left() {}
}
