package fret.format.calendar;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.property.Uid;
import biweekly.util.ICalDate;
import fret.session.Printer.CalendarDay;
import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.util.Date;
import java.util.List;

/** Writes days of practice as iCalendar. */
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
}
