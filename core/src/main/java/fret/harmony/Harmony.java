package fret.harmony;

import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Keys and chords of a passage.
 *
 * @param keys in order, each from a bar on
 * @param chords in order of time, each from its onset on
 */
public record Harmony(List<KeySpan> keys, List<ChordSpan> chords) {
  public static final Harmony NONE = new Harmony(List.of(), List.of());

  /**
   * @param fromBar index of its first bar; {@code toBar} of its last
   * @param confidence from 0 to 1
   */
  public record KeySpan(int fromBar, int toBar, Key key, double confidence) {}

  /**
   * @param bar index of the bar
   * @param chord empty where the notes leave it open
   * @param confidence from 0 to 1
   * @param own whether the player said so
   * @param bass what stands lowest under it; empty where nobody knows
   * @param second another reading that is as good; then neither is certain
   */
  public record ChordSpan(
      int bar,
      Fraction onset,
      Optional<Chord> chord,
      double confidence,
      boolean own,
      Optional<Bass> bass,
      Optional<Second> second) {
    /**
     * Figures of its inversion, from the top: 6, 6 4, 6 5, 4 3, 2; none in root position, over a
     * held note and where the bass is not known.
     */
    public List<Integer> figures() {
      if (chord.isEmpty() || bass.isEmpty() || bass.get().over()) {
        return List.of();
      }
      Quality quality = chord.get().quality();
      int above = Math.floorMod(bass.get().pitchClass() - chord.get().root(), 12);
      return switch (quality.members().indexOf(above)) {
        case 1 -> quality.isSeventh() ? List.of(6, 5) : List.of(6);
        case 2 -> quality.isSeventh() ? List.of(4, 3) : List.of(6, 4);
        case 3 -> List.of(2);
        default -> List.of();
      };
    }

    /** What the player says a chord is. */
    static ChordSpan said(int bar, Fraction onset, Chord chord) {
      return new ChordSpan(
          bar, onset, Optional.of(chord), 1, true, Optional.empty(), Optional.empty());
    }
  }

  /**
   * The lowest note under a chord.
   *
   * @param pitchClass C 0
   * @param over whether it is held and no part of the chord, as the tonic under a dominant
   */
  public record Bass(int pitchClass, boolean over) {}

  /** Another reading, with its own confidence from 0 to 1. */
  public record Second(Chord chord, double confidence) {}

  public Harmony {
    keys = List.copyOf(keys);
    chords = List.copyOf(chords);
  }

  /** The key in force in a bar; empty without any. */
  public Optional<Key> keyAt(int bar) {
    return keys.stream()
        .filter(k -> k.fromBar() <= bar && k.toBar() >= bar)
        .map(KeySpan::key)
        .findFirst();
  }

  /** What is told of the chord at an onset. */
  public Optional<ChordSpan> at(Fraction onset) {
    int low = 0;
    int high = chords.size();
    while (low < high) {
      int middle = (low + high) / 2;
      if (chords.get(middle).onset().compareTo(onset) <= 0) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    return low == 0 ? Optional.empty() : Optional.of(chords.get(low - 1));
  }

  /** The numeral at a chord, "?" where it is not clear. */
  public String numeral(ChordSpan c) {
    return c.chord().flatMap(x -> numeral(c, x)).orElse("?");
  }

  /** The numeral of the other reading; empty without one. */
  public Optional<String> secondNumeral(ChordSpan c) {
    return c.second().flatMap(x -> numeral(c, x.chord()));
  }

  private Optional<String> numeral(ChordSpan c, Chord chord) {
    return keyAt(c.bar()).map(chord::numeral);
  }

  /** What stands lowest, as its key spells it; empty where that is not known. */
  public Optional<String> bassName(ChordSpan c) {
    return c.bass().flatMap(b -> keyAt(c.bar()).map(k -> k.nameOf(b.pitchClass())));
  }
}
