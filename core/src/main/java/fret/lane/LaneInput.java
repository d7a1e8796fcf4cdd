package fret.lane;

import fret.bowing.BowReport;
import fret.bowing.Bowing;
import fret.fingering.Fingering;
import fret.instrument.BowGeometry;
import fret.instrument.Instrument;
import fret.score.ResolvedPassage;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * What lanes are drawn from.
 *
 * @param fingering missing in drills
 * @param bow missing where nothing is known of the bow
 */
public record LaneInput(
    ResolvedPassage passage,
    Optional<Fingering> fingering,
    Instrument instrument,
    Optional<Bow> bow) {
  /**
   * The right arm.
   *
   * @param vibrato moments for which the player asks for vibrato
   */
  public record Bow(Bowing bowing, BowGeometry geometry, BowReport report, Set<Integer> vibrato) {
    public Bow {
      vibrato = Set.copyOf(vibrato);
    }
  }

  /** Without the bow. */
  public LaneInput(ResolvedPassage passage, Optional<Fingering> fingering, Instrument instrument) {
    this(passage, fingering, instrument, Optional.empty());
  }

  public LaneInput {
    Objects.requireNonNull(passage);
    Objects.requireNonNull(fingering);
    Objects.requireNonNull(instrument);
    Objects.requireNonNull(bow);
  }
}
