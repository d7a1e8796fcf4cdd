package fret.session;

import fret.base.Later;
import fret.bowing.BowSolver;
import fret.bowing.BowTask;
import fret.fingering.Fingering;
import fret.fingering.FingeringTask;
import fret.fingering.Standing;
import fret.passage.Passage;
import fret.score.ResolvedPassage;
import fret.score.Score;
import java.util.Optional;

/**
 * What was computed from a passage, with the inputs that it was made from. The right arm may still
 * be to come: it is planned when it is first asked for.
 *
 * @param passage as it was then
 * @param page as it was then
 * @param resolved the sounding notes of the part as it is played: line and bars picked, the
 *     player's bow marks on it
 * @param standing the left hand
 * @param right the right arm
 */
public record Computed(
    Passage passage, Score page, ResolvedPassage resolved, Standing standing, Later<Right> right) {
  /**
   * What the right arm was planned from, and the bowing that stands.
   *
   * @param searched how it was found, so that little is searched again after a change
   */
  record Right(BowTask task, Arm arm, Searched searched) {}

  /** A search of the page as written, and of its passes where bars are repeated. */
  record Searched(BowSolver written, Optional<Passes> passes) {}

  /** The part as it is played. */
  public Score score() {
    return resolved.score();
  }

  public BowTask bowTask() {
    return right.get().task();
  }

  public Arm arm() {
    return right.get().arm();
  }

  /** Every decision of the left hand included. */
  public FingeringTask task() {
    return standing.decidedTask();
  }

  /** What stands on the page: pins and adopted marks kept, the rest proposed. */
  public Fingering fingering() {
    return standing.fingering();
  }
}
