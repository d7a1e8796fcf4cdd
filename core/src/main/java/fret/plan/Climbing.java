package fret.plan;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.Optional;
import java.util.PriorityQueue;

/** Fills days with what is below its target, what is worth most a minute first. */
final class Climbing {
  private final PlanRequest.Rules rules;
  private final Progress progress;

  Climbing(PlanRequest.Rules rules, Progress progress) {
    this.rules = rules;
    this.progress = progress;
  }

  /** A visit that may come next; of equal worth the one of the earlier unit. */
  private record Candidate(Visit visit, double worth, int order) {}

  /** What a day is filled with, one after the other. */
  enum Turn {
    /** Something below its target that was not there today. */
    FIRST,
    /** The same once more, further up. */
    SECOND,
    /** What was closed today once more, where nothing else may. */
    AGAIN
  }

  /** Fills the day with what is below its target. */
  void fill(Filling f, Turn turn) {
    PriorityQueue<Candidate> waiting =
        new PriorityQueue<>(
            Comparator.comparingDouble((Candidate c) -> -c.worth())
                .thenComparing(Candidate::order));
    for (int i = 0; i < progress.standings().size(); i++) {
      Standing s = progress.standings().get(i);
      if (progress.open(s, f.date()) && !progress.movedAway(s, f.date())) {
        offer(waiting, f, turn, i);
      }
    }
    while (!waiting.isEmpty()) {
      Candidate c = waiting.remove();
      double now = worth(c.visit(), f.date());
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
    Standing s = progress.standings().get(which);
    boolean may =
        switch (turn) {
          case FIRST -> !s.isAtTarget() && s.visitsToday() == 0;
          case SECOND -> !s.isAtTarget() && progress.mayClimb(s, f.date());
          case AGAIN -> mayComeAgain(s);
        };
    if (may) {
      visit(s, f, turn, f.room())
          .ifPresent(v -> waiting.add(new Candidate(v, worth(v, f.date()), which)));
    }
  }

  private static boolean mayComeAgain(Standing s) {
    return s.visitsToday() == 1 && s.closedToday() > 0;
  }

  private Optional<Visit> visit(Standing s, Filling f, Turn turn, double room) {
    int levels = Visit.mostLevels(s, f.date(), rules.climb()) - s.closedToday();
    return turn == Turn.AGAIN
        ? Visit.again(s, room)
        : Visit.climbing(s, f.date(), room, levels, true, progress.dose());
  }

  /**
   * What fits by now: the room has become smaller, and it may have to hold a break or, on an empty
   * day, the warm-up too.
   */
  private boolean takeShorter(Standing s, Filling f, Turn turn) {
    double spare = f.arranged().isEmpty() ? f.warmUpMinutes() : 0;
    for (double less : new double[] {0, spare, spare + Arrangement.BREAK_MIN}) {
      double room = f.room() - less - 1e-9;
      Optional<Visit> v =
          visit(s, f, turn, room)
              .or(
                  () ->
                      turn == Turn.AGAIN
                          ? Optional.empty()
                          : Visit.climbing(s, f.date(), room, 1, false, progress.dose()));
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
    double days = Math.max(1, ChronoUnit.DAYS.between(day, end) + 1);
    double gap =
        1 + (Math.min(7, s.gap(day)) + Math.min(7, progress.passageGap(s.goal, day))) / 14.0;
    return s.goal.weight()
        * s.unit.difficulty()
        * gap
        * (s.levelsLeft() / days)
        / Math.max(0.1, v.straightMinutes());
  }
}
