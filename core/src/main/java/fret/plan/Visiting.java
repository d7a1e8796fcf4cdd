package fret.plan;

import fret.base.Said;
import fret.drill.Approach;
import fret.drill.DrillKind;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Makes visits around a unit: what it asks for; then its neighbours, until the visit is as long as
 * is wanted; then, where that is short, one more set at the level closed last, and what stands at
 * its target a little early.
 */
final class Visiting {
  /** What a visit is made for. */
  enum For {
    /** What is below its target or due, each unit once a day. */
    FIRST,
    /** The same for units that were there today. */
    SECOND,
    /** What was closed today once more. */
    AGAIN
  }

  private static final double FULL = 0.9;

  private final Progress progress;
  private final Stages stages;

  Visiting(PlanRequest.Rules rules, Progress progress) {
    this.progress = progress;
    this.stages = new Stages(rules, progress.dose());
  }

  /**
   * A visit; empty where its unit asks for nothing that fits.
   *
   * @param room minutes there are
   * @param aim minutes from which on no neighbour is added
   */
  Optional<Visit> around(Standing seed, For what, LocalDate day, double room, double aim) {
    boolean isLong = seed.unit.approach() == Approach.LEVELS_LONG;
    double most = Math.min(isLong ? Visit.LONG_MIN : Visit.LONGEST_MIN, room);
    Draft d = new Draft(seed, what, day, most);
    if (!d.begin()) {
      return Optional.empty();
    }
    d.growTo(Math.max(Visit.SHORTEST_MIN, Math.min(aim, most)));
    return Optional.of(d.visit());
  }

  /** A visit for the sake of what stands at its target, which may come before it is due. */
  Optional<Visit> upkeep(Standing seed, LocalDate day, double room, double aim, Said why) {
    double most = Math.min(Visit.LONGEST_MIN, room);
    Draft d = new Draft(seed, For.FIRST, day, most);
    Optional<Stage> first = Stages.upkeep(seed, most, why);
    if (first.isEmpty()) {
      return Optional.empty();
    }
    d.put(seed, List.of(first.get()));
    d.growTo(Math.max(Visit.SHORTEST_MIN, Math.min(aim, most)));
    return Optional.of(d.visit());
  }

  private final class Draft {
    private final Standing seed;
    private final For what;
    private final LocalDate day;
    private final double most;
    private final List<Standing> units;
    private final Map<Standing, List<Stage>> parts = new HashMap<>();
    private double minutes;
    private int low;
    private int high;
    private boolean isCut;

    Draft(Standing seed, For what, LocalDate day, double most) {
      this.seed = seed;
      this.what = what;
      this.day = day;
      this.most = most;
      this.units = progress.neighbours(seed);
      this.low = progress.chunkBefore(seed);
      this.high = progress.chunkAfter(seed);
    }

    /** The unit itself, cut where it must be. */
    boolean begin() {
      List<Stage> own = asked(seed, most, true);
      if (!own.isEmpty()) {
        put(seed, own);
      }
      return !own.isEmpty();
    }

    private List<Stage> asked(Standing s, double room, boolean cut) {
      if (what == For.AGAIN) {
        boolean may = s.visitsToday() == 1 && s.closedToday() > 0 && !s.isAtTarget();
        return may ? Stages.again(s, s.closed(), room).map(List::of).orElse(List.of()) : List.of();
      }
      if (what == For.FIRST && s.visitsToday() > 0) {
        return List.of();
      }
      if (s.isAtTarget()) {
        return s.visitsToday() == 0 && s.upkeepIsDue(day) ? upkeepOf(s, room) : List.of();
      }
      if (s.isHalfRead()) {
        return s.gap(day) > 0
            ? Stages.secondReading(s, room).map(List::of).orElse(List.of())
            : List.of();
      }
      return progress.mayClimb(s, day) && progress.mayBegin(s, parts.keySet(), day)
          ? climbing(s, room, cut)
          : List.of();
    }

    private List<Stage> upkeepOf(Standing s, double room) {
      return Stages.upkeep(s, room, Said.of("plan.why.upkeep", s.gap(day)))
          .map(List::of)
          .orElse(List.of());
    }

    /** With its drill, whole or else cut; without where that does not fit. */
    private List<Stage> climbing(Standing s, double room, boolean cut) {
      // What stalls or breaks is not played on without its drill: it has a visit of its own.
      boolean must = !cut && needsItsDrill(s);
      for (boolean drill : must ? new boolean[] {true} : new boolean[] {true, false}) {
        List<Stage> made = stages.climbing(s, day, room, drill, false);
        if (made.isEmpty() && cut) {
          made = stages.climbing(s, day, room, drill, true);
        }
        if (!made.isEmpty() && !isDrilled(s, made.get(0).item().drill())) {
          return made;
        }
      }
      return List.of();
    }

    private boolean needsItsDrill(Standing s) {
      return s.isStalled() || s.breaks().isPresent();
    }

    /** Whether the visit has the same drill for the same notes already: a spot is in its chunk. */
    private boolean isDrilled(Standing s, DrillKind kind) {
      return kind != DrillKind.STRAIGHT
          && parts.entrySet().stream()
              .filter(e -> e.getKey() != s)
              .filter(e -> progress.chunkBefore(e.getKey()) == progress.chunkBefore(s))
              .anyMatch(e -> e.getValue().get(0).item().drill() == kind);
    }

    void put(Standing s, List<Stage> made) {
      parts.put(s, made);
      minutes += Stages.minutes(made);
      low = Math.min(low, progress.chunkBefore(s));
      high = Math.max(high, progress.chunkAfter(s));
      isCut |= made.stream().anyMatch(Stage::isCut);
    }

    void growTo(double aim) {
      neighbours(aim);
      if (!isCut && (minutes < FULL * aim || minutes < Visit.SHORTEST_MIN - Visit.EPS)) {
        cutOne();
      }
      if (minutes < Visit.SHORTEST_MIN - Visit.EPS) {
        onceMore();
      }
      if (minutes < Visit.SHORTEST_MIN - Visit.EPS && what != For.AGAIN) {
        early();
      }
    }

    private void neighbours(double aim) {
      for (Standing s : nearest()) {
        if (minutes >= aim - Visit.EPS) {
          return;
        }
        if (mayJoin(s)) {
          List<Stage> made = asked(s, most - minutes, false);
          if (isWithinDose(made) && !made.isEmpty()) {
            put(s, made);
          }
        }
      }
    }

    /** What is left of the visit is filled with the beginning of a further level. */
    private void cutOne() {
      if (what != For.AGAIN && !seed.isAtTarget() && !seed.isHalfRead()) {
        List<Stage> own = parts.get(seed);
        double room = most - minutes + Stages.minutes(own);
        List<Stage> more =
            stages.climbing(seed, day, room, own.get(0).item().drill() != DrillKind.STRAIGHT, true);
        if (more.size() > own.size()) {
          minutes -= Stages.minutes(own);
          put(seed, more);
          return;
        }
      }
      for (Standing s : nearest()) {
        boolean climbs =
            what != For.AGAIN && !s.isAtTarget() && !s.isHalfRead() && !needsItsDrill(s);
        boolean first = what == For.SECOND || s.visitsToday() == 0;
        boolean may = progress.mayClimb(s, day) && progress.mayBegin(s, parts.keySet(), day);
        if (climbs && first && may && mayJoin(s)) {
          List<Stage> made = stages.climbing(s, day, most - minutes, false, true);
          if (!made.isEmpty()) {
            put(s, made);
            return;
          }
        }
      }
    }

    private boolean isWithinDose(List<Stage> made) {
      double more = stretches(made);
      double sum = more + parts.values().stream().mapToDouble(Draft.this::stretches).sum();
      return more == 0 || sum <= progress.dose().left(day) + Visit.EPS;
    }

    private double stretches(List<Stage> made) {
      double sum = 0;
      for (Stage s : made) {
        sum += s.item().drill().stretches() ? s.minutes() : 0;
      }
      return sum;
    }

    /** One more set each at the level closed last. */
    private void onceMore() {
      for (Standing s : inOrder()) {
        if (minutes >= Visit.SHORTEST_MIN - Visit.EPS) {
          return;
        }
        List<Stage> now = parts.get(s);
        boolean may = now.stream().noneMatch(x -> x.isCut() || x.isAgain());
        if (what == For.AGAIN || !may) {
          continue;
        }
        Stages.again(s, closedAfter(s, now), most - minutes)
            .ifPresent(
                more -> {
                  List<Stage> all = new ArrayList<>(now);
                  all.add(more);
                  parts.put(s, all);
                  minutes += more.minutes();
                });
      }
    }

    private int closedAfter(Standing s, List<Stage> now) {
      return s.closed() + (int) now.stream().filter(Stage::closes).count();
    }

    private void early() {
      for (Standing s : nearest()) {
        if (minutes >= Visit.SHORTEST_MIN - Visit.EPS) {
          return;
        }
        boolean may = s.visitsToday() == 0 && s.upkeepMayCome(day) && mayJoin(s);
        List<Stage> made = may ? upkeepOf(s, most - minutes) : List.of();
        if (!made.isEmpty()) {
          put(s, made);
        }
      }
      onceMore();
    }

    /** Whether a unit may be in it: not yet there, open, and near enough. */
    private boolean mayJoin(Standing s) {
      int from = Math.min(low, progress.chunkBefore(s));
      int to = Math.max(high, progress.chunkAfter(s));
      return !parts.containsKey(s)
          && to - from < Visit.MOST_CHUNKS
          && progress.open(s, day)
          && !progress.movedAway(s, day)
          && !s.unit.approach().isByLevels();
    }

    /** The units around the seed, the nearest first, of equally near ones the later. */
    private List<Standing> nearest() {
      List<Standing> all = new ArrayList<>();
      int at = seed.place();
      for (int by = 1; by < units.size(); by++) {
        if (at + by < units.size() && near(units.get(at + by))) {
          all.add(units.get(at + by));
        }
        if (at - by >= 0 && near(units.get(at - by))) {
          all.add(units.get(at - by));
        }
      }
      return all;
    }

    private boolean near(Standing s) {
      return progress.chunkAfter(s) - low < Visit.MOST_CHUNKS
          && high - progress.chunkBefore(s) < Visit.MOST_CHUNKS;
    }

    /** As they stand in the part, a join after both of its chunks. */
    private List<Standing> inOrder() {
      return parts.keySet().stream()
          .sorted(
              Comparator.comparingInt(
                      (Standing s) ->
                          s.unit.kind() == Unit.Kind.JOIN
                              ? 2 * progress.chunkAfter(s) + 1
                              : 2 * progress.chunkBefore(s))
                  .thenComparingInt(Standing::place))
          .toList();
    }

    Visit visit() {
      List<Stage> all = new ArrayList<>();
      List<Stage> last = new ArrayList<>();
      for (Standing s : inOrder()) {
        List<Stage> made = parts.get(s);
        (made.stream().anyMatch(Stage::isCut) ? last : all).addAll(made);
      }
      all.addAll(last);
      return new Visit(seed, all);
    }
  }
}
