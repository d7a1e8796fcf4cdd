package fret.engraving;

import fret.pitch.Clef;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.Score;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/**
 * Sets heads, accidentals, dots, ledger lines, small signs and rests; stems and curves by others.
 */
final class NoteEngraver {
  static final double HEAD_WIDTH = 1.18;
  static final double STEM = 0.12;
  private static final double LEDGER = 0.16;
  private static final double LEDGER_OUT = 0.35;

  private final Pen pen;
  private final GlyphMetrics metrics;
  private final Map<Bar, Map<Head, Head.Accidental>> signs = new IdentityHashMap<>();
  private final List<Spanner> octaveLines;
  private final double end;

  /** A note with its stem decided. */
  static final class Note {
    final StripEngraver.Placed placed;
    final int[] positions;
    final double scale;
    boolean up;
    double stemEndY;

    Note(StripEngraver.Placed placed, int[] positions) {
      this.placed = placed;
      this.positions = positions;
      this.scale = placed.small() ? 0.65 : 1;
    }

    int low() {
      return positions[0];
    }

    int high() {
      return positions[positions.length - 1];
    }

    Event event() {
      return placed.event();
    }

    boolean hasStem() {
      return event().value().denominator() >= 2;
    }

    double stemX() {
      return up ? placed.x() + HEAD_WIDTH * scale - STEM / 2 : placed.x() + STEM / 2;
    }

    double middleX() {
      return placed.x() + HEAD_WIDTH * scale / 2;
    }
  }

  /**
   * @param whole the part of which this is a line, or all
   * @param end of the stave
   */
  NoteEngraver(Pen pen, GlyphMetrics metrics, Score whole, double end) {
    this.pen = pen;
    this.metrics = metrics;
    this.octaveLines = DirectionEngraver.octaveLines(whole);
    this.end = end;
  }

  /** Y of a staff position in half spaces above the bottom line. */
  static double y(double position) {
    return 4 - position / 2;
  }

  List<Note> engrave(List<StripEngraver.Placed> placed) {
    List<Note> notes = new ArrayList<>();
    for (StripEngraver.Placed p : placed) {
      if (p.event().isRest()) {
        rest(p);
      } else {
        notes.add(new Note(p, positions(p)));
      }
    }
    StemEngraver stems = new StemEngraver(pen, notes);
    notes.forEach(this::heads);
    stems.engrave();
    for (Note n : notes) {
      articulations(n);
    }
    new CurveEngraver(pen, this::hasSign, end).engrave(notes);
    return notes;
  }

  private int[] positions(StripEngraver.Placed p) {
    Clef clef = p.bar().clefAt(p.event().onset());
    int octaves =
        octaveLines.stream()
            .filter(l -> l.covers(p.event().onset()))
            .mapToInt(l -> (int) l.sign().number())
            .sum();
    return p.event().heads().stream()
        .mapToInt(h -> clef.staffPosition(h.pitch()) - 7 * octaves)
        .sorted()
        .toArray();
  }

  private void rest(StripEngraver.Placed p) {
    boolean wholeBar = StripEngraver.isWholeBarRest(p.bar(), p.event());
    MusicGlyph glyph =
        switch (wholeBar ? 1 : p.event().value().denominator()) {
          case 0, 1 -> MusicGlyph.REST_WHOLE;
          case 2 -> MusicGlyph.REST_HALF;
          case 4 -> MusicGlyph.REST_QUARTER;
          case 8 -> MusicGlyph.REST_8;
          case 16 -> MusicGlyph.REST_16;
          case 32 -> MusicGlyph.REST_32;
          default -> MusicGlyph.REST_64;
        };
    double shift = p.voiceCount() > 1 ? (p.voiceRank() == 0 ? -2 : 2) : 0;
    double y = (glyph == MusicGlyph.REST_WHOLE ? 1 : 2) + shift;
    pen.glyph(glyph, p.x(), y, 1, Primitive.Ink.NOTE, -1);
    for (int d = 0; !wholeBar && d < p.event().value().dots(); d++) {
      pen.glyph(
          MusicGlyph.DOT,
          p.x() + metrics.box(glyph).right() + 0.35 + 0.6 * d,
          1.5 + shift,
          1,
          Primitive.Ink.NOTE,
          -1);
    }
  }

  // ---- heads -----------------------------------------------------------------------------------

  private void heads(Note n) {
    Event e = n.event();
    MusicGlyph glyph =
        switch (e.value().denominator()) {
          case 0 -> MusicGlyph.HEAD_BREVE;
          case 1 -> MusicGlyph.HEAD_WHOLE;
          case 2 -> MusicGlyph.HEAD_HALF;
          default -> MusicGlyph.HEAD_BLACK;
        };
    double[] shifts = displaced(n);
    int slice = n.placed.slice();
    for (int i = 0; i < n.positions.length; i++) {
      MusicGlyph own = harmonicGlyph(e.heads().get(i), glyph);
      double x = n.placed.x() + shifts[i];
      pen.glyph(own, x, y(n.positions[i]), n.scale, ink(e.heads().get(i)), slice);
      ledgers(n.positions[i], x, n.scale, slice);
    }
    accidentals(n);
    dots(n, shifts);
    if (n.hasStem()) {
      double from = n.up ? y(n.low()) - 0.168 * n.scale : y(n.high()) + 0.168 * n.scale;
      pen.line(n.stemX(), from, n.stemX(), n.stemEndY, STEM, Primitive.Ink.NOTE, slice);
      tremolo(n);
    }
  }

  /** What is left out of a chord stays to be read, faintly. */
  private static Primitive.Ink ink(Head head) {
    return head.leftOut() ? Primitive.Ink.FAINT : Primitive.Ink.NOTE;
  }

  private static MusicGlyph harmonicGlyph(Head head, MusicGlyph plain) {
    return switch (head.harmonic()) {
      case NATURAL_TOUCHED, ARTIFICIAL_TOUCHED ->
          plain == MusicGlyph.HEAD_BLACK
              ? MusicGlyph.HEAD_DIAMOND_BLACK
              : MusicGlyph.HEAD_DIAMOND_WHITE;
      default -> plain;
    };
  }

  /** Heads a second apart stand on both sides of the stem. */
  private static double[] displaced(Note n) {
    double[] shifts = new double[n.positions.length];
    double by = (HEAD_WIDTH - STEM) * n.scale;
    if (n.up) {
      for (int i = 1; i < shifts.length; i++) {
        shifts[i] = n.positions[i] - n.positions[i - 1] <= 1 && shifts[i - 1] == 0 ? by : 0;
      }
    } else {
      for (int i = shifts.length - 2; i >= 0; i--) {
        shifts[i] = n.positions[i + 1] - n.positions[i] <= 1 && shifts[i + 1] == 0 ? -by : 0;
      }
    }
    return shifts;
  }

  private void ledgers(int position, double x, double scale, int slice) {
    for (int p = -2; p >= position; p -= 2) {
      pen.line(
          x - LEDGER_OUT,
          y(p),
          x + HEAD_WIDTH * scale + LEDGER_OUT,
          y(p),
          LEDGER,
          Primitive.Ink.NOTE,
          slice);
    }
    for (int p = 10; p <= position; p += 2) {
      pen.line(
          x - LEDGER_OUT,
          y(p),
          x + HEAD_WIDTH * scale + LEDGER_OUT,
          y(p),
          LEDGER,
          Primitive.Ink.NOTE,
          slice);
    }
  }

  private void accidentals(Note n) {
    Map<Head, Head.Accidental> of = signs.computeIfAbsent(n.placed.bar(), Accidentals::of);
    List<double[]> columns = new ArrayList<>();
    List<Head> heads = new ArrayList<>(n.event().heads());
    heads.sort(Comparator.comparing(Head::pitch).reversed());
    double[] shifts = displaced(n);
    double leftmost = Math.min(0, java.util.Arrays.stream(shifts).min().orElse(0));
    for (Head h : heads) {
      Head.Accidental sign = of.getOrDefault(h, Head.Accidental.NONE);
      if (sign == Head.Accidental.NONE) {
        continue;
      }
      int position = n.positions[n.event().heads().indexOf(h)];
      int column = 0;
      while (collides(columns, column, position)) {
        column++;
      }
      columns.add(new double[] {column, position});
      MusicGlyph glyph =
          switch (sign) {
            case DOUBLE_FLAT -> MusicGlyph.DOUBLE_FLAT;
            case FLAT -> MusicGlyph.FLAT;
            case SHARP -> MusicGlyph.SHARP;
            case DOUBLE_SHARP -> MusicGlyph.DOUBLE_SHARP;
            default -> MusicGlyph.NATURAL;
          };
      double width = metrics.box(glyph).right() * n.scale;
      pen.glyph(
          glyph,
          n.placed.x() + leftmost - 0.2 - width - column * 1.1 * n.scale,
          y(position),
          n.scale,
          Primitive.Ink.NOTE,
          n.placed.slice());
    }
  }

  private boolean hasSign(Note n) {
    Map<Head, Head.Accidental> of = signs.getOrDefault(n.placed.bar(), Map.of());
    return n.event().heads().stream().anyMatch(of::containsKey);
  }

  private static boolean collides(List<double[]> columns, int column, int position) {
    return columns.stream().anyMatch(c -> c[0] == column && Math.abs(c[1] - position) < 6);
  }

  private void dots(Note n, double[] shifts) {
    double right =
        n.placed.x()
            + HEAD_WIDTH * n.scale
            + Math.max(0, java.util.Arrays.stream(shifts).max().orElse(0));
    int before = Integer.MIN_VALUE;
    for (int position : n.positions) {
      boolean line = Math.floorMod(position, 2) == 0;
      int at = !line ? position : DigitEngraver.isBelow(n.placed) ? position - 1 : position + 1;
      at = at == before ? at + 2 : at;
      before = at;
      for (int d = 0; d < n.event().value().dots(); d++) {
        pen.glyph(
            MusicGlyph.DOT,
            right + 0.3 + 0.6 * d,
            y(at),
            n.scale,
            Primitive.Ink.NOTE,
            n.placed.slice());
      }
    }
  }

  private void tremolo(Note n) {
    int strokes = n.event().signs().tremolo();
    if (strokes > 0) {
      MusicGlyph glyph =
          strokes == 1
              ? MusicGlyph.TREMOLO_1
              : strokes == 2 ? MusicGlyph.TREMOLO_2 : MusicGlyph.TREMOLO_3;
      double middle = ((n.up ? y(n.high()) : y(n.low())) + n.stemEndY) / 2;
      pen.glyph(glyph, n.stemX(), middle, 1, Primitive.Ink.NOTE, n.placed.slice());
    }
  }

  /** Small articulations stand at the head's side, of two voices each on its own. */
  private void articulations(Note n) {
    boolean voices = n.placed.voiceCount() > 1;
    boolean below = voices ? DigitEngraver.isBelow(n.placed) : n.up;
    for (Signs.Articulation a : n.event().signs().articulations()) {
      boolean above = a == Signs.Articulation.MARCATO || !below;
      MusicGlyph glyph =
          switch (a) {
            case STACCATO -> above ? MusicGlyph.STACCATO_ABOVE : MusicGlyph.STACCATO_BELOW;
            case STACCATISSIMO ->
                above ? MusicGlyph.STACCATISSIMO_ABOVE : MusicGlyph.STACCATISSIMO_BELOW;
            case TENUTO, DETACHED_LEGATO ->
                above ? MusicGlyph.TENUTO_ABOVE : MusicGlyph.TENUTO_BELOW;
            case ACCENT -> above ? MusicGlyph.ACCENT_ABOVE : MusicGlyph.ACCENT_BELOW;
            case MARCATO -> MusicGlyph.MARCATO_ABOVE;
          };
      boolean inside =
          !voices
              && (a == Signs.Articulation.STACCATO || a == Signs.Articulation.TENUTO)
              && (above ? n.high() < 7 : n.low() > 1)
              && n.event().signs().articulations().size() == 1;
      if (inside) {
        int position = above ? n.high() + 2 : n.low() - 2;
        int space = Math.floorMod(position, 2) == 0 ? position + (above ? 1 : -1) : position;
        GlyphMetrics.Box box = metrics.box(glyph);
        pen.glyph(
            glyph,
            n.middleX() - box.width() / 2 - box.left(),
            y(space) - (box.top() + box.bottom()) / 2,
            1,
            Primitive.Ink.NOTE,
            n.placed.slice());
      } else if (above) {
        pen.glyphAbove(glyph, n.middleX(), 1, 0.3, Primitive.Ink.NOTE, n.placed.slice());
      } else {
        pen.glyphBelow(glyph, n.middleX(), 1, 0.3, Primitive.Ink.NOTE, n.placed.slice());
      }
    }
  }
}
