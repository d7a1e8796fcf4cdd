package fret.plan;

import fret.tempo.Ladder;
import fret.tempo.Tempo;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;

/**
 * A passage that is to be ready by a date.
 *
 * @param weight of it for the player, 1 for the usual
 * @param ready last day of learning
 * @param audition the day it is for
 * @param wholeNotes length of a run-through
 * @param second further tempo at which it is run through, such as the upper end of a range; 0 for
 *     none
 */
public record Goal(
    long passageId,
    double weight,
    LocalDate ready,
    LocalDate audition,
    Tempo target,
    Ladder ladder,
    List<Unit> units,
    double wholeNotes,
    double second) {
  public Goal {
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

  /** Seconds of so many whole notes at a level. */
  double seconds(double notes, double perMinute) {
    return notes * target.at(perMinute).wholeNoteMs() / 1000;
  }
}
