package fret.plan;

import fret.base.Said;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A run-through, or a part of one that is longer than its day.
 *
 * @param run id of the run-through, see {@link Goal.Id#run}
 * @param part which of the parts, from 1; they are equally long
 * @param of how many parts there are; 1 for a run-through in one go
 */
public record RunPart(String run, int part, int of) {
  private static final Pattern ID =
      Pattern.compile("(" + PracticePlan.WHOLE + "(?:-[^:]*)?)(?::([1-9]\\d?)of([1-9]\\d?))?");

  public RunPart {
    Objects.requireNonNull(run);
    if (part < 1 || part > of) {
      throw new IllegalArgumentException("part " + part + " of " + of);
    }
  }

  /** What an id of the plan or of the record means; empty where it is no run-through's. */
  public static Optional<RunPart> of(String unit) {
    Matcher m = ID.matcher(unit);
    if (!m.matches()) {
      return Optional.empty();
    }
    int part = m.group(2) == null ? 1 : Integer.parseInt(m.group(2));
    int of = m.group(3) == null ? 1 : Integer.parseInt(m.group(3));
    return part > of ? Optional.empty() : Optional.of(new RunPart(m.group(1), part, of));
  }

  /** Id under which it is planned and kept. */
  public String id() {
    return of == 1 ? run : run + ":" + part + "of" + of;
  }

  /** Whether the run-through ends with it. */
  public boolean isLast() {
    return part == of;
  }

  /** How much of the run-through is played when it ends, from above 0 to 1. */
  double end() {
    return (double) part / of;
  }

  /** What is told of it where it is no run-through in one go. */
  Optional<Said> told() {
    return of == 1 ? Optional.empty() : Optional.of(Said.of("plan.why.run-part", part, of));
  }
}
