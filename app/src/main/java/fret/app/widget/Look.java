package fret.app.widget;

import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleObjectProperty;

/** What all strips are painted with: the music font, and the palette, which may change. */
public final class Look {
  private final MusicFont font;
  private final ObjectProperty<Inks> inks = new SimpleObjectProperty<>(Inks.LIGHT);

  private final DoubleProperty letters = new SimpleDoubleProperty(1);

  public Look(MusicFont font) {
    this.font = font;
  }

  public MusicFont font() {
    return font;
  }

  public ObjectProperty<Inks> inksProperty() {
    return inks;
  }

  /** How large letters are against their usual size, 1 to 1.5. */
  public DoubleProperty lettersProperty() {
    return letters;
  }
}
