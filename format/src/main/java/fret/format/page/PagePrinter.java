package fret.format.page;

import fret.base.Said;
import fret.base.UnusableInput;
import fret.drill.Chunk;
import fret.drill.Drill;
import fret.engraving.FingerText;
import fret.engraving.Page;
import fret.engraving.Strip;
import fret.engraving.StripEngraver;
import fret.engraving.StripStyle;
import fret.format.calendar.CalendarWriter;
import fret.format.midi.MidiWriter;
import fret.format.table.TableFiles;
import fret.instrument.InstrumentType;
import fret.lane.Lane;
import fret.session.Printer;
import fret.session.Session;
import fret.session.Sheets;
import fret.tempo.Ladder;
import java.awt.image.BufferedImage;
import java.awt.print.PrinterException;
import java.awt.print.PrinterJob;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.function.Function;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.printing.PDFPageable;

/** Makes files with the shipped fonts. */
public final class PagePrinter implements Printer {
  private static final float PNG_DOTS = 200;
  private static final float SCREEN_DOTS = 110;
  private static final int LARGEST_SIDE = 6000;

  private final PageFonts fonts;
  private final PageFiles files;

  public PagePrinter(PageFonts fonts) {
    this.fonts = fonts;
    this.files = new PageFiles(fonts);
  }

  @Override
  public byte[] partPdf(
      Session session,
      List<FingerText> fingers,
      List<Chunk> chunks,
      List<Lane> lanes,
      Page.Paper paper) {
    List<Page> pages = new Sheets(fonts, paper).part(session, fingers, chunks, lanes);
    return files.pdf(pages, session.passage().settings().title());
  }

  @Override
  public byte[] practicePdf(
      Session session,
      List<Chunk> chunks,
      Function<Chunk, Ladder> ladder,
      Page.Paper paper,
      Function<Said, String> tell) {
    List<Page> pages = new Sheets(fonts, paper).practice(session, chunks, ladder, tell);
    return files.pdf(pages, session.passage().settings().title());
  }

  @Override
  public byte[] chunkPdf(
      Session session,
      Chunk chunk,
      Ladder ladder,
      List<Drill> drills,
      Page.Paper paper,
      Function<Said, String> tell) {
    return files.pdf(
        new Sheets(fonts, paper).chunk(session, chunk, ladder, drills, tell), chunk.label());
  }

  @Override
  public byte[] todayPdf(String title, List<Sheets.Task> tasks, Page.Paper paper) {
    return files.pdf(new Sheets(fonts, paper).today(title, tasks), title);
  }

  private Strip strip(Session session, List<FingerText> fingers) {
    StripStyle style = StripStyle.PLAIN.withShiftMarks(Sheets.shiftMarks(session.fingering()));
    return StripEngraver.engrave(session.resolved(), fingers, fonts, style);
  }

  @Override
  public byte[] svg(Session session, List<FingerText> fingers) {
    return files.svg(strip(session, fingers));
  }

  @Override
  public byte[] png(Session session, List<FingerText> fingers) {
    return files.png(strip(session, fingers), PNG_DOTS);
  }

  @Override
  public byte[] midi(Session session) {
    return MidiWriter.write(
        session.resolved(),
        session.task().tempo(),
        program(session.task().hand().instrument().type()));
  }

  /** Sound of an instrument ("General MIDI System Level 1", MIDI Manufacturers Association). */
  private static int program(InstrumentType type) {
    return switch (type) {
      case VIOLIN -> 40;
      case VIOLA -> 41;
      case CELLO -> 42;
      case BASS -> 43;
    };
  }

  @Override
  public boolean print(byte[] pdf, String title) {
    if (PrinterJob.lookupPrintServices().length == 0) {
      return false;
    }
    try (PDDocument document = Loader.loadPDF(pdf)) {
      PrinterJob job = PrinterJob.getPrinterJob();
      job.setJobName(title);
      job.setPageable(new PDFPageable(document));
      job.print();
      return true;
    } catch (IOException | PrinterException e) {
      throw new IllegalStateException(e);
    }
  }

  @Override
  public byte[] picture(String name, byte[] bytes, int page) throws UnusableInput {
    try {
      boolean pdf = bytes.length > 4 && bytes[0] == '%' && bytes[1] == 'P' && bytes[2] == 'D';
      BufferedImage image =
          pdf
              ? PageFiles.picture(bytes, page, SCREEN_DOTS)
              : ImageIO.read(new ByteArrayInputStream(bytes));
      if (image == null || image.getWidth() > LARGEST_SIDE || image.getHeight() > LARGEST_SIDE) {
        throw new UnusableInput(
            name,
            image == null
                ? Said.of("read.no-picture")
                : Said.of("read.picture-large", LARGEST_SIDE),
            Said.of("read.picture.do"));
      }
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      ImageIO.write(image, "png", out);
      return out.toByteArray();
    } catch (IOException | RuntimeException e) {
      throw new UnusableInput(name, Said.of("read.page"), Said.of("read.picture.do"));
    }
  }

  @Override
  public byte[] calendar(List<CalendarDay> days, String library) {
    return CalendarWriter.calendar(days, library);
  }

  @Override
  public byte[] csv(List<List<String>> rows) {
    return TableFiles.csv(rows);
  }

  @Override
  public byte[] json(List<List<String>> rows) {
    return TableFiles.json(rows);
  }

  @Override
  public List<List<String>> table(String name, byte[] bytes) throws UnusableInput {
    return TableFiles.read(name, bytes);
  }
}
