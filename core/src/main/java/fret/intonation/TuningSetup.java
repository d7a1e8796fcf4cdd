package fret.intonation;

import fret.instrument.Instrument;
import java.util.List;
import java.util.Objects;

/**
 * How a passage is tuned.
 *
 * @param strings how the open strings are tuned
 * @param own cents from equal of each string, the highest first, where the player measured them
 * @param school in which order chords are tuned
 * @param highLeading whether leading notes that go to their tonic stand high, whatever the tuning
 * @param septimal whether tritones are 7:5 rather than 45:32
 * @param alone whether takes are judged by this tuning alone, though it is the usual one
 */
public record TuningSetup(
    Temperament temperament,
    Strings strings,
    List<Double> own,
    Tuned.School school,
    boolean highLeading,
    boolean septimal,
    boolean alone) {
  /** How open strings are tuned. */
  public enum Strings {
    PURE,
    TEMPERED,
    OWN
  }

  /** Pure with the chord, over strings in pure fifths. */
  public static final TuningSetup USUAL =
      new TuningSetup(
          Temperament.JUST, Strings.PURE, List.of(), Tuned.School.FIFTH_FIRST, false, false, false);

  public TuningSetup {
    Objects.requireNonNull(temperament);
    Objects.requireNonNull(strings);
    Objects.requireNonNull(school);
    own = List.copyOf(own);
  }

  public TuningSetup with(Temperament other) {
    return new TuningSetup(other, strings, own, school, highLeading, septimal, alone);
  }

  public TuningSetup withStrings(Strings other, List<Double> cents) {
    return new TuningSetup(temperament, other, cents, school, highLeading, septimal, alone);
  }

  public TuningSetup with(Tuned.School other) {
    return new TuningSetup(temperament, strings, own, other, highLeading, septimal, alone);
  }

  public TuningSetup withHighLeading(boolean other) {
    return new TuningSetup(temperament, strings, own, school, other, septimal, alone);
  }

  public TuningSetup withSeptimal(boolean other) {
    return new TuningSetup(temperament, strings, own, school, highLeading, other, alone);
  }

  public TuningSetup withAlone(boolean other) {
    return new TuningSetup(temperament, strings, own, school, highLeading, septimal, other);
  }

  /** Whether the player decided on a tuning, so that no other one is right as well. */
  public boolean isChosen() {
    return alone || temperament != USUAL.temperament;
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
