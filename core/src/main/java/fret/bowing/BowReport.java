package fret.bowing;

import java.util.List;
import java.util.Objects;

/**
 * All that is told of a bowing beside its strokes.
 *
 * @param warnings in order of time
 * @param path the arm's own way
 */
public record BowReport(
    List<BowWarning> warnings, List<Drift> drifts, List<Crossing> crossings, ArmPath path) {
  public BowReport {
    warnings = List.copyOf(warnings);
    drifts = List.copyOf(drifts);
    crossings = List.copyOf(crossings);
    Objects.requireNonNull(path);
  }

  /** The report on a bowing of a task. */
  public static BowReport of(Bowing bowing, BowTask task, ArmPath.Manner manner) {
    return new BowReport(
        BowWarning.of(bowing, task),
        Drift.of(bowing, task.bow().hairCm(), task.preset()),
        Crossing.of(bowing, task.bow()),
        ArmPath.of(bowing.moments(), task.bow(), manner));
  }

  /** Warnings that concern a stroke. */
  public List<BowWarning> at(Stroke stroke) {
    return warnings.stream().filter(w -> stroke.has(w.moment())).toList();
  }
}
