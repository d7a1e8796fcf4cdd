package fret.plan;

import fret.journal.JournalEntry;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
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
    read(before);
    before.forEach(e -> lastTouched.put(e.passageId(), e.date()));
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
                plays.get(AtPace.key(g, u))));
      }
    }
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

  /** The units of a passage, also those that wait. */
  Stream<Standing> learned(Goal g) {
    return standings.stream().filter(s -> s.goal.id().equals(g.id()));
  }

  /** Whether anything of a passage waits on a day. */
  boolean waits(Goal g, LocalDate date) {
    return g.units().stream().anyMatch(u -> u.waitsOn(date));
  }

  /** Whether a unit may be practised on a day. */
  boolean open(Standing s, LocalDate date) {
    return !s.unit.waitsOn(date) && !date.isAfter(s.goal.audition());
  }

  /** Whether one that is below its target may still climb today. */
  boolean mayClimb(Standing s, LocalDate date) {
    return s.visitsToday() < 2
        && s.closedToday() < Visit.mostLevels(s, date, request.rules().climb());
  }

  boolean movedAway(Standing s, LocalDate date) {
    return request.moves().stream()
        .anyMatch(
            m ->
                m.from().equals(date)
                    && m.passageId() == s.goal.passageId()
                    && m.unit().equals(s.unit.id()));
  }

  void touch(long passage, LocalDate date) {
    lastTouched.put(passage, date);
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
        standings.set(
            i,
            new Standing(
                s.goal,
                s.unit,
                request.journal(),
                request.rules().gate().cleanNeeded(),
                plays.get(AtPace.key(s.goal, s.unit))));
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
