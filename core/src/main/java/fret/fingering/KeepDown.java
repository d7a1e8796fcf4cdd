package fret.fingering;

import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Until when each finger may stay where it is: until it is needed, the hand moves, or a lower note
 * comes on its string (common practice, no source).
 *
 * @param note index of the note whose finger stays
 * @param untilSlice the moment at which it must leave; the number of moments when it may stay to
 *     the end
 * @param pays whether it is needed again meanwhile: the note comes back under the same finger, or
 *     the finger is one of a chord
 */
public record KeepDown(int note, int untilSlice, boolean pays) {
  /** One entry for each stopped note that may stay beyond the next moment, in order. */
  public static List<KeepDown> of(ResolvedPassage passage, Fingering fingering) {
    List<KeepDown> all = new ArrayList<>();
    List<Slice> slices = passage.slices();
    for (int i = 0; i < fingering.notes().size(); i++) {
      Optional<NoteFinger> place = fingering.notes().get(i);
      if (place.isPresent() && !place.get().isOpen() && !place.get().harmonic()) {
        KeepDown kept = kept(passage, fingering, place.get());
        if (kept.untilSlice > passage.notes().get(i).slice() + 1
            || slices.get(passage.notes().get(i).slice()).starting().size() > 1) {
          all.add(kept);
        }
      }
    }
    return List.copyOf(all);
  }

  private static KeepDown kept(ResolvedPassage passage, Fingering fingering, NoteFinger of) {
    int from = passage.notes().get(of.note()).slice();
    boolean pays = false;
    int slice = from + 1;
    for (; slice < passage.slices().size(); slice++) {
      for (int other : passage.slices().get(slice).starting()) {
        Optional<NoteFinger> next = fingering.notes().get(other);
        if (next.isEmpty() || leaves(of, next.get())) {
          return new KeepDown(of.note(), slice, pays);
        }
        pays |= isSame(of, next.get());
      }
    }
    return new KeepDown(of.note(), slice, pays);
  }

  private static boolean isSame(NoteFinger a, NoteFinger b) {
    return a.string() == b.string()
        && a.semitone() == b.semitone()
        && a.last().finger() == b.finger();
  }

  private static boolean leaves(NoteFinger of, NoteFinger next) {
    if (isSame(of, next)) {
      return false;
    }
    boolean moves = next.base() > 0 && of.last().base() > 0 && next.base() != of.last().base();
    boolean needed = !next.isOpen() && next.finger() == of.last().finger();
    boolean lower = next.string() == of.string() && next.semitone() < of.semitone();
    return moves || needed || lower;
  }
}
