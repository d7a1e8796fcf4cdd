package fret.plan;

import fret.base.Said;
import fret.drill.DrillKind;
import fret.journal.JournalEntry;
import fret.plan.PracticePlan.Day;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import fret.plan.PracticePlan.LeftOut;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Random;
import java.util.Set;

/**
 * Spreads the player's minutes over everything that is to be learned. Deterministic.
 *
 * <p>The laws, the earlier wins: care (doses, what hurts waits); never over the day's minutes, with
 * warm-up, pauses and breaks; what the player moved stays; a unit comes twice a day at most, ten
 * minutes a visit, with twenty minutes of other things between; a day is at least nine tenths full
 * while something below its target may be done; worth per minute.
 */
public final class Planner {
  /** How much more a missed passage weighs when the days are packed again (from memory). */
  private static final double MISSED_WEIGHS = 1.5;

  private static final double WARM_UP_SHARE = 0.2;
  private static final double WARM_UP_MOST = 10;
  private static final double FULL = 0.9;
  private static final double UPKEEP_SHARE = 0.25;
  private static final int WEAKEST_JOINS = 3;
  private static final int[] MOCK_DAYS = {3, 7, 14};

  /** The audition's day and the one before. */
  private static final int LAST_DAYS = 2;

  private final PlanRequest request;
  private final Map<String, double[]> plays;
  private final List<Standing> standings = new ArrayList<>();
  private final Map<Goal.Id, LocalDate> atTarget = new HashMap<>();
  private final Map<String, LocalDate> lastRun = new HashMap<>();
  private final Map<String, Integer> runs = new HashMap<>();
  private final StretchDose dose;
  private final Map<Long, LocalDate> lastTouched = new HashMap<>();

  private Planner(PlanRequest request, Map<String, double[]> plays) {
    this.request = request;
    this.plays = plays;
    List<JournalEntry> before =
        request.journal().stream().filter(e -> e.date().isBefore(request.from())).toList();
    dose = new StretchDose(before);
    read(before);
    for (JournalEntry e : request.journal()) {
      if (e.date().isBefore(request.from())) {
        lastTouched.put(e.passageId(), e.date());
      }
      if (PracticePlan.isRun(e.chunkId()) && e.date().isBefore(request.from())) {
        lastRun.put(run(e.passageId(), e.chunkId()), e.date());
        runs.merge(run(e.passageId(), e.chunkId()), 1, Integer::sum);
      }
    }
  }

  private static String run(long passage, String unit) {
    return passage + "/" + unit;
  }

  private static String run(Goal g) {
    return run(g.passageId(), g.id().run());
  }

  private void read(List<JournalEntry> journal) {
    Map<Long, List<JournalEntry>> byPassage = new HashMap<>();
    for (JournalEntry e : journal) {
      byPassage.computeIfAbsent(e.passageId(), p -> new ArrayList<>()).add(e);
    }
    for (Goal g : request.goals()) {
      for (Unit u : g.units()) {
        standings.add(
            new Standing(
                g,
                u,
                byPassage.getOrDefault(g.passageId(), List.of()),
                request.rules().gate().cleanNeeded(),
                plays.get(Forecast.key(g, u))));
      }
    }
  }

  /** Makes the plan, from its first day to the last of the dates. */
  public static PracticePlan plan(PlanRequest request) {
    PracticePlan plan = bare(request);
    return new PracticePlan(
        plan.days(), plan.feasible(), Remedies.outcome(request, plan), plan.atTarget());
  }

  /** What would make a plan fit that does not; takes the time of some plans. */
  public static Optional<Said> remedy(PlanRequest request, PracticePlan plan) {
    return plan.feasible() ? Optional.empty() : Optional.of(Remedies.remedy(request));
  }

  /** The plan without advice. */
  static PracticePlan bare(PlanRequest request) {
    return secondLook(request, bare(request, Map.of()));
  }

  /**
   * Days are packed one after the other, so a passage can miss its date by little although there is
   * a way: then the days are packed once more with what was missed weighing more, and the plan that
   * brings more passages to their targets stands.
   */
  private static PracticePlan secondLook(PlanRequest request, PracticePlan plan) {
    Set<Goal.Id> missed = missed(request, plan);
    if (missed.isEmpty()) {
      return plan;
    }
    List<Goal> goals =
        request.goals().stream()
            .map(g -> missed.contains(g.id()) ? g.weighing(g.weight() * MISSED_WEIGHS) : g)
            .toList();
    PracticePlan other = bare(request.with(goals), Map.of());
    return other.atTarget().size() > plan.atTarget().size() ? other : plan;
  }

  /** Passages that do not reach their target by their own day although nothing is held back. */
  private static Set<Goal.Id> missed(PlanRequest request, PracticePlan plan) {
    Set<Goal.Id> missed = new HashSet<>();
    for (Goal g : request.goals()) {
      if (!plan.atTarget().containsKey(g.id()) && !g.units().stream().allMatch(Unit::held)) {
        missed.add(g.id());
      }
    }
    return missed;
  }

  /**
   * The plan without advice.
   *
   * @param plays of each level of some units, by the key of {@link Forecast}, in place of those
   *     expected of the chance
   */
  static PracticePlan bare(PlanRequest request, Map<String, double[]> plays) {
    return new Planner(request, plays).run();
  }

  /** The first day alone. */
  static Day first(PlanRequest request) {
    return new Planner(request, Map.of()).day(request.from());
  }

  private PracticePlan run() {
    Optional<LocalDate> end =
        request.goals().stream().map(Goal::audition).max(Comparator.naturalOrder());
    List<Day> days = new ArrayList<>();
    LocalDate date = request.from();
    while (end.isPresent() && !date.isAfter(end.get())) {
      days.add(day(date));
      if (date.equals(request.from())) {
        followToday();
      }
      noteTargets(date);
      date = date.plusDays(1);
    }
    boolean feasible =
        request.goals().stream()
            .allMatch(
                g -> atTarget.containsKey(g.id()) && !atTarget.get(g.id()).isAfter(lastDay(g)));
    return new PracticePlan(days, feasible, List.of(), atTarget);
  }

  /**
   * By when a passage counts as ready in time: its ready date, or its own day where that is over.
   */
  private LocalDate lastDay(Goal g) {
    return g.ready().isBefore(request.from()) ? g.audition() : g.ready();
  }

  /** What was practised on the first day already stands as the record says, not as expected. */
  private void followToday() {
    Set<String> done = new HashSet<>();
    request.journal().stream()
        .filter(e -> e.date().equals(request.from()))
        .forEach(e -> done.add(e.passageId() + "/" + e.chunkId()));
    for (int i = 0; i < standings.size(); i++) {
      Standing s = standings.get(i);
      boolean any =
          s.unit.ids().stream().anyMatch(id -> done.contains(s.goal.passageId() + "/" + id));
      if (any) {
        standings.set(
            i,
            new Standing(
                s.goal,
                s.unit,
                request.journal(),
                request.rules().gate().cleanNeeded(),
                plays.get(Forecast.key(s.goal, s.unit))));
      }
    }
  }

  private void noteTargets(LocalDate date) {
    for (Goal g : request.goals()) {
      boolean all = learned(g).allMatch(Standing::isAtTarget);
      if (all) {
        atTarget.putIfAbsent(g.id(), date);
      } else {
        atTarget.remove(g.id());
      }
    }
  }

  private java.util.stream.Stream<Standing> learned(Goal g) {
    return standings.stream().filter(s -> s.goal.id().equals(g.id()) && !s.unit.held());
  }

  // ---- a day ---------------------------------------------------------------------------------

  /** One day being filled. */
  private final class Filling {
    final LocalDate date;
    final double budget;
    final List<Visit> visits = new ArrayList<>();
    final List<Item> cold = new ArrayList<>();
    List<Item> arranged = List.of();
    double owed;

    Filling(LocalDate date) {
      this.date = date;
      this.budget = minutesOf(date);
    }

    double minutes() {
      return sum(arranged);
    }

    /** Takes a visit in where the day still holds with it. */
    boolean take(Visit v) {
      boolean tooLong = v.minutes() > room() + 1e-9;
      if (tooLong || v.stretchMinutes() > Math.max(0, dose.left(date)) + 1e-9) {
        return false;
      }
      visits.add(v);
      if (arrange()) {
        v.standing().practise(v.items(), date);
        if (v.stretchMinutes() > 0) {
          dose.use(date, v.stretchMinutes());
        }
        lastTouched.put(v.standing().goal.passageId(), date);
        return true;
      }
      visits.remove(visits.size() - 1);
      return false;
    }

    boolean takeCold(Item run) {
      cold.add(run);
      if (arrange()) {
        return true;
      }
      cold.remove(cold.size() - 1);
      return false;
    }

    private boolean arrange() {
      Optional<List<Item>> made =
          Arrangement.of(warmUp(), cold, visits, request.rules().sessions());
      double most = budget + owed;
      boolean fits = made.isPresent() && sum(made.get()) <= most + 1e-9;
      if (fits) {
        arranged = made.get();
      }
      return fits;
    }

    private Optional<Item> warmUp() {
      double minutes = Math.floor(Math.min(WARM_UP_MOST, budget * WARM_UP_SHARE) * 100) / 100;
      Goal first = cold.isEmpty() ? visits.get(0).standing().goal : goal(cold.get(0).passageId());
      return minutes < 0.5
          ? Optional.empty()
          : Optional.of(
              new Item(
                  Kind.WARM_UP,
                  first.passageId(),
                  "",
                  DrillKind.WARM_UP,
                  first.ladder().levels().get(0),
                  0,
                  minutes,
                  1,
                  Said.of("plan.why.warm-up")));
    }

    /** Room that a further visit may take, were it alone to be added without a break. */
    double room() {
      return budget + owed - minutes();
    }
  }

  private Goal goal(long passage) {
    return request.goals().stream().filter(g -> g.passageId() == passage).findFirst().orElseThrow();
  }

  /** The last two days, the audition's and the one before, have half the minutes. */
  private double minutesOf(LocalDate date) {
    boolean last =
        request.goals().stream()
            .anyMatch(
                g ->
                    !date.isAfter(g.audition()) && date.isAfter(g.audition().minusDays(LAST_DAYS)));
    return request.budget().on(date) * (last ? 0.5 : 1);
  }

  private Day day(LocalDate date) {
    Filling f = new Filling(date);
    standings.forEach(Standing::startDay);
    moved(f);
    if (f.budget > 0) {
      runThroughs(f);
      weakestJoins(f);
      upkeep(f);
      climb(f, Turn.FIRST);
      climb(f, Turn.SECOND);
      climb(f, Turn.AGAIN);
    }
    return new Day(date, f.budget, rounded(f.minutes()), f.arranged, shortBy(f), leftOut(date));
  }

  private static double sum(List<Item> items) {
    double sum = 0;
    for (Item i : items) {
      sum += i.minutes();
    }
    return sum;
  }

  private static double rounded(double minutes) {
    return Math.round(minutes * 100) / 100.0;
  }

  /** What the player put on this day comes, whatever else. */
  private void moved(Filling f) {
    for (Move m : request.moves()) {
      if (!m.to().equals(f.date)) {
        continue;
      }
      for (Standing s : standings) {
        if (s.goal.passageId() == m.passageId() && s.unit.id().equals(m.unit()) && open(s, f)) {
          double room = Visit.LONGEST_MIN;
          Optional<Visit> v =
              s.isAtTarget()
                  ? Visit.upkeep(s, room, Said.of("plan.why.moved"))
                  : Visit.climbing(s, f.date, room, 1, true, dose)
                      .map(x -> x.because(Said.of("plan.why.moved")));
          v.ifPresent(
              visit -> {
                f.owed += Math.max(0, visit.minutes() - Math.max(0, f.room()));
                if (!f.take(visit)) {
                  f.owed += visit.minutes() + WARM_UP_MOST + Arrangement.BREAK_MIN;
                  boolean taken = f.take(visit);
                  f.owed = taken ? Math.max(0, f.minutes() - f.budget) : 0;
                }
              });
        }
      }
    }
  }

  private boolean open(Standing s, Filling f) {
    return !s.unit.held() && !f.date.isAfter(s.goal.audition());
  }

  private boolean movedAway(Standing s, LocalDate date) {
    if (request.moves().isEmpty()) {
      return false;
    }
    return request.moves().stream()
        .anyMatch(
            m ->
                m.from().equals(date)
                    && m.passageId() == s.goal.passageId()
                    && m.unit().equals(s.unit.id()));
  }

  /** After the ready date each passage once, cold, those first that were not for longest. */
  private void runThroughs(Filling f) {
    // Seeds that follow each other give alike beginnings: they are spread.
    Random random = new Random(f.date.toEpochDay() * 0x9E3779B97F4A7C15L);
    List<Goal> due = new ArrayList<>(request.goals());
    due.removeIf(g -> f.date.isAfter(g.audition()) || !runs(g, f.date));
    java.util.Collections.shuffle(due, random);
    due.sort(Comparator.comparing(g -> lastRun.getOrDefault(run(g), LocalDate.EPOCH)));
    for (Goal g : due) {
      int before = runs.getOrDefault(run(g), 0);
      boolean upper = g.second() > 0 && before % 2 == 1;
      fret.tempo.Level level = upper ? fret.tempo.Level.at(g.second()) : g.ladder().top();
      double minutes = Visit.minutes(1, g.seconds(g.wholeNotes(), level.perMinute()));
      boolean mock = f.date.isAfter(g.ready()) && isMockDay(g, f.date);
      Item run =
          new Item(
              mock ? Kind.MOCK : Kind.RUN_THROUGH,
              g.passageId(),
              g.id().run(),
              mock ? DrillKind.MOCK : DrillKind.RUN_THROUGH,
              level,
              1,
              minutes,
              1,
              Said.of(
                  movedTo(g, f.date) ? "plan.why.moved" : mock ? "plan.why.mock" : "plan.why.run"));
      if (f.takeCold(run)) {
        lastRun.put(run(g), f.date);
        runs.merge(run(g), 1, Integer::sum);
      }
    }
  }

  /** Whether it is run through on a day, by the plan or because the player put it there. */
  private boolean runs(Goal g, LocalDate date) {
    boolean away = request.moves().stream().anyMatch(m -> m.from().equals(date) && isRun(m, g));
    return movedTo(g, date) && learned(g).findAny().isPresent() || !away && isRunDay(g, date);
  }

  private boolean movedTo(Goal g, LocalDate date) {
    return request.moves().stream().anyMatch(m -> m.to().equals(date) && isRun(m, g));
  }

  private static boolean isRun(Move m, Goal g) {
    return m.passageId() == g.passageId() && m.unit().equals(g.id().run());
  }

  private boolean isRunDay(Goal g, LocalDate date) {
    if (learned(g).findAny().isEmpty()) {
      return false;
    }
    if (date.isAfter(g.ready())) {
      return true;
    }
    // Before it, what stands at its target as a whole comes back after growing gaps.
    boolean whole = learned(g).allMatch(Standing::isAtTarget);
    LocalDate last = lastRun.get(run(g));
    int gap = new int[] {0, 2, 4, 8, 14}[Math.min(4, runs.getOrDefault(run(g), 0))];
    return whole && (last == null || !last.plusDays(gap).isAfter(date));
  }

  private static boolean isMockDay(Goal g, LocalDate date) {
    for (int days : MOCK_DAYS) {
      if (g.audition().minusDays(days).equals(date)) {
        return true;
      }
    }
    return false;
  }

  /** After the ready date the weakest joins are kept up. */
  private void weakestJoins(Filling f) {
    for (Goal g : request.goals()) {
      if (!f.date.isAfter(g.ready()) || f.date.isAfter(g.audition())) {
        continue;
      }
      learned(g)
          .filter(s -> s.unit.kind() == Unit.Kind.JOIN && s.isAtTarget())
          .sorted(
              Comparator.<Standing>comparingDouble(s -> s.chanceAt(g.ladder().size() - 1).ofClean())
                  .thenComparing(s -> -s.gap(f.date)))
          .limit(WEAKEST_JOINS)
          .forEach(
              s -> Visit.upkeep(s, f.room(), Said.of("plan.why.weak-join")).ifPresent(f::take));
    }
  }

  /** What stands at its target comes back, without crowding out what does not. */
  private void upkeep(Filling f) {
    boolean climbing =
        standings.stream().anyMatch(s -> open(s, f) && !s.isAtTarget() && mayClimb(s, f));
    double most = climbing ? f.budget * UPKEEP_SHARE : f.budget;
    double used = 0;
    List<Standing> due =
        standings.stream()
            .filter(s -> open(s, f) && s.visitsToday() == 0 && s.upkeepIsDue(f.date))
            .filter(s -> !movedAway(s, f.date))
            .sorted(Comparator.comparingInt(s -> s.upkeepGap() - s.gap(f.date)))
            .toList();
    for (Standing s : due) {
      Optional<Visit> v =
          Visit.upkeep(
              s, Math.min(f.room(), most - used), Said.of("plan.why.upkeep", s.gap(f.date)));
      if (v.isPresent() && f.take(v.get())) {
        used += v.get().minutes();
      }
    }
  }

  private boolean mayClimb(Standing s, Filling f) {
    return s.visitsToday() < 2
        && s.closedToday() < Visit.mostLevels(s, f.date, request.rules().climb());
  }

  /** A visit that may come next; of equal worth the one of the earlier unit. */
  private record Candidate(Visit visit, double worth, int order) {}

  /** What a day is filled with, one after the other. */
  private enum Turn {
    /** Something below its target that was not there today. */
    FIRST,
    /** The same once more, further up. */
    SECOND,
    /** What was closed today once more, where nothing else may. */
    AGAIN
  }

  /** Fills the day with what is below its target. */
  private void climb(Filling f, Turn turn) {
    PriorityQueue<Candidate> waiting =
        new PriorityQueue<>(
            Comparator.comparingDouble((Candidate c) -> -c.worth())
                .thenComparing(Candidate::order));
    for (int i = 0; i < standings.size(); i++) {
      Standing s = standings.get(i);
      if (open(s, f) && !movedAway(s, f.date)) {
        offer(waiting, f, turn, i);
      }
    }
    while (!waiting.isEmpty()) {
      Candidate c = waiting.remove();
      double now = worth(c.visit(), f.date);
      if (now < c.worth() - 1e-12) {
        // Its passage has had a turn meanwhile.
        waiting.add(new Candidate(c.visit(), now, c.order()));
        continue;
      }
      boolean taken = f.take(c.visit()) || takeShorter(c.visit().standing(), f, turn);
      if (taken) {
        offer(waiting, f, turn, c.order());
      }
    }
  }

  private void offer(PriorityQueue<Candidate> waiting, Filling f, Turn turn, int which) {
    Standing s = standings.get(which);
    boolean may =
        switch (turn) {
          case FIRST -> !s.isAtTarget() && s.visitsToday() == 0;
          case SECOND -> !s.isAtTarget() && mayClimb(s, f);
          case AGAIN -> mayComeAgain(s);
        };
    if (may) {
      visit(s, f, turn, f.room())
          .ifPresent(v -> waiting.add(new Candidate(v, worth(v, f.date), which)));
    }
  }

  private static boolean mayComeAgain(Standing s) {
    return s.visitsToday() == 1 && s.closedToday() > 0;
  }

  private Optional<Visit> visit(Standing s, Filling f, Turn turn, double room) {
    int levels = Visit.mostLevels(s, f.date, request.rules().climb()) - s.closedToday();
    return turn == Turn.AGAIN
        ? Visit.again(s, room)
        : Visit.climbing(s, f.date, room, levels, true, dose);
  }

  /**
   * What fits by now: the room has become smaller, and it may have to hold a break or, on an empty
   * day, the warm-up too.
   */
  private boolean takeShorter(Standing s, Filling f, Turn turn) {
    double spare = f.arranged.isEmpty() ? Math.min(WARM_UP_MOST, f.budget * WARM_UP_SHARE) : 0;
    for (double less : new double[] {0, spare, spare + Arrangement.BREAK_MIN}) {
      double room = f.room() - less - 1e-9;
      Optional<Visit> v =
          visit(s, f, turn, room)
              .or(
                  () ->
                      turn == Turn.AGAIN
                          ? Optional.empty()
                          : Visit.climbing(s, f.date, room, 1, false, dose));
      if (v.isPresent() && f.take(v.get())) {
        return true;
      }
    }
    return false;
  }

  /** Worth of a minute of a visit: date, distance, difficulty, the player's weight, the gap. */
  private double worth(Visit v, LocalDate day) {
    Standing s = v.standing();
    LocalDate end = day.isAfter(s.goal.ready()) ? s.goal.audition() : s.goal.ready();
    double days = Math.max(1, java.time.temporal.ChronoUnit.DAYS.between(day, end) + 1);
    double gap = 1 + (Math.min(7, s.gap(day)) + Math.min(7, passageGap(s.goal, day))) / 14.0;
    return s.goal.weight()
        * s.unit.difficulty()
        * gap
        * (s.levelsLeft() / days)
        / Math.max(0.1, v.straightMinutes());
  }

  /** Days since anything of a passage was played; a week for one that is new. */
  private long passageGap(Goal g, LocalDate day) {
    LocalDate last = lastTouched.get(g.passageId());
    return last == null ? 7 : Math.max(0, java.time.temporal.ChronoUnit.DAYS.between(last, day));
  }

  // ---- what is told --------------------------------------------------------------------------

  /** The law that keeps a day from being full. */
  private Optional<Said> shortBy(Filling f) {
    if (f.budget == 0) {
      return Optional.of(Said.of("plan.short.off"));
    }
    List<Standing> below =
        standings.stream()
            .filter(s -> !s.isAtTarget() && !f.date.isAfter(s.goal.audition()))
            .toList();
    if (f.minutes() >= FULL * f.budget - 1e-9) {
      return Optional.empty();
    }
    if (below.isEmpty()) {
      return Optional.of(Said.of("plan.short.ready"));
    }
    if (below.stream().allMatch(s -> s.unit.held())) {
      return Optional.of(Said.of("plan.short.held"));
    }
    boolean climbed =
        below.stream()
            .filter(s -> !s.unit.held())
            .allMatch(s -> s.visitsToday() >= 2 || !mayClimb(s, f));
    return Optional.of(
        Said.of(
            climbed ? "plan.short.twice" : "plan.short.room", Said.tenths(f.budget - f.minutes())));
  }

  private List<LeftOut> leftOut(LocalDate date) {
    return standings.stream()
        .filter(s -> !s.unit.held() && !s.isAtTarget() && s.visitsToday() == 0)
        .filter(s -> !date.isAfter(s.goal.audition()))
        .map(s -> new LeftOut(s.goal.passageId(), s.unit.id(), s.daysSince(date)))
        .toList();
  }
}
