package fret.app.view;

import fret.app.command.Action;
import fret.app.widget.OwnKeys;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/** Which key does what now: letters belong to a field while it is typed in, then to the strip. */
final class Keyboard {
  /** After these a field gives the keys back. */
  private static final Set<KeyCode> ENDS_TYPING = EnumSet.of(KeyCode.ENTER, KeyCode.ESCAPE);

  /** With the shortcut key down a field does these itself: all, the clipboard, word by word. */
  private static final Set<KeyCode> OF_TEXT =
      EnumSet.of(
          KeyCode.A,
          KeyCode.C,
          KeyCode.V,
          KeyCode.X,
          KeyCode.LEFT,
          KeyCode.RIGHT,
          KeyCode.BACK_SPACE,
          KeyCode.DELETE);

  private final Supplier<List<Action>> actions;
  private final BooleanSupplier closeHelp;
  private final Runnable givenBack;

  /** Whether the key that is down did something. */
  private boolean done;

  /**
   * @param actions of now, the first that fits is done
   * @param closeHelp closes the page of keys; false where it is not open
   * @param givenBack a field gives the keys back
   */
  Keyboard(Supplier<List<Action>> actions, BooleanSupplier closeHelp, Runnable givenBack) {
    this.actions = actions;
    this.closeHelp = closeHelp;
    this.givenBack = givenBack;
  }

  /** Hears all keys before what is in a node does. */
  void on(Node window) {
    window.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
    window.addEventFilter(KeyEvent.KEY_TYPED, this::typed);
  }

  private void pressed(KeyEvent e) {
    done = false;
    if (e.getCode() == KeyCode.ESCAPE && closeHelp.getAsBoolean()) {
      e.consume();
      return;
    }
    if (e.getTarget() instanceof OwnKeys own && own.takes(e)) {
      return;
    }
    if (e.getTarget() instanceof TextField field && ENDS_TYPING.contains(e.getCode())) {
      // Once the field has made of it what it makes of it.
      Platform.runLater(() -> leave(field));
      return;
    }
    boolean typing = e.getTarget() instanceof TextInputControl;
    boolean plain = !e.isShortcutDown() && !e.isAltDown() && !e.getCode().isFunctionKey();
    if (typing && e.isShortcutDown() && OF_TEXT.contains(e.getCode())) {
      return;
    }
    for (Action a : actions.get()) {
      if (a.keys().match(e) && !(typing && plain) && a.when().getAsBoolean()) {
        a.handler().run();
        e.consume();
        done = true;
        return;
      }
    }
  }

  /** A key that did something is not typed into the field that it opened. */
  private void typed(KeyEvent e) {
    if (done) {
      e.consume();
    }
  }

  private void leave(TextField field) {
    if (field.isFocused()) {
      givenBack.run();
    }
  }
}
