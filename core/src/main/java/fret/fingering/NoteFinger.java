package fret.fingering;

import fret.instrument.Finger;
import fret.pitch.Pitch;
import fret.player.Region;
import fret.player.Shape;
import fret.score.Head;
import fret.score.ResolvedPassage;
import java.util.Objects;
import java.util.Optional;

/**
 * How one note is fingered.
 *
 * @param note index of the sounding note
 * @param string 1 the highest
 * @param semitone above the open string where the finger stands, 0 for the open string
 * @param base semitones above the open string where the first finger would stand; on an open string
 *     where the hand then is
 * @param shape how the hand is open there
 * @param harmonic touched as a natural harmonic
 * @param sounding what is heard
 * @param mmFromNut where the finger stands
 * @param replaced the finger that takes over while the note sounds
 */
public record NoteFinger(
    int note,
    int string,
    Finger finger,
    int semitone,
    int base,
    Region region,
    Shape shape,
    boolean harmonic,
    Pitch sounding,
    double mmFromNut,
    Optional<Replacement> replaced) {
  /**
   * Another finger that takes the note over while it sounds.
   *
   * @param base where the hand then stands
   */
  public record Replacement(Finger by, int base, Region region) {}

  public NoteFinger {
    Objects.requireNonNull(replaced);
    Objects.requireNonNull(finger);
    Objects.requireNonNull(region);
    Objects.requireNonNull(shape);
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

  /** The note as it ends: under the finger that took over, if one did. */
  public NoteFinger last() {
    return new NoteFinger(
        note,
        string,
        lastFinger(),
        semitone,
        lastBase(),
        replaced.map(Replacement::region).orElse(region),
        replaced.isPresent() ? Shape.CLOSED : shape,
        harmonic,
        sounding,
        mmFromNut,
        Optional.empty());
  }

  /** The same note, taken over by another finger while it sounds. */
  NoteFinger replacedBy(Replacement other) {
    return new NoteFinger(
        note,
        string,
        finger,
        semitone,
        base,
        region,
        shape,
        harmonic,
        sounding,
        mmFromNut,
        Optional.of(other));
  }

  /** Fingers as printed: "1-4" where one is replaced. */
  public String fingers() {
    return replaced.map(r -> finger.digit() + "-" + r.by().digit()).orElse(finger.digit());
  }

  /** All digits as printed, with h before them for a natural harmonic. */
  public String digits() {
    return harmonic ? "h" + fingers() : fingers();
  }

  /** The finger that leaves the note. */
  public Finger lastFinger() {
    return replaced.map(Replacement::by).orElse(finger);
  }

  /** Where the hand stands at the end of the note. */
  public int lastBase() {
    return replaced.map(Replacement::base).orElse(base);
  }

  /** Same string and fingers. */
  public boolean samePlace(NoteFinger other) {
    return string == other.string
        && finger == other.finger
        && harmonic == other.harmonic
        && lastFinger() == other.lastFinger();
  }

  /**
   * Whether a finger of this note stands so.
   *
   * @param otherBase 0 when that is not decided yet
   * @param held whether the note sounds on from before
   */
  boolean stands(Finger other, int otherBase, boolean held) {
    boolean first = other == finger && fits(base, otherBase);
    boolean last = other == lastFinger() && fits(lastBase(), otherBase);
    return first || last && (held || replaced.isPresent());
  }

  private boolean fits(int own, int otherBase) {
    return isOpen() || otherBase == 0 || own == otherBase;
  }
}
