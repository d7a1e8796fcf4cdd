package fret.fingering;

import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;

/**
 * Which notes need a digit on the page: the first stopped one, each arrival of a shift, a choice
 * between open string and stopped note, a finger that leaves the easy shape, and what the player
 * pinned. Of a chord all stopped notes get one or none.
 */
public final class SparseDigits {
  private SparseDigits() {}

  /**
   * Indices of the notes that get a digit.
   *
   * @param pinned whether the player set a note
   */
  public static Set<Integer> of(
      ResolvedPassage passage, Instrument instrument, Fingering fingering, IntPredicate pinned) {
    Set<Integer> wanted = new HashSet<>();
    fingering.shifts().forEach(s -> wanted.add(s.toNote()));
    boolean firstSeen = false;
    NoteFinger before = null;
    for (int i = 0; i < passage.notes().size(); i++) {
      Optional<NoteFinger> found = fingering.notes().get(i);
      if (found.isEmpty()) {
        continue;
      }
      NoteFinger place = found.get();
      boolean first = !firstSeen && !place.isOpen();
      firstSeen |= first;
      boolean changedMind =
          before != null
              && passage.notes().get(before.note()).pitch().equals(passage.notes().get(i).pitch())
              && !before.samePlace(place);
      if (first
          || pinned.test(i)
          || changedMind
          || place.harmonic()
          || place.finger() == Finger.THUMB
          || openOrStopped(instrument, place)) {
        wanted.add(i);
      }
      before = place;
    }
    passage.slices().forEach(s -> completeChord(s, fingering, wanted));
    return wanted;
  }

  /** A chord is told whole or not at all; its open strings need no digit. */
  private static void completeChord(Slice slice, Fingering fingering, Set<Integer> wanted) {
    if (slice.starting().stream().anyMatch(wanted::contains)) {
      for (int note : slice.starting()) {
        fingering.notes().get(note).filter(p -> !p.isOpen()).ifPresent(p -> wanted.add(note));
      }
    }
  }

  /** A stopped note that an open string could play. */
  private static boolean openOrStopped(Instrument instrument, NoteFinger place) {
    return !place.isOpen()
        && instrument.openStrings().stream().anyMatch(p -> p.midi() == place.sounding().midi());
  }
}
