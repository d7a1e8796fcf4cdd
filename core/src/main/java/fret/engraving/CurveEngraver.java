package fret.engraving;

import fret.score.Head;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;

/** Sets ties and slurs. */
final class CurveEngraver {
  private static final double THICKNESS = 0.22;

  /** How far a curve reaches into the next line, or out of the one before. */
  private static final double OVER = 2;

  /** How far an accidental reaches above and below its note. */
  private static final double SIGN_REACH = 1.5;

  /** The notes at which a slur begins and ends are no hindrance: so far from its ends. */
  private static final double END = 0.65;

  private static final double STEP = 0.25;

  /** Between a slur and what it passes. */
  private static final double CLEAR = 0.25;

  private static final double TOUCHED = 0.1;

  private final Pen pen;

  private final Predicate<NoteEngraver.Note> hasSign;

  private final double right;

  /**
   * @param hasSign whether an accidental stands before a note
   * @param right end of the stave, which no curve passes
   */
  CurveEngraver(Pen pen, Predicate<NoteEngraver.Note> hasSign, double right) {
    this.pen = pen;
    this.hasSign = hasSign;
    this.right = right;
  }

  void engrave(List<NoteEngraver.Note> notes) {
    ties(notes);
    slurs(notes);
  }

  private void ties(List<NoteEngraver.Note> notes) {
    for (int i = 0; i < notes.size(); i++) {
      NoteEngraver.Note n = notes.get(i);
      for (int h = 0; h < n.event().heads().size(); h++) {
        Head head = n.event().heads().get(h);
        double x = n.placed.x();
        if (head.tieStart()) {
          NoteEngraver.Note to = tieEnd(notes, i, head);
          double from = x + NoteEngraver.HEAD_WIDTH + 0.05;
          tie(n, h, from, to == null ? Math.min(from + OVER, right) : to.placed.x() - 0.05);
        }
        boolean first = n.placed.bar().equals(notes.get(0).placed.bar());
        if (head.tieStop() && first && tieStart(notes, i, head) == null) {
          // It comes from the line before.
          tie(n, h, x - OVER, x - 0.05);
        }
      }
    }
  }

  private void tie(NoteEngraver.Note n, int h, double from, double to) {
    boolean above =
        n.placed.voiceCount() > 1
            ? !DigitEngraver.isBelow(n.placed)
            : n.positions.length > 1 ? h >= n.positions.length / 2 : !n.up;
    double y = NoteEngraver.y(n.positions[h]) + (above ? -0.6 : 0.6);
    boolean narrow = to - from < 2 && to < right;
    double x1 = narrow ? from - 0.35 : from;
    double x2 = narrow ? to + 0.35 : to;
    double height = Math.min(0.9, 0.35 + (x2 - x1) * 0.03) * (above ? -1 : 1);
    pen.add(
        new Primitive.Curve(x1, y, x2, y, height, THICKNESS, Primitive.Ink.NOTE, n.placed.slice()));
  }

  private static NoteEngraver.Note tieStart(List<NoteEngraver.Note> notes, int to, Head head) {
    for (int i = to - 1; i >= Math.max(0, to - 24); i--) {
      boolean starts =
          notes.get(i).event().heads().stream()
              .anyMatch(h -> h.tieStart() && h.pitch().equals(head.pitch()));
      if (starts && notes.get(i).event().end().equals(notes.get(to).event().onset())) {
        return notes.get(i);
      }
    }
    return null;
  }

  private static NoteEngraver.Note tieEnd(List<NoteEngraver.Note> notes, int from, Head head) {
    for (int i = from + 1; i < Math.min(notes.size(), from + 24); i++) {
      boolean ends =
          notes.get(i).event().heads().stream()
              .anyMatch(h -> h.tieStop() && h.pitch().equals(head.pitch()));
      if (ends && notes.get(i).event().onset().equals(notes.get(from).event().end())) {
        return notes.get(i);
      }
    }
    return null;
  }

  private void slurs(List<NoteEngraver.Note> notes) {
    Map<String, Integer> open = new HashMap<>();
    for (int i = 0; i < notes.size(); i++) {
      NoteEngraver.Note n = notes.get(i);
      for (int number : n.event().signs().slurStops()) {
        Integer from = open.remove(n.event().voice() + "/" + number);
        boolean fromBefore = from == null;
        if (!fromBefore || n.placed.bar().equals(notes.get(0).placed.bar())) {
          slur(inVoice(notes.subList(fromBefore ? 0 : from, i + 1), n), fromBefore, false);
        }
      }
      for (int number : n.event().signs().slurStarts()) {
        open.put(n.event().voice() + "/" + number, i);
      }
    }
    // What is still open goes on after the end of this line.
    open.forEach(
        (key, from) ->
            slur(inVoice(notes.subList(from, notes.size()), notes.get(from)), false, true));
  }

  private static List<NoteEngraver.Note> inVoice(
      List<NoteEngraver.Note> notes, NoteEngraver.Note like) {
    return notes.stream().filter(m -> m.event().voice().equals(like.event().voice())).toList();
  }

  private void slur(List<NoteEngraver.Note> under, boolean fromBefore, boolean goesOn) {
    NoteEngraver.Note first = under.get(0);
    NoteEngraver.Note last = under.get(under.size() - 1);
    boolean voices = first.placed.voiceCount() > 1;
    boolean above =
        voices
            ? first.placed.voiceRank() == 0
            : under.stream().anyMatch(n -> !n.up && !n.event().isGrace());
    double x1 = first.middleX() - (fromBefore ? OVER : 0);
    double x2 = goesOn ? Math.max(last.middleX() + 0.5, right - 0.1) : last.middleX();
    double y1 = end(first, above);
    double y2 = end(last, above);
    double sign = above ? -1 : 1;
    if (under.size() > 1 && hasSign.test(last)) {
      // The end keeps clear of the accidental that it comes over.
      x2 += 0.3;
      y2 += sign * 0.7;
    }
    double height = Math.min(2.2, 0.7 + (x2 - x1) * 0.035);
    for (NoteEngraver.Note n : under.subList(1, Math.max(1, under.size() - 1))) {
      height = Math.max(height, needed(n.middleX(), end(n, above), x1, y1, x2, y2, sign));
    }
    for (NoteEngraver.Note n : under.subList(1, under.size())) {
      if (hasSign.test(n)) {
        double y =
            above ? NoteEngraver.y(n.high()) - SIGN_REACH : NoteEngraver.y(n.low()) + SIGN_REACH;
        height = Math.max(height, needed(n.placed.x() - 0.7, y, x1, y1, x2, y2, sign));
      }
    }
    int slice = first.placed.slice();
    height = Math.max(height, clearing(x1, y1, x2, y2, sign));
    double lift = Math.max(0, height - 3);
    height = Math.min(height, 3);
    Primitive.Curve curve =
        new Primitive.Curve(
            x1,
            y1 + sign * lift,
            x2,
            y2 + sign * lift,
            sign * height,
            THICKNESS,
            Primitive.Ink.NOTE,
            slice);
    // Near its ends a curve is steep: what it still touches there lifts it as a whole.
    double more = touching(curve, sign);
    pen.add(curve.lowered(sign * more));
  }

  private double inkAt(double x, double sign) {
    return sign < 0
        ? pen.signs().topOver(x - STEP / 2, x + STEP / 2)
        : pen.signs().bottomOver(x - STEP / 2, x + STEP / 2);
  }

  /** How far a curve has to go outwards to touch no sign between its ends. */
  private double touching(Primitive.Curve c, double sign) {
    double most = 0;
    for (double x = c.x1() + END; x <= c.x2() - END; x += STEP) {
      double ink = inkAt(x, sign);
      if (!Double.isInfinite(ink)) {
        double y = c.yAt((x - c.x1()) / (c.x2() - c.x1()));
        most = Math.max(most, (ink + sign * TOUCHED - y) * sign);
      }
    }
    return most;
  }

  /** Height that a slur needs to pass all signs between its ends. */
  private double clearing(double x1, double y1, double x2, double y2, double sign) {
    double height = 0;
    for (double x = x1 + END; x <= x2 - END; x += STEP) {
      double ink = inkAt(x, sign);
      if (!Double.isInfinite(ink)) {
        height = Math.max(height, needed(x, ink + sign * CLEAR, x1, y1, x2, y2, sign));
      }
    }
    return height;
  }

  /** Height that a slur needs to pass a point on the outside. */
  private static double needed(
      double x, double y, double x1, double y1, double x2, double y2, double sign) {
    double t = Math.max(0.08, Math.min(0.92, (x - x1) / Math.max(0.1, x2 - x1)));
    double chord = y1 + (y2 - y1) * t;
    return (y - chord) * sign / (4 * t * (1 - t)) * 0.97;
  }

  /** Where a slur's end stands: off the head, or off the stem when the stem is on its side. */
  private double end(NoteEngraver.Note n, boolean above) {
    boolean stemSide = n.hasStem() && n.up == above;
    double plain = above ? NoteEngraver.y(n.high()) - 0.85 : NoteEngraver.y(n.low()) + 0.85;
    if (stemSide) {
      plain = n.stemEndY + (above ? -0.4 : 0.4);
    }
    if (!n.event().signs().articulations().isEmpty()) {
      double left = n.middleX() - 0.4;
      double right = n.middleX() + 0.4;
      plain =
          above
              ? Math.min(plain, pen.signs().topOver(left, right) - 0.3)
              : Math.max(plain, pen.signs().bottomOver(left, right) + 0.3);
    }
    return plain;
  }
}
