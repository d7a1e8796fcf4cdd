package fret.plan;

import fret.base.Said;
import fret.drill.DrillKind;
import fret.plan.Arrangement.Arranged;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** One day being filled: it takes in what it still holds, arranged as a session with its breaks. */
final class Filling {
  private static final double WARM_UP_SHARE = 0.2;
  private static final double WARM_UP_MOST = 10;
  private static final double SHORTEST_WARM_UP = 0.5;

  /** Of such a length visits are when the day is free (common practice, no source). */
  static final double USUAL_MIN = 5;

  private final LocalDate date;
  private final double budget;
  private final double visitMin;
  private final PlanRequest.Rules rules;
  private final Progress progress;
  private final List<Visit> visits = new ArrayList<>();
  private final List<Item> cold = new ArrayList<>();
  private final List<Item> read = new ArrayList<>();
  private final Set<Long> touched = new HashSet<>();

  /** Passages that had a short visit: they have no more today. */
  private final Set<Long> over = new HashSet<>();

  private Arranged arranged = Arranged.NOTHING;
  private double owed;

  /**
   * @param budget minutes
   * @param visitMin minutes of a visit where the day is free
   */
  Filling(
      LocalDate date, double budget, double visitMin, PlanRequest.Rules rules, Progress progress) {
    this.visitMin = visitMin;
    this.date = date;
    this.budget = budget;
    this.rules = rules;
    this.progress = progress;
  }

  LocalDate date() {
    return date;
  }

  double budget() {
    return budget;
  }

  List<Item> arranged() {
    return arranged.items();
  }

  double changes() {
    return arranged.changes();
  }

  double minutes() {
    return arranged.minutes();
  }

  /** Minutes of a warm-up on this day. */
  double warmUpMinutes() {
    double minutes = Math.floor(Math.min(WARM_UP_MOST, budget * WARM_UP_SHARE) * 100) / 100;
    return !rules.warmUp() || minutes < SHORTEST_WARM_UP ? 0 : minutes;
  }

  // ---- what a day may have -------------------------------------------------------------------

  /** Most visits of a day of some minutes, rounds apart. */
  static int mostVisits(double minutes) {
    return (int) Math.ceil(3 + minutes / 7 - Visit.EPS);
  }

  /** Most passages of a day of some minutes, rounds apart. */
  static int mostPassages(double minutes) {
    return (int) Math.max(4, Math.ceil(minutes / 12 - Visit.EPS));
  }

  int visitsLeft() {
    return mostVisits(budget) - visits.size();
  }

  /** Whether one more visit to a passage may come. */
  boolean holds(long passage) {
    boolean known = visits.stream().anyMatch(v -> v.passageId() == passage);
    long passages = visits.stream().map(Visit::passageId).distinct().count();
    return visitsLeft() > 0
        && !over.contains(passage)
        && (known || passages < mostPassages(budget));
  }

  /** Whether anything of a passage is in it, also within a round. */
  boolean has(long passage) {
    return touched.contains(passage);
  }

  /** Whether it is more than a short visit. */
  boolean isWorth() {
    return !cold.isEmpty() || !read.isEmpty() || visits.stream().anyMatch(v -> !v.isShort());
  }

  /** Room of a further visit that comes after a change, without a break. */
  double room() {
    double begins = arranged.items().isEmpty() ? warmUpMinutes() : 0;
    boolean change = !visits.isEmpty() || !cold.isEmpty() || !read.isEmpty();
    return budget + owed - minutes() - begins - (change ? Arrangement.OTHER_PASSAGE_MIN : 0);
  }

  /** How long the next visit is to be, so that the day is full with those that it may have. */
  double aim(double room) {
    double each = Visit.SHORTEST_MIN + Arrangement.OTHER_PASSAGE_MIN;
    int most = (int) Math.floor((room + Arrangement.OTHER_PASSAGE_MIN) / each + Visit.EPS);
    long wanted = Math.round(room / (visitMin + Arrangement.CHANGE_MIN));
    long visits = Math.max(1, Math.min(wanted, Math.min(most, visitsLeft())));
    return (room - (visits - 1) * Arrangement.OTHER_PASSAGE_MIN) / visits;
  }

  // ---- taking in -----------------------------------------------------------------------------

  /** Takes a visit that the player wants on this day, over the budget where it must be. */
  void takeWanted(Visit v) {
    owed += v.minutes() + WARM_UP_MOST + Arrangement.BREAK_MIN;
    boolean taken = put(v);
    owed = taken ? Math.max(0, minutes() - budget) : 0;
  }

  /** Takes a visit in where the day still holds with it. */
  boolean take(Visit v) {
    double stretches = v.stretchMinutes();
    boolean stretched =
        stretches > 0 && stretches > Math.max(0, progress.dose().left(date)) + Visit.EPS;
    return !stretched && holds(v.passageId()) && put(v);
  }

  private boolean put(Visit v) {
    visits.add(v);
    if (!arrange()) {
      visits.remove(visits.size() - 1);
      return false;
    }
    for (Standing s : v.standings()) {
      s.practise(
          v.stages().stream().filter(x -> x.standing() == s).map(Stage::item).toList(), date);
    }
    if (v.stretchMinutes() > 0) {
      progress.dose().use(date, v.stretchMinutes());
    }
    if (v.isShort()) {
      over.add(v.passageId());
    }
    touched.add(v.passageId());
    progress.touch(v.passageId(), date);
    return true;
  }

  /** Makes visits longer by one more set at levels closed last, until the day is full. */
  void lengthenTo(double minutes) {
    for (int i = visits.size() - 1; i >= 0 && minutes() < minutes; i--) {
      for (Standing s : visits.get(i).standings()) {
        Visit v = visits.get(i);
        Optional<Visit> longer =
            minutes() < minutes ? v.onceMore(s, Math.min(room(), v.roomLeft())) : Optional.empty();
        if (longer.isPresent()) {
          visits.set(i, longer.get());
          if (!arrange()) {
            visits.set(i, v);
          }
        }
      }
    }
  }

  boolean takeCold(Item run) {
    return takeInto(cold, run);
  }

  boolean takeReading(Item section) {
    return takeInto(read, section);
  }

  private boolean takeInto(List<Item> round, Item one) {
    round.add(one);
    if (arrange()) {
      touched.add(one.passageId());
      return true;
    }
    round.remove(round.size() - 1);
    return false;
  }

  double readMinutes() {
    double sum = 0;
    for (Item i : read) {
      sum += i.minutes();
    }
    return sum;
  }

  /** Whether a run-through would fit this day if there were nothing else. */
  boolean holdsAlone(Item run) {
    return warmUpMinutes() + run.minutes() <= budget + Visit.EPS;
  }

  private boolean arrange() {
    Optional<Arranged> made =
        Arrangement.of(warmUp(), List.of(cold, read), visits, rules.sessions());
    boolean fits = made.isPresent() && made.get().minutes() <= budget + owed + Visit.EPS;
    if (fits) {
      arranged = made.get();
    }
    return fits;
  }

  private Optional<Item> warmUp() {
    double minutes = warmUpMinutes();
    if (minutes == 0) {
      return Optional.empty();
    }
    Goal first =
        !cold.isEmpty()
            ? progress.goal(cold.get(0).passageId())
            : !read.isEmpty() ? progress.goal(read.get(0).passageId()) : visits.get(0).seed().goal;
    return Optional.of(
        new Item(
            Kind.WARM_UP,
            first.passageId(),
            "",
            DrillKind.WARM_UP,
            first.ladder().levels().get(0),
            0,
            minutes,
            1,
            0,
            Said.of("plan.why.warm-up")));
  }
}
