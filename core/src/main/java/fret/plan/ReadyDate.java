package fret.plan;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;

/** When a passage should be ready (common practice, no source). */
public final class ReadyDate {
  private static final int DAYS_BEFORE = 21;
  private static final int NEAR_DAYS = 84;

  private ReadyDate() {}

  /**
   * Three weeks before the audition, or a quarter of the days left (rounded down) before it when it
   * is nearer than twelve weeks.
   *
   * @throws IllegalArgumentException if the audition lies before {@code today}
   */
  public static LocalDate of(LocalDate today, LocalDate audition) {
    long days = ChronoUnit.DAYS.between(today, audition);
    if (days < 0) {
      throw new IllegalArgumentException("the audition of " + audition + " is before " + today);
    }
    return audition.minusDays(days < NEAR_DAYS ? days / 4 : DAYS_BEFORE);
  }
}
