package fret.passage;

import fret.score.Bar;
import fret.score.Score;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.Objects;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * A change of tempo.
 *
 * @param spot where it starts
 * @param kind what happens from there
 * @param counted the value that the rate counts; empty for that of the passage's target
 * @param value rate for a section or the end of a gradual change, above 0, at most 1000; seconds
 *     added for a hold
 * @param upper upper end of the rate where a range is asked for; 0 for none
 * @param source who says so
 * @param words what the page says there; empty for nothing
 */
public record TempoMark(
    Spot spot,
    Kind kind,
    Optional<Beat> counted,
    double value,
    double upper,
    Source source,
    String words) {
  private static final double MOST = 1000;

  /** What happens. */
  public enum Kind {
    /** A new steady tempo. */
    SECTION,
    /** From here to the next mark the tempo goes evenly to the value. */
    GRADUAL,
    /** The end of this bar is held longer. */
    HOLD
  }

  /** Who says so. */
  public enum Source {
    /** The page, with a number or in relation to one. */
    FILE,
    /** A word of the page without a number, given a usual figure. */
    PROPOSED,
    /** The player. */
    MINE
  }

  /**
   * A place within a bar.
   *
   * @param bar printed number
   * @param index of the bar in the page; -1 where only its number is known
   * @param offset whole notes from the bar's start
   */
  public record Spot(String bar, int index, Fraction offset) {
    public Spot {
      Objects.requireNonNull(bar);
      Objects.requireNonNull(offset);
    }

    /** The start of the bar with a number. */
    public static Spot of(String bar) {
      return new Spot(bar, -1, Fraction.ZERO);
    }

    public static Spot of(Bar bar, Fraction onset) {
      return new Spot(bar.number(), bar.index(), onset.subtract(bar.start()));
    }

    /** The bar meant: by its index where the number is the same there, else by its number. */
    public Optional<Bar> in(Score score) {
      int at = score.bars().isEmpty() ? -1 : index - score.bars().get(0).index();
      if (index >= 0 && at >= 0 && at < score.bars().size()) {
        Bar there = score.bars().get(at);
        if (there.number().equals(bar)) {
          return Optional.of(there);
        }
      }
      return score.barNumbered(bar);
    }
  }

  public TempoMark {
    Objects.requireNonNull(spot);
    Objects.requireNonNull(kind);
    Objects.requireNonNull(counted);
    Objects.requireNonNull(source);
    Objects.requireNonNull(words);
    if (!(value > 0) || !(value <= MOST)) {
      throw new IllegalArgumentException("tempo mark of " + value + " is outside 0 to 1000");
    }
    if (!(upper >= 0) || !(upper <= MOST)) {
      throw new IllegalArgumentException("upper end of " + upper + " is outside 0 to 1000");
    }
  }

  /** The player's own, from the start of a bar on, counted as the target is. */
  public TempoMark(String bar, Kind kind, double value) {
    this(Spot.of(bar), kind, Optional.empty(), value, 0, Source.MINE, "");
  }

  public String bar() {
    return spot.bar();
  }

  /**
   * The tempo that it leads to.
   *
   * @param target whose value is counted where the mark has none of its own
   */
  public Tempo tempo(Tempo target) {
    return new Tempo(counted.orElse(target.beat()), value);
  }

  /** The player's own at another rate. */
  public TempoMark at(double rate, double upperEnd) {
    return new TempoMark(spot, kind, counted, rate, upperEnd, Source.MINE, words);
  }

  /** The player's own, so many times as fast. */
  public TempoMark scaled(double share) {
    double times = kind == Kind.HOLD ? 1 / share : share;
    return at(Math.max(1e-3, Math.min(MOST, value * times)), Math.min(MOST, upper * share));
  }

  public TempoMark countedIn(Beat other) {
    return new TempoMark(spot, kind, Optional.of(other), value, upper, Source.MINE, words);
  }
}
