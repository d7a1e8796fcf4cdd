package fret.lane;

import fret.bowing.BowReport;
import fret.bowing.Bowing;
import fret.bowing.PhraseMark;
import fret.fingering.Fingering;
import fret.instrument.BowGeometry;
import fret.instrument.Instrument;
import fret.mark.VibratoWish;
import fret.score.ResolvedPassage;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

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
   * @param vibrato what the player asks of the vibrato, by moment
   * @param phrases tops and ends of phrases, by moment
   */
  public record Bow(
      Bowing bowing,
      BowGeometry geometry,
      BowReport report,
      Map<Integer, VibratoWish> vibrato,
      Map<Integer, PhraseMark> phrases) {
    public Bow {
      vibrato = Map.copyOf(vibrato);
      phrases = Map.copyOf(phrases);
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
