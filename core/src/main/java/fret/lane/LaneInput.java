package fret.lane;

import fret.fingering.Fingering;
import fret.instrument.Instrument;
import fret.score.ResolvedPassage;
import java.util.Objects;
import java.util.Optional;

/**
 * What lanes are drawn from.
 *
 * @param fingering missing in drills
 */
public record LaneInput(
    ResolvedPassage passage, Optional<Fingering> fingering, Instrument instrument) {
  public LaneInput {
    Objects.requireNonNull(passage);
    Objects.requireNonNull(fingering);
    Objects.requireNonNull(instrument);
  }
}
