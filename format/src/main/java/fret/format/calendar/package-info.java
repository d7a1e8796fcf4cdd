/** Plans for calendars and tables. Start with {@link fret.format.calendar.CalendarWriter}. */
package fret.format.calendar;
