package fret.shelf;

import fret.base.Said;
import fret.care.Care;
import fret.care.Told;
import fret.drill.Approach;
import fret.drill.Chunk;
import fret.journal.JournalEntry;
import fret.journal.Progress;
import fret.plan.AtPace;
import fret.plan.Budget;
import fret.plan.Easing;
import fret.plan.Fit;
import fret.plan.Forecast;
import fret.plan.Gate;
import fret.plan.Goal;
import fret.plan.Move;
import fret.plan.Part;
import fret.plan.PlanRequest;
import fret.plan.Planner;
import fret.plan.PracticePlan;
import fret.plan.Unit;
import fret.search.Token;
import fret.session.Learning;
import fret.tempo.Ladder;
import fret.tempo.LadderKind;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * The one plan over every passage, with what it was made from.
 *
 * @param entries by goal, in the order of the shelf
 * @param care what hurts, and how practice comes back
 */
public record Planning(
    Map<Goal.Id, Entry> entries,
    PracticePlan plan,
    PlanRequest request,
    Habits habits,
    Care care,
    LocalDate today) {
  /**
   * A passage of the plan, or an excerpt of it.
   *
   * @param held ids of chunks that wait because something hurts
   */
  public record Entry(
      Learning learning,
      Learning.Section section,
      Goal goal,
      Audition audition,
      Set<String> held,
      Readiness readiness) {
    public Entry {
      Objects.requireNonNull(learning);
      held = Set.copyOf(held);
    }

    public Ladder ladder() {
      return section.ladder();
    }

    /** The ladder of a chunk, by its id or that of one like it; that of the section for others. */
    public Ladder ladder(String unit) {
      return goal.units().stream()
          .filter(u -> u.ids().contains(unit))
          .findFirst()
          .map(goal::ladder)
          .orElse(section.ladder());
    }

    /** The ladder of the first chunk that holds an onset; that of the section where none does. */
    public Ladder ladderAt(Fraction onset) {
      return chunks().stream()
          .filter(c -> c.fromOnset().compareTo(onset) <= 0 && c.toOnset().compareTo(onset) > 0)
          .filter(c -> has(c.id()))
          .findFirst()
          .map(c -> ladder(c.id()))
          .orElse(section.ladder());
    }

    public List<Chunk> chunks() {
      return learning.chunks();
    }

    public long passageId() {
      return learning.passageId();
    }

    /** Whether an item of the plan belongs to it. */
    public boolean has(PracticePlan.Item i) {
      return i.passageId() == passageId() && has(i.unit());
    }

    /** Whether it has a chunk, by its id or that of one like it, or a run-through. */
    public boolean has(String unit) {
      String whole = Part.of(unit).unit();
      return whole.equals(goal.id().run())
          || whole.equals(goal.id().reading())
          || goal.units().stream().anyMatch(u -> u.ids().contains(unit));
    }
  }

  /** How the player wants a chunk of a passage to be brought up to its tempo. */
  public Approach approach(long passage, String chunk) {
    return entries.values().stream()
        .filter(e -> e.passageId() == passage)
        .flatMap(e -> e.goal().units().stream())
        .filter(u -> u.ids().contains(chunk))
        .findFirst()
        .map(Unit::approach)
        .orElse(Approach.AS_PLANNED);
  }

  /**
   * How far a passage has come: that of its slowest chunk.
   *
   * @param atTarget chunks and joins whose last level is closed
   * @param slowest tempo closed of the chunk with the least share of its target, in the value that
   *     its ladder counts; 0 where a chunk has no level closed
   * @param of target of that chunk
   * @param rungs levels closed by the slowest, for a line whose click thins
   * @param closed how many levels of each unit are closed
   */
  public record Readiness(
      int atTarget, int all, double slowest, double of, int rungs, Map<String, Integer> closed) {
    public Readiness {
      closed = Map.copyOf(closed);
    }

    /** Whether everything stands at its target. */
    public boolean isWhole() {
      return atTarget == all;
    }

    static Readiness of(Goal goal, List<JournalEntry> journal, int cleanNeeded) {
      Map<String, Integer> closed = new HashMap<>();
      int at = 0;
      double least = 1;
      int rungs = goal.ladder().size();
      double slowest = goal.ladder().target();
      double of = slowest;
      for (Unit u : goal.units()) {
        Ladder ladder = goal.ladder(u);
        Progress p = Progress.of(journal, goal.passageId(), u.ids(), ladder, cleanNeeded);
        closed.put(u.id(), p.closed());
        at += p.isAtTarget() ? 1 : 0;
        rungs = Math.min(rungs, p.closed());
        double tempo = p.closedTempo().orElse(0.0);
        double share =
            ladder.isSlow() ? (double) p.closed() / ladder.size() : tempo / ladder.target();
        if (share < least - 1e-9) {
          least = share;
          slowest = tempo;
          of = ladder.target();
        }
      }
      return new Readiness(at, goal.units().size(), slowest, of, rungs, closed);
    }
  }

  /**
   * What the player set.
   *
   * @param ladderStart first level; 0 for half the target
   * @param told what the player said of what hurts
   * @param mostPlays most straight plays of a chunk in a visit; 0 for as many as are expected
   * @param warmUp whether a day begins with one
   */
  public record Habits(
      Gate.Settings gate,
      LadderKind ladder,
      int ladderStart,
      Told told,
      PlanRequest.Climb climb,
      int sessions,
      int mostPlays,
      boolean warmUp) {
    public static final Habits USUAL =
        new Habits(
            Gate.Settings.USUAL,
            LadderKind.EVEN,
            0,
            Told.NOTHING,
            PlanRequest.Climb.LEVEL_A_DAY,
            2,
            0,
            true);

    public Habits {
      Objects.requireNonNull(gate);
      Objects.requireNonNull(ladder);
      Objects.requireNonNull(climb);
      Objects.requireNonNull(told);
    }

    public Habits with(Gate.Settings other) {
      return new Habits(other, ladder, ladderStart, told, climb, sessions, mostPlays, warmUp);
    }

    public Habits with(LadderKind other, int start) {
      return new Habits(gate, other, start, told, climb, sessions, mostPlays, warmUp);
    }

    public Habits with(PlanRequest.Climb other) {
      return new Habits(gate, ladder, ladderStart, told, other, sessions, mostPlays, warmUp);
    }

    public Habits with(Told other) {
      return new Habits(gate, ladder, ladderStart, other, climb, sessions, mostPlays, warmUp);
    }

    /** With so many straight plays of a chunk in a visit at most; 0 for as many as are expected. */
    public Habits withMostPlays(int other) {
      return new Habits(gate, ladder, ladderStart, told, climb, sessions, other, warmUp);
    }

    /** With or without a warm-up. */
    public Habits withWarmUp(boolean other) {
      return new Habits(gate, ladder, ladderStart, told, climb, sessions, mostPlays, other);
    }

    PlanRequest.Rules rules(Easing easing) {
      return new PlanRequest.Rules(gate, climb, sessions, easing, mostPlays, warmUp);
    }
  }

  public Planning {
    entries = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(entries));
  }

  /**
   * Plans every passage.
   *
   * @param auditions by goal; one without gets that of its passage, or else four weeks
   * @param journal oldest first
   */
  public static Planning of(
      List<Learning> passages,
      Map<Goal.Id, Audition> auditions,
      Budget budget,
      List<JournalEntry> journal,
      List<Move> moves,
      LocalDate today,
      Habits habits,
      Token token) {
    Map<Goal.Id, Entry> entries = new LinkedHashMap<>();
    List<Goal> goals = new ArrayList<>();
    Care care = Care.of(journal, habits.told(), today);
    Waiting waiting = new Waiting(care, passages);
    for (Learning l : passages) {
      Map<String, LocalDate> opens = waiting.opens(l);
      for (Learning.Section x : l.sections()) {
        Audition a =
            Optional.ofNullable(auditions.get(x.id()))
                .or(() -> Optional.ofNullable(auditions.get(Goal.Id.of(l.passageId()))))
                .orElseGet(() -> none(today));
        LocalDate day = a.date().isBefore(today) ? today : a.date();
        LocalDate ready = a.readyDate().isAfter(day) ? day : a.readyDate();
        Goal goal = l.goal(x, ready, day, opens);
        goals.add(goal);
        Readiness readiness = Readiness.of(goal, journal, habits.gate().cleanNeeded());
        entries.put(x.id(), new Entry(l, x, goal, a, opens.keySet(), readiness));
      }
    }
    PlanRequest request =
        new PlanRequest(goals, budget, today, habits.rules(waiting.easing()), journal, moves);
    return new Planning(entries, Planner.plan(request, token), request, habits, care, today);
  }

  /**
   * For what each goal of a passage is prepared.
   *
   * @param auditionId of the passage; its excerpts may have their own
   */
  public static Map<Goal.Id, Audition> dates(Learning l, long auditionId, List<Audition> all) {
    Map<Goal.Id, Audition> dates = new HashMap<>();
    for (Audition a : all) {
      if (a.id() == auditionId) {
        dates.put(Goal.Id.of(l.passageId()), a);
      }
    }
    for (Learning.Section x : l.sections()) {
      all.stream().filter(a -> a.id() == x.auditionId()).forEach(a -> dates.put(x.id(), a));
    }
    return dates;
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
   * @param fits what would make a forecast fit that is too late
   * @param remedy what would make the plan fit; empty where it does
   */
  public record Outlook(
      Map<Goal.Id, Forecast> forecasts, Map<Goal.Id, Fit> fits, Optional<Said> remedy) {
    public static final Outlook NONE = new Outlook(Map.of(), Map.of(), Optional.empty());

    public Outlook {
      forecasts = Map.copyOf(forecasts);
      fits = Map.copyOf(fits);
    }
  }

  /** How it looks; takes the time of some plans. */
  public Outlook outlook(Token token) {
    AtPace pace = new AtPace(request, token);
    Map<Goal.Id, Forecast> forecasts = Forecast.of(pace);
    return new Outlook(
        forecasts, Forecast.fits(pace, forecasts), Planner.remedy(request, plan, token));
  }

  /** What the plan intends, what the record says of that, and what would help. */
  public List<Said> answer(Outlook outlook) {
    return new Answer(this, outlook).told();
  }

  /** What belongs to a passage, its excerpts by their place; empty while it is not planned. */
  public List<Entry> all(long passageId) {
    return entries.values().stream().filter(e -> e.passageId() == passageId).toList();
  }

  /** The first that belongs to a passage; empty while it is not planned. */
  public Optional<Entry> of(long passageId) {
    return all(passageId).stream().findFirst();
  }

  /** What an item of the plan belongs to. */
  public Optional<Entry> of(PracticePlan.Item item) {
    return all(item.passageId()).stream()
        .filter(e -> e.has(item))
        .findFirst()
        .or(() -> of(item.passageId()));
  }

  /** The passages in the order of the shelf. */
  public List<Long> passages() {
    return entries.keySet().stream().map(Goal.Id::passage).distinct().toList();
  }

  /** How many chunks wait because something hurts. */
  public int held() {
    return (int)
        entries.values().stream()
            .flatMap(e -> e.held().stream().map(id -> e.passageId() + "/" + id))
            .distinct()
            .count();
  }

  /** Items of a day that belong to a passage. */
  public List<PracticePlan.Item> items(LocalDate day, long passageId) {
    return plan.on(day).stream()
        .flatMap(d -> d.items().stream())
        .filter(i -> i.passageId() == passageId)
        .toList();
  }
}
