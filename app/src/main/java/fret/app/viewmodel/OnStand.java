package fret.app.viewmodel;

import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.drill.Frame;
import fret.tempo.Ladder;
import fret.tempo.Level;
import java.util.List;
import java.util.Objects;

/**
 * What is on the stand.
 *
 * @param chunkIds under which it is recorded, the first one with its time
 * @param ladder of the passage
 * @param level at which it starts
 * @param why why it is played now; empty for none
 * @param frames of the picture that stand in for notes; none where there are notes
 */
public record OnStand(
    long passageId,
    List<String> chunkIds,
    String title,
    Drill drill,
    Ladder ladder,
    Level level,
    String why,
    List<Frame> frames) {
  public OnStand {
    chunkIds = List.copyOf(chunkIds);
    frames = List.copyOf(frames);
    Objects.requireNonNull(drill);
    Objects.requireNonNull(level);
  }

  /** The same at another level. */
  OnStand at(Level other) {
    return new OnStand(passageId, chunkIds, title, drill, ladder, other, why, frames);
  }

  /** Another drill of the same notes, for another reason. */
  OnStand with(Drill other, String reason) {
    return new OnStand(passageId, chunkIds, title, other, ladder, level, reason, List.of());
  }

  /** Whether clean tries move it up the ladder. */
  boolean climbs() {
    return drill.kind() == DrillKind.STRAIGHT;
  }
}
