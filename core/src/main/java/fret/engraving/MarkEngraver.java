package fret.engraving;

import fret.score.Bar;
import fret.score.Direction;
import fret.score.Head;
import fret.score.Metronome;
import fret.score.ResolvedPassage;
import fret.score.Signs;
import fret.score.Slice;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import org.apache.commons.numbers.fraction.Fraction;

/** Sets what stands above and below the notes, each clear of what was set before. */
final class MarkEngraver {
  private static final double DYNAMICS_Y = 7.2;

  private final Pen pen;
  private final ResolvedPassage passage;
  private final Map<Integer, FingerText> fingers;

  private final StripStyle style;

  MarkEngraver(
      Pen pen, ResolvedPassage passage, Map<Integer, FingerText> fingers, StripStyle style) {
    this.style = style;
    this.pen = pen;
    this.passage = passage;
    this.fingers = fingers;
  }

  void engrave(
      List<StripEngraver.Placed> placed,
      List<Strip.BarSpan> spans,
      ToDoubleFunction<Fraction> xAt) {
    tuplets(placed);
    for (StripEngraver.Placed p : placed) {
      if (p.slice() >= 0) {
        digits(p);
      }
    }
    for (StripEngraver.Placed p : placed) {
      marks(p);
    }
    for (StripEngraver.Placed p : placed) {
      Boolean up = p.slice() < 0 ? null : style.shiftMarks().get(p.slice());
      if (up != null && !p.small()) {
        shiftMark(restAfter(p, placed).orElse(p), up, p.slice());
      }
    }
    placed.stream().filter(p -> p.slice() >= 0).forEach(this::reminders);
    octaveLines(xAt);
    barNumbers(spans);
    for (Bar bar : passage.score().bars()) {
      for (Direction d : bar.directions()) {
        direction(d, xAt.applyAsDouble(d.onset()));
      }
    }
    hairpins(xAt);
    endings(spans);
  }

  private static double middle(StripEngraver.Placed p) {
    return p.x() + NoteEngraver.HEAD_WIDTH / 2 * (p.small() ? 0.65 : 1);
  }

  private void digits(StripEngraver.Placed p) {
    Slice slice = passage.slices().get(p.slice());
    for (int note : slice.starting()) {
      FingerText text = fingers.get(note);
      boolean mine = text != null && passage.notes().get(note).voice().equals(p.event().voice());
      if (!mine) {
        continue;
      }
      Primitive.Ink ink = text.pinned() ? Primitive.Ink.PINNED : Primitive.Ink.FINGER;
      if (!text.digit().isEmpty()) {
        pen.textAbove(
            text.isHarmonic() ? text.digit().substring(1) : text.digit(),
            middle(p),
            p.small() ? 1.3 : 1.75,
            0.3,
            Primitive.Text.Style.BOLD,
            ink,
            p.slice());
      }
      if (text.isHarmonic() && !hasHarmonicSign(p)) {
        pen.glyphAbove(MusicGlyph.HARMONIC, middle(p), 1, 0.35, ink, p.slice());
      }
    }
    slice.starting().forEach(note -> unkept(p, fingers.get(note)));
    for (int note : slice.starting()) {
      FingerText text = fingers.get(note);
      if (text != null && !text.string().isEmpty()) {
        pen.textAbove(
            text.string(),
            middle(p),
            1.3,
            0.3,
            Primitive.Text.Style.REGULAR,
            Primitive.Ink.STRING,
            p.slice());
      }
    }
  }

  /** What was asked and is not played so, struck out. */
  private void unkept(StripEngraver.Placed p, FingerText text) {
    if (text == null || text.unkept().isEmpty()) {
      return;
    }
    double x = middle(p);
    double size = 1.4;
    double y =
        pen.textAbove(
            text.unkept(),
            x,
            size,
            0.35,
            Primitive.Text.Style.BOLD,
            Primitive.Ink.PINNED,
            p.slice());
    double half = pen.widthOf(text.unkept(), size, Primitive.Text.Style.BOLD) / 2 + 0.25;
    double middle = y - size * 0.33;
    pen.line(x - half, middle + 0.3, x + half, middle - 0.3, 0.18, Primitive.Ink.PINNED, p.slice());
  }

  private void reminders(StripEngraver.Placed p) {
    ReminderEngraver reminders = new ReminderEngraver(pen);
    for (int note : passage.slices().get(p.slice()).starting()) {
      FingerText text = fingers.get(note);
      SoundingNote n = passage.notes().get(note);
      if (text != null && n.voice().equals(p.event().voice())) {
        text.pencilled().forEach(r -> reminders.over(r, n, middle(p), p.slice()));
      }
    }
  }

  private static boolean hasHarmonicSign(StripEngraver.Placed p) {
    return p.event().heads().stream().anyMatch(h -> h.harmonic() == Head.Harmonic.NATURAL_SOUNDING);
  }

  private void marks(StripEngraver.Placed p) {
    Signs signs = p.event().signs();
    double x = middle(p);
    if (hasHarmonicSign(p)) {
      pen.glyphAbove(MusicGlyph.HARMONIC, x, 1, 0.35, Primitive.Ink.NOTE, p.slice());
    }
    MusicGlyph ornament =
        switch (signs.ornament()) {
          case NONE -> null;
          case TRILL, TRILL_WITH_TERMINATION -> MusicGlyph.TRILL;
          case TURN -> MusicGlyph.TURN;
          case INVERTED_TURN -> MusicGlyph.TURN_INVERTED;
          case MORDENT -> MusicGlyph.MORDENT;
          case INVERTED_MORDENT -> MusicGlyph.SHORT_TRILL;
        };
    if (ornament != null) {
      pen.glyphAbove(ornament, x, 1, 0.35, Primitive.Ink.NOTE, p.slice());
    }
    if (signs.bow() != Signs.Bow.NONE) {
      pen.glyphAbove(
          signs.bow() == Signs.Bow.DOWN ? MusicGlyph.DOWN_BOW : MusicGlyph.UP_BOW,
          x,
          1,
          0.4,
          Primitive.Ink.BOW,
          p.slice());
    }
    if (signs.fermata()) {
      pen.glyphAbove(MusicGlyph.FERMATA, x, 1, 0.4, Primitive.Ink.NOTE, p.slice());
    }
  }

  private void tuplets(List<StripEngraver.Placed> placed) {
    for (int i = 0; i < placed.size(); i++) {
      Signs.Tuplet tuplet = placed.get(i).event().signs().tuplet();
      if (!tuplet.starts()) {
        continue;
      }
      int end = i;
      while (end + 1 < placed.size() && !placed.get(end).event().signs().tuplet().stops()) {
        end++;
      }
      bracket(placed.subList(i, end + 1), String.valueOf(tuplet.actual()));
    }
  }

  private void bracket(List<StripEngraver.Placed> group, String number) {
    StripEngraver.Placed first = group.get(0);
    StripEngraver.Placed last = group.get(group.size() - 1);
    double left = first.x();
    double right = last.x() + NoteEngraver.HEAD_WIDTH;
    double middle = (left + right) / 2;
    boolean beamed =
        group.stream().allMatch(p -> !p.event().isRest() && p.event().value().flags() > 0);
    double y = pen.skyline().topOver(left, right) - 0.55;
    if (!beamed) {
      double gap = 0.8;
      pen.line(left, y, middle - gap, y, 0.12, Primitive.Ink.NOTE, -1);
      pen.line(middle + gap, y, right, y, 0.12, Primitive.Ink.NOTE, -1);
      pen.line(left, y, left, y + 0.5, 0.12, Primitive.Ink.NOTE, -1);
      pen.line(right, y, right, y + 0.5, 0.12, Primitive.Ink.NOTE, -1);
      y += 0.45;
      pen.add(
          new Primitive.Text(
              number,
              middle,
              y,
              1.3,
              pen.widthOf(number, 1.3, Primitive.Text.Style.ITALIC),
              Primitive.Text.Style.ITALIC,
              true,
              Primitive.Ink.NOTE,
              first.slice()));
    } else {
      pen.textAbove(
          number, middle, 1.3, 0.3, Primitive.Text.Style.ITALIC, Primitive.Ink.NOTE, first.slice());
    }
  }

  private void direction(Direction d, double x) {
    switch (d.kind()) {
      case DYNAMIC -> dynamic(d.text(), x);
      case WORDS, PLUCKED, BOWED -> words(d.text(), x, Primitive.Text.Style.ITALIC);
      case TEMPO -> tempo(d.text(), x);
      case REHEARSAL -> words(d.text(), x, Primitive.Text.Style.BOLD);
      default -> {}
    }
  }

  /** A note value, an equals sign, and a rate or another value. */
  private void tempo(String text, double x) {
    int equals = text.indexOf('=');
    if (equals < 0) {
      words(text, x, Primitive.Text.Style.BOLD);
      return;
    }
    String left = text.substring(0, equals);
    String right = text.substring(equals + 1).trim();
    Optional<Metronome> mark = Metronome.of(text);
    boolean equation = mark.flatMap(Metronome::as).isPresent();
    String middle = dots(left) + " = " + (equation ? "" : right);
    double width = valueWidth(left) + pen.widthOf(middle, 1.5, Primitive.Text.Style.BOLD);
    double all = width + (equation ? valueWidth(right) + 0.6 : 0);
    double below = Math.max(0.1, pen.metrics().box(glyph(left)).bottom() * 0.75);
    double y = pen.skyline().topOver(x - 0.2, x + all + 0.4) - 0.4 - below;
    value(left, middle, x, y);
    if (equation) {
      value(right, dots(right), x + width + 0.3, y);
    }
  }

  private void value(String value, String behind, double x, double y) {
    pen.glyph(glyph(value), x, y, 0.75, Primitive.Ink.WORDS, -1);
    if (!behind.isEmpty()) {
      pen.add(
          new Primitive.Text(
              behind,
              x + valueWidth(value),
              y,
              1.5,
              pen.widthOf(behind, 1.5, Primitive.Text.Style.BOLD),
              Primitive.Text.Style.BOLD,
              false,
              Primitive.Ink.WORDS,
              -1));
    }
  }

  private double valueWidth(String value) {
    return pen.metrics().box(glyph(value)).right() * 0.75 + 0.15;
  }

  private static String dots(String value) {
    return value.contains(".") ? value.substring(value.indexOf('.')) : "";
  }

  private static MusicGlyph glyph(String value) {
    return switch (value.replace(".", "")) {
      case "whole", "breve" -> MusicGlyph.METRONOME_WHOLE;
      case "half" -> MusicGlyph.METRONOME_HALF;
      case "eighth" -> MusicGlyph.METRONOME_EIGHTH;
      case "16th", "32nd" -> MusicGlyph.METRONOME_16TH;
      default -> MusicGlyph.METRONOME_QUARTER;
    };
  }

  private void words(String text, double x, Primitive.Text.Style style) {
    if (text.isEmpty()) {
      return;
    }
    double width = pen.widthOf(text, 1.5, style);
    double y = pen.skyline().topOver(x - 0.2, x + width + 0.2) - 0.5;
    pen.add(new Primitive.Text(text, x, y, 1.5, width, style, false, Primitive.Ink.WORDS, -1));
  }

  private void dynamic(String text, double x) {
    List<MusicGlyph> glyphs = new ArrayList<>();
    for (char c : text.toCharArray()) {
      switch (c) {
        case 'p' -> glyphs.add(MusicGlyph.DYNAMIC_P);
        case 'm' -> glyphs.add(MusicGlyph.DYNAMIC_M);
        case 'f' -> glyphs.add(MusicGlyph.DYNAMIC_F);
        case 'r' -> glyphs.add(MusicGlyph.DYNAMIC_R);
        case 's' -> glyphs.add(MusicGlyph.DYNAMIC_S);
        case 'z' -> glyphs.add(MusicGlyph.DYNAMIC_Z);
        default -> {}
      }
    }
    double width = glyphs.stream().mapToDouble(this::step).sum();
    double y = Math.max(DYNAMICS_Y, pen.skyline().bottomOver(x - 0.3, x + width + 0.3) + 1.7);
    double at = x - 0.1;
    for (MusicGlyph g : glyphs) {
      pen.glyph(g, at, y, 1, Primitive.Ink.NOTE, -1);
      at += step(g);
    }
  }

  /** Letters of a dynamic stand close; the leaning f reaches under its neighbours. */
  private double step(MusicGlyph letter) {
    return pen.metrics().box(letter).right() - (letter == MusicGlyph.DYNAMIC_F ? 0.4 : 0.06);
  }

  private void hairpins(ToDoubleFunction<Fraction> xAt) {
    Direction open = null;
    for (Bar bar : passage.score().bars()) {
      for (Direction d : bar.directions()) {
        if (d.kind() == Direction.Kind.CRESCENDO || d.kind() == Direction.Kind.DIMINUENDO) {
          open = d;
        } else if (d.kind() == Direction.Kind.HAIRPIN_END && open != null) {
          hairpin(
              open.kind() == Direction.Kind.CRESCENDO,
              xAt.applyAsDouble(open.onset()) + 2.2,
              xAt.applyAsDouble(d.onset()) - 0.4);
          open = null;
        }
      }
    }
  }

  private void hairpin(boolean crescendo, double left, double end) {
    double right = Math.max(left + 2, end);
    double y = Math.max(DYNAMICS_Y - 0.5, pen.skyline().bottomOver(left, right) + 1);
    double opening = 0.6;
    double l = crescendo ? 0 : opening;
    double r = crescendo ? opening : 0;
    pen.line(left, y - l, right, y - r, 0.13, Primitive.Ink.NOTE, -1);
    pen.line(left, y + l, right, y + r, 0.13, Primitive.Ink.NOTE, -1);
  }

  private void octaveLines(ToDoubleFunction<Fraction> xAt) {
    Direction open = null;
    for (Bar bar : passage.score().bars()) {
      for (Direction d : bar.directions()) {
        if (d.kind() == Direction.Kind.OCTAVE_LINE) {
          open = d;
        } else if (d.kind() == Direction.Kind.OCTAVE_LINE_END && open != null) {
          octaveLine(open, xAt.applyAsDouble(open.onset()), xAt.applyAsDouble(d.onset()));
          open = null;
        }
      }
    }
  }

  /** Over the notes that sound higher than written, under those that sound lower. */
  private void octaveLine(Direction line, double left, double right) {
    String text = line.text();
    boolean under = line.number() < 0;
    double width = pen.widthOf(text, 1.4, Primitive.Text.Style.ITALIC);
    double y =
        under
            ? pen.skyline().bottomOver(left, right) + 1.7
            : pen.skyline().topOver(left, right) - 0.6;
    pen.add(
        new Primitive.Text(
            text, left, y, 1.4, width, Primitive.Text.Style.ITALIC, false, Primitive.Ink.NOTE, -1));
    pen.add(
        new Primitive.Line(
            left + width + 0.3, y - 0.5, right, y - 0.5, 0.13, true, Primitive.Ink.NOTE, -1));
    double hook = under ? y - 1.4 : y + 0.4;
    pen.line(right, y - 0.5, right, hook, 0.13, Primitive.Ink.NOTE, -1);
  }

  /** The rest during which the hand moves when one follows the note that it leaves. */
  private Optional<StripEngraver.Placed> restAfter(
      StripEngraver.Placed left, List<StripEngraver.Placed> placed) {
    Slice slice = passage.slices().get(left.slice());
    Fraction end = slice.onset().add(slice.duration());
    return placed.stream()
        .filter(p -> slice.restAfter().signum() > 0 && p.event().isRest())
        .filter(p -> p.event().onset().compareTo(end) >= 0)
        .filter(p -> p.event().onset().compareTo(end.add(slice.restAfter())) < 0)
        .findFirst();
  }

  /** A slanted arrow over the event during which the hand moves: up or down the string. */
  private void shiftMark(StripEngraver.Placed p, boolean up, int slice) {
    double left = middle(p) - 0.2;
    double right = left + 1.5;
    double y = pen.skyline().topOver(left - 0.2, right + 0.2) - 0.4;
    double from = up ? y : y - 0.9;
    double to = up ? y - 0.9 : y;
    pen.line(left, from, right, to, 0.16, Primitive.Ink.FINGER, slice);
    pen.line(right - 0.55, to, right, to, 0.16, Primitive.Ink.FINGER, slice);
    pen.line(right, to + (up ? 0.5 : -0.5), right, to, 0.16, Primitive.Ink.FINGER, slice);
  }

  private void barNumbers(List<Strip.BarSpan> spans) {
    double told = -1;
    String last = "";
    for (Strip.BarSpan span : spans) {
      if (span.left() == told || span.number().equals(last)) {
        continue; // Bars of rest drawn as one, or an exercise about one bar.
      }
      told = span.left();
      last = span.number();
      double width = pen.widthOf(span.number(), 1.1, Primitive.Text.Style.REGULAR);
      double x = span.left() + (span.equals(spans.get(0)) ? 0 : -0.3);
      double y = pen.skyline().topOver(x - 0.1, x + width + 0.1) - 0.45;
      pen.add(
          new Primitive.Text(
              span.number(),
              x,
              y,
              1.1,
              width,
              Primitive.Text.Style.REGULAR,
              false,
              Primitive.Ink.FAINT,
              -1));
    }
  }

  private void endings(List<Strip.BarSpan> spans) {
    List<Bar> bars = passage.score().bars();
    for (int i = 0; i < bars.size(); i++) {
      List<Integer> numbers = bars.get(i).endings();
      boolean starts = !numbers.isEmpty() && (i == 0 || !bars.get(i - 1).endings().equals(numbers));
      if (!starts) {
        continue;
      }
      int end = i;
      while (end + 1 < bars.size() && bars.get(end + 1).endings().equals(numbers)) {
        end++;
      }
      double left = spans.get(i).left() + 0.2;
      double right = spans.get(end).right() - 0.3;
      double y = pen.skyline().topOver(left, right) - 2.1;
      pen.line(left, y, right, y, 0.16, Primitive.Ink.NOTE, -1);
      pen.line(left, y, left, y + 1.8, 0.16, Primitive.Ink.NOTE, -1);
      String text = String.join(", ", numbers.stream().map(String::valueOf).toList()) + ".";
      pen.add(
          new Primitive.Text(
              text,
              left + 0.4,
              y + 1.4,
              1.3,
              pen.widthOf(text, 1.3, Primitive.Text.Style.REGULAR),
              Primitive.Text.Style.REGULAR,
              false,
              Primitive.Ink.NOTE,
              -1));
    }
  }
}
