package fret.score;

import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * What a player wants of the loudness over what is printed.
 *
 * @param levels by onset, 0 for ppp to 7 for fff; each holds until the next printed or own one
 * @param hairpins in order of time; printed ones that begin or end within them do not count
 * @param rowsGoOn whether alike printed hairpins in a row go on from each other; else each begins
 *     again at the level of the first
 */
public record OwnLine(Map<Fraction, Double> levels, List<Hairpin> hairpins, boolean rowsGoOn) {
  public static final OwnLine NONE = new OwnLine(Map.of(), List.of(), false);

  public OwnLine {
    levels = Map.copyOf(levels);
    hairpins = List.copyOf(hairpins);
  }

  /** A hairpin of the player's own, from an onset to before another one. */
  public record Hairpin(Fraction from, Fraction to, boolean grows) {
    boolean hides(Direction printed) {
      return printed.onset().compareTo(from) >= 0 && printed.onset().compareTo(to) < 0;
    }

    List<Direction> signs() {
      Direction.Kind kind = grows ? Direction.Kind.CRESCENDO : Direction.Kind.DIMINUENDO;
      return List.of(
          new Direction(from, kind, "", 0), new Direction(to, Direction.Kind.HAIRPIN_END, "", 0));
    }
  }
}
