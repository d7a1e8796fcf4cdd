package fret.engraving;

import fret.engraving.Primitive.Ink;
import fret.engraving.Primitive.Text.Style;
import fret.score.Signs;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;

/**
 * Sets the figures of tuplets: at the beam, but never where a figure would stand under a finger's
 * digit, of which it could be read as one more.
 */
final class TupletEngraver {
  private static final double SIZE = 1.3;
  private static final double GAP = 0.3;

  /** From the figure's middle to where its bracket goes on. */
  private static final double BREAK = 0.8;

  private static final double HOOK = 0.5;

  private final Pen pen;
  private final Map<StripEngraver.Placed, NoteEngraver.Note> notes;
  private final Predicate<StripEngraver.Placed> hasDigit;

  /**
   * @param notes which way their stems go
   * @param hasDigit whether a digit stands over what was placed
   */
  TupletEngraver(
      Pen pen,
      Map<StripEngraver.Placed, NoteEngraver.Note> notes,
      Predicate<StripEngraver.Placed> hasDigit) {
    this.pen = pen;
    this.notes = notes;
    this.hasDigit = hasDigit;
  }

  void engrave(List<StripEngraver.Placed> placed) {
    for (int i = 0; i < placed.size(); i++) {
      StripEngraver.Placed first = placed.get(i);
      Signs.Tuplet tuplet = first.event().signs().tuplet();
      if (tuplet.starts()) {
        List<StripEngraver.Placed> own =
            placed.subList(i, placed.size()).stream()
                .filter(p -> p.event().voice().equals(first.event().voice()))
                .toList();
        int end = 0;
        while (end + 1 < own.size() && !own.get(end).event().signs().tuplet().stops()) {
          end++;
        }
        group(own.subList(0, end + 1), String.valueOf(tuplet.actual()));
      }
    }
  }

  private void group(List<StripEngraver.Placed> group, String figure) {
    StripEngraver.Placed first = group.get(0);
    boolean stemsUp =
        group.stream()
            .filter(notes::containsKey)
            .findFirst()
            .map(p -> notes.get(p).up)
            .orElse(false);
    boolean inVoices = first.voiceCount() > 1;
    boolean above =
        inVoices ? first.voiceRank() == 0 : stemsUp && group.stream().noneMatch(hasDigit);
    boolean beamed =
        group.stream().allMatch(p -> !p.event().isRest() && p.event().value().flags() > 0);
    double left = first.x();
    double right = group.get(group.size() - 1).x() + NoteEngraver.HEAD_WIDTH;
    boolean byDigits = above != DigitEngraver.isBelow(first) && group.stream().anyMatch(hasDigit);
    if (beamed && above == stemsUp && !byDigits) {
      figure(figure, (left + right) / 2, above, first.slice());
    } else {
      bracket(figure, left, right, above, first.slice());
    }
  }

  private void figure(String figure, double middle, boolean above, int slice) {
    if (above) {
      pen.textAbove(figure, middle, SIZE, GAP, Style.ITALIC, Ink.NOTE, slice);
    } else {
      pen.textBelow(figure, middle, SIZE, GAP, Style.ITALIC, Ink.NOTE, slice);
    }
  }

  private void bracket(String figure, double left, double right, boolean above, int slice) {
    double out = above ? -1 : 1;
    double y =
        (above ? pen.skyline().topOver(left, right) : pen.skyline().bottomOver(left, right))
            + out * (HOOK + GAP);
    double middle = (left + right) / 2;
    pen.line(left, y, middle - BREAK, y, 0.12, Ink.NOTE, slice);
    pen.line(middle + BREAK, y, right, y, 0.12, Ink.NOTE, slice);
    pen.line(left, y, left, y - out * HOOK, 0.12, Ink.NOTE, slice);
    pen.line(right, y, right, y - out * HOOK, 0.12, Ink.NOTE, slice);
    pen.centred(figure, middle, y + 0.45, SIZE, Style.ITALIC, Ink.NOTE, slice);
  }
}
