package fret.format.calendar;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.property.Uid;
import biweekly.util.ICalDate;
import fret.session.Printer.CalendarDay;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.util.Date;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Writes days of practice as iCalendar and rows as comma separated values. */
public final class CalendarWriter {
  private CalendarWriter() {}

  /**
   * One entry a day without an hour, so that it holds in every time zone. An entry keeps its name
   * from file to file: a calendar that reads a newer one changes it instead of adding another.
   */
  public static byte[] calendar(List<CalendarDay> days) {
    ICalendar calendar = new ICalendar();
    calendar.setProductId("-//Fret//practice//EN");
    for (CalendarDay d : days) {
      VEvent event = new VEvent();
      event.setUid(new Uid("practice-" + d.date() + "@fret"));
      // A date without an hour is written in the zone in which it is made.
      Date date = Date.from(d.date().atStartOfDay(ZoneId.systemDefault()).toInstant());
      event.setDateStart(new ICalDate(date, false));
      event.setSummary(d.title());
      event.setDescription(d.text());
      calendar.addEvent(event);
    }
    return Biweekly.write(calendar).go().getBytes(StandardCharsets.UTF_8);
  }

  /** Rows with the line ends and quotes of RFC 4180. */
  public static byte[] csv(List<List<String>> rows) {
    StringBuilder text = new StringBuilder();
    try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
      for (List<String> row : rows) {
        printer.printRecord(row);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString().getBytes(StandardCharsets.UTF_8);
  }
}
