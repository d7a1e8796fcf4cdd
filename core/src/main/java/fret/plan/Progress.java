package fret.plan;

import fret.journal.JournalEntry;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** How far everything stands while the days of a plan are laid out one after the other. */
final class Progress {
  private static final long NEW = 7;

  private final PlanRequest request;
  private final Map<String, double[]> plays;
  private final List<Standing> standings = new ArrayList<>();
  private final Map<Goal.Id, LocalDate> atTarget = new HashMap<>();
  private final Map<Long, LocalDate> lastTouched = new HashMap<>();
  private final StretchDose dose;
  private final Readings readings;

  /** Where the units of each goal begin among all, and behind which they end. */
  private final Map<Goal.Id, int[]> bounds = new HashMap<>();

  private final Map<Goal.Id, Neighbours> neighbours = new HashMap<>();

  /**
   * @param plays of each level of some units, by the key of {@link Forecast}, in place of those
   *     expected of the chance
   */
  Progress(PlanRequest request, Map<String, double[]> plays) {
    this.request = request;
    this.plays = plays;
    List<JournalEntry> before =
        request.journal().stream().filter(e -> e.date().isBefore(request.from())).toList();
    dose = new StretchDose(before, request.rules().easing().stretches());
    readings = new Readings(request);
    read(before);
    before.forEach(e -> lastTouched.put(e.passageId(), e.date()));
  }

  private void read(List<JournalEntry> journal) {
    Map<Long, List<JournalEntry>> byPassage = new HashMap<>();
    for (JournalEntry e : journal) {
      byPassage.computeIfAbsent(e.passageId(), p -> new ArrayList<>()).add(e);
    }
    for (Goal g : request.goals()) {
      int from = standings.size();
      for (int i = 0; i < g.units().size(); i++) {
        standings.add(standing(g, i, byPassage.getOrDefault(g.passageId(), List.of())));
      }
      bounds.put(g.id(), new int[] {from, standings.size()});
      neighbours.put(g.id(), Neighbours.of(g.units()));
    }
  }

  private Standing standing(Goal g, int place, List<JournalEntry> journal) {
    return new Standing(
        g,
        place,
        journal,
        request.rules().gate().cleanNeeded(),
        plays.get(AtPace.key(g, g.units().get(place))));
  }

  /** The units of the goal of one, in the order of the part. */
  List<Standing> neighbours(Standing s) {
    int[] at = bounds.get(s.goal.id());
    return standings.subList(at[0], at[1]);
  }

  /** Which chunk of its goal a unit belongs to; of a join the one before it. */
  int chunkBefore(Standing s) {
    return neighbours.get(s.goal.id()).before(s.place());
  }

  /** The same, of a join the one after it. */
  int chunkAfter(Standing s) {
    return neighbours.get(s.goal.id()).after(s.place());
  }

  List<Standing> standings() {
    return standings;
  }

  /** What is left of the hand's stretching. */
  StretchDose dose() {
    return dose;
  }

  /** Since when each passage stands at its target. */
  Map<Goal.Id, LocalDate> atTarget() {
    return atTarget;
  }

  Goal goal(long passage) {
    return request.goals().stream().filter(g -> g.passageId() == passage).findFirst().orElseThrow();
  }

  /**
   * Whether a unit may be begun: a join when both of its chunks were, as there is nothing to join
   * before.
   *
   * @param now units that are begun with it
   */
  boolean mayBegin(Standing s, Set<Standing> now, LocalDate date) {
    return s.unit.kind() != Unit.Kind.JOIN
        || !s.wasNew()
        || neighbours.get(s.goal.id()).chunksOf(s.place()).stream()
            .map(neighbours(s)::get)
            .allMatch(c -> !c.wasNew() || now.contains(c) || c.unit.waitsOn(date));
  }

  /** The units of a passage, also those that wait. */
  Stream<Standing> learned(Goal g) {
    int[] at = bounds.get(g.id());
    return standings.subList(at[0], at[1]).stream();
  }

  /** Whether anything of a passage waits on a day. */
  boolean waits(Goal g, LocalDate date) {
    return g.units().stream().anyMatch(u -> u.waitsOn(date));
  }

  /** Whether a unit may be practised on a day. */
  boolean open(Standing s, LocalDate date) {
    return !s.unit.waitsOn(date) && !date.isAfter(s.goal.audition()) && !isRead(s.goal, date);
  }

  /** Whether a passage is new and is read before it is climbed; what waits is not read. */
  boolean isRead(Goal g, LocalDate date) {
    return readings.isOpen(g) && !waits(g, date) && isUntouched(g);
  }

  private boolean isUntouched(Goal g) {
    return learned(g).allMatch(Standing::isNew);
  }

  /** What is new and is read before it is climbed. */
  Readings readings() {
    return readings;
  }

  /** Whether one that is below its target may still climb today. */
  boolean mayClimb(Standing s, LocalDate date) {
    return s.visitsToday() < 2
        && s.closedToday() < Stages.mostLevels(s, date, request.rules().climb());
  }

  boolean movedAway(Standing s, LocalDate date) {
    return request.moves().stream()
        .anyMatch(
            m ->
                m.from().equals(date)
                    && m.passageId() == s.goal.passageId()
                    && m.unit().equals(s.unit.id()));
  }

  /** The whole of it was played. */
  void runThrough(Goal g, LocalDate date) {
    learned(g).forEach(s -> s.runThrough(date));
    touch(g.passageId(), date);
  }

  void touch(long passage, LocalDate date) {
    lastTouched.put(passage, date);
  }

  /** When anything of a passage was last played; empty for one that is new. */
  Optional<LocalDate> touched(long passage) {
    return Optional.ofNullable(lastTouched.get(passage));
  }

  /** Days since anything of a passage was played; a week for one that is new. */
  long passageGap(Goal g, LocalDate day) {
    LocalDate last = lastTouched.get(g.passageId());
    return last == null ? NEW : Math.max(0, ChronoUnit.DAYS.between(last, day));
  }

  /** What was practised on the first day already stands as the record says, not as expected. */
  void followToday() {
    Set<String> done = new HashSet<>();
    request.journal().stream()
        .filter(e -> e.date().equals(request.from()))
        .forEach(e -> done.add(e.passageId() + "/" + e.chunkId()));
    for (int i = 0; i < standings.size(); i++) {
      Standing s = standings.get(i);
      boolean any =
          s.unit.ids().stream().anyMatch(id -> done.contains(s.goal.passageId() + "/" + id));
      if (any) {
        standings.set(i, standing(s.goal, s.place(), request.journal()));
      }
    }
  }

  /** Notes what stands at its target as a whole, or does no more. */
  void noteTargets(LocalDate date) {
    for (Goal g : request.goals()) {
      boolean all = learned(g).allMatch(Standing::isAtTarget);
      if (all) {
        atTarget.putIfAbsent(g.id(), date);
      } else {
        atTarget.remove(g.id());
      }
    }
  }
}
