package fret.lane;

import fret.base.Later;
import fret.bowing.BowReport;
import fret.bowing.Bowing;
import fret.bowing.PhraseMark;
import fret.fingering.Fingering;
import fret.instrument.BowGeometry;
import fret.instrument.Instrument;
import fret.intonation.Tuned;
import fret.load.Load;
import fret.mark.Strand;
import fret.mark.VibratoWish;
import fret.score.LoudnessLine;
import fret.score.ResolvedPassage;
import fret.take.TakeReport;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * What lanes are drawn from.
 *
 * @param fingering missing in drills
 * @param bow missing where nothing is known of the bow
 * @param load missing in drills
 * @param tuned missing in drills
 * @param take missing where no recording is looked at
 * @param beside another take to be drawn faintly with it
 * @param strands lines within broken chords, by the index of the note
 */
public record LaneInput(
    ResolvedPassage passage,
    Optional<Fingering> fingering,
    Instrument instrument,
    Optional<Bow> bow,
    Optional<Later<Loaded>> load,
    Optional<Later<Tuned>> tuned,
    Optional<TakeReport> take,
    Optional<TakeReport> beside,
    Map<Integer, Strand> strands) {
  /**
   * How hard each moment is.
   *
   * @param perMinute by moment, the tempo that it was measured at, in the value counted there
   * @param bars printed number of each moment's bar
   */
  public record Loaded(Load load, List<Double> perMinute, List<String> bars) {
    public Loaded {
      perMinute = List.copyOf(perMinute);
      bars = List.copyOf(bars);
    }

    String barOf(int moment) {
      return bars.get(moment);
    }
  }

  /**
   * The right arm.
   *
   * @param vibrato what the player asks of the vibrato, by moment
   * @param phrases tops and ends of phrases, by moment
   * @param printed how loud the page says it is, without the player's own levels
   */
  public record Bow(
      Bowing bowing,
      BowGeometry geometry,
      BowReport report,
      Map<Integer, VibratoWish> vibrato,
      Map<Integer, PhraseMark> phrases,
      LoudnessLine printed) {
    public Bow {
      vibrato = Map.copyOf(vibrato);
      phrases = Map.copyOf(phrases);
    }
  }

  /** Without the bow. */
  public LaneInput(ResolvedPassage passage, Optional<Fingering> fingering, Instrument instrument) {
    this(passage, fingering, instrument, Optional.empty());
  }

  /** Without the load. */
  public LaneInput(
      ResolvedPassage passage,
      Optional<Fingering> fingering,
      Instrument instrument,
      Optional<Bow> bow) {
    this(
        passage,
        fingering,
        instrument,
        bow,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Map.of());
  }

  /** The same in another tuning. */
  public LaneInput withTuned(Tuned other) {
    return new LaneInput(
        passage,
        fingering,
        instrument,
        bow,
        load,
        Optional.of(Later.now(other)),
        take,
        beside,
        strands);
  }

  /** The same with a recording, and another one beside it. */
  public LaneInput withTake(TakeReport other, Optional<TakeReport> another) {
    return new LaneInput(
        passage, fingering, instrument, bow, load, tuned, Optional.of(other), another, strands);
  }

  public LaneInput {
    Objects.requireNonNull(passage);
    Objects.requireNonNull(fingering);
    Objects.requireNonNull(instrument);
    Objects.requireNonNull(bow);
    Objects.requireNonNull(load);
    Objects.requireNonNull(tuned);
    Objects.requireNonNull(take);
    Objects.requireNonNull(beside);
    strands = Map.copyOf(strands);
  }
}
