package fret.take;

import fret.take.Expected.Moment;

/** A moment where it is heard, roughly at first and then exactly. */
final class Rough {
  final int moment;
  final Moment expected;
  final double likeness;
  final boolean afterGap;
  double from;
  double to;

  /** Whether {@link #to} is known from its own pitch rather than from where the next begins. */
  boolean endsAtTo;

  /**
   * @param likeness with what is expected, 0 to 1
   * @param afterGap whether something that was not recognised lies before it
   */
  Rough(int moment, Moment expected, double from, double to, boolean afterGap, double likeness) {
    this.moment = moment;
    this.expected = expected;
    this.from = from;
    this.to = to;
    this.afterGap = afterGap;
    this.likeness = likeness;
  }
}
