package fret.score;

import java.util.Map;

/**
 * Trills that the player ends otherwise than the page has it: their last notes are fingered too.
 */
public final class TurnedEnds {
  private TurnedEnds() {}

  /**
   * The part with its trills as they are ended.
   *
   * @param turned by the first head of a trill, whether it ends by way of the note below
   */
  public static Score of(Score score, Map<NoteKey, Boolean> turned) {
    return score.withEach(turned.keySet(), (b, e) -> of(b, e, turned));
  }

  private static Event of(Bar bar, Event event, Map<NoteKey, Boolean> turned) {
    Signs signs = event.signs();
    boolean trill =
        signs.ornament() == Signs.Ornament.TRILL
            || signs.ornament() == Signs.Ornament.TRILL_WITH_TERMINATION;
    for (int head = 0; trill && !event.isGrace() && head < event.heads().size(); head++) {
      Boolean turns = turned.get(NoteKey.of(bar, event, 0, head));
      if (turns != null) {
        return event.withSigns(
            signs.withOrnament(
                turns ? Signs.Ornament.TRILL_WITH_TERMINATION : Signs.Ornament.TRILL));
      }
    }
    return event;
  }
}
