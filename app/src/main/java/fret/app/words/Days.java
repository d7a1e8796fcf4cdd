package fret.app.words;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/** Dates as they are said: today, tomorrow, Sat 28 Nov; with the year where it is another one. */
public final class Days {
  // In the language of the words around them.
  private static final DateTimeFormatter NEAR = DateTimeFormatter.ofPattern("EEE d MMM", Locale.UK);
  private static final DateTimeFormatter FAR =
      DateTimeFormatter.ofPattern("EEE d MMM yyyy", Locale.UK);
  private static final DateTimeFormatter SHORT = DateTimeFormatter.ofPattern("d MMM", Locale.UK);

  private Days() {}

  public static String of(LocalDate date, LocalDate today) {
    if (date.equals(today)) {
      return Sentences.of("day.today");
    } else if (date.equals(today.plusDays(1))) {
      return Sentences.of("day.tomorrow");
    } else if (date.equals(today.minusDays(1))) {
      return Sentences.of("day.yesterday");
    }
    return (date.getYear() == today.getYear() ? NEAR : FAR).format(date);
  }

  /** A day as it is told where it need not be today. */
  public static String named(LocalDate date) {
    return NEAR.format(date);
  }

  /** Day and month alone, for an axis. */
  public static String onAxis(LocalDate date) {
    return SHORT.format(date);
  }
}
