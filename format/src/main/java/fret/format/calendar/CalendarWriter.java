package fret.format.calendar;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.property.Transparency;
import biweekly.property.Uid;
import biweekly.util.ICalDate;
import fret.session.Printer.CalendarDay;
import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.util.Date;
import java.util.List;

/** Writes days of practice as iCalendar. */
public final class CalendarWriter {
  private static final int LONGEST = 75;

  private CalendarWriter() {}

  /**
   * One entry a day without an hour, so that it holds in every time zone. An entry keeps its name
   * from file to file: a calendar that reads a newer one changes it instead of adding another. It
   * takes no time from the calendar: others see the player as free.
   *
   * @param library part of the names of its entries
   */
  public static byte[] calendar(List<CalendarDay> days, String library) {
    ICalendar calendar = new ICalendar();
    calendar.setProductId("-//Fret//practice//EN");
    for (CalendarDay d : days) {
      VEvent event = new VEvent();
      event.setUid(new Uid("practice-" + d.date() + "-" + library + "@fret"));
      // A date without an hour is written in the zone in which it is made.
      Date date = Date.from(d.date().atStartOfDay(ZoneId.systemDefault()).toInstant());
      event.setDateStart(new ICalDate(date, false));
      event.setTransparency(Transparency.transparent());
      event.setSummary(d.title());
      event.setDescription(d.text());
      calendar.addEvent(event);
    }
    return folded(Biweekly.write(calendar).go()).getBytes(StandardCharsets.UTF_8);
  }

  /** No line is longer than 75 octets (RFC 5545, 3.1), and no character is cut. */
  private static String folded(String text) {
    StringBuilder all = new StringBuilder();
    for (String line : text.replaceAll("\r?\n[ \t]", "").split("\r?\n")) {
      int octets = 0;
      for (int c : line.codePoints().toArray()) {
        String one = Character.toString(c);
        int more = one.getBytes(StandardCharsets.UTF_8).length;
        if (octets + more > LONGEST) {
          all.append("\r\n ");
          octets = 1;
        }
        all.append(one);
        octets += more;
      }
      all.append("\r\n");
    }
    return all.toString();
  }
}
