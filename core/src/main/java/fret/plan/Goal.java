package fret.plan;

import fret.tempo.Ladder;
import fret.tempo.Tempo;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;

/**
 * A passage, or an excerpt of it, that is to be ready by a date.
 *
 * @param weight of it for the player, 1 for the usual
 * @param ready last day of learning
 * @param audition the day it is for
 * @param wholeNotes length of a run-through
 * @param second further tempo at which it is run through, such as the upper end of a range; 0 for
 *     none
 */
public record Goal(
    Id id,
    double weight,
    LocalDate ready,
    LocalDate audition,
    Tempo target,
    Ladder ladder,
    List<Unit> units,
    double wholeNotes,
    double second) {
  /**
   * Which goal it is.
   *
   * @param excerpt id of the excerpt; empty for the passage as a whole
   */
  public record Id(long passage, String excerpt) {
    public Id {
      Objects.requireNonNull(excerpt);
    }

    /** A passage as a whole. */
    public static Id of(long passage) {
      return new Id(passage, "");
    }

    /** Id under which a run-through is kept. */
    public String run() {
      return named(PracticePlan.WHOLE);
    }

    /** Id under which its first reading is kept. */
    public String reading() {
      return named(PracticePlan.READING);
    }

    private String named(String what) {
      return excerpt.isEmpty() ? what : what + "-" + excerpt;
    }
  }

  public Goal {
    Objects.requireNonNull(id);
    Objects.requireNonNull(target);
    Objects.requireNonNull(ladder);
    units = List.copyOf(units);
    if (ready.isAfter(audition)) {
      throw new IllegalArgumentException("ready on " + ready + ", after " + audition);
    }
    if (!(weight > 0)) {
      throw new IllegalArgumentException("weight " + weight);
    }
  }

  public long passageId() {
    return id.passage();
  }

  /** The same with its first levels only, those of its units up to the same share of the target. */
  Goal upTo(int size) {
    double share = ladder.levels().get(size - 1).perMinute() / ladder.target();
    List<Unit> less = units.stream().map(u -> upTo(u, share)).toList();
    return new Goal(
        id, weight, ready, audition, target, ladder.upTo(size), less, wholeNotes, second);
  }

  private static Unit upTo(Unit u, double share) {
    return u.ladder()
        .filter(l -> !l.isSlow())
        .map(
            l -> {
              double most = share * l.target() * (1 + 1e-9);
              long size = l.levels().stream().filter(x -> x.perMinute() <= most).count();
              return u.with(l.upTo((int) Math.max(1, size)));
            })
        .orElse(u);
  }

  /** The same with other units. */
  Goal with(List<Unit> other) {
    return new Goal(id, weight, ready, audition, target, ladder, other, wholeNotes, second);
  }

  /** The same with another weight. */
  Goal weighing(double other) {
    return new Goal(id, other, ready, audition, target, ladder, units, wholeNotes, second);
  }

  /** The ladder of one of its units. */
  public Ladder ladder(Unit u) {
    return u.ladder().orElse(ladder);
  }

  /** Seconds of a run-through, or of a part of it, at a rate of the target's value. */
  double seconds(double notes, double perMinute) {
    return notes * target.at(perMinute).wholeNoteMs() / 1000;
  }
}
