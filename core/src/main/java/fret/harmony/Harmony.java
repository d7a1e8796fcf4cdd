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
   */
  public record ChordSpan(
      int bar, Fraction onset, Optional<Chord> chord, double confidence, boolean own) {}

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
    Optional<Key> key = keyAt(c.bar());
    return c.chord().isPresent() && key.isPresent() ? c.chord().get().numeral(key.get()) : "?";
  }
}
