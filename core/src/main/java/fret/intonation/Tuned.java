package fret.intonation;

import fret.harmony.Harmony;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A whole passage in a tuning.
 *
 * @param notes one entry a note; empty where it is not fingered
 * @param pairs neighbours in time that one hand can hold together, by indices of notes
 */
public record Tuned(
    OpenStrings strings,
    Harmony harmony,
    List<Optional<Place>> notes,
    List<Pair> pairs,
    Map<Integer, Order> orders) {
  /**
   * Where a note stands.
   *
   * @param cents from equal in the chosen tuning
   * @param mm of its finger from its equal place, positive towards the bridge
   * @param ring open strings that sound with it
   * @param checks the best first
   */
  public record Place(
      int note,
      Temperament temperament,
      double cents,
      double mm,
      List<Ring> ring,
      List<Check> checks,
      Optional<Conflict> conflict) {
    public Place {
      ring = List.copyOf(ring);
      checks = List.copyOf(checks);
    }

    /** Whether an open string answers it fully: a place that one can trust. */
    public boolean isMilestone() {
      return ring.stream().anyMatch(r -> !r.faint());
    }
  }

  /**
   * @param faint whether only partials of the two meet, as with the fifth above
   */
  public record Ring(int string, boolean faint) {}

  /**
   * A note that cannot agree with two open strings at once.
   *
   * @param first the check that asks for the lower place, {@code second} for the higher
   */
  public record Conflict(Check first, Check second) {
    public double apartCents() {
      return second.centsFromEqual() - first.centsFromEqual();
    }

    public double apartMm() {
      return second.mm() - first.mm();
    }
  }

  /** Two notes, the first in time first. */
  public record Pair(int first, int second) {}

  /**
   * In which order the notes of a double stop or chord are tuned, after each school.
   *
   * @param fromTop indices of notes, {@code fifthFirst} likewise
   * @param barre whether a fifth lies under one flat finger
   */
  public record Order(List<Integer> fromTop, List<Integer> fifthFirst, boolean barre) {
    public Order {
      fromTop = List.copyOf(fromTop);
      fifthFirst = List.copyOf(fifthFirst);
    }

    public List<Integer> notes(School school) {
      return school == School.FROM_TOP ? fromTop : fifthFirst;
    }
  }

  /** How a chord is built up. */
  public enum School {
    /** The top note is held, the others are tuned to it downwards. */
    FROM_TOP("top"),
    /** The fifth or octave first, then the third. */
    FIFTH_FIRST("fifth");

    private final String id;

    School(String id) {
      this.id = id;
    }

    public String id() {
      return id;
    }
  }

  public Tuned {
    notes = List.copyOf(notes);
    pairs = List.copyOf(pairs);
    orders = Map.copyOf(orders);
  }
}
