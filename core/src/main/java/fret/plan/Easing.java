package fret.plan;

import java.time.LocalDate;
import java.util.Map;
import java.util.Objects;

/**
 * How practice is eased because something hurts.
 *
 * @param shares how much of a day's minutes may be practised, from 0 to 1; all of them on days that
 *     are not named
 * @param stretches the first day on which the hand stretches again
 */
public record Easing(Map<LocalDate, Double> shares, LocalDate stretches) {
  /** Nothing hurts. */
  public static final Easing NONE = new Easing(Map.of(), LocalDate.MIN);

  public Easing {
    shares = Map.copyOf(shares);
    Objects.requireNonNull(stretches);
  }

  /** How much of a day's minutes may be practised. */
  double on(LocalDate day) {
    return shares.getOrDefault(day, 1.0);
  }
}
