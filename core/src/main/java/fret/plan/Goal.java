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
      return excerpt.isEmpty() ? PracticePlan.WHOLE : PracticePlan.WHOLE + "-" + excerpt;
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

  /** The same with another ladder. */
  Goal with(Ladder other) {
    return new Goal(id, weight, ready, audition, target, other, units, wholeNotes, second);
  }

  /** The same with other units. */
  Goal with(List<Unit> other) {
    return new Goal(id, weight, ready, audition, target, ladder, other, wholeNotes, second);
  }

  /** The same with another weight. */
  Goal weighing(double other) {
    return new Goal(id, other, ready, audition, target, ladder, units, wholeNotes, second);
  }

  /** Seconds of so many whole notes at a level. */
  double seconds(double notes, double perMinute) {
    return notes * target.at(perMinute).wholeNoteMs() / 1000;
  }
}
