package fret.take;

import java.util.Locale;
import java.util.Optional;

/**
 * Something that is planted in a simulated take, or found in a real one.
 *
 * @param moment index among the expected moments; the first of its bar where a whole bar is meant
 * @param amount in the unit of its kind, positive
 */
public record Fault(Kind kind, int moment, double amount) {
  /** What can be wrong with a take. */
  public enum Kind {
    RUSH("percent", true),
    DRAG("percent", true),
    UNEVEN("percent", true),
    LATE("ms", false),
    EARLY("ms", false),
    GAP("ms", false),
    CLIPPED("ms", false),
    OVER_HELD("ms", false),
    SHARP("cents", false),
    FLAT("cents", false),
    DRIFT("cents", false),
    WRONG("semitones", false),
    MISSING("notes", false),
    ADDED("notes", false),
    RESTART("times", true),
    LOUD("dB", true),
    SOFT("dB", true),
    ATTACK("ms", false),
    GLIDE("ms", false);

    private final String unit;
    private final boolean ofBar;

    Kind(String unit, boolean ofBar) {
      this.unit = unit;
      this.ofBar = ofBar;
    }

    public String unit() {
      return unit;
    }

    /** Whether it is said of a whole bar rather than of one note. */
    public boolean isOfBar() {
      return ofBar;
    }

    /** As in files and commands: lower case with dashes. */
    public String id() {
      return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Optional<Kind> named(String id) {
      for (Kind k : values()) {
        if (k.id().equals(id)) {
          return Optional.of(k);
        }
      }
      return Optional.empty();
    }
  }
}
