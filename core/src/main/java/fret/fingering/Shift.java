package fret.fingering;

import fret.instrument.Finger;
import fret.pitch.Pitch;
import java.util.Optional;

/**
 * One movement of the hand.
 *
 * @param fromNote index of the note whose finger is left; {@code toNote} the one reached
 * @param fromSlice moment left; {@code toSlice} moment reached
 * @param moveSlice moment during which the hand moves: the open string in between when there is
 *     one, else the moment left
 * @param travelMm the hand's own travel, from base to base
 * @param timeMs half of the note left, and the open strings and rests between
 * @param difficultyBits log2(travel / in-tune window + 1), window plus and minus 10 cents
 * @param windowMm the whole in-tune window at the note reached
 * @param hiddenBehind what covers the move, in players' words; empty when nothing does
 * @param oldFinger guide note of the finger left, in the new position, with the mm it slides; empty
 *     when the finger left does not exist there or lies beyond the arrival
 * @param newFinger guide note of the finger that arrives, in the old position, with the mm it
 *     slides
 * @param heard whether its slide is meant to be heard
 * @param creep whether a finger keeps its place meanwhile, so that nothing is aimed at
 */
public record Shift(
    int fromNote,
    int toNote,
    int fromSlice,
    int toSlice,
    int moveSlice,
    Finger fromFinger,
    Finger toFinger,
    int departureString,
    int arrivalString,
    int fromBase,
    int toBase,
    double travelMm,
    double timeMs,
    double difficultyBits,
    double windowMm,
    String hiddenBehind,
    Optional<Guide> oldFinger,
    Optional<Guide> newFinger,
    boolean heard,
    boolean creep) {
  /**
   * A guide note.
   *
   * @param semitone above the open string
   * @param slideMm distance the guiding finger slides
   */
  public record Guide(Pitch pitch, Finger finger, int string, int semitone, double slideMm) {}

  /**
   * Bits a second that a practised aimed movement gives (about 10: P. M. Fitts, "The information
   * capacity of the human motor system in controlling the amplitude of movement", Journal of
   * Experimental Psychology 47, 1954, pages 381-391; the round figure from memory).
   */
  public static final double PRACTISED_BITS_PER_SECOND = 10;

  /**
   * Time in ms to aim at the note and correct on the way. A practised shift may be much quicker:
   * then it is one throw of the arm, learned as a whole.
   */
  public double neededMs() {
    return difficultyBits / PRACTISED_BITS_PER_SECOND * 1000;
  }

  /** Whether a finger is replaced on a note that sounds on. */
  public boolean isOnHeldNote() {
    return fromNote == toNote;
  }

  /** How the note that is left is fingered; empty where the fingering does not have it. */
  public Optional<NoteFinger> left(Fingering fingering) {
    Optional<NoteFinger> place = fingering.notes().get(fromNote);
    return isOnHeldNote() ? place : place.map(NoteFinger::last);
  }

  /** How the note that is reached is fingered; empty where the fingering does not have it. */
  public Optional<NoteFinger> reached(Fingering fingering) {
    Optional<NoteFinger> place = fingering.notes().get(toNote);
    return isOnHeldNote() ? place.map(NoteFinger::last) : place;
  }

  /** More bits a second than that no practised player throws (from memory). */
  public static final double MOST_BITS_PER_S = 80;

  /** Whether the hand moves up the string, towards the bridge. */
  public boolean isUp() {
    return toBase > fromBase;
  }

  /** Difficulty against the time, bits a second. */
  public double bitsPerSecond() {
    return difficultyBits / (timeMs / 1000);
  }
}
