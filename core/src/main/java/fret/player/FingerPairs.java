package fret.player;

import fret.instrument.Finger;
import fret.instrument.InstrumentType;

/**
 * How far apart two fingers of one hand stand at ease, in semitones. On violin and viola: 1-2, 2-3
 * and 3-4 one or two, 1-3 and 2-4 three or four, 1-4 five or six (common practice, from memory).
 * The low strings have shapes of the whole hand, see {@link Placement#strain}.
 */
public final class FingerPairs {
  /** What a semitone closer than the easy frame costs (from memory). */
  private static final double CLOSER = 0.05;

  /** What two fingers cost at the same distance from the nut (from memory). */
  private static final double ON_ONE_ANOTHER = 1.2;

  /** What a semitone wider costs of one that a finger leaves its place by (from memory). */
  private static final double WIDER = 0.4;

  private static final double DRAWN_BACK = 0.5;

  private static final int UPPER_FROM = 8;

  /** What an octave under 1-3 or 2-4 costs on violin and viola (from memory). */
  private static final double FINGERED_OCTAVE = 0.6;

  private final boolean upperStrings;

  public FingerPairs(InstrumentType type) {
    this.upperStrings = type == InstrumentType.VIOLIN || type == InstrumentType.VIOLA;
  }

  /**
   * What a first finger costs that a hand brings along drawn back: a hand that moves, or begins,
   * stands where its first finger stands (from memory).
   */
  public double arrival(Finger finger, int semitone, int base) {
    return upperStrings && finger == Finger.FIRST && semitone < base ? DRAWN_BACK : 0;
  }

  /** An octave is the frame of the hand, 1-4; under 1-3 or 2-4 it is stretched wherever it lies. */
  public double octave(Finger low, Finger high) {
    boolean fingered = upperStrings && low != Finger.OPEN && high.rank() - low.rank() == 2;
    return fingered ? FINGERED_OCTAVE : 0;
  }

  /**
   * Semitones by which a pair stands wider than it is taught, or a little for a closer one.
   *
   * @param base where the hand stands; from the upper positions on a pair reaches a semitone more
   */
  public double strain(Finger a, int semitoneA, Finger b, int semitoneB, int base) {
    if (!upperStrings || a == b || a == Finger.OPEN || b == Finger.OPEN) {
      return 0;
    }
    boolean swap = a.rank() > b.rank();
    int gap = Math.abs(a.rank() - b.rank());
    int span = swap ? semitoneA - semitoneB : semitoneB - semitoneA;
    int least = gap == 1 ? 1 : gap == 2 ? 3 : 5;
    int most = least + 1 + (base >= UPPER_FROM ? 1 : 0);
    boolean extendedFourth =
        (swap ? a : b) == Finger.FOURTH && (swap ? semitoneA : semitoneB) - base > 5;
    if (extendedFourth) {
      return 0; // The placement itself counts it.
    }
    if (span > most) {
      return WIDER * (span - most);
    }
    return span < 1 ? ON_ONE_ANOTHER : Math.max(0, least - span) * CLOSER;
  }
}
