package fret.app.viewmodel;

import fret.app.words.Days;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.app.work.Computing.Rank;
import fret.base.UnusableInput;
import fret.drill.Chunk;
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
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;

/** Today's work on paper, across all passages, with the notes of each thing. */
public final class TodaySheet {
  private final Studio studio;
  private final Library library;
  private final Supplier<Printer> printer;

  TodaySheet(Studio studio, Library library, Supplier<Printer> printer) {
    this.studio = studio;
    this.library = library;
    this.printer = printer;
  }

  /**
   * Makes a PDF, handed on when it is made; nothing where today asks for nothing.
   *
   * @param label names an item as the player knows it
   */
  public void make(Function<Item, String> label, Page.Paper paper, Consumer<byte[]> then) {
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
    Map<Item, String> names = new HashMap<>();
    day.get()
        .items()
        .forEach(i -> names.put(i, studio.title(i.passageId()) + ", " + label.apply(i)));
    studio.run(
        "today",
        Rank.BESIDE,
        token -> printer.get().todayPdf(title, tasks(p, day.get(), names, token), paper),
        then);
  }

  /** Everything once, in the order in which it comes first, with all that is done with it. */
  private List<Sheets.Task> tasks(
      Planning p, PracticePlan.Day day, Map<Item, String> names, Token token) throws UnusableInput {
    Map<String, List<Item>> things = new LinkedHashMap<>();
    for (Item item : day.items()) {
      if (item.kind() != Kind.BREAK) {
        things
            .computeIfAbsent(item.passageId() + "/" + item.unit(), k -> new ArrayList<>())
            .add(item);
      }
    }
    Map<Long, Session> sessions = new HashMap<>();
    List<Sheets.Task> tasks = new ArrayList<>();
    for (List<Item> same : things.values()) {
      Item item =
          same.stream()
              .filter(i -> i.drill() == DrillKind.STRAIGHT)
              .findFirst()
              .orElse(same.get(0));
      tasks.add(
          new Sheets.Task(
              names.get(item), how(p, same), notation(p, item, sessions, token), isMinor(p, item)));
    }
    return tasks;
  }

  private static Optional<Score> none() {
    return Optional.empty();
  }

  /** Joins, spots and layers are in the notes of their bars. */
  private static boolean isMinor(Planning p, Item item) {
    return p.of(item)
        .flatMap(e -> e.learning().chunk(item.unit()))
        .map(c -> c.kind() != Chunk.Kind.BARS)
        .orElse(true);
  }

  /** Each drill with its levels, and the minutes of all. */
  private static String how(Planning p, List<Item> same) {
    Map<String, Set<String>> levels = new LinkedHashMap<>();
    for (Item i : same) {
      String drill = Sentences.of("drill." + i.drill().id()).toLowerCase(Locale.ROOT);
      levels
          .computeIfAbsent(drill, d -> new LinkedHashSet<>())
          .add(
              p.of(i)
                  .map(e -> Words.level(e.ladder(i.unit()), i.level()))
                  .orElse(i.level().text()));
    }
    String drills =
        levels.entrySet().stream()
            .map(e -> Sentences.of("today.drill", e.getKey(), String.join(", ", e.getValue())))
            .collect(Collectors.joining("; "));
    double minutes = same.stream().mapToDouble(Item::minutes).sum();
    return Sentences.of("today.how", drills, minutes(minutes));
  }

  private static String minutes(double minutes) {
    return Sentences.of("practise.minutes", Words.one(minutes));
  }

  /** A run-through has its own part on paper: it is only named. */
  private Optional<Score> notation(Planning p, Item item, Map<Long, Session> sessions, Token token)
      throws UnusableInput {
    Optional<Planning.Entry> e = p.of(item);
    boolean shown =
        e.isPresent()
            && (item.kind() == Kind.CHUNK || item.kind() == Kind.JOIN)
            && Asked.frames(e.get(), item).isEmpty();
    if (!shown) {
      return none();
    }
    if (!sessions.containsKey(item.passageId())) {
      Library.Stored stored = library.load(item.passageId()).orElseThrow();
      sessions.put(
          item.passageId(),
          Session.of(stored.passage(), studio.open().page(stored).value(), token));
    }
    List<Score> parts = Asked.drill(sessions.get(item.passageId()), e.get(), item).parts();
    // What grows note by note is all there in its last part.
    return Optional.of(
        item.drill() == DrillKind.ADD_A_NOTE ? parts.get(parts.size() - 1) : parts.get(0));
  }
}
