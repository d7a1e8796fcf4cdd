package fret.plan;

import fret.base.Said;
import fret.plan.Visiting.For;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Set;

/** Fills days with visits, what is worth most a minute first. */
final class Climbing {
  /** What stands at its target takes no more of a day than that while something climbs. */
  private static final double UPKEEP_SHARE = 0.25;

  private static final double FULL = 0.9;

  /** Of such a length visits are where a day hardly holds the passages that cannot wait. */
  private static final double TIGHT_MIN = 4;

  private static final double HARDLY_LONGER_MIN = Visit.SHORTEST_MIN + 0.4;

  private final Progress progress;
  private final Visiting visiting;

  /** Units whose visit would be short today. */
  private final Set<Standing> shorts = new HashSet<>();

  Climbing(Progress progress, Visiting visiting) {
    this.progress = progress;
    this.visiting = visiting;
  }

  /** A unit that may come next; of equal worth the earlier one. */
  private record Candidate(Standing standing, double worth, int order) {}

  // ---- all of a day --------------------------------------------------------------------------

  /** Fills the day with what is below its target and what is due. */
  void fill(Filling f) {
    shorts.clear();
    upkeep(f);
    for (For what : For.values()) {
      fill(f, what);
    }
    if (f.minutes() < FULL * f.budget()) {
      takeShorts(f);
    }
    f.lengthenTo(FULL * f.budget());
    weakestJoins(f);
  }

  /**
   * After the ready date the join of a passage that fails most often is worked on, however short
   * that is: its neighbours have been played in the run-through.
   */
  private void weakestJoins(Filling f) {
    Set<Goal.Id> done = new HashSet<>();
    progress.standings().stream()
        .filter(s -> s.unit.kind() == Unit.Kind.JOIN && s.isAtTarget() && s.visitsToday() == 0)
        .filter(s -> f.date().isAfter(s.goal.ready()) && progress.open(s, f.date()))
        .filter(s -> s.chanceAt(s.ladder.size() - 1).other() > 0)
        .sorted(Comparator.comparingDouble(s -> s.chanceAt(s.ladder.size() - 1).ofClean()))
        .filter(s -> done.add(s.goal.id()))
        .toList()
        .forEach(s -> takeUpkeep(f, s, Visit.SHORTEST_MIN, Said.of("plan.why.weak-join"), true));
  }

  private void fill(Filling f, For what) {
    PriorityQueue<Candidate> waiting =
        new PriorityQueue<>(
            Comparator.comparingDouble((Candidate c) -> -c.worth())
                .thenComparing(Candidate::order));
    for (int i = 0; i < progress.standings().size(); i++) {
      offer(waiting, f, what, i);
    }
    while (!waiting.isEmpty()) {
      Candidate c = waiting.remove();
      Standing s = c.standing();
      double now = worth(s, f.date());
      if (now < c.worth() - 1e-12) {
        // Its passage has had a turn meanwhile.
        waiting.add(new Candidate(s, now, c.order()));
      } else if (asks(s, f, what) && f.holds(s.goal.passageId())) {
        boolean taken = take(f, s, what, 0);
        if (taken && what == For.SECOND) {
          offer(waiting, f, what, c.order());
        }
      }
    }
  }

  private void offer(PriorityQueue<Candidate> waiting, Filling f, For what, int which) {
    Standing s = progress.standings().get(which);
    if (asks(s, f, what)) {
      waiting.add(new Candidate(s, worth(s, f.date()), which));
    }
  }

  private boolean asks(Standing s, Filling f, For what) {
    if (s.isAtTarget() || !progress.open(s, f.date()) || progress.movedAway(s, f.date())) {
      return false;
    }
    return switch (what) {
      case FIRST -> s.visitsToday() == 0 && progress.mayBegin(s, Set.of(), f.date());
      case SECOND -> s.visitsToday() > 0 && progress.mayClimb(s, f.date());
      case AGAIN -> s.visitsToday() == 1 && s.closedToday() > 0;
    };
  }

  /**
   * Takes in a visit around a unit: what fits by now, where there may have to be a break too.
   *
   * @param most minutes of it at most; 0 for as many as the day wants
   */
  private boolean take(Filling f, Standing s, For what, double most) {
    for (double less : new double[] {0, Arrangement.BREAK_MIN}) {
      double room = f.room() - less;
      double aim = most > 0 ? Math.min(most, f.aim(room)) : f.aim(room);
      Optional<Visit> v = visiting.around(s, what, f.date(), room, aim);
      if (v.isPresent() && v.get().isShort()) {
        shorts.add(s);
        return false;
      }
      if (v.isPresent() && f.take(v.get())) {
        return true;
      }
    }
    return false;
  }

  /** What would be a short visit comes last, and once for its passage. */
  private void takeShorts(Filling f) {
    List<Standing> all = new ArrayList<>(shorts);
    all.sort(
        Comparator.comparingDouble((Standing s) -> -worth(s, f.date()))
            .thenComparing(progress.standings()::indexOf));
    for (Standing s : all) {
      if (f.holds(s.goal.passageId()) && asks(s, f, For.FIRST)) {
        takeShort(f, s);
      }
    }
  }

  private boolean takeShort(Filling f, Standing s) {
    for (double less : new double[] {0, Arrangement.BREAK_MIN}) {
      double room = f.room() - less;
      Optional<Visit> v = visiting.around(s, For.FIRST, f.date(), room, room);
      if (v.isPresent() && f.take(v.get())) {
        return true;
      }
    }
    return false;
  }

  // ---- one passage ---------------------------------------------------------------------------

  /**
   * Takes in a visit to a passage that cannot wait.
   *
   * @param most minutes of it
   */
  void takeOf(Filling f, long passage, double most) {
    List<Standing> all =
        progress.standings().stream()
            .filter(s -> s.goal.passageId() == passage && s.visitsToday() == 0)
            .filter(s -> progress.open(s, f.date()) && !progress.movedAway(s, f.date()))
            .sorted(
                Comparator.comparing(Standing::isAtTarget)
                    .thenComparing(s -> -worth(s, f.date()))
                    .thenComparing(s -> -s.gap(f.date())))
            .toList();
    boolean taken = most < TIGHT_MIN && takeShortest(f, all);
    for (int i = 0; i < all.size() && !taken; i++) {
      Standing s = all.get(i);
      taken =
          s.isAtTarget()
              ? takeUpkeep(f, s, most, Said.of("plan.why.returns"), false)
              : take(f, s, For.FIRST, most);
    }
    for (int i = 0; i < all.size() && !taken; i++) {
      Standing s = all.get(i);
      taken =
          s.isAtTarget()
              ? takeUpkeep(f, s, most, Said.of("plan.why.returns"), true)
              : takeShort(f, s);
    }
  }

  /**
   * Where many passages share a short day, each has the shortest of its visits that is whole: at
   * first of those whose levels are cut to it, else of all.
   */
  private boolean takeShortest(Filling f, List<Standing> all) {
    return takeShortest(f, all, Math.min(f.room(), HARDLY_LONGER_MIN))
        || takeShortest(f, all, Math.min(f.room(), TIGHT_MIN))
        || takeShortest(f, all, f.room());
  }

  private boolean takeShortest(Filling f, List<Standing> all, double room) {
    Said why = Said.of("plan.why.returns");
    Optional<Visit> shortest =
        all.stream()
            .flatMap(
                s ->
                    (s.isAtTarget()
                            ? visiting.upkeep(s, f.date(), room, Visit.SHORTEST_MIN, why)
                            : visiting.around(s, For.FIRST, f.date(), room, Visit.SHORTEST_MIN))
                        .stream())
            .filter(v -> !v.isShort())
            .min(Comparator.comparingDouble(Visit::minutes));
    return shortest.isPresent() && f.take(shortest.get());
  }

  private boolean takeUpkeep(Filling f, Standing s, double most, Said why, boolean isShort) {
    for (double less : new double[] {0, Arrangement.BREAK_MIN}) {
      double room = f.room() - less;
      Optional<Visit> v = visiting.upkeep(s, f.date(), room, Math.min(most, f.aim(room)), why);
      if (v.isPresent() && (isShort || !v.get().isShort()) && f.take(v.get())) {
        return true;
      }
    }
    return false;
  }

  // ---- what stands at its target -------------------------------------------------------------

  /** What stands at its target comes back, without crowding out what does not. */
  private void upkeep(Filling f) {
    boolean climbs = progress.standings().stream().anyMatch(s -> asks(s, f, For.FIRST));
    double most = climbs ? f.budget() * UPKEEP_SHARE : f.budget();
    double before = f.minutes();
    List<Standing> due =
        progress.standings().stream()
            .filter(s -> s.visitsToday() == 0 && s.upkeepIsDue(f.date()))
            .filter(s -> progress.open(s, f.date()) && !progress.movedAway(s, f.date()))
            .sorted(Comparator.comparingInt(s -> s.upkeepGap() - s.gap(f.date())))
            .toList();
    for (Standing s : due) {
      double left = most - (f.minutes() - before);
      if (s.visitsToday() == 0 && left >= Visit.SHORTEST_MIN) {
        takeUpkeep(f, s, left, Said.of("plan.why.upkeep", s.gap(f.date())), false);
      }
    }
  }

  /** Worth of a minute with a unit: date, distance, difficulty, the player's weight, the gap. */
  private double worth(Standing s, LocalDate day) {
    LocalDate end = day.isAfter(s.goal.ready()) ? s.goal.audition() : s.goal.ready();
    double days = Math.max(1, ChronoUnit.DAYS.between(day, end) + 1);
    double gap =
        1 + (Math.min(7, s.gap(day)) + Math.min(7, progress.passageGap(s.goal, day))) / 14.0;
    double minutes =
        Stages.minutes(
            Stages.whole(s.visitPlays()), s.ladder.seconds(s.unit.length(), s.open().perMinute()));
    return s.goal.weight()
        * s.unit.difficulty()
        * gap
        * (s.levelsLeft() / days)
        / Math.max(0.1, Math.min(minutes, Visit.LONGEST_MIN));
  }
}
