package fret.bowing;

import java.util.List;
import java.util.Objects;

/**
 * All that is told of a bowing beside its strokes.
 *
 * @param warnings in order of time
 * @param swings notes to and fro between two strings
 * @param path the arm's own way
 */
public record BowReport(
    List<BowWarning> warnings,
    List<Drift> drifts,
    List<Crossing> crossings,
    List<Swing> swings,
    BowCounts counts,
    ArmPath path) {
  public BowReport {
    warnings = List.copyOf(warnings);
    drifts = List.copyOf(drifts);
    crossings = List.copyOf(crossings);
    swings = List.copyOf(swings);
    Objects.requireNonNull(counts);
    Objects.requireNonNull(path);
  }

  /** The report on a bowing of a task. */
  public static BowReport of(Bowing bowing, BowTask task, ArmPath.Manner manner) {
    List<Crossing> crossings = Crossing.of(bowing, task.bow());
    return new BowReport(
        BowWarning.of(bowing, task),
        Drift.of(bowing, task.bow().hairCm(), task.preset()),
        crossings,
        Swing.of(bowing, crossings),
        BowCounts.of(bowing),
        ArmPath.of(bowing.moments(), task.bow(), manner));
  }

  /** The same way of the arm, with nothing told of the strokes. */
  public static BowReport withoutTroubles(BowReport other) {
    return new BowReport(List.of(), List.of(), List.of(), List.of(), other.counts, other.path);
  }

  /** Warnings that concern a stroke. */
  public List<BowWarning> at(Stroke stroke) {
    return warnings.stream().filter(w -> stroke.has(w.moment())).toList();
  }
}
