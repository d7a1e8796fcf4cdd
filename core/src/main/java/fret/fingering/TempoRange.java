package fret.fingering;

import fret.search.Token;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * Between which whole tempos a fingering stays the cheapest, every pin kept and everything else
 * free: what is learnt now need not be learnt anew when the passage gets quicker.
 *
 * <p>Effort is not linear in the tempo, for haste levels off, so the ends are found by solving at
 * every whole tempo outwards from the one at hand until the answer changes.
 *
 * @param perMinute the tempo at hand, in beats a minute
 * @param lowest the lowest whole tempo down to which it stays the cheapest
 * @param highest the highest one up to which it does
 * @param below the first note that would be played otherwise at the next tempo down; empty when the
 *     range ends at the lowest tempo that was asked
 * @param above likewise at the next tempo up
 * @param other the first note that is cheaper otherwise at the tempo at hand itself: then the range
 *     is this one tempo, for the player chose something else
 */
public record TempoRange(
    int perMinute,
    int lowest,
    int highest,
    OptionalInt below,
    OptionalInt above,
    OptionalInt other) {
  /** Slower than this nobody practises a fingering, quicker nobody asks. */
  public static final int LEAST = 40;

  public static final int MOST = 200;

  /**
   * The range of a fingering.
   *
   * @param task at the tempo at hand
   * @param chosen the fingering that stands
   * @param perMinute that tempo in beats a minute
   */
  public static TempoRange of(FingeringTask task, Fingering chosen, double perMinute, Token token) {
    int at = (int) Math.round(perMinute);
    // What stands is what was proposed with figures alike, or what the decisions made cheapest.
    boolean alike = unlike(task, chosen, true, token).isEmpty();
    OptionalInt other = alike ? OptionalInt.empty() : unlike(task, chosen, false, token);
    if (other.isPresent()) {
      return new TempoRange(at, at, at, OptionalInt.empty(), OptionalInt.empty(), other);
    }
    int lowest = at;
    OptionalInt below = OptionalInt.empty();
    while (below.isEmpty() && lowest > Math.min(at, LEAST)) {
      below = unlike(at(task, (lowest - 1) / perMinute), chosen, alike, token);
      lowest -= below.isEmpty() ? 1 : 0;
    }
    int highest = at;
    OptionalInt above = OptionalInt.empty();
    while (above.isEmpty() && highest < Math.max(at, MOST)) {
      above = unlike(at(task, (highest + 1) / perMinute), chosen, alike, token);
      highest += above.isEmpty() ? 1 : 0;
    }
    return new TempoRange(at, lowest, highest, below, above, other);
  }

  private static FingeringTask at(FingeringTask task, double factor) {
    return new FingeringTask(
        task.passage(),
        task.tempo().scaled(factor),
        task.hand(),
        task.preset(),
        task.wishes(),
        task.fixed());
  }

  /** The first note that the cheapest fingering plays otherwise. */
  private static OptionalInt unlike(
      FingeringTask task, Fingering chosen, boolean alike, Token token) {
    FingeringSolver solver = new FingeringSolver(task, token);
    Fingering best = alike ? solver.consistent() : solver.best();
    if (best.notesUnlike(chosen) == 0) {
      return OptionalInt.empty();
    }
    for (int i = 0; i < best.notes().size(); i++) {
      Optional<NoteFinger> a = best.notes().get(i);
      Optional<NoteFinger> b = chosen.notes().get(i);
      if (a.isPresent() != b.isPresent() || a.isPresent() && !a.get().samePlace(b.get())) {
        return OptionalInt.of(i);
      }
    }
    return OptionalInt.empty();
  }
}
