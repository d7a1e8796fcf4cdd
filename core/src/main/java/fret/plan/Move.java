package fret.plan;

import java.time.LocalDate;
import java.util.Objects;

/**
 * The player put a chunk on another day.
 *
 * @param unit id of the chunk; empty for a run-through
 */
public record Move(long passageId, String unit, LocalDate from, LocalDate to) {
  public Move {
    Objects.requireNonNull(unit);
    Objects.requireNonNull(from);
    Objects.requireNonNull(to);
  }
}
