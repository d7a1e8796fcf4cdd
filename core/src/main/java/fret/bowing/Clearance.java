package fret.bowing;

import fret.base.Said;
import fret.instrument.InstrumentType;
import fret.score.LoudnessLine;
import java.util.ArrayList;
import java.util.List;

/**
 * Room between the bow on an inner string and its neighbours. A string that is stopped runs
 * straight from the finger to the bridge: at the bow it has sunk by a y / (L 2^(-n/12)), with a the
 * height of the open string over the board at the stop, y the distance of the bow from the bridge,
 * L the string's length and n semitones.
 *
 * <p>Heights over the end of the board are common practice, no source, from memory; between the nut
 * and there they grow evenly.
 */
final class Clearance {
  /** Less room than this is warned of where it is loud, in degrees. */
  private static final double LEAST_DEGREES = 4.5;

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
        BowMoment m = bowing.moments().get(n.moment());
        int string = m.strings().get(0);
        boolean inner =
            m.strings().size() == 1 && string > 1 && string < task.instrument().stringCount();
        if (inner && m.level() >= LoudnessLine.FORTE && m.stopped() > 0) {
          double free = degrees(task, m, n.contactMm());
          if (free < LEAST_DEGREES) {
            all.add(warning(s, n.moment(), free, task.hand().get(n.moment()).freeFinger()));
          }
        }
      }
    }
    return all;
  }

  private static double degrees(BowTask task, BowMoment m, double contactMm) {
    double height = heightMm(task.instrument().type(), m.stopped());
    double sunk = sunkMm(height, contactMm, task.instrument().stringLengthMm(), m.stopped());
    return degrees(task.bow().angleDegrees(), task.bow().spacingMm(), sunk);
  }

  private static BowWarning warning(Stroke s, int moment, double free, int damps) {
    double room = Said.tenths(free);
    return new BowWarning(
        BowWarning.Kind.CLEARANCE,
        moment,
        s.bar(),
        0,
        0,
        0,
        damps > 0 ? Said.of("bow.clearance.damp", room, damps) : Said.of("bow.clearance", room),
        List.of());
  }
}
