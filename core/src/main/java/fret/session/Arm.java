package fret.session;

import fret.bowing.BowReport;
import fret.bowing.Bowing;
import fret.score.ResolvedPassage;

/**
 * A bowing with all that is told and shown of it.
 *
 * @param page the passage with its slurs, and with the bow marks that a reader needs
 */
public record Arm(Bowing bowing, BowReport report, ResolvedPassage page) {}
