package fret.session;

import fret.base.Said;
import fret.drill.Chunk;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.engraving.Axis;
import fret.engraving.FingerText;
import fret.engraving.GlyphMetrics;
import fret.engraving.LaneDrawing;
import fret.engraving.Page;
import fret.engraving.PageMaker;
import fret.engraving.Primitive;
import fret.fingering.Fingering;
import fret.lane.Lane;
import fret.lane.LaneInput;
import fret.passage.TempoPlan;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Slice;
import fret.score.SoundingNote;
import fret.tempo.Ladder;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.apache.commons.numbers.fraction.Fraction;

/** Lays the part, and a sheet to practise from, out on pages. */
public final class Sheets {
  /** Staff space up to which a bar has room in half a page. */
  private static final double IN_COLUMNS_MM = 1.25;

  private static final double SPACE_MM = 1.75;
  private static final double LANE_SPACES = 10;
  private static final double TITLE_MM = 6;
  private static final double TEXT_MM = 3.4;

  /** The whole book is looked up, not played from at a distance: two columns. */
  private static final double BOOK_SPACE_MM = 1.25;

  private static final double BOOK_TEXT_MM = 2.6;
  private static final double[] CHUNK_SPACES_MM = {1.5, 1.3, 1.15, 1};

  /** Smaller than this nobody reads on a stand. */
  private static final double LEAST_TEXT_MM = 2.4;

  private static final int MOST_BOW_DRILLS = 2;
  private static final List<DrillKind> ON_SHEET =
      List.of(DrillKind.STRAIGHT, DrillKind.ADD_A_NOTE, DrillKind.RHYTHMS);

  private final GlyphMetrics metrics;
  private final Page.Paper paper;

  public Sheets(GlyphMetrics metrics, Page.Paper paper) {
    this.metrics = metrics;
    this.paper = paper;
  }

  /**
   * The part with its fingering, a mark over each event during which the hand moves, the chunks as
   * brackets, and some lanes under each line.
   */
  public List<Page> part(
      Session session, List<FingerText> fingers, List<Chunk> chunks, List<Lane> lanes) {
    PageMaker maker = new PageMaker(metrics, paper, SPACE_MM);
    heading(maker, session);
    maker.music(
        session.resolved(),
        fingers,
        shiftMarks(session.fingering()),
        brackets(session.resolved(), chunks),
        axis -> drawn(session, lanes, axis));
    return maker.pages();
  }

  private List<LaneDrawing> drawn(Session session, List<Lane> lanes, Axis axis) {
    LaneInput input = session.laneInput();
    return lanes.stream()
        .filter(l -> l.suits(input))
        .map(l -> l.draw(input, axis, metrics, LANE_SPACES))
        .toList();
  }

  private static void heading(PageMaker maker, Session session) {
    fret.passage.Passage.Settings s = session.passage().settings();
    maker.text(s.title(), TITLE_MM, Primitive.Text.Style.BOLD);
    String composer = session.score().composer();
    maker.text(
        s.setup().instrument().displayName()
            + ", "
            + tempos(session)
            + (composer.isEmpty() ? "" : ".  " + composer),
        TEXT_MM,
        Primitive.Text.Style.REGULAR);
    maker.gap(5);
  }

  /** The tempo of each steady section, the later ones with their bars. */
  private static String tempos(Session session) {
    return session.tempos().stream()
        .filter(TempoPlan.Section::isSteady)
        .map(
            t -> {
              Tempo tempo = t.start();
              String told = tempo.beat().displayName() + " = " + Math.round(tempo.perMinute());
              boolean first = t.bar().index() == session.score().bars().get(0).index();
              return first ? told : told + " from " + t.bar().number();
            })
        .collect(Collectors.joining(", "));
  }

  /** Moments during which the hand moves, with whether it moves up the string. */
  public static Map<Integer, Boolean> shiftMarks(Fingering fingering) {
    Map<Integer, Boolean> marks = new HashMap<>();
    fingering.shifts().stream()
        .filter(s -> !s.creep())
        .forEach(s -> marks.put(s.moveSlice(), s.toBase() > s.fromBase()));
    return marks;
  }

  /** Each up to where the next one begins, though it is played into its first note. */
  private static List<PageMaker.Bracket> brackets(ResolvedPassage passage, List<Chunk> chunks) {
    List<PageMaker.Bracket> brackets = new ArrayList<>();
    List<Chunk> whole = chunks.stream().filter(c -> !c.isSpot() && !c.isJoin()).toList();
    for (Chunk c : whole) {
      Fraction end =
          whole.stream()
              .map(Chunk::fromOnset)
              .filter(o -> o.compareTo(c.fromOnset()) > 0 && o.compareTo(c.toOnset()) < 0)
              .max(Fraction::compareTo)
              .orElse(c.toOnset());
      int[] slices =
          passage.slices().stream()
              .filter(s -> s.onset().compareTo(c.fromOnset()) >= 0)
              .filter(s -> s.onset().compareTo(end) < 0)
              .mapToInt(Slice::index)
              .toArray();
      if (slices.length > 0) {
        brackets.add(new PageMaker.Bracket(slices[0], slices[slices.length - 1], c.label()));
      }
    }
    return brackets;
  }

  /**
   * Each chunk with its ladder to tick off and its drills as notation, in two columns.
   *
   * @param tell makes text of a sentence's id and arguments
   */
  public List<Page> practice(
      Session session,
      List<Chunk> chunks,
      Function<Chunk, Ladder> ladder,
      Function<Said, String> tell) {
    PageMaker maker = new PageMaker(metrics, paper, BOOK_SPACE_MM, 2).dense();
    heading(maker, session);
    maker.text(tell.apply(Said.of("sheet.care")), BOOK_TEXT_MM, Primitive.Text.Style.ITALIC);
    DrillBook book = new DrillBook(session);
    for (Chunk chunk : chunks) {
      if (chunk.isJoin()) {
        continue;
      }
      maker.gap(3);
      String name =
          chunk.isSpot() ? tell.apply(Said.of("sheet.spot", chunk.label())) : chunk.label();
      maker.text(
          name + ": " + tell.apply(chunk.why()), BOOK_TEXT_MM * 1.15, Primitive.Text.Style.BOLD);
      maker.text(boxes(ladder.apply(chunk)), BOOK_TEXT_MM, Primitive.Text.Style.REGULAR);
      if (chunk.isSpot()) {
        book.of(chunk, DrillKind.SHIFT).ifPresent(d -> drill(maker, d, BOOK_TEXT_MM, tell));
      }
      if (!chunk.isSpot()) {
        book.of(chunk, DrillKind.CHORD_BUILD)
            .or(() -> book.of(chunk, DrillKind.CHECKS))
            .ifPresent(d -> drill(maker, d, BOOK_TEXT_MM, tell));
      }
      bowDrills(maker, session, chunk, tell);
      for (DrillKind kind : ON_SHEET) {
        book.of(chunk, kind).ifPresent(d -> drill(maker, d, BOOK_TEXT_MM, tell));
      }
    }
    return maker.pages();
  }

  /**
   * One chunk on half a page: its notes and the drills that come next, with its ladder to tick off.
   *
   * @param drills in their order
   */
  public List<Page> chunk(
      Session session,
      Chunk chunk,
      Ladder ladder,
      List<Drill> drills,
      Function<Said, String> tell) {
    PageMaker maker = null;
    double half = (paper.heightMm() - 30) / 2;
    for (double space : CHUNK_SPACES_MM) {
      maker = new PageMaker(metrics, paper, space).dense();
      double text = Math.max(LEAST_TEXT_MM, TEXT_MM * space / SPACE_MM);
      String title = session.passage().settings().title();
      maker.text(title + ", " + chunk.label(), text * 1.3, Primitive.Text.Style.BOLD);
      maker.text(boxes(ladder), text, Primitive.Text.Style.REGULAR);
      for (Drill d : drills) {
        maker.gap(2 * space / SPACE_MM);
        drill(maker, d, text, tell);
      }
      if (maker.heightMm() <= half) {
        break;
      }
    }
    return maker.pages();
  }

  private static String boxes(Ladder ladder) {
    return ladder.levels().stream().map(l -> l.text() + " [  ]").collect(Collectors.joining("   "));
  }

  /**
   * Something to do today.
   *
   * @param what its passage and name
   * @param how its stages with their tempos, and minutes
   * @param notation empty for what has none
   * @param minor whether it is left out first where the page is full
   */
  public record Task(String what, String how, Optional<Score> notation, boolean minor) {}

  /**
   * A day's work on one page where its staves can be made small enough, each with a box to tick.
   */
  public List<Page> today(String title, List<Task> tasks) {
    List<Page> pages = List.of();
    for (boolean less : new boolean[] {false, true}) {
      List<Task> shown = less ? tasks.stream().map(Sheets::less).toList() : tasks;
      for (double space : new double[] {SPACE_MM, 1.5, 1.25, 1.05, 0.9, 0.75}) {
        for (int columns = 1; columns <= (space > IN_COLUMNS_MM ? 1 : 2); columns++) {
          pages = today(title, shown, space, columns);
          if (pages.size() == 1) {
            return pages;
          }
        }
      }
    }
    return pages;
  }

  private static Task less(Task t) {
    return t.minor() ? new Task(t.what(), t.how(), Optional.empty(), true) : t;
  }

  private List<Page> today(String title, List<Task> tasks, double space, int columns) {
    PageMaker maker = new PageMaker(metrics, paper, space, columns);
    double text = Math.max(LEAST_TEXT_MM, TEXT_MM * space / SPACE_MM);
    maker.text(title, TITLE_MM, Primitive.Text.Style.BOLD);
    for (Task t : tasks) {
      maker.gap(2 * space / SPACE_MM);
      maker.text("[   ]  " + t.what(), text, Primitive.Text.Style.BOLD);
      maker.text(t.how(), text, Primitive.Text.Style.REGULAR);
      t.notation()
          .map(Resolver::resolve)
          .ifPresent(notes -> maker.music(notes, printed(notes), Map.of(), List.of()));
    }
    return maker.pages();
  }

  /** A drill's name, what it is for, its notes. */
  private static void drill(
      PageMaker maker, Drill drill, double textMm, Function<Said, String> tell) {
    String id = "drill." + drill.kind().id();
    maker.text(
        tell.apply(Said.of(id)) + ". " + tell.apply(Said.of(id + ".purpose")),
        textMm,
        Primitive.Text.Style.ITALIC);
    ResolvedPassage notes = Resolver.resolve(drill.whole());
    maker.music(notes, printed(notes), Map.of(), List.of());
  }

  /** What the bow has to learn in a chunk. */
  private static void bowDrills(
      PageMaker maker, Session session, Chunk chunk, Function<Said, String> tell) {
    List<BowSpots.Spot> spots = BowSpots.of(session, chunk);
    for (BowSpots.Spot spot : spots.subList(0, Math.min(MOST_BOW_DRILLS, spots.size()))) {
      String name = tell.apply(Said.of("bow.drill." + spot.kind()));
      String how = tell.apply(Said.of("bow.drill." + spot.kind() + ".how"));
      ResolvedPassage drill = Resolver.resolve(spot.notation());
      maker.text(name + ". " + how, BOOK_TEXT_MM, Primitive.Text.Style.ITALIC);
      maker.music(drill, printed(drill), Map.of(), List.of());
    }
  }

  /** The digits that a drill carries on its notes. */
  private static List<FingerText> printed(ResolvedPassage drill) {
    List<FingerText> texts = new ArrayList<>();
    for (int i = 0; i < drill.notes().size(); i++) {
      SoundingNote note = drill.notes().get(i);
      if (!note.printedFinger().isEmpty()) {
        texts.add(new FingerText(i, note.printedFinger(), "", false));
      }
    }
    return texts;
  }
}
