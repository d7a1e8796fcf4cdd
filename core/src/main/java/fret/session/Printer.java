package fret.session;

import fret.base.Said;
import fret.base.UnusableInput;
import fret.drill.Chunk;
import fret.drill.Drill;
import fret.engraving.FingerText;
import fret.engraving.Page;
import fret.lane.Lane;
import fret.tempo.Ladder;
import java.time.LocalDate;
import java.util.List;
import java.util.function.Function;

/** Makes files to print, to show and to hear; implemented where file formats are known. */
public interface Printer {
  /** The part as a PDF document, with some lanes under each line. */
  byte[] partPdf(
      Session session,
      List<FingerText> fingers,
      List<Chunk> chunks,
      List<Lane> lanes,
      Page.Paper paper);

  /**
   * The sheet to practise from as a PDF document.
   *
   * @param tell makes text of a sentence's id and arguments
   */
  byte[] practicePdf(
      Session session,
      List<Chunk> chunks,
      Function<Chunk, Ladder> ladder,
      Page.Paper paper,
      Function<Said, String> tell);

  /**
   * A day of practice as it stands in a calendar.
   *
   * @param text what is done, a line each
   */
  record CalendarDay(LocalDate date, String title, String text) {}

  /** One chunk with the drills that come next, on half a page. */
  byte[] chunkPdf(
      Session session,
      Chunk chunk,
      Ladder ladder,
      List<Drill> drills,
      Page.Paper paper,
      Function<Said, String> tell);

  /**
   * Days as an iCalendar file (RFC 5545), one entry a day without an hour.
   *
   * @param library its own name: entries of two libraries are not the same
   */
  byte[] calendar(List<CalendarDay> days, String library);

  /** Rows as comma separated values (RFC 4180), the first one the heading. */
  byte[] csv(List<List<String>> rows);

  /** A day's work, on one page where it can be made to fit. */
  byte[] todayPdf(String title, List<Sheets.Task> tasks, Page.Paper paper);

  /** The same as a JSON list of objects, the first row naming the fields. */
  byte[] json(List<List<String>> rows);

  /**
   * Reads a table back.
   *
   * @throws UnusableInput if the file is none
   */
  List<List<String>> table(String name, byte[] bytes) throws UnusableInput;

  /** Some bars as an SVG picture. */
  byte[] svg(Session session, List<FingerText> fingers);

  /** Some bars as a PNG picture. */
  byte[] png(Session session, List<FingerText> fingers);

  /** The passage as it sounds, as a MIDI file. */
  byte[] midi(Session session);

  /**
   * Sends a PDF document to the usual printer.
   *
   * @return false when there is no printer
   */
  boolean print(byte[] pdf, String title);

  /**
   * A page of a picture file or a PDF document as a PNG picture.
   *
   * @param page from 0
   * @throws UnusableInput if the file shows nothing
   */
  byte[] picture(String name, byte[] bytes, int page) throws UnusableInput;
}
