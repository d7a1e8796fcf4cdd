package fret.app.widget;

import fret.engraving.Primitive;
import javafx.scene.paint.Color;

/** The few colours of the page: paper, ebony, maple, and one ink for each side of playing. */
public final class Inks {
  public static final Color PAPER = Color.web("#fbf7ee");
  public static final Color LANE = Color.web("#f4ecdc");
  public static final Color EBONY = Color.web("#2b2622");
  public static final Color FAINT = Color.web("#6f6558");
  public static final Color RULE = Color.web("#d9cdb8");
  public static final Color HAND = Color.web("#8a3b1e");
  public static final Color HAND_BAND = Color.web("#8a3b1e", 0.16);
  public static final Color BOW = Color.web("#245a5e");
  public static final Color TIME = Color.web("#53407f");
  public static final Color SELECTION = Color.web("#e9c98a", 0.55);

  private Inks() {}

  static Color of(Primitive.Ink ink) {
    return switch (ink) {
      case STAVE -> Color.web("#8d8273");
      case NOTE -> EBONY;
      case FINGER, PINNED -> HAND;
      case STRING -> HAND;
      case BOW -> BOW;
      case WORDS -> EBONY;
      case FAINT -> FAINT;
    };
  }
}
