package fret.app.viewmodel;

import fret.base.Problem;
import fret.engraving.Page;
import fret.passage.MarkedFileWriter;
import fret.passage.Printer;
import fret.passage.Workbench;
import fret.shelf.Library;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;

/** Files and paper made of the open passage, and the picture of its page. */
public final class PaperModel {
  private final Studio studio;
  private final Library library;
  private final MarkedFileWriter writer;
  private final Supplier<Printer> printer;

  PaperModel(Studio studio, Library library, MarkedFileWriter writer, Supplier<Printer> printer) {
    this.studio = studio;
    this.library = library;
    this.writer = writer;
    this.printer = printer;
  }

  /** The passage's file with the fingering written into it, handed on when it is made. */
  public void export(Consumer<byte[]> then) {
    Workbench now = studio.bench();
    if (now != null) {
      long id = now.passage().id();
      studio.run(
          () ->
              library.page(id).isPresent()
                  ? writer.writePage(now)
                  : writer.write(now, library.source(id)),
          () -> true,
          then);
    }
  }

  /** What a file is made for. */
  public enum Kind {
    PART_PDF("part.pdf"),
    PRACTICE_PDF("practice.pdf"),
    SVG("part.svg"),
    PNG("part.png"),
    MIDI("part.mid");

    private final String ending;

    Kind(String ending) {
      this.ending = ending;
    }

    /** End of the name of the file. */
    public String ending() {
      return ending;
    }
  }

  /** Makes a file of the open passage, handed on when it is made. */
  public void make(Kind kind, Page.Paper size, Consumer<byte[]> then) {
    Workbench now = studio.bench();
    Planning plan = studio.plans().plannedProperty().get();
    if (now == null || plan == null) {
      return;
    }
    studio.run(
        () -> {
          Printer p = printer.get();
          return switch (kind) {
            case PART_PDF -> p.partPdf(now, Digits.of(now), plan.chunks(), size);
            case PRACTICE_PDF -> p.practicePdf(now, plan.chunks(), plan.ladder(), size);
            case SVG -> p.svg(now, Digits.of(now));
            case PNG -> p.png(now, Digits.of(now));
            case MIDI -> p.midi(now);
          };
        },
        () -> true,
        then);
  }

  /** Prints the part or the practice sheet on the usual printer. */
  public void print(Kind kind, Page.Paper size) {
    make(
        kind,
        size,
        pdf ->
            studio.run(
                () -> printer.get().print(pdf, studio.passage().settings().title()),
                () -> true,
                done -> {
                  if (done) {
                    studio.tell("Sent to the printer");
                  } else {
                    studio.report(
                        new Problem(
                            "",
                            "No printer is set up on this computer.",
                            "Save a PDF and print it elsewhere."));
                  }
                }));
  }

  /** Keeps a photo or scan of the page beside the open passage. */
  public void keepPicture(String name, byte[] bytes, Consumer<byte[]> then) {
    long id = studio.passage().id();
    studio.run(
        () -> {
          byte[] shown = printer.get().picture(name, bytes, 0);
          library.keepPicture(id, new Library.Picture(name, bytes));
          return shown;
        },
        () -> true,
        then);
  }

  /** A page of the kept photo or scan as a PNG picture, handed on when there is one. */
  public void picture(int page, Consumer<byte[]> then) {
    if (studio.passage() == null) {
      return;
    }
    long id = studio.passage().id();
    studio.run(
        () -> {
          Optional<Library.Picture> kept = library.picture(id);
          return kept.isEmpty()
              ? new byte[0]
              : printer.get().picture(kept.get().name(), kept.get().bytes(), page);
        },
        () -> studio.passage().id() == id,
        then);
  }
}
