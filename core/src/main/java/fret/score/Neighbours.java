package fret.score;

import fret.pitch.Pitch;
import fret.pitch.Step;

/** The next letters above and below a note, as the key has them. */
final class Neighbours {
  private Neighbours() {}

  /**
   * A neighbour.
   *
   * @param direction 1 above, -1 below
   * @return as it sounds
   */
  static Pitch of(Score score, SoundingNote note, int direction) {
    Bar bar = score.bar(note.key().barIndex());
    return of(score, bar, note.written(), direction, Signs.NO_ALTER);
  }

  /**
   * The same of a written pitch.
   *
   * @param alter accidental printed at the ornament, or {@link Signs#NO_ALTER}
   */
  static Pitch of(Score score, Bar bar, Pitch written, int direction, int alter) {
    int diatonic = written.diatonic() + direction;
    Step step = Step.of(diatonic);
    int used = alter == Signs.NO_ALTER ? bar.key().alterOf(step) : alter;
    return new Pitch(step, used, Math.floorDiv(diatonic, 7)).plus(score.transposition());
  }
}
