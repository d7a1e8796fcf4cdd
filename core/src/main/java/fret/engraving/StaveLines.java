package fret.engraving;

import fret.score.NoteKey;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;

/**
 * A passage as the lines of a page: as many bars on each as there is room for, spread to the
 * margin.
 */
public final class StaveLines {
  /** Notes nearer than this to each other, against the natural room, are hard to read. */
  private static final double TIGHTEST = 0.72;

  private static final double WIDEST = 4;

  /** Turns of a search by halves: the last bar line stands within a tenth of a staff space. */
  private static final int HALVINGS = 14;

  /** A last line that is as long as this share of the others is spread like them. */
  private static final double NEARLY_FULL = 0.9;

  /** What a strip keeps free behind its last bar line. */
  static final double AFTER = 1.5;

  private static final double LANE_GAP = 1;

  private StaveLines() {}

  /**
   * One line.
   *
   * @param strip engraved from x 1 on
   * @param sliceHere moments of the passage that stand on it, with their place on this strip
   * @param firstBar place of its first bar in the passage; {@code lastBar} of its last
   */
  public record Line(
      Strip strip, NavigableMap<Integer, Integer> sliceHere, int firstBar, int lastBar) {
    public Line {
      sliceHere = Collections.unmodifiableNavigableMap(new TreeMap<>(sliceHere));
    }

    Line with(Strip other) {
      return new Line(other, sliceHere, firstBar, lastBar);
    }

    /** Where the moments of the whole passage stand on this line, as far as they do. */
    public Axis axis(ResolvedPassage whole) {
      return Axis.of(strip, whole.slices().size(), sliceHere);
    }

    /** Lanes stand under the stave as parts of the same picture. */
    public Line withLanes(List<LaneDrawing> lanes) {
      List<Primitive> all = new ArrayList<>(strip.primitives());
      double bottom = strip.bottom();
      for (LaneDrawing lane : lanes) {
        double top = bottom + LANE_GAP;
        lane.primitives().forEach(p -> all.add(p.lowered(top)));
        lane.scale().forEach(p -> all.add(p.lowered(top)));
        bottom = top + lane.height();
      }
      return with(
          new Strip(
              all,
              strip.width(),
              strip.top(),
              bottom,
              strip.sliceX(),
              strip.bars(),
              strip.onsetX()));
    }
  }

  /**
   * Lays a passage out.
   *
   * @param shiftMarks moments during which the hand moves, with whether it moves up the string
   * @param room length of a line, in staff spaces
   */
  public static List<Line> lay(
      ResolvedPassage passage,
      List<FingerText> fingers,
      Map<Integer, Boolean> shiftMarks,
      GlyphMetrics metrics,
      double room) {
    return lay(passage, fingers, shiftMarks, metrics, room, true);
  }

  /**
   * Lays a passage out.
   *
   * @param spread whether notes are spread to the margin; else they stand as near as can be, which
   *     is soon done and says which bars a line has and how tall it is
   */
  static List<Line> lay(
      ResolvedPassage passage,
      List<FingerText> fingers,
      Map<Integer, Boolean> shiftMarks,
      GlyphMetrics metrics,
      double room,
      boolean spread) {
    Map<NoteKey, Integer> indices = new HashMap<>();
    for (int i = 0; i < passage.notes().size(); i++) {
      indices.put(passage.notes().get(i).key(), i);
    }
    Score score = passage.score();
    List<Line> lines = new ArrayList<>();
    int from = 0;
    while (from < score.bars().size()) {
      int to = lastThatFits(score, from, metrics, room);
      boolean end = to == score.bars().size() - 1;
      ResolvedPassage line = line(score, from, to);
      Extract extract = new Extract(line, indices, fingers, shiftMarks, passage);
      StripStyle style = new StripStyle(1, true, Optional.of(score), extract.marks);
      Strip strip =
          spread
              ? filled(line, extract.texts, style, metrics, room, end)
              : StripEngraver.engrave(line, extract.texts, metrics, style.withStretch(TIGHTEST));
      lines.add(new Line(strip, extract.sliceHere, from, to));
      from = to + 1;
    }
    return lines;
  }

  /** A part of the passage as a passage of its own, with what belongs to its notes. */
  private static final class Extract {
    private final List<FingerText> texts = new ArrayList<>();
    private final Map<Integer, Boolean> marks = new HashMap<>();
    private final TreeMap<Integer, Integer> sliceHere = new TreeMap<>();

    Extract(
        ResolvedPassage line,
        Map<NoteKey, Integer> indices,
        List<FingerText> fingers,
        Map<Integer, Boolean> shiftMarks,
        ResolvedPassage whole) {
      Map<Integer, FingerText> byNote = new HashMap<>();
      fingers.forEach(f -> byNote.put(f.note(), f));
      for (int i = 0; i < line.notes().size(); i++) {
        SoundingNote note = line.notes().get(i);
        Integer index = indices.get(note.key());
        if (index == null) {
          continue; // It is tied on from the line before.
        }
        FingerText text = byNote.get(index);
        if (text != null) {
          texts.add(text.at(i));
        }
        int slice = whole.notes().get(index).slice();
        sliceHere.put(slice, note.slice());
        if (shiftMarks.containsKey(slice)) {
          marks.put(note.slice(), shiftMarks.get(slice));
        }
      }
    }
  }

  private static ResolvedPassage line(Score score, int from, int to) {
    return Resolver.resolve(score.withBars(score.bars().subList(from, to + 1)));
  }

  /** The last bar of a line; bars of rest in a row stay together. */
  private static int lastThatFits(Score score, int from, GlyphMetrics metrics, double room) {
    int to = endOfRests(score, from);
    StripStyle tight = new StripStyle(TIGHTEST, true, Optional.of(score), Map.of());
    while (to + 1 < score.bars().size()) {
      int next = endOfRests(score, to + 1);
      Strip strip = StripEngraver.engrave(line(score, from, next), List.of(), metrics, tight);
      if (strip.width() > room + AFTER) {
        return to;
      }
      to = next;
    }
    return to;
  }

  private static int endOfRests(Score score, int bar) {
    return bar + Math.max(1, StripEngraver.restBars(score.bars(), bar)) - 1;
  }

  /** The line with its notes spread to the margin; a last line keeps its natural width. */
  private static Strip filled(
      ResolvedPassage line,
      List<FingerText> texts,
      StripStyle style,
      GlyphMetrics metrics,
      double room,
      boolean last) {
    double low = TIGHTEST;
    double high = WIDEST;
    Strip natural = StripEngraver.engrave(line, texts, metrics, style);
    double length = natural.width() - AFTER;
    if (last && length <= room && length < room * NEARLY_FULL) {
      return natural;
    }
    Strip best = StripEngraver.engrave(line, texts, metrics, style.withStretch(low));
    for (int i = 0; i < HALVINGS; i++) {
      double middle = (low + high) / 2;
      Strip strip = StripEngraver.engrave(line, texts, metrics, style.withStretch(middle));
      if (strip.width() - AFTER <= room) {
        best = strip;
        low = middle;
      } else {
        high = middle;
      }
    }
    return best;
  }
}
