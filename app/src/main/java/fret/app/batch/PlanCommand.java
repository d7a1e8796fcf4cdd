package fret.app.batch;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import fret.app.words.Sentences;
import fret.base.Fractions;
import fret.base.Problem;
import fret.base.Said;
import fret.base.UnusableInput;
import fret.drill.Chunk;
import fret.drill.DrillKind;
import fret.drill.Learned;
import fret.journal.JournalEntry;
import fret.passage.Passage;
import fret.plan.Budget;
import fret.plan.Forecast;
import fret.plan.Goal;
import fret.plan.Move;
import fret.plan.PracticePlan;
import fret.plan.ReadyDate;
import fret.search.Token;
import fret.session.BowSpots;
import fret.session.Learning;
import fret.session.Session;
import fret.shelf.Audition;
import fret.shelf.Library;
import fret.shelf.PlanSettings;
import fret.shelf.Planning;
import fret.store.SqliteLibrary;
import fret.tempo.Ladder;
import fret.tempo.Level;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/**
 * {@code plan}: chunks, ladder and days up to an audition, over one part, several, or a library.
 */
@Command(
    name = "plan",
    description = "Plan the practice of one part, several, or a whole library up to a date.",
    mixinStandardHelpOptions = true)
final class PlanCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private PartOptions options;

  @Parameters(index = "1..*", paramLabel = "FILE", description = "further parts")
  private List<Path> further = List.of();

  @Option(names = "--from", required = true, description = "first day, as 2026-01-31")
  private LocalDate from;

  @Option(names = "--audition", description = "day of the audition")
  private LocalDate audition;

  @Option(names = "--minutes", description = "minutes a day, 5 to 600, for all parts together")
  private int minutes;

  @Option(names = "--practised", description = "past tries, as JSON")
  private Path practised;

  @Option(names = "--library", description = "folder of a library to plan as a whole")
  private Path library;

  /** A passage with its name, its session and what there is to learn in it. */
  private record Part(String file, Session session, Learning learning) {}

  @Override
  public Integer call() throws UnusableInput {
    return library == null ? files() : ofLibrary();
  }

  // ---- parts in files ------------------------------------------------------------------------

  private int files() throws UnusableInput {
    check();
    List<Path> all = new ArrayList<>(List.of(options.file));
    all.addAll(further);
    List<Part> parts = new ArrayList<>();
    Map<Goal.Id, Audition> dates = new HashMap<>();
    Audition date = new Audition(1, "", audition, ReadyDate.of(from, audition));
    for (Path file : all) {
      long id = parts.size() + 1;
      options.file = file;
      Session s = options.session(options.score());
      Session named = s.withPassage(s.passage().withId(id));
      parts.add(
          new Part(file.toString(), named, Learning.of(named, Planning.Habits.USUAL.ladder(), 0)));
      dates.put(Goal.Id.of(id), date);
    }
    List<JournalEntry> journal =
        practised == null ? List.of() : Practised.read(practised, names(parts));
    print(parts, dates, Budget.of(minutes), journal, List.of(), Planning.Habits.USUAL);
    return 0;
  }

  private void check() {
    if (options.file == null) {
      throw options.usage("a FILE or --library is needed");
    }
    if (audition == null) {
      throw options.usage("--audition is needed");
    }
    check(options, from, audition, minutes);
  }

  /** Refuses dates and minutes that no plan can be made of. */
  static void check(PartOptions options, LocalDate from, LocalDate audition, int minutes) {
    if (minutes < 5 || minutes > Budget.MOST) {
      throw options.usage("--minutes " + minutes + " is outside 5 to 600");
    }
    if (audition.isBefore(from)) {
      throw options.usage("--audition " + audition + " is before --from " + from);
    }
  }

  private static Map<String, Long> names(List<Part> parts) {
    Map<String, Long> names = new LinkedHashMap<>();
    parts.forEach(p -> names.put(p.file(), p.session().passage().id()));
    return names;
  }

  // ---- a library -----------------------------------------------------------------------------

  private int ofLibrary() throws UnusableInput {
    Path file = library.resolve(SqliteLibrary.FILE_NAME);
    if (!Files.exists(file)) {
      throw new UnusableInput(
          library.toString(), Said.of("batch.no-library"), Said.of("batch.no-library.do"));
    }
    try (SqliteLibrary kept = SqliteLibrary.open(file)) {
      Map<String, String> settings = kept.settings();
      Planning.Habits habits = PlanSettings.habits(settings);
      List<Part> parts = new ArrayList<>();
      Map<Goal.Id, Audition> dates = new HashMap<>();
      Set<Long> away = PlanSettings.away(settings);
      for (Passage p : kept.passages()) {
        if (away.contains(p.id())) {
          continue; // It is not prepared now.
        }
        Library.Stored stored = kept.load(p.id()).orElseThrow();
        Session s = Session.of(stored.passage(), page(kept, stored));
        Learning learning = Learning.of(s, habits.ladder(), habits.ladderStart());
        parts.add(new Part(p.settings().title(), s, learning));
        dates.putAll(Planning.dates(learning, p.auditionId(), kept.auditions()));
      }
      Budget budget = minutes > 0 ? Budget.of(minutes) : PlanSettings.budget(settings);
      print(parts, dates, budget, kept.journal(), PlanSettings.moves(settings), habits);
    }
    return 0;
  }

  private static fret.score.Score page(Library kept, Library.Stored stored) throws UnusableInput {
    Passage p = stored.passage();
    return stored.page().isPresent()
        ? stored.page().get()
        : PartOptions.FILES
            .read(p.sourceName(), kept.source(p.id(), p.source().id()), p.partName())
            .value();
  }

  // ---- what is printed -----------------------------------------------------------------------

  private void print(
      List<Part> parts,
      Map<Goal.Id, Audition> dates,
      Budget budget,
      List<JournalEntry> journal,
      List<Move> moves,
      Planning.Habits habits) {
    Planning p =
        Planning.of(
            parts.stream().map(Part::learning).toList(),
            dates,
            budget,
            journal,
            moves,
            from,
            habits,
            Token.NEVER);
    if (options.json) {
      spec.commandLine().getOut().println(Json.text(json(parts, p)));
    } else {
      printText(parts, p);
    }
  }

  private ObjectNode json(List<Part> parts, Planning p) {
    ObjectNode root = Json.object();
    root.put(
        "readyDate",
        p.entries().values().stream()
            .map(e -> e.goal().ready())
            .max(LocalDate::compareTo)
            .orElse(from)
            .toString());
    root.put(
        "lastDay",
        p.plan().days().isEmpty()
            ? from.toString()
            : p.plan().days().get(p.plan().days().size() - 1).date().toString());
    List<Problem> problems = new ArrayList<>();
    boolean playable = true;
    Planning.Outlook outlook = p.outlook(Token.NEVER);
    Map<Goal.Id, Forecast> forecasts = outlook.forecasts();
    ArrayNode passages = root.putArray("passages");
    for (Part part : parts) {
      List<Planning.Entry> goals = p.all(part.session().passage().id());
      for (Planning.Entry e : goals) {
        ObjectNode node =
            passages.addObject().put("file", part.file()).put("passageId", e.passageId());
        if (!e.section().name().isEmpty()) {
          node.put("excerpt", e.section().name());
        }
        describe(node, e);
        SectionsJson.sections(node, part.session());
        Planning.Readiness r = e.readiness();
        ObjectNode ready = node.putObject("readiness");
        ready
            .put("chunksAtTarget", r.atTarget())
            .put("chunks", r.all())
            .put("slowestBpm", r.slowest());
        forecast(ready, Optional.ofNullable(forecasts.get(e.goal().id())));
      }
      if (parts.size() == 1) {
        describe(root, goals.get(0));
        SectionsJson.sections(root, part.session());
      }
      problems.addAll(part.session().problems());
      List<Problem> beyond = part.session().beyond();
      playable &= beyond.isEmpty();
      problems.addAll(beyond);
    }
    days(root.putArray("days"), parts, p);
    root.put("feasible", playable && p.plan().feasible());
    root.put("advice", advice(p, outlook));
    Json.problems(root, problems);
    return root;
  }

  /** Nulls while it is too early to tell, or where it is not before the audition. */
  private static void forecast(ObjectNode ready, Optional<Forecast> f) {
    ready.put("expectedDay", f.flatMap(Forecast::expected).map(LocalDate::toString).orElse(null));
    ready.put("earliest", f.flatMap(Forecast::earliest).map(LocalDate::toString).orElse(null));
    ready.put("latest", f.flatMap(Forecast::latest).map(LocalDate::toString).orElse(null));
  }

  private static String advice(Planning p, Planning.Outlook outlook) {
    return p.answer(outlook).stream().map(Sentences::of).collect(Collectors.joining(" "));
  }

  private static void describe(ObjectNode node, Planning.Entry e) {
    ArrayNode levels = node.putArray("levels");
    List<Level> all = e.ladder().isSlow() ? List.of(e.ladder().top()) : e.ladder().levels();
    all.forEach(l -> levels.add(l.perMinute()));
    node.put("counted", e.ladder().counted().displayName());
    ArrayNode chunks = node.putArray("chunks");
    for (Learned l : e.learning().learned()) {
      Chunk c = l.chunk();
      if (!e.has(c.id())) {
        continue;
      }
      ObjectNode chunk = chunks.addObject();
      levels(chunk, e, c);
      chunk
          .put("id", c.id())
          .put("kind", c.kind().name().toLowerCase(Locale.ROOT))
          .put("times", l.times())
          .put("fromBar", c.fromBar())
          .put("toBar", c.toBar())
          .put("fromOnset", Fractions.text(c.fromOnset()))
          .put("toOnset", Fractions.text(c.toOnset()))
          .put("notes", c.noteCount())
          .put("why", Sentences.of(c.why()));
    }
  }

  /** Its levels in its own counted value; of a join they are shares of both targets. */
  private static void levels(ObjectNode node, Planning.Entry e, Chunk c) {
    Ladder ladder = e.ladder(c.id());
    ArrayNode levels = node.putArray("levels");
    ArrayNode shares = c.isJoin() ? node.putArray("sharePercent") : null;
    for (Level l : ladder.isSlow() ? List.of(ladder.top()) : ladder.levels()) {
      levels.add(l.perMinute());
      if (shares != null) {
        shares.add(Json.round(100 * l.perMinute() / ladder.target(), 1));
      }
    }
    node.put("counted", ladder.counted().displayName());
  }

  private void days(ArrayNode days, List<Part> parts, Planning p) {
    Map<Long, String> files = new HashMap<>();
    parts.forEach(x -> files.put(x.session().passage().id(), x.file()));
    for (PracticePlan.Day day : p.plan().days()) {
      ObjectNode node =
          days.addObject()
              .put("date", day.date().toString())
              .put("minutes", day.minutes())
              .put("changeMinutes", day.changes())
              .put("budget", day.budget());
      day.shortBy().ifPresent(s -> node.put("shortBy", Sentences.of(s)));
      ArrayNode items = node.putArray("items");
      for (PracticePlan.Item i : day.items()) {
        ObjectNode item = items.addObject();
        if (files.containsKey(i.passageId())) {
          item.put("passage", files.get(i.passageId())).put("passageId", i.passageId());
        }
        item.put("chunk", i.unit())
            .put("kind", i.kind().name().toLowerCase(Locale.ROOT).replace('_', '-'))
            .put("drill", drill(parts, i))
            .put("bpm", i.level().perMinute())
            .put("counted", counted(p, i))
            .put("clicksPerMinute", i.level().clicks())
            .put("plays", i.plays())
            .put("minutes", i.minutes())
            .put("session", i.session())
            .put("why", Sentences.of(i.why()));
        if (i.visit() > 0) {
          item.put("visit", i.visit());
        }
      }
    }
  }

  private static String counted(Planning p, PracticePlan.Item i) {
    return p.of(i).map(e -> e.ladder(i.unit()).counted().displayName()).orElse("quarter");
  }

  /** A drill of the bow by its own name. */
  private static String drill(List<Part> parts, PracticePlan.Item i) {
    if (i.drill() != DrillKind.BOW) {
      return i.drill().id();
    }
    return parts.stream()
        .filter(p -> p.session().passage().id() == i.passageId())
        .flatMap(
            p ->
                p.learning().chunk(i.unit()).stream()
                    .flatMap(c -> BowSpots.of(p.session(), c).stream()))
        .findFirst()
        .map(s -> "bow-" + s.kind().name().toLowerCase(Locale.ROOT).replace('_', '-'))
        .orElse(i.drill().id());
  }

  private void printText(List<Part> parts, Planning p) {
    var out = spec.commandLine().getOut();
    out.println(advice(p, p.outlook(Token.NEVER)));
    for (Part part : parts) {
      for (Planning.Entry x : p.all(part.session().passage().id())) {
        String name = x.section().name();
        out.println(
            (name.isEmpty() ? part.file() : part.file() + ", " + name)
                + ": ready by "
                + x.goal().ready()
                + ", levels "
                + x.ladder().levels().stream().map(Level::text).collect(Collectors.joining(" ")));
      }
    }
    for (PracticePlan.Day day : p.plan().days()) {
      out.printf(Locale.ROOT, "%s  %.1f of %.0f min%n", day.date(), day.minutes(), day.budget());
      for (PracticePlan.Item i : day.items()) {
        out.printf(
            Locale.ROOT,
            "%3s %-14s %-14s %6s %3d plays %5.1f min%n",
            i.visit() == 0 ? "" : i.visit(),
            i.unit(),
            i.drill().id(),
            i.kind() == PracticePlan.Kind.BREAK ? "" : i.level().text(),
            i.plays(),
            i.minutes());
      }
    }
  }
}
