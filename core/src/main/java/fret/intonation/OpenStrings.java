package fret.intonation;

import fret.instrument.Instrument;
import fret.pitch.Pitch;
import java.util.ArrayList;
import java.util.List;

/**
 * The player's open strings as they are tuned.
 *
 * @param a4 in Hz (440: ISO 16)
 * @param cents of each string from equal temperament on that A, the highest string first
 */
public record OpenStrings(Instrument instrument, double a4, List<Double> cents) {
  /** By how much a pure fifth is wider than an equal one, in cents. */
  public static final double FIFTH = new Ratio(3, 2).cents() - 700;

  public OpenStrings {
    cents = List.copyOf(cents);
    if (cents.size() != instrument.stringCount()) {
      throw new IllegalArgumentException(
          cents.size() + " strings tuned of " + instrument.stringCount());
    }
    if (!(a4 >= 390) || !(a4 <= 470)) {
      throw new IllegalArgumentException("A of " + a4 + " Hz is outside 390 to 470");
    }
  }

  /** In pure fifths (or fourths) from A. */
  public static OpenStrings pure(Instrument instrument, double a4) {
    List<Double> cents = new ArrayList<>();
    for (Pitch p : instrument.openStrings()) {
      cents.add(inChain(p));
    }
    return new OpenStrings(instrument, a4, cents);
  }

  /** In equal temperament. */
  public static OpenStrings tempered(Instrument instrument, double a4) {
    return new OpenStrings(
        instrument, a4, java.util.Collections.nCopies(instrument.stringCount(), 0.0));
  }

  /** Cents from equal of a note in the chain of pure fifths on A. */
  public static double inChain(Pitch pitch) {
    return FIFTH * (fifths(pitch) - 3);
  }

  /** The place of a note's name in the chain of fifths, C 0. */
  public static int fifths(Pitch pitch) {
    int letter =
        switch (pitch.step()) {
          case F -> -1;
          case C -> 0;
          case G -> 1;
          case D -> 2;
          case A -> 3;
          case E -> 4;
          case B -> 5;
        };
    return letter + 7 * pitch.alter();
  }

  public double of(int string) {
    return cents.get(string - 1);
  }

  /** Its frequency in Hz. */
  public double hertz(Pitch pitch, double centsFromEqual) {
    return pitch.hertz(a4) * Math.pow(2, centsFromEqual / 1200);
  }

  /**
   * How far a finger moves for a deviation, in mm, positive towards the bridge.
   *
   * @param semitone equal semitones above the finger's own string as it is tuned
   * @param cents from there, upwards positive
   */
  public double mm(double semitone, double cents) {
    return instrument.stringLengthMm()
        * Math.pow(2, -semitone / 12)
        * (1 - Math.pow(2, -cents / 1200));
  }

  /** The place of a finger that many cents above its open string, in mm from the nut. */
  public double placeMm(double centsAbove) {
    return instrument.stringLengthMm() * (1 - Math.pow(2, -centsAbove / 1200));
  }
}
