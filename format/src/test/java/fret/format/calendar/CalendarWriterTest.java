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
    String text = new String(CalendarWriter.calendar(DAYS), StandardCharsets.UTF_8);
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
    assertThat(new String(CalendarWriter.calendar(DAYS), StandardCharsets.UTF_8))
        .as("a newer file changes the same entries")
        .contains("practice-2026-03-29@fret");
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
