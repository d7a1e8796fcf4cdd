package fret.instrument;

import java.util.Optional;

/** A finger of the left hand, or the open string. */
public enum Finger {
  OPEN("0"),
  FIRST("1"),
  SECOND("2"),
  THIRD("3"),
  FOURTH("4"),
  THUMB("T");

  private final String digit;

  Finger(String digit) {
    this.digit = digit;
  }

  /** As players write it: 0 to 4, or T. */
  public String digit() {
    return digit;
  }

  /** Place from the thumb's side of the hand: thumb 0, first finger 1 ... fourth 4. */
  public int rank() {
    return this == THUMB ? 0 : ordinal();
  }

  /** Reads a digit; empty if it is none. */
  public static Optional<Finger> ofDigit(String digit) {
    for (Finger f : values()) {
      if (f.digit.equals(digit)) {
        return Optional.of(f);
      }
    }
    return Optional.empty();
  }
}
