package fret.fingering;

import fret.instrument.Finger;
import fret.pitch.Pitch;
import fret.player.Region;
import fret.score.Head;
import fret.score.ResolvedPassage;
import java.util.Objects;

/**
 * How one note is fingered.
 *
 * @param note index of the sounding note
 * @param string 1 the highest
 * @param semitone above the open string where the finger stands, 0 for the open string
 * @param base semitones above the open string where the first finger would stand; on an open string
 *     where the hand then is
 * @param harmonic touched as a natural harmonic
 * @param sounding what is heard
 * @param mmFromNut where the finger stands
 */
public record NoteFinger(
    int note,
    int string,
    Finger finger,
    int semitone,
    int base,
    Region region,
    boolean harmonic,
    Pitch sounding,
    double mmFromNut) {
  public NoteFinger {
    Objects.requireNonNull(finger);
    Objects.requireNonNull(region);
  }

  public boolean isOpen() {
    return finger == Finger.OPEN;
  }

  /** Whether the page itself asks for the harmonic. */
  public boolean isPrintedHarmonic(ResolvedPassage passage) {
    return harmonic && passage.notes().get(note).harmonic() != Head.Harmonic.NONE;
  }

  /** Digit as printed: 0 to 4, T, or with h before it for a natural harmonic. */
  public String digit() {
    return harmonic ? "h" + finger.digit() : finger.digit();
  }

  /** Same string and finger. */
  public boolean samePlace(NoteFinger other) {
    return string == other.string && finger == other.finger && harmonic == other.harmonic;
  }
}
