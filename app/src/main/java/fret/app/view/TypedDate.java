package fret.app.view;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeFormatterBuilder;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.util.StringConverter;

/** A date as players type it; what is no date leaves the field as it was, and is told. */
final class TypedDate extends StringConverter<LocalDate> {
  private static final DateTimeFormatter SHORT =
      DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

  private static final List<DateTimeFormatter> READ =
      List.of(
          typed("d MMM uuuu"),
          typed("d MMMM uuuu"),
          typed("uuuu-M-d"),
          typed("d.M.uuuu"),
          typed("d/M/uuuu"));

  private final Supplier<LocalDate> before;
  private final Consumer<String> refused;

  /**
   * @param before what stands in the field
   * @param refused is told what was typed where that is no date
   */
  TypedDate(Supplier<LocalDate> before, Consumer<String> refused) {
    this.before = before;
    this.refused = refused;
  }

  private static DateTimeFormatter typed(String pattern) {
    return new DateTimeFormatterBuilder()
        .parseCaseInsensitive()
        .appendPattern(pattern)
        .toFormatter(Locale.ENGLISH);
  }

  @Override
  public String toString(LocalDate date) {
    return date == null ? "" : SHORT.format(date);
  }

  @Override
  public LocalDate fromString(String text) {
    String plain = text == null ? "" : text.strip();
    for (DateTimeFormatter form : READ) {
      try {
        return LocalDate.parse(plain, form);
      } catch (DateTimeException e) {
        continue; // It is written in another way, or not a date.
      }
    }
    if (!plain.isEmpty()) {
      refused.accept(plain);
    }
    return before.get();
  }
}
