package fret.plan;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * The player's minutes, which every passage of every date draws on.
 *
 * @param usual minutes by day of the week, 0 for a day off
 * @param own minutes of single days in place of the usual ones
 */
public record Budget(Map<DayOfWeek, Integer> usual, Map<LocalDate, Integer> own) {
  /** Most minutes of a day. */
  public static final int MOST = 600;

  public Budget {
    usual = new EnumMap<>(usual);
    own = new TreeMap<>(own);
    for (int minutes : usual.values()) {
      refuse(minutes);
    }
    for (int minutes : own.values()) {
      refuse(minutes);
    }
  }

  private static void refuse(int minutes) {
    if (minutes < 0 || minutes > MOST) {
      throw new IllegalArgumentException(minutes + " minutes a day are outside 0 to " + MOST);
    }
  }

  /** The same minutes on every day. */
  public static Budget of(int minutes) {
    Map<DayOfWeek, Integer> all = new EnumMap<>(DayOfWeek.class);
    for (DayOfWeek d : DayOfWeek.values()) {
      all.put(d, minutes);
    }
    return new Budget(all, Map.of());
  }

  /** Minutes of a day. */
  public int on(LocalDate day) {
    return own.getOrDefault(day, usual.getOrDefault(day.getDayOfWeek(), 0));
  }

  /** With other minutes on a day of the week. */
  public Budget with(DayOfWeek day, int minutes) {
    Map<DayOfWeek, Integer> all = new EnumMap<>(usual);
    all.put(day, minutes);
    return new Budget(all, own);
  }

  /** With a day's own minutes. */
  public Budget with(LocalDate day, int minutes) {
    Map<LocalDate, Integer> all = new TreeMap<>(own);
    all.put(day, minutes);
    return new Budget(usual, all);
  }

  /** A day has its usual minutes again. */
  public Budget without(LocalDate day) {
    Map<LocalDate, Integer> all = new TreeMap<>(own);
    all.remove(day);
    return new Budget(usual, all);
  }

  /**
   * The days without minutes around one, where as many or more were taken off in a row; else the
   * day alone.
   */
  public List<LocalDate> inARow(LocalDate day, int fewest) {
    if (own.getOrDefault(day, -1) != 0) {
      return List.of(day);
    }
    LocalDate from = day;
    while (own.getOrDefault(from.minusDays(1), -1) == 0) {
      from = from.minusDays(1);
    }
    List<LocalDate> all = new ArrayList<>();
    for (LocalDate d = from; own.getOrDefault(d, -1) == 0; d = d.plusDays(1)) {
      all.add(d);
    }
    return all.size() >= fewest ? all : List.of(day);
  }

  /** With a share of every day's minutes. */
  Budget times(double share) {
    Map<DayOfWeek, Integer> less = new EnumMap<>(DayOfWeek.class);
    usual.forEach((d, m) -> less.put(d, (int) Math.round(m * share)));
    return new Budget(less, own);
  }

  /** With more or fewer minutes on every day that is not off. */
  public Budget plus(int minutes) {
    Map<DayOfWeek, Integer> more = new EnumMap<>(DayOfWeek.class);
    usual.forEach((d, m) -> more.put(d, m == 0 ? 0 : Math.min(MOST, m + minutes)));
    return new Budget(more, own);
  }

  @Override
  public Map<DayOfWeek, Integer> usual() {
    return Map.copyOf(usual);
  }

  @Override
  public Map<LocalDate, Integer> own() {
    return Map.copyOf(own);
  }
}
