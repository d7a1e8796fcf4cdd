package fret.app.viewmodel;

import fret.app.words.Days;
import fret.app.words.PlanPages;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.app.work.Computing.Rank;
import fret.base.UnusableInput;
import fret.drill.DrillKind;
import fret.engraving.Page;
import fret.plan.PracticePlan;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import fret.score.Score;
import fret.search.Token;
import fret.session.Printer;
import fret.session.Session;
import fret.session.Sheets;
import fret.shelf.Asked;
import fret.shelf.Library;
import fret.shelf.Planning;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;

/** Today's work on paper, across all passages: a row a visit, on one page. */
public final class TodaySheet {
  private final Studio studio;
  private final Library library;
  private final Supplier<Printer> printer;

  TodaySheet(Studio studio, Library library, Supplier<Printer> printer) {
    this.studio = studio;
    this.library = library;
    this.printer = printer;
  }

  /** Makes a PDF, handed on when it is made; nothing where today asks for nothing. */
  public void make(Page.Paper paper, Consumer<byte[]> then) {
    Planning p = studio.plans().plannedProperty().get();
    Optional<PracticePlan.Day> day = p == null ? Optional.empty() : p.plan().on(studio.today());
    if (day.isEmpty() || day.get().items().isEmpty()) {
      studio.tell(Sentences.of("shelf.nothing-is"));
      return;
    }
    String title =
        Sentences.of(
            "today.title",
            Days.of(studio.today(), studio.today()),
            Math.round(day.get().minutes()));
    PlanPages pages = new PlanPages(p, studio::title);
    studio.run(
        "today",
        Rank.BESIDE,
        token -> printer.get().todayPdf(title, tasks(p, day.get(), pages, token), paper),
        then);
  }

  /** A row a visit, in playing order, with its stages to tick off and a bar of its notes. */
  private List<Sheets.Task> tasks(Planning p, PracticePlan.Day day, PlanPages pages, Token token)
      throws UnusableInput {
    Map<Long, Session> sessions = new HashMap<>();
    List<Sheets.Task> tasks = new ArrayList<>();
    for (List<Item> visit : day.visits()) {
      Item first = visit.get(0);
      if (first.kind() != Kind.BREAK) {
        Item shown = visit.stream().filter(TodaySheet::isOfBars).findFirst().orElse(first);
        tasks.add(
            new Sheets.Task(
                Sentences.of("today.visit", studio.title(first.passageId()), pages.visit(visit)),
                how(pages, visit),
                bar(p, shown, sessions, token),
                false));
      }
    }
    return tasks;
  }

  private static boolean isOfBars(Item i) {
    return i.kind() == Kind.CHUNK && i.drill() == DrillKind.STRAIGHT;
  }

  /** Each stage with a box, and the minutes of all. */
  private String how(PlanPages pages, List<Item> visit) {
    double minutes = visit.stream().mapToDouble(Item::minutes).sum();
    boolean one = visit.stream().map(Item::unit).distinct().count() == 1;
    List<String> stages = new ArrayList<>();
    for (Item i : visit) {
      boolean worked = i.kind() == Kind.CHUNK || i.kind() == Kind.JOIN;
      if (worked) {
        String drill = Sentences.of("drill." + i.drill().id()).toLowerCase(Locale.ROOT);
        String at = Sentences.of("today.drill", drill, pages.level(i));
        stages.add(
            one
                ? Sentences.of("today.stage", at)
                : Sentences.of("today.stage-of", pages.item(i), at));
      } else if (visit.size() > 1) {
        stages.add(Sentences.of("today.stage", studio.title(i.passageId()) + ", " + pages.item(i)));
      }
    }
    String time = Sentences.of("practise.minutes", Words.one(minutes));
    return stages.isEmpty() ? time : Sentences.of("today.how", String.join("  ", stages), time);
  }

  /** The first bar of what is worked on; a run-through has its own part on paper. */
  private Optional<Score> bar(Planning p, Item item, Map<Long, Session> sessions, Token token)
      throws UnusableInput {
    Optional<Planning.Entry> e = p.of(item);
    boolean shown =
        e.isPresent()
            && (item.kind() == Kind.CHUNK || item.kind() == Kind.JOIN)
            && Asked.frames(e.get(), item).isEmpty();
    if (!shown) {
      return Optional.empty();
    }
    if (!sessions.containsKey(item.passageId())) {
      Library.Stored stored = library.load(item.passageId()).orElseThrow();
      sessions.put(
          item.passageId(),
          Session.of(stored.passage(), studio.open().page(stored).value(), token));
    }
    Score notes = Asked.drill(sessions.get(item.passageId()), e.get(), item).parts().get(0);
    return Optional.of(notes.withBars(notes.bars().subList(0, 1)));
  }
}
