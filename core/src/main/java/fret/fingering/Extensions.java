package fret.fingering;

import fret.instrument.Instrument;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;

/**
 * Where the hand may be open although the note does not ask for it: near one that does. Elsewhere
 * its shape need not be remembered.
 */
final class Extensions {
  /** Above the hand, in semitones: what a fourth finger reaches in the hand extended forward. */
  static final int FOURTH_FORWARD = 4;

  private static final int NEAR = 4;

  private final List<BitSet> near = new ArrayList<>();

  Extensions(ResolvedPassage passage, Instrument instrument) {
    List<BitSet> places = new ArrayList<>();
    for (Slice slice : passage.slices()) {
      BitSet here = new BitSet();
      for (int note : slice.starting()) {
        for (int string = 1; string <= instrument.stringCount(); string++) {
          int n = instrument.semitones(string, passage.notes().get(note).pitch());
          if (n > 0) {
            here.set(n);
          }
        }
      }
      places.add(here);
    }
    for (int i = 0; i < places.size(); i++) {
      BitSet around = union(places.subList(Math.max(0, i - NEAR), i));
      around.or(union(places.subList(i + 1, Math.min(places.size(), i + 1 + NEAR))));
      near.add(around);
    }
  }

  private static BitSet union(List<BitSet> sets) {
    BitSet all = new BitSet();
    sets.forEach(all::or);
    return all;
  }

  /** Whether a place on the fingerboard is wanted just before a moment or just after it. */
  boolean areNear(int slice, int semitone) {
    return semitone > 0 && near.get(slice).get(semitone);
  }
}
