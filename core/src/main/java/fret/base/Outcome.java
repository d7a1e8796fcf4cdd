package fret.base;

import java.util.List;
import java.util.Objects;

/**
 * A value together with the problems met on the way to it.
 *
 * @param value the result, never null
 * @param problems in the order in which they were met
 */
public record Outcome<T>(T value, List<Problem> problems) {
  public Outcome {
    Objects.requireNonNull(value);
    problems = List.copyOf(problems);
  }
}
