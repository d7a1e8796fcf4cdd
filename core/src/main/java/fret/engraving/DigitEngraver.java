package fret.engraving;

import fret.engraving.Primitive.Ink;
import fret.engraving.Primitive.Text.Style;
import fret.score.Head;
import fret.score.ResolvedPassage;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

/**
 * Sets fingers and string numerals: over the notes, of a lower voice under them. Those of a chord
 * stand as one column in the order of its notes, each numeral beside its digit.
 */
final class DigitEngraver {
  private static final double DIGIT = 1.75;
  private static final double SMALL_DIGIT = 1.3;
  private static final double NUMERAL = 1.3;
  private static final double GAP = 0.3;

  /** From a numeral to the strokes over and under it. */
  private static final double SERIF = 0.12;

  /** Between a digit of a chord and its numeral. */
  private static final double BESIDE = 0.35;

  private final Pen pen;
  private final ResolvedPassage passage;
  private final Map<Integer, FingerText> fingers;

  DigitEngraver(Pen pen, ResolvedPassage passage, Map<Integer, FingerText> fingers) {
    this.pen = pen;
    this.passage = passage;
    this.fingers = fingers;
  }

  static boolean isBelow(StripEngraver.Placed p) {
    return p.voiceCount() > 1 && p.voiceRank() > 0;
  }

  /** Whether anything is printed at what was placed. */
  boolean hasAny(StripEngraver.Placed p) {
    return p.slice() >= 0
        && texts(p).stream()
            .anyMatch(t -> !t.digit().isEmpty() || !t.string().isEmpty() || !t.unkept().isEmpty());
  }

  /** What is printed at the notes of its voice, the lowest first. */
  private List<FingerText> texts(StripEngraver.Placed p) {
    return passage.slices().get(p.slice()).starting().stream()
        .filter(n -> fingers.containsKey(n))
        .filter(n -> passage.notes().get(n).voice().equals(p.event().voice()))
        .sorted(Comparator.comparingInt(n -> passage.notes().get(n).pitch().midi()))
        .map(fingers::get)
        .toList();
  }

  void engrave(StripEngraver.Placed p, double middle) {
    List<FingerText> all = new ArrayList<>(texts(p));
    if (isBelow(p)) {
      Collections.reverse(all);
    }
    boolean chord = all.stream().filter(t -> !t.digit().isEmpty()).count() > 1;
    double beside =
        all.stream()
            .mapToDouble(t -> pen.widthOf(t.string(), NUMERAL, Style.REGULAR))
            .max()
            .orElse(0);
    for (FingerText t : all) {
      if (chord) {
        pair(p, t, middle, beside == 0 ? 0 : BESIDE + beside);
      } else {
        alone(p, t, middle);
      }
    }
    all.forEach(t -> unkept(p, t, middle));
  }

  private static double size(StripEngraver.Placed p) {
    return p.small() ? SMALL_DIGIT : DIGIT;
  }

  private static String digit(FingerText t) {
    return t.isHarmonic() ? t.digit().substring(1) : t.digit();
  }

  private static Ink ink(FingerText t) {
    return t.pinned() ? Ink.PINNED : Ink.FINGER;
  }

  private void alone(StripEngraver.Placed p, FingerText t, double x) {
    if (!t.digit().isEmpty()) {
      text(p, digit(t), x, size(p), Style.BOLD, ink(t));
    }
    circle(p, t, x);
    if (!t.string().isEmpty()) {
      double y = text(p, t.string(), x, NUMERAL, Style.REGULAR, Ink.STRING);
      double width = pen.widthOf(t.string(), NUMERAL, Style.REGULAR);
      serifs(t.string(), x - width / 2, y, width, p.slice());
    }
  }

  /** A stroke over and under a numeral, so that one string is not a mere tick. */
  private void serifs(String numeral, double left, double y, double width, int slice) {
    if (numeral.chars().allMatch(c -> c == 'I' || c == 'V')) {
      for (double at : new double[] {y + SERIF, y - Primitive.Text.ASCENT * NUMERAL - SERIF}) {
        pen.line(left - 0.12, at, left + width + 0.12, at, 0.12, Ink.STRING, slice);
      }
    }
  }

  private double text(
      StripEngraver.Placed p, String text, double x, double size, Style style, Ink ink) {
    return isBelow(p)
        ? pen.textBelow(text, x, size, GAP, style, ink, p.slice())
        : pen.textAbove(text, x, size, GAP, style, ink, p.slice());
  }

  private void circle(StripEngraver.Placed p, FingerText t, double x) {
    if (t.isHarmonic() && !hasHarmonicSign(p)) {
      if (isBelow(p)) {
        pen.glyphBelow(MusicGlyph.HARMONIC, x, 1, GAP, ink(t), p.slice());
      } else {
        pen.glyphAbove(MusicGlyph.HARMONIC, x, 1, GAP, ink(t), p.slice());
      }
    }
  }

  /** A row of a chord's column. */
  private void pair(StripEngraver.Placed p, FingerText t, double x, double beside) {
    String digit = digit(t);
    double size = size(p);
    double half = Math.max(0.4, pen.widthOf(digit, size, Style.BOLD) / 2);
    double left = x - half - 0.1;
    double right = x + half + beside + 0.1;
    double y =
        isBelow(p)
            ? pen.skyline().bottomOver(left, right) + GAP + Primitive.Text.ASCENT * size
            : pen.skyline().topOver(left, right) - GAP;
    if (!digit.isEmpty()) {
      double width = pen.widthOf(digit, size, Style.BOLD);
      pen.add(new Primitive.Text(digit, x, y, size, width, Style.BOLD, true, ink(t), p.slice()));
    }
    if (!t.string().isEmpty()) {
      double width = pen.widthOf(t.string(), NUMERAL, Style.REGULAR);
      pen.add(
          new Primitive.Text(
              t.string(),
              x + half + BESIDE,
              y,
              NUMERAL,
              width,
              Style.REGULAR,
              false,
              Ink.STRING,
              p.slice()));
      serifs(t.string(), x + half + BESIDE, y, width, p.slice());
    }
    circle(p, t, x);
  }

  /** What was asked and is not played so, struck out. */
  private void unkept(StripEngraver.Placed p, FingerText t, double x) {
    if (t.unkept().isEmpty()) {
      return;
    }
    double size = 1.4;
    double y =
        isBelow(p)
            ? pen.textBelow(t.unkept(), x, size, 0.35, Style.BOLD, Ink.PINNED, p.slice())
            : pen.textAbove(t.unkept(), x, size, 0.35, Style.BOLD, Ink.PINNED, p.slice());
    double half = pen.widthOf(t.unkept(), size, Style.BOLD) / 2 + 0.25;
    double middle = y - size * 0.33;
    pen.line(x - half, middle + 0.3, x + half, middle - 0.3, 0.18, Ink.PINNED, p.slice());
  }

  static boolean hasHarmonicSign(StripEngraver.Placed p) {
    return p.event().heads().stream().anyMatch(h -> h.harmonic() == Head.Harmonic.NATURAL_SOUNDING);
  }
}
