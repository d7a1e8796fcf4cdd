package fret.fingering;

import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;

/** What a movement of the hand amounts to: its way, its aim, its haste, its slide. */
final class ShiftTerms {
  /** Haste never counts for more than this, in bits a second (from memory). */
  private static final double MOST_RUSH = 250;

  /** What a shift costs within a scale that passes by the first finger (from memory). */
  private static final double IN_A_SCALE = 0.6;

  /** What the aim of a shift costs that a rest gives all the time for (from memory). */
  static final double IN_A_REST = 0.7;

  /** What a shift on one finger costs within a scale of the cello (from memory). */
  private static final double SAME_ON_THE_CELLO = 0.3;

  /**
   * A shift that goes to another string at once, within a slur, counts up to double where it has
   * less time than this (from memory).
   */
  private static final double HASTY_MS = 150;

  private static final double LOG_2 = Math.log(2);

  private final double[] mmFromNut;
  private final InstrumentType type;

  ShiftTerms(Instrument instrument) {
    this.type = instrument.type();
    this.mmFromNut = new double[instrument.highestSemitone() + 2];
    for (int n = 0; n < mmFromNut.length; n++) {
      mmFromNut[n] = instrument.mmFromNut(n);
    }
  }

  /** The hand's own travel; 0 when it stays. */
  double travelMm(HandState from, HandState to) {
    return to.isShiftFrom(from) ? Math.abs(mmFromNut[to.base()] - mmFromNut[from.base()]) : 0;
  }

  /**
   * Difficulty of a shift, log2(D/W + 1), with D the hand's travel and W the whole in-tune window
   * at the note reached.
   *
   * <p>P. M. Fitts, "The information capacity of the human motor system in controlling the
   * amplitude of movement", Journal of Experimental Psychology 47, 1954, pages 381-391; this form:
   * I. S. MacKenzie, "Fitts' law as a research and design tool in human-computer interaction",
   * Human-Computer Interaction 7, 1992, pages 91-139.
   */
  double shiftBits(HandState from, HandState to) {
    double travel = travelMm(from, to);
    if (travel == 0) {
      return 0;
    }
    double bits = bits(travel, to.grip().windowMm());
    return restsFor(from, to, bits) ? IN_A_REST * bits : bits;
  }

  /** Whether the hand moves in a rest, with the time to aim and to correct on the way. */
  static boolean restsFor(HandState from, HandState to, double bits) {
    return leavesARest(from) && to.transitMs(from) >= 1000 * bits / Shift.PRACTISED_BITS_PER_SECOND;
  }

  /** Whether a rest follows the note that the hand left last. */
  static boolean leavesARest(HandState from) {
    return from.left() != null && from.left().slice().restAfter().signum() > 0;
  }

  /** log2(D/W + 1). */
  static double bits(double travelMm, double windowMm) {
    return Math.log(travelMm / windowMm + 1) / LOG_2;
  }

  /**
   * How many times more time a movement takes than one of hand and wrist: 1 up to 80 mm, 2.3 from
   * 200 mm on, where the whole arm moves; between them in proportion (the two ends of the range
   * from memory). Wrist 23 and arm 10 bits a second: G. D. Langolf, D. B. Chaffin, J. A. Foulke,
   * "An investigation of Fitts' law using a wide range of movement amplitudes", Journal of Motor
   * Behavior 8, 1976, pages 113-128.
   */
  static double limb(double travelMm) {
    double share = (travelMm - 80) / (200 - 80);
    return 1 + 1.3 * Math.max(0, Math.min(1, share));
  }

  /**
   * Bits a second, weighed by how much of the arm moves. It levels off: a shift that is far too
   * quick to be steered is one throw, learned whole, and a little less time makes it no worse.
   */
  double rush(HandState from, HandState to) {
    double travel = travelMm(from, to);
    if (travel == 0) {
      return 0;
    }
    double bits = bits(travel, to.grip().windowMm());
    double rush = limb(travel) * bits * 1000 / to.transitMs(from);
    return levelled(rush);
  }

  static double levelled(double rush) {
    return rush / (1 + rush / MOST_RUSH);
  }

  /** 1 for a shift that asks more bits a second than a practised player can throw. */
  double thrown(HandState from, HandState to) {
    double travel = travelMm(from, to);
    boolean beyond =
        travel > 0
            && bits(travel, to.grip().windowMm()) * 1000
                > Shift.MOST_BITS_PER_S * to.transitMs(from);
    return beyond ? 1 : 0;
  }

  /**
   * On violin and viola, 1 for a shift in the open on a string from the fourth finger up to the
   * first or second, or down from them to the fourth: the whole hand goes past the note, where one
   * between first and third finger goes half as far. Within a scale a little for one that is not to
   * the first finger going up, from it going down. On the low strings the fourth finger is the
   * rule; on the cello a shift on one finger within a scale counts a little (common practice, no
   * source).
   */
  double farFingers(HandState from, HandState to) {
    HandState.Touch a = from.lead();
    HandState.Touch b = to.lead();
    boolean inTheOpen =
        type != InstrumentType.BASS
            && to.isShiftFrom(from)
            && from.fingersDown() == 1
            && to.fingersDown() == 1
            && a != null
            && b != null
            && a.string() == b.string()
            && from.moment().slice().restAfter().signum() == 0;
    if (!inTheOpen) {
      return 0;
    }
    boolean scale = from.moment().contour().isScale() || to.moment().contour().isScale();
    if (type == InstrumentType.CELLO) {
      return scale && a.finger() == b.finger() ? SAME_ON_THE_CELLO : 0;
    }
    boolean up = to.base() > from.base();
    Finger outer = up ? a.finger() : b.finger();
    Finger inner = up ? b.finger() : a.finger();
    if (outer == Finger.FOURTH && inner.rank() < 3) {
      return 1;
    }
    boolean asTaught = inner == Finger.FIRST && outer != Finger.FIRST;
    return scale && !asTaught ? IN_A_SCALE : 0;
  }

  /** Length of a slide on one finger within a slur, in dm. */
  double slideHeard(HandState from, HandState to) {
    HandState.Touch a = from.lead();
    HandState.Touch b = to.lead();
    boolean slides =
        to.isShiftFrom(from)
            && from.isStopped()
            && to.moment().slice().slurredInto()
            && a != null
            && b != null
            && a.finger() == b.finger()
            && a.string() == b.string();
    return slides ? to.moment().slide() * travelMm(from, to) / 100 : 0;
  }

  /** 1 for the second of two shifts in a row within an arpeggio that differ in distance. */
  double uneven(HandState from, HandState to) {
    int first = from.past().movedFrom();
    boolean chain =
        first != 0 && to.isShiftFrom(from) && from.base() > first == to.base() > from.base();
    if (!chain) {
      return 0;
    }
    double before = Math.abs(mmFromNut[from.base()] - mmFromNut[first]);
    return EqualSteps.areEqual(before, travelMm(from, to)) ? 0 : 1;
  }

  /** 1 for a shift that a slur leaves open, unless it is meant to be heard. */
  static double slurShift(HandState from, HandState to) {
    boolean inSlur = to.moment().slice().slurredInto() && !to.takesOver();
    if (!to.isShiftFrom(from) || !from.isStopped() || !inSlur) {
      return 0;
    }
    boolean across = Terms.crossing(from, to) > 0;
    double haste = Math.max(0, 1 - to.transitMs(from) / HASTY_MS);
    return to.moment().slide() * (across ? 1 + haste : 1);
  }
}
