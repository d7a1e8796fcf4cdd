package fret.plan;

import fret.base.Said;
import fret.drill.DrillKind;
import fret.journal.JournalEntry;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/**
 * A new passage begins with a first reading: each section once near its target (common practice, no
 * source). What goes well there twice need not be climbed.
 */
final class Readings {
  /** Seconds of a section at its target, at most (from memory). */
  private static final double SECTION_S = 60;

  private static final int MOST_SECTIONS = 99;

  /** Beside what is not new it takes no more of a day than that. */
  private static final double SHARE = 0.5;

  private final PlanRequest request;

  /** How many sections of a passage that is being read were read. */
  private final Map<Goal.Id, Integer> read = new HashMap<>();

  Readings(PlanRequest request) {
    this.request = request;
    Set<String> tried = new HashSet<>();
    Map<String, Integer> sections = new HashMap<>();
    for (JournalEntry e : request.journal()) {
      if (e.date().isBefore(request.from())) {
        Part p = Part.of(e.chunkId());
        if (p.isReading()) {
          sections.merge(key(e.passageId(), p.unit()), p.part(), Math::max);
        } else {
          tried.add(key(e.passageId(), e.chunkId()));
        }
      }
    }
    for (Goal g : request.goals()) {
      Integer begun = sections.get(key(g.passageId(), g.id().reading()));
      boolean isNew =
          g.units().stream()
              .flatMap(u -> u.ids().stream())
              .noneMatch(id -> tried.contains(key(g.passageId(), id)));
      if (begun != null || isNew && !g.units().isEmpty()) {
        read.put(g.id(), begun == null ? 0 : begun);
      }
    }
  }

  private static String key(long passage, String unit) {
    return passage + "/" + unit;
  }

  /** Whether sections of a passage are still to be read before it is climbed. */
  boolean isOpen(Goal g) {
    return read.getOrDefault(g.id(), MOST_SECTIONS) < sections(g);
  }

  private static int sections(Goal g) {
    double seconds = g.seconds(g.wholeNotes(), g.target().perMinute());
    return (int) Math.max(1, Math.min(MOST_SECTIONS, Math.ceil(seconds / SECTION_S - 1e-9)));
  }

  /** Takes in what is to be read, in the order of the list. */
  void fill(Filling f, Progress progress) {
    boolean onlyNew = request.goals().stream().allMatch(this::isOpen);
    double most = onlyNew ? f.budget() : f.budget() * SHARE;
    for (Goal g : request.goals()) {
      boolean taken = !f.date().isAfter(g.audition()) && progress.isRead(g, f.date());
      while (taken && isOpen(g)) {
        Item section = section(g, read.get(g.id()) + 1);
        taken = f.readMinutes() + section.minutes() <= most && f.takeReading(section);
        if (taken) {
          read.merge(g.id(), 1, Integer::sum);
          progress.touch(g.passageId(), f.date());
        }
      }
    }
  }

  private static Item section(Goal g, int which) {
    int of = sections(g);
    double seconds = g.seconds(g.wholeNotes() / of, g.target().perMinute());
    return new Item(
        Kind.RUN_THROUGH,
        g.passageId(),
        new Part(g.id().reading(), which, of).id(),
        DrillKind.FIRST_READING,
        g.ladder().top(),
        1,
        Stages.minutes(1, seconds),
        1,
        0,
        of == 1 ? Said.of("plan.why.read") : Said.of("plan.why.read-part", which, of));
  }
}
