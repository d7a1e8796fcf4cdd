package fret.care;

import java.time.LocalDate;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What the player said of what hurts.
 *
 * @param aches by the id of the try in the record
 * @param better by day, what was answered: whether nothing hurt
 * @param light the day on which light work is wanted although something waits
 * @param over id of the newest try after which the player wanted everything back at once
 */
public record Told(
    Map<Long, Ache> aches, Map<LocalDate, Boolean> better, Optional<LocalDate> light, long over) {
  public static final Told NOTHING = new Told(Map.of(), Map.of(), Optional.empty(), 0);

  public Told {
    aches = Map.copyOf(aches);
    better = Map.copyOf(better);
    Objects.requireNonNull(light);
  }

  /** Where and how much a try hurt. */
  public Told with(long entry, Ache ache) {
    Map<Long, Ache> all = new TreeMap<>(aches);
    all.put(entry, ache);
    return new Told(all, better, light, over);
  }

  /** What was answered on a day. */
  public Told answered(LocalDate day, boolean isBetter) {
    Map<LocalDate, Boolean> all = new TreeMap<>(better);
    all.put(day, isBetter);
    return new Told(aches, all, light, over);
  }

  /** Light work is wanted on a day. */
  public Told light(LocalDate day) {
    return new Told(aches, better, Optional.of(day), over);
  }

  /** Everything comes back at once. */
  public Told overUpTo(long entry) {
    return new Told(aches, better, light, entry);
  }
}
