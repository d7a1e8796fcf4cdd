package fret.plan;

import fret.base.Said;
import fret.drill.DrillKind;
import fret.journal.JournalEntry;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import fret.tempo.Level;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** When a passage is played through as a whole, cold, and which of these are mock auditions. */
final class RunThroughs {
  private static final int[] MOCK_DAYS = {3, 7, 14};

  /** Days between run-throughs of what stands at its target before the ready date. */
  private static final int[] GAPS = {0, 2, 4, 8, 14};

  private final PlanRequest request;
  private final Progress progress;
  private final Map<String, LocalDate> last = new HashMap<>();
  private final Map<String, Integer> count = new HashMap<>();

  RunThroughs(PlanRequest request, Progress progress) {
    this.request = request;
    this.progress = progress;
    for (JournalEntry e : request.journal()) {
      if (PracticePlan.isRun(e.chunkId()) && e.date().isBefore(request.from())) {
        note(key(e.passageId(), e.chunkId()), e.date());
      }
    }
  }

  private static String key(long passage, String unit) {
    return passage + "/" + unit;
  }

  private static String key(Goal g) {
    return key(g.passageId(), g.id().run());
  }

  private void note(String key, LocalDate date) {
    last.put(key, date);
    count.merge(key, 1, Integer::sum);
  }

  /** Takes each passage that is due into a day, those first that were not for longest. */
  void fill(Filling f) {
    // Seeds that follow each other give alike beginnings: they are spread.
    Random random = new Random(f.date().toEpochDay() * 0x9E3779B97F4A7C15L);
    List<Goal> due = new ArrayList<>(request.goals());
    due.removeIf(g -> f.date().isAfter(g.audition()) || !runs(g, f.date()));
    Collections.shuffle(due, random);
    due.sort(Comparator.comparing(g -> last.getOrDefault(key(g), LocalDate.EPOCH)));
    for (Goal g : due) {
      if (f.takeCold(run(g, f.date()))) {
        note(key(g), f.date());
      }
    }
  }

  private Item run(Goal g, LocalDate date) {
    boolean upper = g.second() > 0 && count.getOrDefault(key(g), 0) % 2 == 1;
    Level level = upper ? Level.at(g.second()) : g.ladder().top();
    boolean mock = date.isAfter(g.ready()) && isMockDay(g, date);
    String why = movedTo(g, date) ? "plan.why.moved" : mock ? "plan.why.mock" : "plan.why.run";
    return new Item(
        mock ? Kind.MOCK : Kind.RUN_THROUGH,
        g.passageId(),
        g.id().run(),
        mock ? DrillKind.MOCK : DrillKind.RUN_THROUGH,
        level,
        1,
        Visit.minutes(1, g.seconds(g.wholeNotes(), level.perMinute())),
        1,
        Said.of(why));
  }

  /** Whether it is run through on a day, by the plan or because the player put it there. */
  private boolean runs(Goal g, LocalDate date) {
    boolean away = request.moves().stream().anyMatch(m -> m.from().equals(date) && isRun(m, g));
    return movedTo(g, date) && progress.learned(g).findAny().isPresent()
        || !away && isRunDay(g, date);
  }

  private boolean movedTo(Goal g, LocalDate date) {
    return request.moves().stream().anyMatch(m -> m.to().equals(date) && isRun(m, g));
  }

  private static boolean isRun(Move m, Goal g) {
    return m.passageId() == g.passageId() && m.unit().equals(g.id().run());
  }

  private boolean isRunDay(Goal g, LocalDate date) {
    if (progress.learned(g).findAny().isEmpty()) {
      return false;
    }
    if (date.isAfter(g.ready())) {
      return true;
    }
    // Before it, what stands at its target as a whole comes back after growing gaps.
    boolean whole = progress.learned(g).allMatch(Standing::isAtTarget);
    LocalDate before = last.get(key(g));
    int gap = GAPS[Math.min(GAPS.length - 1, count.getOrDefault(key(g), 0))];
    return whole && (before == null || !before.plusDays(gap).isAfter(date));
  }

  private static boolean isMockDay(Goal g, LocalDate date) {
    for (int days : MOCK_DAYS) {
      if (g.audition().minusDays(days).equals(date)) {
        return true;
      }
    }
    return false;
  }
}
