package fret.score;

import fret.pitch.Pitch;
import java.util.Objects;

/**
 * One notehead.
 *
 * @param pitch as in the file, before the part's transposition; under an 8va line it already stands
 *     in the sounding octave
 * @param accidental the printed sign, or {@link Accidental#NONE}
 * @param harmonic whether and how the note is a harmonic, and which of its pitches this head tells
 * @param printedFinger digit printed on the page ("0" to "4", "T"; "1-4" where the finger is
 *     replaced while the note sounds), or empty
 * @param printedString printed string, 1 the highest, or 0
 * @param leftOut whether it stands on the page and is not played, see {@link ReducedChords}
 */
public record Head(
    Pitch pitch,
    Accidental accidental,
    boolean tieStart,
    boolean tieStop,
    Harmonic harmonic,
    String printedFinger,
    int printedString,
    boolean leftOut) {
  /** A printed accidental. */
  public enum Accidental {
    NONE,
    DOUBLE_FLAT,
    FLAT,
    NATURAL,
    SHARP,
    DOUBLE_SHARP;

    /** The sign for an alteration of -2 to 2. */
    public static Accidental ofAlter(int alter) {
      return values()[Math.max(-2, Math.min(2, alter)) + 3];
    }
  }

  /** Whether a head is a harmonic. For artificial ones the head tells the stopped pitch. */
  public enum Harmonic {
    NONE,
    /** Head at the sounding pitch. */
    NATURAL_SOUNDING,
    /** Head at the place that is touched. */
    NATURAL_TOUCHED,
    /** Head at the stopped pitch; touched a fourth above, sounding two octaves above. */
    ARTIFICIAL_BASE,
    /** The touched head of an artificial harmonic: no note of its own. */
    ARTIFICIAL_TOUCHED,
    /** The small sounding head of a harmonic: no note of its own. */
    ARTIFICIAL_SOUNDING
  }

  public Head {
    Objects.requireNonNull(pitch);
    Objects.requireNonNull(accidental);
    Objects.requireNonNull(harmonic);
    Objects.requireNonNull(printedFinger);
  }

  /** A head that is played. */
  public Head(
      Pitch pitch,
      Accidental accidental,
      boolean tieStart,
      boolean tieStop,
      Harmonic harmonic,
      String printedFinger,
      int printedString) {
    this(pitch, accidental, tieStart, tieStop, harmonic, printedFinger, printedString, false);
  }

  /** A plain head. */
  public static Head of(Pitch pitch) {
    return new Head(pitch, Accidental.NONE, false, false, Harmonic.NONE, "", 0, false);
  }

  public Head withTies(boolean start, boolean stop) {
    return new Head(
        pitch, accidental, start, stop, harmonic, printedFinger, printedString, leftOut);
  }

  public Head withPitch(Pitch other) {
    return new Head(
        other, accidental, tieStart, tieStop, harmonic, printedFinger, printedString, leftOut);
  }

  public Head withPrintedFinger(String other) {
    return new Head(pitch, accidental, tieStart, tieStop, harmonic, other, printedString, leftOut);
  }

  public Head withAccidental(Accidental sign) {
    return new Head(
        pitch, sign, tieStart, tieStop, harmonic, printedFinger, printedString, leftOut);
  }

  public Head withLeftOut(boolean other) {
    return new Head(
        pitch, accidental, tieStart, tieStop, harmonic, printedFinger, printedString, other);
  }
}
