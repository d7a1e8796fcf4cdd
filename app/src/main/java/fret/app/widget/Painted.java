package fret.app.widget;

import javafx.beans.InvalidationListener;
import javafx.beans.WeakInvalidationListener;
import javafx.scene.canvas.Canvas;
import javafx.scene.layout.Region;

/** A picture as large as its room, painted anew when the room or the colours change. */
abstract class Painted extends Region {
  final Canvas canvas = new Canvas();
  private final Look look;

  /** The look outlives a picture: it knows it weakly, and the picture keeps this. */
  private final InvalidationListener recolour = o -> paint();

  Painted(Look look) {
    this.look = look;
    getChildren().add(canvas);
    look.inksProperty().addListener(new WeakInvalidationListener(recolour));
    look.lettersProperty().addListener(new WeakInvalidationListener(recolour));
  }

  /** Paints all of it on {@link #canvas}. */
  abstract void paint();

  final Look look() {
    return look;
  }

  final Inks inks() {
    return look.inksProperty().get();
  }

  /** How large letters are, 1 to 1.5. */
  final double letters() {
    return look.lettersProperty().get();
  }

  @Override
  protected final void layoutChildren() {
    if (canvas.getWidth() != getWidth() || canvas.getHeight() != getHeight()) {
      canvas.setWidth(getWidth());
      canvas.setHeight(getHeight());
      paint();
    }
  }
}
