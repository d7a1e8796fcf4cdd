package fret.app.widget;

import fret.engraving.Primitive;
import javafx.scene.paint.Color;

/**
 * The few colours of the page: paper, ebony, maple, and one ink for each side of playing. In both
 * palettes text stands out from the paper by at least 4.5 to 1.
 */
public record Inks(
    Color paper,
    Color lane,
    Color ebony,
    Color faint,
    Color rule,
    Color stave,
    Color hand,
    Color bow,
    Color time,
    Color selection) {
  public static final Inks LIGHT =
      new Inks(
          Color.web("#fbf7ee"),
          Color.web("#f4ecdc"),
          Color.web("#2b2622"),
          Color.web("#6f6558"),
          Color.web("#d9cdb8"),
          Color.web("#8d8273"),
          Color.web("#8a3b1e"),
          Color.web("#245a5e"),
          Color.web("#53407f"),
          Color.web("#e9c98a", 0.55));

  public static final Inks DARK =
      new Inks(
          Color.web("#211d1a"),
          Color.web("#2a2521"),
          Color.web("#efe6d5"),
          Color.web("#b3a793"),
          Color.web("#4a4239"),
          Color.web("#7d7365"),
          Color.web("#e9a07e"),
          Color.web("#84c5c8"),
          Color.web("#b9a6ea"),
          Color.web("#8a6a35", 0.5));

  /** The band of the hand: its ink, thin. */
  public Color handBand() {
    return hand.deriveColor(0, 1, 1, 0.17);
  }

  /** The hair of the bow: its ink, thin. */
  public Color bowBand() {
    return bow.deriveColor(0, 1, 1, 0.12);
  }

  Color of(Primitive.Ink ink) {
    return switch (ink) {
      case STAVE -> stave;
      case NOTE, WORDS -> ebony;
      case FINGER, PINNED, STRING -> hand;
      case BOW -> bow;
      case BOW_BAND -> bowBand();
      case FAINT -> faint;
      case HAND -> hand;
      case HAND_BAND -> handBand();
      case TIME -> time;
      case PAPER -> paper;
    };
  }
}
