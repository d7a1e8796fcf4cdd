package fret.session;

import fret.bowing.BowTask;
import fret.fingering.Fingering;
import fret.fingering.FingeringTask;
import fret.fingering.Standing;
import fret.passage.Passage;
import fret.score.ResolvedPassage;
import fret.score.Score;

/**
 * What was computed from a passage, with the inputs that it was made from.
 *
 * @param passage as it was then
 * @param page as it was then
 * @param score the part as it is played: line and bars picked, the player's bow marks on it
 * @param resolved its sounding notes
 * @param standing the left hand
 * @param bowTask what the right arm was planned from
 * @param arm the bowing that stands
 */
public record Computed(
    Passage passage,
    Score page,
    Score score,
    ResolvedPassage resolved,
    Standing standing,
    BowTask bowTask,
    Arm arm) {
  /** Every decision of the left hand included. */
  public FingeringTask task() {
    return standing.decidedTask();
  }

  /** What stands on the page: pins and adopted marks kept, the rest proposed. */
  public Fingering fingering() {
    return standing.fingering();
  }
}
