package fret.harmony;

import java.util.Collections;
import java.util.SortedMap;
import java.util.TreeMap;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * The chords of a bar as the player hears them, each where it stands.
 *
 * @param at by place in the bar, in whole notes from its start; each holds up to where the next
 *     chord is heard or was named
 * @param whole whether the first one is the chord of the whole bar, whatever is heard in it
 */
public record BarChords(SortedMap<Fraction, Chord> at, boolean whole) {
  public BarChords {
    if (at.isEmpty() || at.firstKey().signum() < 0) {
      throw new IllegalArgumentException("chords of a bar at " + at.keySet());
    }
    at = Collections.unmodifiableSortedMap(new TreeMap<>(at));
  }

  /** One chord for all of a bar. */
  public static BarChords whole(Chord chord) {
    return new BarChords(new TreeMap<>(Collections.singletonMap(Fraction.ZERO, chord)), true);
  }

  /** One chord where it stands. */
  public static BarChords at(Fraction place, Chord chord) {
    return new BarChords(new TreeMap<>(Collections.singletonMap(place, chord)), false);
  }

  /** With another chord in one place, beside what is named elsewhere in the bar. */
  public BarChords with(Fraction place, Chord chord) {
    TreeMap<Fraction, Chord> all = new TreeMap<>(at);
    all.put(place, chord);
    return new BarChords(all, whole && all.size() == 1);
  }

  /** Without what is named in a place; empty where nothing is left. */
  public java.util.Optional<BarChords> without(Fraction place) {
    TreeMap<Fraction, Chord> all = new TreeMap<>(at);
    all.remove(place);
    return all.isEmpty()
        ? java.util.Optional.empty()
        : java.util.Optional.of(new BarChords(all, whole && place.signum() != 0));
  }
}
