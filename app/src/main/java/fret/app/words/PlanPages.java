package fret.app.words;

import fret.plan.Part;
import fret.plan.PracticePlan;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import fret.session.Printer.CalendarDay;
import fret.shelf.Planning;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongFunction;
import java.util.stream.Collectors;

/** A plan in words: the names of its items and visits, its days for a calendar and as a table. */
public final class PlanPages {
  private final Optional<Planning> plan;
  private final LongFunction<String> title;

  /**
   * @param plan null while there is none
   * @param title of a passage
   */
  public PlanPages(Planning plan, LongFunction<String> title) {
    this.plan = Optional.ofNullable(plan);
    this.title = title;
  }

  /** Name of an item as the player knows it. */
  public String item(Item item) {
    boolean page = item.unit().isEmpty() || item.unit().equals(PracticePlan.WHOLE);
    String name =
        page
            ? ""
            : plan.flatMap(p -> p.of(item.passageId()))
                .map(e -> Words.unit(e.learning(), item.unit()))
                .orElse("");
    return name.isEmpty() ? Sentences.of("plan.kind." + item.kind()) : name;
  }

  /** Name of a visit: from bar to bar, or what it is. */
  public String visit(List<Item> visit) {
    Item first = visit.get(0);
    if (visit.size() == 1 || plan.isEmpty()) {
      return item(first);
    }
    if (visit.stream().allMatch(Item::isOfRound)) {
      boolean read = Part.of(first.unit()).isReading();
      return read
          ? Sentences.of("drill.first-reading")
          : Sentences.of("practise.round-of", visit.size());
    }
    return plan.get()
        .of(first)
        .map(e -> Words.visit(e.learning(), visit.stream().map(Item::unit).toList()))
        .orElse(item(first));
  }

  /** The level of an item, in the value that its ladder counts. */
  public String level(Item i) {
    return plan.flatMap(p -> p.of(i))
        .map(e -> Words.level(e.ladder(i.unit()), i.level()))
        .orElse(i.level().text());
  }

  /** The drills of a visit, each with the tempos at which it comes. */
  public String drills(List<Item> visit) {
    Map<String, Set<String>> levels = new LinkedHashMap<>();
    for (Item i : visit) {
      String drill = Sentences.of("drill." + i.drill().id()).toLowerCase(Locale.ROOT);
      levels.computeIfAbsent(drill, d -> new LinkedHashSet<>()).add(level(i));
    }
    return levels.entrySet().stream()
        .map(e -> Sentences.of("today.drill", e.getKey(), String.join(", ", e.getValue())))
        .collect(Collectors.joining("; "));
  }

  /** The days that have something, an entry a day with a line a visit. */
  public List<CalendarDay> days() {
    List<CalendarDay> days = new ArrayList<>();
    for (PracticePlan.Day d : all()) {
      if (!d.items().isEmpty()) {
        String text = d.visits().stream().map(this::line).collect(Collectors.joining("\n"));
        days.add(
            new CalendarDay(d.date(), Sentences.of("calendar.day", Math.round(d.minutes())), text));
      }
    }
    return days;
  }

  private String line(List<Item> visit) {
    Item first = visit.get(0);
    String minutes = Words.one(visit.stream().mapToDouble(Item::minutes).sum());
    if (first.kind() == Kind.BREAK) {
      return Sentences.of("calendar.break", minutes);
    }
    boolean worked = first.kind() == Kind.CHUNK || first.kind() == Kind.JOIN;
    String what =
        worked ? Sentences.of("calendar.drills", visit(visit), drills(visit)) : visit(visit);
    String passages =
        visit.stream()
            .map(Item::passageId)
            .distinct()
            .map(title::apply)
            .collect(Collectors.joining(", "));
    return Sentences.of("calendar.item", passages, what, minutes);
  }

  /** The plan as a table, a row an item. */
  public List<List<String>> rows() {
    List<List<String>> rows = new ArrayList<>();
    rows.add(
        List.of(
            "date", "visit", "passage", "kind", "what", "drill", "bpm", "plays", "minutes", "why"));
    for (PracticePlan.Day d : all()) {
      for (Item i : d.items()) {
        rows.add(
            List.of(
                d.date().toString(),
                i.visit() == 0 ? "" : String.valueOf(i.visit()),
                title.apply(i.passageId()),
                i.kind().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                item(i),
                i.drill().id(),
                i.level().text(),
                String.valueOf(i.plays()),
                String.valueOf(i.minutes()),
                Sentences.of(i.why())));
      }
    }
    return rows;
  }

  private List<PracticePlan.Day> all() {
    return plan.map(p -> p.plan().days()).orElse(List.of());
  }
}
