package fret.intonation;

import fret.instrument.Instrument;
import java.util.List;
import java.util.Objects;

/**
 * How a passage is tuned.
 *
 * @param strings how the open strings are tuned
 * @param own cents from equal of each string, the highest first, where the player measured them
 */
public record TuningSetup(Temperament temperament, Strings strings, List<Double> own) {
  /** How open strings are tuned. */
  public enum Strings {
    PURE,
    TEMPERED,
    OWN
  }

  /** Pure with the chord, over strings in pure fifths. */
  public static final TuningSetup USUAL =
      new TuningSetup(Temperament.JUST, Strings.PURE, List.of());

  public TuningSetup {
    Objects.requireNonNull(temperament);
    Objects.requireNonNull(strings);
    own = List.copyOf(own);
  }

  public TuningSetup with(Temperament other) {
    return new TuningSetup(other, strings, own);
  }

  public TuningSetup withStrings(Strings other, List<Double> cents) {
    return new TuningSetup(temperament, other, cents);
  }

  /**
   * The strings of an instrument tuned so; measured ones of another instrument are left aside.
   *
   * @param a4 in Hz
   */
  public OpenStrings of(Instrument instrument, double a4) {
    boolean measured = strings == Strings.OWN && own.size() == instrument.stringCount();
    return measured
        ? new OpenStrings(instrument, a4, own)
        : strings == Strings.TEMPERED
            ? OpenStrings.tempered(instrument, a4)
            : OpenStrings.pure(instrument, a4);
  }
}
