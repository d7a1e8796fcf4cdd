package fret.app.widget;

import javafx.scene.input.KeyEvent;

/** What has keys of its own while it has the focus; they come before those of the area. */
public interface OwnKeys {
  boolean takes(KeyEvent e);
}
