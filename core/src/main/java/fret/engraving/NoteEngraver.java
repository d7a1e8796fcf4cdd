package fret.engraving;

import fret.pitch.Clef;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import fret.score.Signs;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;

/** Sets heads, accidentals, dots, ledger lines, stems, flags, beams, rests, ties and slurs. */
final class NoteEngraver {
  static final double HEAD_WIDTH = 1.18;
  private static final double STEM = 0.12;
  private static final double STEM_LENGTH = 3.5;
  private static final double BEAM = 0.5;
  private static final double BEAM_STEP = 0.75;
  private static final double LEDGER = 0.16;
  private static final double LEDGER_OUT = 0.35;

  private final Pen pen;
  private final GlyphMetrics metrics;
  private final Map<Bar, Map<Head, Head.Accidental>> signs = new IdentityHashMap<>();
  private final List<Direction> octaveLines = new ArrayList<>();
  private final Map<TimeSignature, List<Fraction>> groupStarts = new HashMap<>();

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

  NoteEngraver(Pen pen, GlyphMetrics metrics) {
    this.pen = pen;
    this.metrics = metrics;
  }

  /** Y of a staff position in half spaces above the bottom line. */
  static double y(double position) {
    return 4 - position / 2;
  }

  List<Note> engrave(List<StripEngraver.Placed> placed) {
    List<Note> notes = new ArrayList<>();
    Bar last = null;
    for (StripEngraver.Placed p : placed) {
      if (last == null || p.bar().index() != last.index()) {
        last = p.bar();
        for (Direction d : last.directions()) {
          if (d.kind() == Direction.Kind.OCTAVE_LINE
              || d.kind() == Direction.Kind.OCTAVE_LINE_END) {
            octaveLines.add(d);
          }
        }
      }
    }
    for (StripEngraver.Placed p : placed) {
      if (p.event().isRest()) {
        rest(p);
      } else {
        notes.add(new Note(p, positions(p)));
      }
    }
    for (Note n : notes) {
      n.up =
          inVoices(n)
              ? n.placed.voiceRank() == 0
              : n.placed.event().isGrace() || n.low() + n.high() < 8;
    }
    List<List<Note>> groups = beamGroups(notes);
    for (List<Note> group : groups) {
      shape(group);
    }
    for (Note n : notes) {
      heads(n);
    }
    for (List<Note> group : groups) {
      beams(group);
    }
    for (Note n : notes) {
      articulations(n);
    }
    new CurveEngraver(pen, this::hasSign).engrave(notes);
    return notes;
  }

  private static boolean inVoices(Note n) {
    return n.placed.voiceCount() > 1;
  }

  private int[] positions(StripEngraver.Placed p) {
    Clef clef = p.bar().clefAt(p.event().onset());
    int octaves = StripEngraver.octaveLineAt(octaveLines, p.event().onset());
    return p.event().heads().stream()
        .mapToInt(h -> clef.staffPosition(h.pitch()) - 7 * octaves)
        .sorted()
        .toArray();
  }

  private void rest(StripEngraver.Placed p) {
    MusicGlyph glyph =
        switch (p.event().value().denominator()) {
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
    for (int d = 0; d < p.event().value().dots(); d++) {
      pen.glyph(
          MusicGlyph.DOT,
          p.x() + metrics.box(glyph).right() + 0.35 + 0.6 * d,
          1.5 + shift,
          1,
          Primitive.Ink.NOTE,
          -1);
    }
  }

  // ---- beams -----------------------------------------------------------------------------------

  /** Groups of notes under one beam; notes without a beam are groups of their own. */
  private List<List<Note>> beamGroups(List<Note> notes) {
    List<List<Note>> groups = new ArrayList<>();
    Map<String, List<Note>> open = new HashMap<>();
    Map<String, String> openKey = new HashMap<>();
    for (Note n : notes) {
      Event e = n.event();
      String voice = e.voice() + e.isGrace() + e.cue();
      String key = groupKey(n);
      List<Note> current = open.get(voice);
      Note last = current == null ? null : current.get(current.size() - 1);
      boolean joins =
          current != null
              && !key.isEmpty()
              && key.equals(openKey.get(voice))
              && (e.isGrace() || last.event().end().equals(e.onset()));
      if (joins) {
        current.add(n);
      } else {
        List<Note> fresh = new ArrayList<>(List.of(n));
        groups.add(fresh);
        open.put(voice, fresh);
        openKey.put(voice, key);
      }
    }
    return groups;
  }

  /** Notes with the same key, one after the other, share a beam: by beats of the metre. */
  private String groupKey(Note n) {
    Event e = n.event();
    Bar bar = n.placed.bar();
    if (e.value().flags() == 0) {
      return "";
    }
    if (e.isGrace()) {
      return bar.index() + "g" + e.onset();
    }
    boolean pickup = bar.start().signum() < 0;
    Fraction lead = pickup ? bar.time().barLength().subtract(bar.length()) : Fraction.ZERO;
    Fraction at = e.onset().subtract(bar.start()).add(lead);
    int group = 0;
    List<Fraction> starts = groupStarts.computeIfAbsent(bar.time(), TimeSignature::groupStarts);
    for (int i = 0; i < starts.size(); i++) {
      group = starts.get(i).compareTo(at) <= 0 ? i : group;
    }
    return bar.index() + "b" + group;
  }

  /** Decides stem direction and stem ends of a group. */
  private static void shape(List<Note> group) {
    Note first = group.get(0);
    if (group.size() > 1 && !inVoices(first) && !first.event().isGrace()) {
      int low = group.stream().mapToInt(Note::low).min().orElse(4);
      int high = group.stream().mapToInt(Note::high).max().orElse(4);
      boolean up = low + high < 8;
      group.forEach(n -> n.up = up);
    }
    for (Note n : group) {
      double length = STEM_LENGTH * n.scale;
      double from = n.up ? y(n.high()) : y(n.low());
      double end = n.up ? from - length : from + length;
      if (group.size() == 1 && !n.event().isGrace()) {
        end = n.up ? Math.min(end, 2) : Math.max(end, 2); // A stem reaches the middle line.
      }
      int extra = Math.max(0, n.event().value().flags() - 2);
      n.stemEndY = end + (n.up ? -1 : 1) * extra * 0.7;
    }
    if (group.size() > 1) {
      slant(group);
    }
  }

  /** Lays the beam along the notes, flat at most one space over its whole length. */
  private static void slant(List<Note> group) {
    Note first = group.get(0);
    Note last = group.get(group.size() - 1);
    boolean up = first.up;
    double rise =
        Math.max(
            -1,
            Math.min(
                1, 0.5 * (y(up ? last.high() : last.low()) - y(up ? first.high() : first.low()))));
    double dx = Math.max(0.1, last.stemX() - first.stemX());
    double offset = up ? Double.MAX_VALUE : -Double.MAX_VALUE;
    for (Note n : group) {
      double along = rise * (n.stemX() - first.stemX()) / dx;
      offset =
          up
              ? Math.min(offset, n.stemEndY + 0.4 - along)
              : Math.max(offset, n.stemEndY - 0.4 - along);
    }
    for (Note n : group) {
      n.stemEndY = offset + rise * (n.stemX() - first.stemX()) / dx;
    }
  }

  private void beams(List<Note> group) {
    if (group.size() == 1) {
      flag(group.get(0));
      return;
    }
    boolean up = group.get(0).up;
    double scale = group.get(0).scale;
    int most = group.stream().mapToInt(n -> n.event().value().flags()).max().orElse(1);
    for (int level = 1; level <= most; level++) {
      double inset = (level - 1) * BEAM_STEP * scale * (up ? 1 : -1);
      int from = -1;
      for (int i = 0; i <= group.size(); i++) {
        boolean in = i < group.size() && group.get(i).event().value().flags() >= level;
        if (in && from >= 0 && breaksBefore(group.get(i), level)) {
          beam(group, from, i - 1, inset + (up ? 1 : -1) * BEAM * scale / 2);
          from = i;
        } else if (in && from < 0) {
          from = i;
        } else if (!in && from >= 0) {
          beam(group, from, i - 1, inset + (up ? 1 : -1) * BEAM * scale / 2);
          from = -1;
        }
      }
    }
  }

  /**
   * Inner beams are broken so that the beats within a long group are seen: the second at quarters,
   * the third and later ones at eighths (E. Gould, "Behind Bars", 2011, chapter "Metre", from
   * memory).
   */
  private static boolean breaksBefore(Note n, int level) {
    if (level < 2 || n.event().isGrace()) {
      return false;
    }
    Bar bar = n.placed.bar();
    boolean compound = bar.time().isCompound();
    Fraction unit = level == 2 ? Fraction.of(compound ? 3 : 2, 8) : Fraction.of(1, 8);
    Fraction beats = n.event().onset().subtract(bar.start()).divide(unit);
    return beats.getDenominator() == 1;
  }

  private void beam(List<Note> group, int from, int to, double inset) {
    Note a = group.get(from);
    Note b = group.get(to);
    double x1 = a.stemX() - STEM / 2;
    double x2 = b.stemX() + STEM / 2;
    double y1 = a.stemEndY;
    double y2 = b.stemEndY;
    if (from == to) {
      // A hook points to its neighbour: back from the last note, forward from the others.
      Note other = group.get(from > 0 ? from - 1 : from + 1);
      double slope = (other.stemEndY - a.stemEndY) / (other.stemX() - a.stemX());
      boolean back = from > 0;
      x1 = back ? a.stemX() - 1.1 : a.stemX();
      x2 = back ? a.stemX() : a.stemX() + 1.1;
      y1 = a.stemEndY + slope * (x1 - a.stemX());
      y2 = a.stemEndY + slope * (x2 - a.stemX());
    }
    pen.add(
        new Primitive.Beam(
            x1, y1 + inset, x2, y2 + inset, BEAM * a.scale, Primitive.Ink.NOTE, a.placed.slice()));
  }

  private void flag(Note n) {
    int flags = n.event().value().flags();
    if (flags == 0 || !n.hasStem()) {
      return;
    }
    MusicGlyph[] upward = {
      MusicGlyph.FLAG_8_UP, MusicGlyph.FLAG_16_UP, MusicGlyph.FLAG_32_UP, MusicGlyph.FLAG_64_UP
    };
    MusicGlyph[] downward = {
      MusicGlyph.FLAG_8_DOWN,
      MusicGlyph.FLAG_16_DOWN,
      MusicGlyph.FLAG_32_DOWN,
      MusicGlyph.FLAG_64_DOWN
    };
    MusicGlyph glyph = (n.up ? upward : downward)[Math.min(flags, 4) - 1];
    pen.glyph(
        glyph, n.stemX() - STEM / 2, n.stemEndY, n.scale, Primitive.Ink.NOTE, n.placed.slice());
    if (n.event().grace() == Event.Grace.SLASHED) {
      pen.line(
          n.stemX() - 0.5,
          n.stemEndY + 1.3,
          n.stemX() + 0.8,
          n.stemEndY + 0.3,
          0.1,
          Primitive.Ink.NOTE,
          n.placed.slice());
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
      pen.glyph(own, x, y(n.positions[i]), n.scale, Primitive.Ink.NOTE, slice);
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
        shifts[i] = n.positions[i] - n.positions[i - 1] == 1 && shifts[i - 1] == 0 ? by : 0;
      }
    } else {
      for (int i = shifts.length - 2; i >= 0; i--) {
        shifts[i] = n.positions[i + 1] - n.positions[i] == 1 && shifts[i + 1] == 0 ? -by : 0;
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
      int at = Math.floorMod(position, 2) == 0 ? position + 1 : position;
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

  /** Small articulations stand at the head's side, in a space of their own. */
  private void articulations(Note n) {
    boolean below = n.up;
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
          (a == Signs.Articulation.STACCATO || a == Signs.Articulation.TENUTO)
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
