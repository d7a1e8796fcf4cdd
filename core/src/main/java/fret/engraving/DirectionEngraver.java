package fret.engraving;

import fret.engraving.Primitive.Ink;
import fret.engraving.Primitive.Text.Style;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Direction.Kind;
import fret.score.Metronome;
import fret.score.Score;
import fret.tempo.TempoWord;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Sets what is printed over and under the stave: words, over them the tempo as one row, over that
 * the boxed letter of a rehearsal.
 */
final class DirectionEngraver {
  private static final double SIZE = 1.5;

  private static final double BOX_TEXT = 1.7;
  private static final double BOX_PAD = 0.4;
  private static final double BOX_LINE = 0.16;

  private final Pen pen;
  private final Score line;
  private final Score whole;
  private final StavePlaces places;

  /**
   * @param line the bars on this stave; {@code whole} all of the part
   */
  DirectionEngraver(Pen pen, Score line, Score whole, StavePlaces places) {
    this.pen = pen;
    this.line = line;
    this.whole = whole;
    this.places = places;
  }

  /** What stands nearest to the stave: octave lines, dynamics, hairpins and words. */
  void near() {
    octaveLines();
    new LoudnessEngraver(pen, line, whole, places).engrave();
    for (Bar bar : line.bars()) {
      for (Direction d : bar.directions()) {
        boolean words =
            d.kind() == Kind.WORDS || d.kind() == Kind.PLUCKED || d.kind() == Kind.BOWED;
        if (words && !isHead(bar, d)) {
          words(d.text(), places.notes(d.onset()), Style.ITALIC);
        }
      }
    }
  }

  /** What stands over all else: the tempo, and the letters that are called out in a rehearsal. */
  void far() {
    for (Bar bar : line.bars()) {
      bar.directions().stream()
          .filter(d -> d.kind() == Kind.TEMPO || isHead(bar, d))
          .map(Direction::onset)
          .distinct()
          .forEach(onset -> tempo(bar, onset));
    }
    for (Bar bar : line.bars()) {
      for (Direction d : bar.directions()) {
        if (d.kind() == Kind.REHEARSAL) {
          boxed(d.text(), bar, d.onset());
        }
      }
    }
  }

  // ---- words and tempos ------------------------------------------------------------------------

  /** Whether words are the head of a section, as "Allegro" is, or belong to a printed tempo. */
  private static boolean isHead(Bar bar, Direction d) {
    Optional<TempoWord.Kind> says =
        d.kind() == Kind.WORDS ? TempoWord.of(d.text()).map(TempoWord::kind) : Optional.empty();
    boolean besideMark =
        bar.directions().stream()
            .anyMatch(o -> o.kind() == Kind.TEMPO && o.onset().equals(d.onset()));
    return says.map(
            k ->
                switch (k) {
                  case HEAD, FIRST -> true;
                  case GRADUAL -> false;
                  default -> besideMark;
                })
        .orElse(false);
  }

  /** The words of a tempo and its mark, in one row. */
  private void tempo(Bar bar, Fraction onset) {
    List<Direction> here = bar.directions().stream().filter(d -> d.onset().equals(onset)).toList();
    List<Row> row = new ArrayList<>();
    here.stream().filter(d -> isHead(bar, d)).forEach(d -> row.add(Row.text(d.text().strip())));
    here.stream().filter(d -> d.kind() == Kind.TEMPO).forEach(d -> row.addAll(mark(d.text())));
    double width = 0;
    double below = 0.1;
    for (Row part : row) {
      width += width(part);
      below = Math.max(below, part.below(pen));
    }
    double x = places.within(places.heads(onset), width);
    double y = pen.skyline().topOver(x - 0.2, x + width + 0.4) - 0.5 - below;
    for (Row part : row) {
      set(part, x, y);
      x += width(part);
    }
  }

  /**
   * A part of a row.
   *
   * @param glyph a note; null for words
   */
  private record Row(String text, MusicGlyph glyph) {
    static final double NOTE = 0.75;

    static Row text(String text) {
      return new Row(text, null);
    }

    double below(Pen pen) {
      return glyph == null
          ? Primitive.Text.descent(text) * SIZE
          : pen.metrics().box(glyph).bottom() * NOTE;
    }
  }

  /** A note value, an equals sign, and a rate or another value; else its words. */
  private static List<Row> mark(String text) {
    int equals = text.indexOf('=');
    if (equals < 0) {
      return text.isBlank() ? List.of() : List.of(Row.text(text.strip()));
    }
    String left = text.substring(0, equals);
    String right = text.substring(equals + 1).trim();
    boolean equation = Metronome.of(text).flatMap(Metronome::as).isPresent();
    List<Row> row = new ArrayList<>();
    row.add(new Row(dots(left), glyph(left)));
    row.add(Row.text("=" + (equation ? "" : " " + right)));
    if (equation) {
      row.add(new Row(dots(right), glyph(right)));
    }
    return row;
  }

  private double width(Row part) {
    double own = part.text().isEmpty() ? 0 : pen.widthOf(part.text(), SIZE, Style.BOLD);
    double note = part.glyph() == null ? 0 : pen.metrics().box(part.glyph()).right() * Row.NOTE;
    return own + note + 0.4;
  }

  private void set(Row part, double x, double y) {
    double at = x;
    if (part.glyph() != null) {
      pen.glyph(part.glyph(), x, y, Row.NOTE, Ink.WORDS, -1);
      at += pen.metrics().box(part.glyph()).right() * Row.NOTE + 0.1;
    }
    if (!part.text().isEmpty()) {
      double width = pen.widthOf(part.text(), SIZE, Style.BOLD);
      pen.add(
          new Primitive.Text(part.text(), at, y, SIZE, width, Style.BOLD, false, Ink.WORDS, -1));
    }
  }

  private static String dots(String value) {
    return value.contains(".") ? value.substring(value.indexOf('.')).strip() : "";
  }

  private static MusicGlyph glyph(String value) {
    return switch (value.replace(".", "").strip()) {
      case "whole", "breve" -> MusicGlyph.METRONOME_WHOLE;
      case "half" -> MusicGlyph.METRONOME_HALF;
      case "eighth" -> MusicGlyph.METRONOME_EIGHTH;
      case "16th", "32nd" -> MusicGlyph.METRONOME_16TH;
      default -> MusicGlyph.METRONOME_QUARTER;
    };
  }

  private void words(String text, double from, Style style) {
    if (text.isEmpty()) {
      return;
    }
    double width = pen.widthOf(text, SIZE, style);
    double x = places.within(from, width);
    double y =
        pen.skyline().topOver(x - 0.2, x + width + 0.2) - 0.5 - Primitive.Text.descent(text) * SIZE;
    pen.add(new Primitive.Text(text, x, y, SIZE, width, style, false, Ink.WORDS, -1));
  }

  /** Over the bar line where a bar begins with it. */
  private void boxed(String text, Bar bar, Fraction onset) {
    if (text.isBlank()) {
      return;
    }
    double own = pen.widthOf(text, BOX_TEXT, Style.BOLD);
    double width = own + 2 * BOX_PAD;
    boolean atBar = onset.equals(bar.start());
    double x = places.within(atBar ? places.heads(onset) - width / 2 : places.notes(onset), width);
    double bottom = pen.skyline().topOver(x - 0.3, x + width + 0.3) - 0.5;
    double foot = bottom - Math.max(BOX_PAD, Primitive.Text.descent(text) * BOX_TEXT + 0.15);
    double top = foot - Primitive.Text.ASCENT * BOX_TEXT - BOX_PAD;
    pen.line(x, bottom, x + width, bottom, BOX_LINE, Ink.WORDS, -1);
    pen.line(x, top, x + width, top, BOX_LINE, Ink.WORDS, -1);
    pen.line(x, top, x, bottom, BOX_LINE, Ink.WORDS, -1);
    pen.line(x + width, top, x + width, bottom, BOX_LINE, Ink.WORDS, -1);
    pen.add(
        new Primitive.Text(
            text, x + BOX_PAD, foot, BOX_TEXT, own, Style.BOLD, false, Ink.WORDS, -1));
  }

  // ---- octave lines ----------------------------------------------------------------------------

  private Fraction first() {
    return line.bars().get(0).start();
  }

  /** The octave lines of a part. */
  static List<Spanner> octaveLines(Score score) {
    return Spanner.of(score, EnumSet.of(Kind.OCTAVE_LINE), Kind.OCTAVE_LINE_END);
  }

  /** Over the notes that sound higher than written, under those that sound lower. */
  private void octaveLines() {
    for (Spanner s : octaveLines(whole)) {
      if (s.isOn(line)) {
        octaveLine(s);
      }
    }
  }

  private void octaveLine(Spanner s) {
    double left = s.comesInto(line) ? places.notes(first()) - 0.6 : places.notes(s.from());
    double right = s.goesOnAfter(line) ? places.right() : places.notes(s.to()) - 0.3;
    String text = s.comesInto(line) ? "(" + s.sign().text() + ")" : s.sign().text();
    boolean under = s.sign().number() < 0;
    double width = pen.widthOf(text, 1.4, Style.ITALIC);
    double y =
        under
            ? pen.skyline().bottomOver(left, right) + 1.7
            : pen.skyline().topOver(left, right) - 0.6;
    pen.add(new Primitive.Text(text, left, y, 1.4, width, Style.ITALIC, false, Ink.NOTE, -1));
    pen.add(
        new Primitive.Line(left + width + 0.3, y - 0.5, right, y - 0.5, 0.13, true, Ink.NOTE, -1));
    if (!s.goesOnAfter(line)) {
      double hook = under ? y - 1.4 : y + 0.4;
      pen.line(right, y - 0.5, right, hook, 0.13, Ink.NOTE, -1);
    }
  }
}
