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

/**
 * When a passage is played through as a whole, cold, and which of these are mock auditions. One
 * that is longer than its day is played in parts, on days that follow.
 */
final class RunThroughs {
  private static final int[] MOCK_DAYS = {3, 7, 14};

  /** Days between run-throughs of what stands at its target before the ready date. */
  private static final int[] GAPS = {0, 2, 4, 8, 14};

  /** Most parts of one; a day that is too short even for such a part has none. */
  private static final int MOST_PARTS = 12;

  private final PlanRequest request;
  private final Progress progress;
  private final Map<String, LocalDate> last = new HashMap<>();
  private final Map<String, Integer> count = new HashMap<>();

  /** How much was played of a run-through that is not at its end. */
  private final Map<String, Double> begun = new HashMap<>();

  RunThroughs(PlanRequest request, Progress progress) {
    this.request = request;
    this.progress = progress;
    for (JournalEntry e : request.journal()) {
      if (e.date().isBefore(request.from())) {
        Part p = Part.of(e.chunkId());
        if (p.isRun()) {
          note(key(e.passageId(), p.unit()), p, e.date());
        }
      }
    }
  }

  private static String key(long passage, String unit) {
    return passage + "/" + unit;
  }

  private static String key(Goal g) {
    return key(g.passageId(), g.id().run());
  }

  private void note(String key, Part part, LocalDate date) {
    last.put(key, date);
    if (part.isLast()) {
      begun.remove(key);
      count.merge(key, 1, Integer::sum);
    } else {
      begun.merge(key, part.end(), Math::max);
    }
  }

  /** Takes each passage that is due into a day, those first that were not for longest. */
  void fill(Filling f) {
    // Seeds that follow each other give alike beginnings: they are spread.
    Random random = new Random(f.date().toEpochDay() * 0x9E3779B97F4A7C15L);
    List<Goal> due = new ArrayList<>(request.goals());
    due.removeIf(g -> !runs(g, f.date()));
    Collections.shuffle(due, random);
    due.sort(Comparator.comparing(g -> last.getOrDefault(key(g), LocalDate.EPOCH)));
    due.forEach(g -> run(g, f));
  }

  /** Whether a passage is run through on a day. */
  boolean runs(Goal g, LocalDate date) {
    return !date.isAfter(g.audition())
        && !date.equals(last.get(key(g)))
        && isOpen(g, date)
        && isAsked(g, date);
  }

  /** Whether it may be run through at all: it is learned and nothing of it waits. */
  boolean mayRun(Goal g, LocalDate date) {
    return !date.isAfter(g.audition())
        && isOpen(g, date)
        && progress.learned(g).allMatch(Standing::isAtTarget);
  }

  private boolean isOpen(Goal g, LocalDate date) {
    // Bars that wait are not played with the rest either.
    return !progress.waits(g, date) && progress.learned(g).findAny().isPresent();
  }

  /** Takes a passage into a day, in parts where it is longer; whether anything was taken. */
  boolean run(Goal g, Filling f) {
    int parts = parts(g, f);
    boolean any = false;
    boolean goesOn = true;
    while (goesOn) {
      Part part = next(g, parts);
      boolean taken = f.takeCold(run(g, part, f.date()));
      if (taken) {
        note(key(g), part, f.date());
        progress.runThrough(g, f.date());
      }
      any |= taken;
      goesOn = taken && !part.isLast();
    }
    return any;
  }

  /** In how many equal parts it is to be played so that each fits a day that has nothing else. */
  private int parts(Goal g, Filling f) {
    int parts = 1;
    while (parts < MOST_PARTS && !f.holdsAlone(run(g, next(g, parts), f.date()))) {
      parts++;
    }
    return parts;
  }

  /** The part in which what is not played yet begins; parts of another day may overlap a little. */
  private Part next(Goal g, int parts) {
    int played = (int) Math.floor(begun.getOrDefault(key(g), 0.0) * parts + 1e-9);
    return new Part(g.id().run(), Math.min(played, parts - 1) + 1, parts);
  }

  private Item run(Goal g, Part part, LocalDate date) {
    boolean upper = g.second() > 0 && count.getOrDefault(key(g), 0) % 2 == 1;
    Level level = upper ? Level.at(g.second()) : g.ladder().top();
    boolean mock = date.isAfter(g.ready()) && isMockDay(g, date);
    String why = movedTo(g, date) ? "plan.why.moved" : mock ? "plan.why.mock" : "plan.why.run";
    return new Item(
        mock ? Kind.MOCK : Kind.RUN_THROUGH,
        g.passageId(),
        part.id(),
        mock ? DrillKind.MOCK : DrillKind.RUN_THROUGH,
        level,
        1,
        Stages.minutes(1, g.seconds(g.wholeNotes() / part.of(), level.perMinute())),
        1,
        0,
        part.isWhole() ? Said.of(why) : part.told());
  }

  /** Whether it is run through on a day, by the plan or because the player put it there. */
  private boolean isAsked(Goal g, LocalDate date) {
    boolean away = request.moves().stream().anyMatch(m -> m.from().equals(date) && isRun(m, g));
    return movedTo(g, date) || !away && isRunDay(g, date);
  }

  private boolean movedTo(Goal g, LocalDate date) {
    return request.moves().stream().anyMatch(m -> m.to().equals(date) && isRun(m, g));
  }

  private static boolean isRun(Move m, Goal g) {
    return m.passageId() == g.passageId() && Part.of(m.unit()).unit().equals(g.id().run());
  }

  private boolean isRunDay(Goal g, LocalDate date) {
    if (date.isAfter(g.ready()) || begun.containsKey(key(g))) {
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
