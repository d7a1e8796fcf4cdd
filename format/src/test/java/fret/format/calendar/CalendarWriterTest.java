package fret.format.calendar;

import static org.assertj.core.api.Assertions.assertThat;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import fret.format.table.TableFiles;
import fret.session.Printer.CalendarDay;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.junit.jupiter.api.Test;

/** What was written is read back by the libraries of the formats. */
class CalendarWriterTest {
  private static final List<CalendarDay> DAYS =
      List.of(
          new CalendarDay(
              LocalDate.of(2026, 3, 28), "Practice, 40 min", "Bars 1-2; at 60\nJoin, 2"),
          new CalendarDay(LocalDate.of(2026, 3, 29), "Practice, \u00e9tude", "a, b; c"));

  @Test
  void theCalendarIsReadBack() {
    String text = new String(CalendarWriter.calendar(DAYS, "one"), StandardCharsets.UTF_8);
    assertThat(text).contains("DTSTART;VALUE=DATE:20260328").contains("\r\n");
    ICalendar back = Biweekly.parse(text).first();
    assertThat(back.validate(biweekly.ICalVersion.V2_0).isEmpty()).isTrue();
    assertThat(back.getEvents()).hasSize(2);
    for (int i = 0; i < 2; i++) {
      VEvent e = back.getEvents().get(i);
      assertThat(e.getSummary().getValue()).isEqualTo(DAYS.get(i).title());
      assertThat(e.getDescription().getValue()).isEqualTo(DAYS.get(i).text());
      assertThat(e.getDateStart().getValue().getRawComponents().getDate())
          .isEqualTo(DAYS.get(i).date().getDayOfMonth());
    }
    assertThat(new String(CalendarWriter.calendar(DAYS, "one"), StandardCharsets.UTF_8))
        .as("a newer file changes the same entries")
        .contains("practice-2026-03-29-one@fret");
  }

  /** RFC 5545: 3.1 content lines, 3.8.2.7 time transparency, 3.8.4.7 unique identifiers. */
  @Test
  void linesAreFoldedByOctetsAndEntriesTakeNoTime() {
    String words = "\u00c9tude \u2014 \u266f na\u00efve, ".repeat(20);
    List<CalendarDay> days = List.of(new CalendarDay(LocalDate.of(2026, 3, 28), words, words));
    byte[] bytes = CalendarWriter.calendar(days, "one");
    String text = new String(bytes, StandardCharsets.UTF_8);
    for (String line : text.split("\r\n")) {
      assertThat(line.getBytes(StandardCharsets.UTF_8)).hasSizeLessThanOrEqualTo(75);
      assertThat(line).doesNotContain("\n").doesNotContain("\ufffd");
    }
    VEvent back = Biweekly.parse(text).first().getEvents().get(0);
    assertThat(back.getSummary().getValue()).isEqualTo(words);
    assertThat(back.getTransparency().isTransparent()).isTrue();
    assertThat(new String(CalendarWriter.calendar(days, "two"), StandardCharsets.UTF_8))
        .doesNotContain(back.getUid().getValue());
  }

  @Test
  void theTableIsReadBack() throws IOException {
    List<List<String>> rows =
        List.of(List.of("day", "what"), List.of("2026-03-28", "a \"quoted\", comma\nand line"));
    String text = new String(TableFiles.csv(rows), StandardCharsets.UTF_8);
    try (CSVParser parser = CSVParser.parse(text, CSVFormat.RFC4180)) {
      assertThat(parser.getRecords())
          .extracting(r -> List.of(r.get(0), r.get(1)))
          .containsExactlyElementsOf(rows);
    }
  }
}
