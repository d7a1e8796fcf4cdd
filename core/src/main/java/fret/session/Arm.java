package fret.session;

import fret.bowing.BowReport;
import fret.bowing.Bowing;
import fret.score.ResolvedPassage;
import java.util.List;

/**
 * A bowing with all that is told and shown of it.
 *
 * @param passes what later passes of repeats are bowed otherwise than the first
 * @param page the passage with its slurs, and with the bow marks that a reader needs
 */
public record Arm(Bowing bowing, BowReport report, List<PassBow> passes, ResolvedPassage page) {
  public Arm {
    passes = List.copyOf(passes);
  }
}
