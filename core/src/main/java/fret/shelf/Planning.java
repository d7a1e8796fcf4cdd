package fret.shelf;

import fret.base.Said;
import fret.drill.Chunk;
import fret.journal.JournalEntry;
import fret.journal.Progress;
import fret.journal.Verdict;
import fret.plan.Budget;
import fret.plan.Forecast;
import fret.plan.Gate;
import fret.plan.Goal;
import fret.plan.Move;
import fret.plan.PlanRequest;
import fret.plan.Planner;
import fret.plan.PracticePlan;
import fret.plan.Unit;
import fret.session.Learning;
import fret.tempo.Ladder;
import fret.tempo.LadderKind;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * The one plan over every passage, with what it was made from.
 *
 * @param entries by id of the passage, in the order of the shelf
 */
public record Planning(
    Map<Long, Entry> entries,
    PracticePlan plan,
    PlanRequest request,
    Habits habits,
    LocalDate today) {
  /**
   * A passage of the plan.
   *
   * @param held ids of chunks that wait because something hurts
   */
  public record Entry(
      Learning learning, Goal goal, Audition audition, Set<String> held, Readiness readiness) {
    public Entry {
      Objects.requireNonNull(learning);
      held = Set.copyOf(held);
    }

    public Ladder ladder() {
      return learning.ladder();
    }

    public List<Chunk> chunks() {
      return learning.chunks();
    }
  }

  /**
   * How far a passage has come: that of its slowest chunk.
   *
   * @param atTarget chunks and joins whose last level is closed
   * @param slowest tempo of the least that is closed; 0 where a chunk has no level closed
   * @param rungs levels closed by the slowest, for a line whose click thins
   */
  public record Readiness(int atTarget, int all, double slowest, int rungs) {
    static Readiness of(Goal goal, List<JournalEntry> journal, int cleanNeeded) {
      int at = 0;
      int least = goal.ladder().size();
      for (Unit u : goal.units()) {
        Progress p = Progress.of(journal, goal.passageId(), u.ids(), goal.ladder(), cleanNeeded);
        at += p.isAtTarget() ? 1 : 0;
        least = Math.min(least, p.closed());
      }
      double slowest = least == 0 ? 0 : goal.ladder().levels().get(least - 1).perMinute();
      return new Readiness(at, goal.units().size(), slowest, least);
    }
  }

  /**
   * What the player set.
   *
   * @param ladderStart first level; 0 for half the target
   * @param painLifted id of the newest try at which the player said that nothing hurts any more
   */
  public record Habits(
      Gate.Settings gate,
      LadderKind ladder,
      int ladderStart,
      long painLifted,
      PlanRequest.Climb climb,
      int sessions) {
    public static final Habits USUAL =
        new Habits(Gate.Settings.USUAL, LadderKind.EVEN, 0, 0, PlanRequest.Climb.LEVEL_A_DAY, 2);

    public Habits {
      Objects.requireNonNull(gate);
      Objects.requireNonNull(ladder);
      Objects.requireNonNull(climb);
    }

    public Habits with(Gate.Settings other) {
      return new Habits(other, ladder, ladderStart, painLifted, climb, sessions);
    }

    public Habits with(LadderKind other, int start) {
      return new Habits(gate, other, start, painLifted, climb, sessions);
    }

    public Habits with(PlanRequest.Climb other) {
      return new Habits(gate, ladder, ladderStart, painLifted, other, sessions);
    }

    public Habits liftedUpTo(long entry) {
      return new Habits(gate, ladder, ladderStart, entry, climb, sessions);
    }
  }

  public Planning {
    entries = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(entries));
  }

  /**
   * Plans every passage.
   *
   * @param auditions by id of the passage; a passage without one gets four weeks
   * @param journal oldest first
   */
  public static Planning of(
      List<Learning> passages,
      Map<Long, Audition> auditions,
      Budget budget,
      List<JournalEntry> journal,
      List<Move> moves,
      LocalDate today,
      Habits habits) {
    Map<Long, Entry> entries = new LinkedHashMap<>();
    List<Goal> goals = new ArrayList<>();
    for (Learning l : passages) {
      Audition a = Optional.ofNullable(auditions.get(l.passageId())).orElseGet(() -> none(today));
      LocalDate day = a.date().isBefore(today) ? today : a.date();
      LocalDate ready = a.readyDate().isAfter(day) ? day : a.readyDate();
      Set<String> held = held(l, journal, habits);
      Goal goal = l.goal(ready, day, held);
      goals.add(goal);
      Readiness readiness = Readiness.of(goal, journal, habits.gate().cleanNeeded());
      entries.put(l.passageId(), new Entry(l, goal, a, held, readiness));
    }
    PlanRequest request =
        new PlanRequest(
            goals,
            budget,
            today,
            new PlanRequest.Rules(habits.gate(), habits.climb(), habits.sessions()),
            journal,
            moves);
    return new Planning(entries, Planner.plan(request), request, habits, today);
  }

  private static Audition none(LocalDate today) {
    return new Audition(0, "", today.plusDays(28), today.plusDays(21));
  }

  /** The player's minutes. */
  public Budget budget() {
    return request.budget();
  }

  /**
   * What takes longer than the plan itself.
   *
   * @param forecasts when each passage will be ready by the record; those too early to tell are
   *     left out
   * @param remedy what would make the plan fit; empty where it does
   */
  public record Outlook(Map<Long, Forecast> forecasts, Optional<Said> remedy) {
    public static final Outlook NONE = new Outlook(Map.of(), Optional.empty());

    public Outlook {
      forecasts = Map.copyOf(forecasts);
    }
  }

  /** How it looks; takes the time of some plans. */
  public Outlook outlook() {
    return new Outlook(Forecast.of(request), Planner.remedy(request, plan));
  }

  /** What belongs to a passage; empty while it is not planned. */
  public Optional<Entry> of(long passageId) {
    return Optional.ofNullable(entries.get(passageId));
  }

  /** How many chunks wait because something hurts. */
  public int held() {
    return entries.values().stream().mapToInt(e -> e.held().size()).sum();
  }

  /** Items of a day that belong to a passage. */
  public List<PracticePlan.Item> items(LocalDate day, long passageId) {
    return plan.on(day).stream()
        .flatMap(d -> d.items().stream())
        .filter(i -> i.passageId() == passageId)
        .toList();
  }

  /** After pain the chunk itself waits, and all stretches of the passage with it. */
  private static Set<String> held(Learning l, List<JournalEntry> journal, Habits habits) {
    List<JournalEntry> painful =
        journal.stream()
            .filter(e -> e.passageId() == l.passageId())
            .filter(e -> e.verdict() == Verdict.HURTS && e.id() > habits.painLifted())
            .toList();
    if (painful.isEmpty()) {
      return Set.of();
    }
    Set<String> held = new TreeSet<>(l.stretched());
    painful.forEach(e -> held.add(e.chunkId()));
    held.retainAll(l.chunks().stream().map(Chunk::id).toList());
    return held;
  }
}
