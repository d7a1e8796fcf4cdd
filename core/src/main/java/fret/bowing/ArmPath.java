package fret.bowing;

import fret.instrument.BowGeometry;
import java.util.ArrayList;
import java.util.List;

/**
 * The way of the arm over the strings: the shortest line over time that stays in every note's
 * corridor, so that the arm goes ahead of the bow and the hand gives only the difference.
 *
 * <p>The corridor of a note is its plane, half the angle to the neighbouring string to each side; a
 * pair's is a quarter of it. A string kept longer than a second is settled on: the arm is within a
 * degree of it from half a second after its start to half a second before its end. A rest has no
 * corridor. Both ends are free. The line is a taut string: it does not depend on the units of time
 * and angle.
 */
public final class ArmPath {
  /** What the arm may do. */
  public enum Manner {
    /** Wrist and fingers give half of the angle to the next string. */
    HAND_GIVES,
    /** The whole arm goes with the bow: every string is settled on. */
    WHOLE_ARM,
    /** The hand gives downwards only: the arm is set for the higher string. */
    DOWN_ONLY
  }

  /**
   * A bend of the line.
   *
   * @param degrees as {@link BowGeometry#planeDegrees}
   */
  public record Point(double ms, double degrees) {}

  /** A stretch of time with the angles that are allowed in it. */
  private record Corridor(double fromMs, double toMs, double low, double high) {}

  private static final double SETTLED_MS = 1000;
  private static final double WAY_IN_MS = 500;
  private static final double SETTLED_DEGREES = 1;

  private final List<Point> points;

  private ArmPath(List<Point> points) {
    this.points = List.copyOf(points);
  }

  /** The line over a passage. */
  public static ArmPath of(List<BowMoment> moments, BowGeometry bow, Manner manner) {
    List<Corridor> corridors = new ArrayList<>();
    for (BowMoment m : moments) {
      if (m.isBowed()) {
        add(corridors, m, bow, manner);
      }
    }
    return new ArmPath(corridors.isEmpty() ? List.of() : taut(gates(corridors)));
  }

  private static void add(List<Corridor> into, BowMoment m, BowGeometry bow, Manner manner) {
    double plane = bow.planeDegrees(m.strings());
    double give =
        manner == Manner.WHOLE_ARM
            ? SETTLED_DEGREES
            : bow.angleDegrees() / (m.strings().size() > 1 ? 4 : 2);
    // Lower strings have greater angles: a hand that only gives down has its arm above the bow.
    double low = plane - give;
    double high = manner == Manner.DOWN_ONLY ? plane + 1e-6 : plane + give;
    Corridor last = into.isEmpty() ? null : into.get(into.size() - 1);
    boolean goesOn =
        last != null
            && Math.abs(last.low() - low) < 1e-9
            && Math.abs(last.high() - high) < 1e-9
            && m.startMs() - last.toMs() < 1;
    if (goesOn) {
      into.set(into.size() - 1, new Corridor(last.fromMs(), m.endMs(), low, high));
    } else {
      into.add(new Corridor(m.startMs(), m.endMs(), low, high));
    }
  }

  /** A moment at which the line has to pass between two angles. */
  private record Gate(double ms, double low, double high) {}

  private static List<Gate> gates(List<Corridor> corridors) {
    List<Gate> gates = new ArrayList<>();
    for (int i = 0; i < corridors.size(); i++) {
      Corridor c = corridors.get(i);
      boolean joined = i > 0 && c.fromMs() - corridors.get(i - 1).toMs() < 1;
      if (joined) {
        gates.add(between(corridors.get(i - 1), c));
      } else {
        if (i > 0) {
          Corridor b = corridors.get(i - 1);
          gates.add(new Gate(b.toMs(), b.low(), b.high()));
        }
        gates.add(new Gate(c.fromMs(), c.low(), c.high()));
      }
      if (c.toMs() - c.fromMs() > SETTLED_MS) {
        double middle = (c.low() + c.high()) / 2;
        double low = middle - SETTLED_DEGREES;
        double high = middle + SETTLED_DEGREES;
        gates.add(new Gate(c.fromMs() + WAY_IN_MS, low, high));
        gates.add(new Gate(c.toMs() - WAY_IN_MS, low, high));
      }
    }
    Corridor end = corridors.get(corridors.size() - 1);
    gates.add(new Gate(end.toMs(), end.low(), end.high()));
    return gates;
  }

  /** Where two corridors share angles, those; over a skipped string the middle of the gap. */
  private static Gate between(Corridor a, Corridor b) {
    double low = Math.max(a.low(), b.low());
    double high = Math.min(a.high(), b.high());
    if (low <= high) {
      return new Gate(b.fromMs(), low, high);
    }
    double middle = (low + high) / 2;
    return new Gate(b.fromMs(), middle, middle);
  }

  /**
   * The taut string through gates with both ends free: its bends.
   *
   * <p>From a bend it keeps the steepest and the flattest line that pass all gates so far; where
   * they meet, the gate that narrowed them is the next bend.
   */
  private static List<Point> taut(List<Gate> gates) {
    List<Point> bends = new ArrayList<>();
    Gate first = gates.get(0);
    // A free end is a goal so far away that the line to it is level.
    double far = 1e9;
    List<Gate> all = new ArrayList<>();
    all.add(new Gate(first.ms() - far, 0, 0));
    all.addAll(gates);
    Gate last = gates.get(gates.size() - 1);
    all.add(new Gate(last.ms() + far, 0, 0));
    Point apex = new Point(first.ms() - far, 0);
    int i = 1;
    while (i < all.size()) {
      double steepest = Double.POSITIVE_INFINITY;
      double flattest = Double.NEGATIVE_INFINITY;
      int highAt = i;
      int lowAt = i;
      int k = i;
      int bend = -1;
      for (; k < all.size() && bend < 0; k++) {
        Gate g = all.get(k);
        double time = Math.max(1e-6, g.ms() - apex.ms());
        double up = (g.high() - apex.degrees()) / time;
        double down = (g.low() - apex.degrees()) / time;
        if (down > steepest) {
          bend = highAt;
          apex = new Point(all.get(highAt).ms(), all.get(highAt).high());
        } else if (up < flattest) {
          bend = lowAt;
          apex = new Point(all.get(lowAt).ms(), all.get(lowAt).low());
        } else {
          if (up <= steepest) {
            steepest = up;
            highAt = k;
          }
          if (down >= flattest) {
            flattest = down;
            lowAt = k;
          }
        }
      }
      if (bend < 0) {
        break;
      }
      bends.add(apex);
      i = bend + 1;
    }
    return framed(bends, first, last);
  }

  /** Adds the ends of the line; without a bend it is level, as near to the middle as it may. */
  private static List<Point> framed(List<Point> bends, Gate first, Gate last) {
    double from = bends.isEmpty() ? clamp(0, first, last) : bends.get(0).degrees();
    double to = bends.isEmpty() ? from : bends.get(bends.size() - 1).degrees();
    List<Point> all = new ArrayList<>();
    all.add(new Point(first.ms(), from));
    bends.stream()
        .filter(p -> p.ms() > first.ms() + 1e-6 && p.ms() < last.ms() - 1e-6)
        .forEach(all::add);
    all.add(new Point(last.ms(), to));
    return all.stream().filter(p -> !isStraight(all, p)).toList();
  }

  /** Whether a point lies on the line between those beside it. */
  private static boolean isStraight(List<Point> all, Point p) {
    int i = all.indexOf(p);
    if (i <= 0 || i + 1 >= all.size()) {
      return false;
    }
    Point a = all.get(i - 1);
    Point b = all.get(i + 1);
    double share = (p.ms() - a.ms()) / Math.max(1e-9, b.ms() - a.ms());
    return Math.abs(a.degrees() + share * (b.degrees() - a.degrees()) - p.degrees()) < 1e-6;
  }

  private static double clamp(double value, Gate a, Gate b) {
    double low = Math.max(a.low(), b.low());
    double high = Math.min(a.high(), b.high());
    return Math.max(low, Math.min(high, value));
  }

  /** The ends of the line and its bends, in time. */
  public List<Point> points() {
    return points;
  }

  /** The arm's angle at a time, in degrees. */
  public double at(double ms) {
    if (points.isEmpty() || ms <= points.get(0).ms()) {
      return points.isEmpty() ? 0 : points.get(0).degrees();
    }
    for (int i = 1; i < points.size(); i++) {
      Point b = points.get(i);
      if (ms <= b.ms()) {
        Point a = points.get(i - 1);
        double share = (ms - a.ms()) / Math.max(1e-9, b.ms() - a.ms());
        return a.degrees() + (b.degrees() - a.degrees()) * share;
      }
    }
    return points.get(points.size() - 1).degrees();
  }

  /** How long before a time the arm may start: since the last bend, in ms. */
  public double aheadMs(double ms) {
    double last = points.isEmpty() ? ms : points.get(0).ms();
    for (Point p : points) {
      last = p.ms() < ms - 1e-6 ? p.ms() : last;
    }
    return ms - last;
  }

  /** How long after a time the arm may take: to the next bend, in ms. */
  public double behindMs(double ms) {
    return points.stream()
        .filter(p -> p.ms() > ms + 1e-6)
        .findFirst()
        .map(p -> p.ms() - ms)
        .orElse(0.0);
  }
}
