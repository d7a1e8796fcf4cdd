package fret.fingering;

import fret.instrument.Instrument;
import fret.pitch.Pitch;

/**
 * Where natural harmonics are touched. A node at L/n or its mirror lies near a tempered semitone:
 * the octave at 12, L/3 at 7 and 19, L/4 at 5 and 24, L/5 at 4, 9, 16 and 28.
 */
final class NaturalHarmonics {
  /** The node in the middle of a string, where its octave sounds. */
  static final int MIDDLE = 12;

  private NaturalHarmonics() {}

  /** The partial that sounds when a semitone is touched; 0 if none of 2 to 5 does. */
  static int partialAt(int semitone) {
    return switch (semitone) {
      case MIDDLE -> 2;
      case 7, 19 -> 3;
      case 5, 24 -> 4;
      case 4, 9, 16, 28 -> 5;
      default -> 0;
    };
  }

  /** Whether touching a node gives the same note as pressing the string there. */
  static boolean soundsAsStopped(int semitone) {
    return semitone == MIDDLE || semitone == 19 || semitone == 24;
  }

  /** What is heard when a node is touched. */
  static Pitch sounding(Instrument instrument, int string, int semitone) {
    return instrument.harmonic(string, partialAt(semitone));
  }
}
