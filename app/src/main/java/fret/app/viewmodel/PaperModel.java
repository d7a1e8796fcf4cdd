package fret.app.viewmodel;

import fret.app.words.PlanPages;
import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.app.work.SafeFile;
import fret.base.Problem;
import fret.base.Said;
import fret.drill.Chunk;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.engraving.Page;
import fret.instrument.InstrumentType;
import fret.lane.Lane;
import fret.lane.Lanes;
import fret.mark.Place;
import fret.passage.HeadingLayer;
import fret.passage.Passage;
import fret.passage.Setup;
import fret.pitch.KeySignature;
import fret.plan.PracticePlan;
import fret.plan.PracticePlan.Item;
import fret.score.TimeSignature;
import fret.session.Digits;
import fret.session.MarkedFileWriter;
import fret.session.Printer;
import fret.session.Session;
import fret.shelf.Asked;
import fret.shelf.Library;
import fret.shelf.Planning;
import fret.tempo.Ladder;
import fret.writing.Draft;
import fret.writing.Writing;
import java.io.IOException;
import java.nio.file.Path;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;

/** Files and paper made of the open passage, and the picture of its page. */
public final class PaperModel {
  private final Studio studio;
  private final Library library;
  private final MarkedFileWriter writer;
  private final Supplier<Printer> printer;
  private boolean withLanes;
  private MarkedFileWriter.Proposed proposed = MarkedFileWriter.Proposed.LEFT_OUT;

  PaperModel(Studio studio, Library library, MarkedFileWriter writer, Supplier<Printer> printer) {
    this.studio = studio;
    this.library = library;
    this.writer = writer;
    this.printer = printer;
  }

  /** The passage's file with what was decided written into it, handed on when it is made. */
  public void export(Consumer<byte[]> then) {
    Session now = studio.shown();
    if (now != null) {
      long id = now.passage().id();
      boolean mended = now.passage().marks().at(HeadingLayer.HEADING, Place.WHOLE).isPresent();
      studio.run(
          "export",
          Rank.BESIDE,
          token ->
              mended
                  ? writer.writePage(now, proposed)
                  : writer.write(now, library.source(id, now.passage().source().id()), proposed),
          then);
    }
  }

  /** How much a saved file shows, in grey, of what is only proposed of the fingering. */
  public void setWithProposed(MarkedFileWriter.Proposed wanted) {
    proposed = wanted;
  }

  /** The folder that the open passage's file came from; empty where it is not known. */
  public Optional<Path> folder() {
    return Optional.ofNullable(studio.session())
        .flatMap(s -> studio.preferences().folderOf(s.passage().sourceName()));
  }

  /** A name beside the original: that of its file, else its title. */
  public String nameBeside() {
    Passage p = studio.session().passage();
    String name = p.sourceName().isEmpty() ? p.settings().title() : p.sourceName();
    return name.replaceAll("\\.[^.]{1,9}$", "").replaceAll("[/\\\\:*?\"<>|]", " ");
  }

  /** Whether the part is printed with its lanes. */
  public void setWithLanes(boolean wanted) {
    withLanes = wanted;
  }

  private static final int NEXT_DRILLS = 3;

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
    Session now = studio.shown();
    Optional<Planning.Entry> plan = studio.plans().ofOpen();
    if (now == null || plan.isEmpty()) {
      return;
    }
    List<Lane> lanes = withLanes ? Lanes.ALL : List.of();
    Planning planned = studio.plans().plannedProperty().get();
    studio.run(
        "paper",
        Rank.BESIDE,
        token -> {
          Printer p = printer.get();
          return switch (kind) {
            case PART_PDF -> p.partPdf(now, Digits.of(now), plan.get().chunks(), lanes, size);
            case PRACTICE_PDF ->
                p.practicePdf(
                    now,
                    plan.get().chunks(),
                    c -> ladder(planned, now.passage().id(), c),
                    size,
                    Sentences::of);
            case SVG -> p.svg(now, Digits.of(now));
            case PNG -> p.png(now, Digits.of(now));
            case MIDI -> p.midi(now);
          };
        },
        then);
  }

  private static Ladder ladder(Planning plan, long passage, Chunk c) {
    List<Planning.Entry> all = plan.all(passage);
    return all.stream()
        .filter(e -> e.has(c.id()))
        .findFirst()
        .map(e -> e.ladder(c.id()))
        .orElse(all.get(0).ladder());
  }

  /** A chunk of the open passage with the next drills that the plan has for it. */
  public void chunk(Chunk chunk, Page.Paper size, Consumer<byte[]> then) {
    Session now = studio.shown();
    Planning plan = studio.plans().plannedProperty().get();
    if (now == null || plan == null) {
      return;
    }
    List<Planning.Entry> own = plan.all(now.passage().id());
    Optional<Planning.Entry> entry = own.stream().filter(e -> e.has(chunk.id())).findFirst();
    if (entry.isEmpty()) {
      return;
    }
    List<DrillKind> kinds = next(plan, entry.get(), chunk);
    studio.run(
        "paper",
        Rank.BESIDE,
        token -> {
          List<Drill> drills =
              kinds.stream().map(k -> Asked.drill(now, Optional.of(chunk), k)).toList();
          return printer
              .get()
              .chunkPdf(now, chunk, entry.get().ladder(chunk.id()), drills, size, Sentences::of);
        },
        then);
  }

  /** Its notes as written, and the first three other drills that its days have. */
  private static List<DrillKind> next(Planning plan, Planning.Entry e, Chunk chunk) {
    Set<DrillKind> kinds = new LinkedHashSet<>(List.of(DrillKind.STRAIGHT));
    for (PracticePlan.Day d : plan.plan().days()) {
      for (Item i : d.items()) {
        boolean mine =
            i.passageId() == e.passageId()
                && e.learning()
                    .learned(i.unit())
                    .filter(l -> l.ids().contains(chunk.id()))
                    .isPresent();
        if (mine && i.drill() != DrillKind.FIRST_READING && kinds.size() <= NEXT_DRILLS) {
          kinds.add(i.drill());
        }
      }
    }
    return List.copyOf(kinds);
  }

  /** The plan for a calendar or as a table, handed on when it is made. */
  public void planFile(boolean calendar, Consumer<byte[]> then) {
    Planning plan = studio.plans().plannedProperty().get();
    if (plan == null) {
      return;
    }
    PlanPages pages = new PlanPages(plan, studio::title);
    String library = studio.preferences().libraryId();
    studio.run(
        "planFile",
        Rank.BESIDE,
        token ->
            calendar
                ? printer.get().calendar(pages.days(), library)
                : printer.get().csv(pages.rows()),
        then);
  }

  /** Rows as a table, handed on when it is made. */
  public void csv(List<List<String>> rows, Consumer<byte[]> then) {
    studio.run("csv", Rank.BESIDE, token -> printer.get().csv(rows), then);
  }

  /** Rows as a JSON list, handed on when it is made. */
  public void json(List<List<String>> rows, Consumer<byte[]> then) {
    studio.run("json", Rank.BESIDE, token -> printer.get().json(rows), then);
  }

  /** A table of a file, handed on when it is read. */
  public void table(String name, byte[] bytes, Consumer<List<List<String>>> then) {
    studio.run("table", Rank.BESIDE, token -> printer.get().table(name, bytes), then);
  }

  /** Prints the part or the practice sheet on the usual printer. */
  public void print(Kind kind, Page.Paper size) {
    String title = studio.session().passage().settings().title();
    make(
        kind,
        size,
        pdf ->
            studio.run(
                "print",
                Rank.BESIDE,
                token -> printer.get().print(pdf, title),
                done -> {
                  if (done) {
                    studio.tell(Sentences.of("paper.sent-to"));
                  } else {
                    studio.report(Problem.of(Said.of("paper.no-printer"), Said.of("paper.save-a")));
                  }
                }));
  }

  /** Writes a file, and says so or why not; what was there stays until the new one is whole. */
  public void write(Path file, byte[] bytes) {
    studio.run(
        "write " + file,
        Rank.BESIDE,
        token -> {
          try {
            SafeFile.write(file, bytes);
            return true;
          } catch (IOException e) {
            System.getLogger("fret").log(System.Logger.Level.WARNING, "not written " + file, e);
            return false;
          }
        },
        written -> {
          String name = file.getFileName().toString();
          if (written) {
            studio.tell(Sentences.of("file.saved", name));
          } else {
            studio.report(
                new Problem(
                    Said.words(name), Said.of("file.not-written"), Said.of("file.not-written.do")));
          }
        });
  }

  /** Keeps a photo or scan of the page beside the open passage. */
  public void keepPicture(String name, byte[] bytes, Consumer<byte[]> then) {
    long id = studio.session().passage().id();
    studio.run(
        Sentences.of("paper.picture-kept"),
        Rank.BESIDE,
        token -> printer.get().picture(name, bytes, 0),
        picture ->
            studio.store(
                id,
                () -> {
                  library.keepPicture(id, new Library.Picture(name, bytes));
                  return picture;
                },
                then));
  }

  /** A passage without notes is made of a photo or scan of its page, and opened. */
  public void startFrom(String name, byte[] bytes, Runnable then) {
    String title = name.replaceAll("\\.[^.]*$", "");
    InstrumentType type =
        studio.shown() == null
            ? InstrumentType.VIOLIN
            : studio.shown().passage().settings().setup().instrument();
    studio.run(
        "picture of " + name,
        Rank.OPENING,
        token -> printer.get().picture(name, bytes, 0),
        seen -> {
          studio
              .open()
              .startPage(
                  Draft.emptyPage(
                      title, TimeSignature.COMMON_TIME, KeySignature.NONE, Writing.usualClef(type)),
                  Setup.usual(type),
                  id -> library.keepPicture(id, new Library.Picture(name, bytes)));
          then.run();
        });
  }

  /** A page of the kept photo or scan as a PNG picture, handed on when there is one. */
  public void picture(int page, Consumer<byte[]> then) {
    if (studio.session() == null) {
      return;
    }
    long id = studio.session().passage().id();
    studio.compute(
        "picture",
        Rank.BESIDE,
        token -> {
          Optional<Library.Picture> kept = library.picture(id);
          return kept.isEmpty()
              ? new byte[0]
              : printer.get().picture(kept.get().name(), kept.get().bytes(), page);
        },
        () -> true,
        then);
  }
}
