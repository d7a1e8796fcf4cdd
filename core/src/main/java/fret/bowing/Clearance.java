package fret.bowing;

import fret.base.Said;
import fret.instrument.InstrumentType;
import fret.score.LoudnessLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * Room between the bow on an inner string and its neighbours. A string that is stopped runs
 * straight from the finger to the bridge: at the bow it has sunk by a y / (L 2^(-n/12)), with a the
 * height of the open string over the board at the stop, y the distance of the bow from the bridge,
 * L the string's length and n semitones.
 *
 * <p>Heights over the end of the board are common practice, no source, from memory; between the nut
 * and there they grow evenly.
 */
public final class Clearance {
  /** Less room than this is warned of where it is loud, in degrees. */
  private static final double LEAST_DEGREES = 4.5;

  /** Beside an open string that still rings, less than this is warned of where it is soft. */
  private static final double LEAST_BESIDE_RINGING = 6;

  /** An open string rings on for about so long after it was played (from memory). */
  private static final double RINGS_MS = 1500;

  private Clearance() {}

  /** Height of an open string over the board n semitones up, in mm. */
  static double heightMm(InstrumentType type, double semitones) {
    double atEnd =
        switch (type) {
          case VIOLIN -> 4.0;
          case VIOLA -> 4.8;
          case CELLO -> 6.5;
          case BASS -> 11.0;
        };
    double along = 1 - Math.pow(2, -semitones / 12);
    double endOfBoard = 0.83; // share of the string's length, common practice, from memory
    return 0.5 + (atEnd - 0.5) * Math.min(1, along / endOfBoard);
  }

  /** How far a stopped string has sunk at the bow, in mm. */
  static double sunkMm(double heightMm, double contactMm, double lengthMm, double semitones) {
    return semitones <= 0 ? 0 : heightMm * contactMm / (lengthMm * Math.pow(2, -semitones / 12));
  }

  /** Clearance in degrees to a neighbour of a string that has sunk. */
  static double degrees(double angleDegrees, double spacingMm, double sunkMm) {
    return angleDegrees / 2 - Math.toDegrees(Math.atan(sunkMm / spacingMm));
  }

  static List<BowWarning> warnings(Bowing bowing, BowTask task) {
    List<BowWarning> all = new ArrayList<>();
    for (Stroke s : bowing.strokes()) {
      for (Stroke.Note n : s.notes()) {
        warning(bowing, task, s, n).ifPresent(all::add);
      }
    }
    return all;
  }

  private static Optional<BowWarning> warning(
      Bowing bowing, BowTask task, Stroke s, Stroke.Note n) {
    BowMoment m = bowing.moments().get(n.moment());
    boolean damped = task.rules().damped().contains(n.moment());
    if (damped || m.strings().size() > 1 || m.stopped() == 0) {
      return Optional.empty();
    }
    double free = degrees(task, m, n.contactMm());
    int damps = task.hand().get(n.moment()).freeFinger();
    boolean loud = m.level() >= LoudnessLine.FORTE && isInner(task, m) && free < LEAST_DEGREES;
    boolean soft = m.level() <= LoudnessLine.PIANO && free < LEAST_BESIDE_RINGING;
    OptionalInt ringing = soft ? ringing(bowing, m) : OptionalInt.empty();
    if (ringing.isPresent()) {
      String name = task.instrument().stringNames(List.of(ringing.getAsInt()));
      return Optional.of(
          warning(s, n.moment(), Said.of("bow.beside-ringing", name, Said.tenths(free))));
    }
    return loud
        ? Optional.of(
            warning(
                s,
                n.moment(),
                damps > 0
                    ? Said.of("bow.clearance.damp", Said.tenths(free), damps)
                    : Said.of("bow.clearance", Said.tenths(free))))
        : Optional.empty();
  }

  /** A neighbour that was played open a moment ago and has not been stopped since. */
  private static OptionalInt ringing(Bowing bowing, BowMoment m) {
    int string = m.strings().get(0);
    for (int i = m.slice().index() - 1; i >= 0; i--) {
      BowMoment before = bowing.moments().get(i);
      boolean open = before.strings().size() == 1 && before.stopped() == 0;
      if (m.startMs() - before.endMs() > RINGS_MS) {
        return OptionalInt.empty();
      } else if (open && Math.abs(before.strings().get(0) - string) == 1) {
        return OptionalInt.of(before.strings().get(0));
      }
    }
    return OptionalInt.empty();
  }

  private static boolean isInner(BowTask task, BowMoment m) {
    int string = m.strings().get(0);
    return m.strings().size() == 1 && string > 1 && string < task.instrument().stringCount();
  }

  /**
   * Room on either side of an inner string, in degrees; empty on an outer string and for double
   * stops.
   *
   * @param contactMm distance of the bow from the bridge
   */
  public static OptionalDouble room(BowTask task, BowMoment m, double contactMm) {
    return isInner(task, m)
        ? OptionalDouble.of(degrees(task, m, contactMm))
        : OptionalDouble.empty();
  }

  /**
   * How much further the bow tips to a string that a finger goes down on before it comes, for the
   * string sinks under the finger.
   *
   * @param m the moment on that string
   * @param contactMm distance of the bow from the bridge
   * @return degrees, 0 for an open string
   */
  public static double tips(BowTask task, BowMoment m, double contactMm) {
    double height = heightMm(task.instrument().type(), m.stopped());
    double sunk = sunkMm(height, contactMm, task.instrument().stringLengthMm(), m.stopped());
    return Math.toDegrees(Math.atan(sunk / task.bow().spacingMm()));
  }

  private static double degrees(BowTask task, BowMoment m, double contactMm) {
    double height = heightMm(task.instrument().type(), m.stopped());
    double sunk = sunkMm(height, contactMm, task.instrument().stringLengthMm(), m.stopped());
    return degrees(task.bow().angleDegrees(), task.bow().spacingMm(), sunk);
  }

  private static BowWarning warning(Stroke s, int moment, Said message) {
    return new BowWarning(BowWarning.Kind.CLEARANCE, moment, s.bar(), 0, 0, 0, message, List.of());
  }
}
