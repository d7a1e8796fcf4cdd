package fret.app.widget;

import javafx.scene.canvas.Canvas;
import javafx.scene.layout.Region;

/** A picture as large as its room, painted anew when the room or the colours change. */
abstract class Painted extends Region {
  final Canvas canvas = new Canvas();
  private final Look look;

  Painted(Look look) {
    this.look = look;
    getChildren().add(canvas);
    look.inksProperty().addListener(o -> paint());
  }

  /** Paints all of it on {@link #canvas}. */
  abstract void paint();

  final Look look() {
    return look;
  }

  final Inks inks() {
    return look.inksProperty().get();
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
