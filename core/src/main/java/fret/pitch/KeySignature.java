package fret.pitch;

import java.util.List;

/**
 * A key signature.
 *
 * @param fifths sharps (positive) or flats (negative), -7 to 7
 */
public record KeySignature(int fifths) {
  public static final KeySignature NONE = new KeySignature(0);
  private static final List<Step> SHARPS =
      List.of(Step.F, Step.C, Step.G, Step.D, Step.A, Step.E, Step.B);

  public KeySignature {
    if (fifths < -7 || fifths > 7) {
      throw new IllegalArgumentException("key of " + fifths + " fifths is outside -7 to 7");
    }
  }

  /** The alteration that the signature gives to a letter: -1, 0 or 1. */
  public int alterOf(Step step) {
    int place = SHARPS.indexOf(step);
    if (fifths > 0) {
      return place < fifths ? 1 : 0;
    }
    return 6 - place < -fifths ? -1 : 0;
  }

  /** The altered letters in the order in which they are written. */
  public List<Step> alteredSteps() {
    if (fifths >= 0) {
      return SHARPS.subList(0, fifths);
    }
    return java.util.stream.IntStream.range(0, -fifths).mapToObj(i -> SHARPS.get(6 - i)).toList();
  }
}
