package fret.drill;

import fret.base.Fractions;
import fret.base.Said;
import fret.fingering.Fingering;
import fret.fingering.Shift;
import fret.instrument.Instrument;
import fret.mark.Marks;
import fret.score.Bar;
import fret.score.NoteKey;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Cuts a passage into chunks: one or two bars each with the first note of the next one, and a small
 * one around each of the hardest shifts (common practice, no source).
 */
public final class Chunker {
  /** A chunk of bars grows to two bars while it has fewer notes than this. */
  private static final int FEW_NOTES = 8;

  /** A bar with fewer notes at the end of a section is no chunk of its own. */
  private static final int LONELY = 3;

  private static final int MOST_SPOTS = 3;
  private static final double HARD_BITS_PER_SECOND = 6;

  private Chunker() {}

  /**
   * The chunks: those of bars in the player's order, then the joins between them, spots and layers.
   *
   * @param tempo whose changes no proposed chunk crosses
   * @param marks the player's own chunks stand in place of those proposed; chunks that were
   *     practised keep their ids
   */
  public static List<Chunk> chunks(
      ResolvedPassage passage,
      TempoMap tempo,
      Fingering fingering,
      Instrument instrument,
      Marks marks) {
    Boundaries bounds = new Boundaries(passage.score(), tempo);
    OwnChunks own = new OwnChunks(passage, marks);
    Identities ids = new Identities(passage, marks);
    ids.take(own.bars());
    ids.take(own.layers());
    List<Chunk> proposed = barChunks(passage, bounds);
    List<Chunk> bars = new ArrayList<>(own.bars(proposed));
    bars.addAll(ids.named(own.without(proposed)));
    bars.sort(Comparator.comparing(Chunk::fromOnset));
    List<Chunk> rest = new ArrayList<>(Joins.between(passage, bars, bounds));
    rest.addAll(HighSpots.of(passage, fingering, instrument));
    for (Shift shift : hardest(fingering)) {
      rest.add(spot(passage, shift));
    }
    List<Chunk> all = own.inOrder(bars);
    all.addAll(ids.named(rest));
    all.addAll(own.layers());
    return all;
  }

  private static List<Shift> hardest(Fingering fingering) {
    return fingering.shifts().stream()
        .filter(s -> s.bitsPerSecond() >= HARD_BITS_PER_SECOND)
        .sorted(Comparator.comparingDouble(Shift::bitsPerSecond).reversed())
        .limit(MOST_SPOTS)
        .sorted(Comparator.comparingInt(Shift::toSlice))
        .toList();
  }

  /** Some bars, or what a boundary leaves of one. */
  private record Piece(Bar first, Bar last, Fraction from, Fraction to) {}

  private static List<Chunk> barChunks(ResolvedPassage passage, Boundaries bounds) {
    List<Chunk> chunks = new ArrayList<>();
    for (Piece p : pieces(passage, bounds)) {
      int notes = count(passage, p.from(), p.to());
      if (notes > 0) {
        Fraction to = bounds.isAt(p.to()) ? p.to() : overlapEnd(passage, p.to());
        boolean overlaps = to.compareTo(p.to()) > 0;
        chunks.add(
            new Chunk(
                "bars-" + p.first().number() + "-" + p.last().number(),
                Chunk.Kind.BARS,
                key(passage, p.from(), true),
                key(passage, p.to(), false),
                p.first().number(),
                p.last().number(),
                p.from(),
                to,
                notes + (overlaps ? 1 : 0),
                Said.of(overlaps ? "chunk.and-after" : "chunk.to-end")));
      }
    }
    return chunks;
  }

  /** A bar each, two where it has few notes; a pick-up goes with its bar, a last note too. */
  private static List<Piece> pieces(ResolvedPassage passage, Boundaries bounds) {
    List<Bar> bars = passage.score().bars();
    List<Piece> all = new ArrayList<>();
    int i = 0;
    while (i < bars.size()) {
      Bar first = bars.get(i);
      Fraction from = first.start();
      while (bounds.liesIn(from, first.end())) {
        Fraction to = bounds.firstIn(from, first.end());
        all.add(new Piece(first, first, from, to));
        from = to;
      }
      boolean pickup = i == 0 && first.start().signum() < 0;
      boolean few = pickup || count(passage, from, first.end()) < FEW_NOTES;
      int end = i;
      while (end + 1 < bars.size()
          && !bounds.isAt(bars.get(end).end())
          && (few && end == i || isLonely(passage, bars, bounds, end + 1))) {
        end++;
      }
      Bar last = bars.get(end);
      Fraction to = bounds.firstIn(from, last.end());
      all.add(new Piece(first, last, from, to));
      if (to.compareTo(last.end()) < 0) {
        all.add(new Piece(last, last, to, last.end()));
      }
      i = end + 1;
    }
    return all;
  }

  /** Whether a bar has next to nothing and nothing follows that it could go with. */
  private static boolean isLonely(
      ResolvedPassage passage, List<Bar> bars, Boundaries bounds, int at) {
    Bar bar = bars.get(at);
    boolean last = at + 1 == bars.size() || bounds.isAt(bar.end());
    return last && count(passage, bar.start(), bar.end()) < LONELY;
  }

  /** The first note from an onset on, or the last one before it. */
  private static NoteKey key(ResolvedPassage passage, Fraction onset, boolean from) {
    NoteKey found = null;
    for (Slice s : passage.slices()) {
      boolean later = s.onset().compareTo(onset) >= 0;
      if (from && later || !from && !later) {
        found = passage.notes().get(s.starting().get(0)).key();
        if (from) {
          return found;
        }
      }
    }
    return found;
  }

  private static int count(ResolvedPassage passage, Fraction from, Fraction to) {
    return (int) passage.slices().stream().filter(s -> in(s, from, to)).count();
  }

  private static boolean in(Slice slice, Fraction from, Fraction to) {
    return slice.onset().compareTo(from) >= 0 && slice.onset().compareTo(to) < 0;
  }

  /** The end of the note that starts exactly at a bar line, or the bar line itself. */
  static Fraction overlapEnd(ResolvedPassage passage, Fraction barEnd) {
    for (Slice s : passage.slices()) {
      if (s.onset().equals(barEnd) && s.grace() == 0) {
        return barEnd.add(Fractions.min(s.duration(), Fraction.of(1, 4)));
      }
    }
    return barEnd;
  }

  private static Chunk spot(ResolvedPassage passage, Shift shift) {
    int from = Math.max(0, shift.fromSlice() - 1);
    int to = Math.min(passage.slices().size() - 1, shift.toSlice() + 1);
    Slice first = passage.slices().get(from);
    Slice last = passage.slices().get(to);
    Fraction end = last.onset().add(Fractions.max(last.duration(), Fraction.of(1, 64)));
    Said why = Said.of("chunk.shift", Math.round(shift.travelMm()), Math.round(shift.timeMs()));
    return new Chunk(
        "spot-" + shift.toSlice(),
        Chunk.Kind.SPOT,
        passage.notes().get(first.starting().get(0)).key(),
        passage.notes().get(last.starting().get(0)).key(),
        bar(passage, first),
        bar(passage, last),
        first.onset(),
        end,
        to - from + 1,
        why);
  }

  private static String bar(ResolvedPassage passage, Slice slice) {
    return passage.notes().get(slice.starting().get(0)).bar();
  }
}
