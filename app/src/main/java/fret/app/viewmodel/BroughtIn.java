package fret.app.viewmodel;

import fret.base.Problem;
import fret.mark.Mark;
import fret.mark.Reattachment;
import fret.passage.Passage;
import fret.score.Resolver;
import fret.score.Score;
import java.util.ArrayList;
import java.util.List;

/** What becomes of the player's marks when the page under them changes. */
final class BroughtIn {
  private BroughtIn() {}

  /** The marks of a passage on the notes of another page. */
  static Reattachment marks(Passage passage, Score before, Score after) {
    return Reattachment.of(passage.marks(), Resolver.resolve(before), Resolver.resolve(after));
  }

  /** What moved and what was lost, in players' words. */
  static List<Problem> report(Reattachment r) {
    List<Problem> told = new ArrayList<>();
    if (!r.moved().isEmpty()) {
      told.add(
          new Problem("", r.moved().size() + " of your marks moved along with their notes.", ""));
    }
    for (Mark m : r.lost()) {
      told.add(
          new Problem(
              "",
              "Your "
                  + m.finger().map(f -> "finger " + f.digit()).orElse("string mark")
                  + " on "
                  + m.key().pitch()
                  + " has no note any more.",
              "Undo brings the old page back."));
    }
    return told;
  }
}
