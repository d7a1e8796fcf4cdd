package fret.engraving;

import fret.engraving.Primitive.Ink;
import fret.mark.Reminder;
import fret.score.SoundingNote;

/** Draws what a player pencils over a note. */
final class ReminderEngraver {
  private static final double GAP = 0.45;
  private static final double THICK = 0.16;

  private final Pen pen;

  ReminderEngraver(Pen pen) {
    this.pen = pen;
  }

  void over(Reminder reminder, SoundingNote note, double x, int slice) {
    switch (reminder.kind()) {
      case ACCIDENTAL -> pen.glyphAbove(accidental(note), x, 0.75, GAP, Ink.HAND, slice);
      case GLASSES -> glasses(x, slice);
      case COMMA -> comma(x, slice);
      case ONWARDS -> arrow(x, 1, slice);
      case BACK -> arrow(x, -1, slice);
      case TOP -> top(x, slice);
      case END -> end(x, slice);
      case WORD ->
          pen.textAbove(
              reminder.text(), x, 1.35, GAP, Primitive.Text.Style.ITALIC, Ink.HAND, slice);
    }
  }

  private static MusicGlyph accidental(SoundingNote note) {
    return switch (note.written().alter()) {
      case -2 -> MusicGlyph.DOUBLE_FLAT;
      case -1 -> MusicGlyph.FLAT;
      case 1 -> MusicGlyph.SHARP;
      case 2 -> MusicGlyph.DOUBLE_SHARP;
      default -> MusicGlyph.NATURAL;
    };
  }

  /** Lowest y of something that is set clear over an x. */
  private double above(double x, double half) {
    return pen.skyline().topOver(x - half - 0.1, x + half + 0.1) - GAP;
  }

  private void glasses(double x, int slice) {
    double r = 0.55;
    double y = above(x, 2.2 * r) - r;
    for (int side : new int[] {-1, 1}) {
      double middle = x + side * 1.3 * r;
      pen.add(new Primitive.Spot(Primitive.Spot.Form.CIRCLE, middle, y, r, false, Ink.HAND, slice));
      pen.line(middle + side * r, y, middle + side * 1.6 * r, y - 0.45, THICK, Ink.HAND, slice);
    }
    pen.line(x - 0.3 * r, y, x + 0.3 * r, y, THICK, Ink.HAND, slice);
  }

  /** To the right of the note: the breath comes after it. */
  private void comma(double x, int slice) {
    double at = x + 1.1;
    double y = above(at, 0.4) - 0.5;
    pen.add(new Primitive.Spot(Primitive.Spot.Form.CIRCLE, at, y, 0.26, true, Ink.HAND, slice));
    pen.line(at + 0.2, y, at - 0.25, y + 0.6, THICK, Ink.HAND, slice);
  }

  /** A roof over the note. */
  private void top(double x, int slice) {
    double y = above(x, 1) - 0.8;
    pen.line(x - 0.9, y + 0.8, x, y, THICK, Ink.PINNED, slice);
    pen.line(x, y, x + 0.9, y + 0.8, THICK, Ink.PINNED, slice);
  }

  /** A corner that closes after the note. */
  private void end(double x, int slice) {
    double at = x + 1.2;
    double y = above(at, 1) - 0.9;
    pen.line(at - 1, y, at, y, THICK, Ink.PINNED, slice);
    pen.line(at, y, at, y + 0.9, THICK, Ink.PINNED, slice);
  }

  private void arrow(double x, int direction, int slice) {
    double y = above(x, 1.2) - 0.4;
    double tip = x + direction * 1.2;
    pen.line(x - direction * 1.2, y, tip, y, THICK, Ink.HAND, slice);
    pen.line(tip - direction * 0.5, y - 0.35, tip, y, THICK, Ink.HAND, slice);
    pen.line(tip - direction * 0.5, y + 0.35, tip, y, THICK, Ink.HAND, slice);
  }
}
