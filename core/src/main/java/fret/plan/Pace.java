package fret.plan;

import fret.journal.JournalEntry;
import fret.journal.Progress;
import fret.tempo.Ladder;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * How many plays a level of a unit will take, from how many its levels have taken so far: the power
 * law of practice (A. Newell, P. Rosenbloom, "Mechanisms of skill acquisition and the law of
 * practice", in Cognitive Skills and Their Acquisition, 1981): the logarithm of seconds a beat
 * falls evenly with the logarithm of plays. Each unit has its own height; the exponent is shared,
 * as one unit alone says little of it.
 */
final class Pace {
  /** Plays that every unit has behind it before it is counted. */
  private static final double BEFORE = 6;

  private static final double EXPONENT = 0.2;

  /**
   * Plays over those that the gate asks for up to which a level tells only that it was reached, not
   * when it could first have been.
   */
  private static final int FREE_PLAYS = 1;

  /** Weight of such a level. */
  private static final double GIVEN = 0.05;

  /** How much the usual exponent weighs against the record, in squared logarithms of plays. */
  private static final double EXPONENT_WEIGHT = 1.5;

  /** How much the passage's other units weigh for a unit's own height, in levels closed. */
  private static final double HEIGHT_WEIGHT = 0.7;

  /** More plays than that at one level mean that it is not in sight. */
  private static final double MOST = 400;

  private static final class Points {
    final List<double[]> all = new ArrayList<>();
    double now;
    int closed;

    double mean(int which) {
      double sum = 0;
      double weight = 1e-12;
      for (double[] p : all) {
        sum += p[2] * p[which];
        weight += p[2];
      }
      return sum / weight;
    }
  }

  private final Map<String, Points> points = new HashMap<>();
  private final int cleanNeeded;
  private double exponent = EXPONENT;
  private double usualHeight;

  private Pace(int cleanNeeded) {
    this.cleanNeeded = cleanNeeded;
  }

  /** The pace of a goal's units by their record. */
  static Pace of(Goal goal, List<JournalEntry> journal, int cleanNeeded) {
    Pace pace = new Pace(cleanNeeded);
    for (Unit u : goal.units()) {
      Ladder ladder = goal.ladder(u);
      Progress p = Progress.of(journal, goal.passageId(), u.ids(), ladder, cleanNeeded);
      Points made = new Points();
      made.now = Math.log(BEFORE + p.plays());
      made.closed = p.closed();
      int before = 0;
      for (Progress.Closing c : p.closings()) {
        boolean asked = c.plays() - before > cleanNeeded + FREE_PLAYS;
        made.all.add(
            new double[] {
              Math.log(BEFORE + c.plays()), height(ladder, c.level()), asked ? 1 : GIVEN
            });
        before = c.plays();
      }
      if (!p.isAtTarget()) {
        notYet(made, ladder, p);
      }
      pace.points.put(u.id(), made);
    }
    pace.fit();
    return pace;
  }

  /** A level that is still open was not reached yet: a point of its own once it has taken long. */
  private static void notYet(Points made, Ladder ladder, Progress p) {
    int closed = p.closings().isEmpty() ? 0 : p.closings().get(p.closings().size() - 1).plays();
    int tried = p.plays() - closed;
    if (tried > 0) {
      double sure = Math.min(1, tried / 8.0);
      made.all.add(new double[] {made.now, height(ladder, p.closed()) + 0.02, sure});
    }
  }

  /** Logarithm of seconds a beat at a level over those at the target. */
  private static double height(Ladder ladder, int level) {
    return Math.log(ladder.target() / ladder.levels().get(level).perMinute());
  }

  private void fit() {
    double xy = -EXPONENT * EXPONENT_WEIGHT;
    double xx = EXPONENT_WEIGHT;
    for (Points p : points.values()) {
      double x = p.mean(0);
      double y = p.mean(1);
      for (double[] at : p.all) {
        xy += at[2] * (at[0] - x) * (at[1] - y);
        xx += at[2] * (at[0] - x) * (at[0] - x);
      }
    }
    exponent = Math.max(0.08, Math.min(0.8, -xy / xx));
    double sum = 0;
    double weight = 0;
    for (Points p : points.values()) {
      for (double[] at : p.all) {
        sum += at[2] * (at[1] + exponent * at[0]);
        weight += at[2];
      }
    }
    usualHeight = weight == 0 ? Double.NaN : sum / weight;
  }

  double exponent() {
    return exponent;
  }

  /**
   * Plays that each level of a unit will take; those that are closed take none.
   *
   * @param factor by which all of them are more or fewer than fitted
   */
  double[] plays(Goal goal, Unit u, double factor) {
    Points p = points.get(u.id());
    Ladder ladder = goal.ladder(u);
    double[] all = new double[ladder.size()];
    double height = heightOf(p);
    double before = Math.exp(p.now);
    for (int level = p.closed; level < all.length; level++) {
      double reached =
          Double.isNaN(height)
              ? before + cleanNeeded
              : Math.exp(Math.min(20, (height - height(ladder, level)) / exponent));
      double plays = Math.max(cleanNeeded, Math.min(MOST, (reached - before) * factor));
      all[level] = plays;
      before += plays / factor;
    }
    return all;
  }

  private double heightOf(Points p) {
    if (Double.isNaN(usualHeight)) {
      return usualHeight;
    }
    double sum = usualHeight * HEIGHT_WEIGHT;
    double weight = HEIGHT_WEIGHT;
    // Later levels say more of what comes next.
    for (int i = 0; i < p.all.size(); i++) {
      double w = (1 + i) * p.all.get(i)[2];
      sum += w * (p.all.get(i)[1] + exponent * p.all.get(i)[0]);
      weight += w;
    }
    return sum / weight;
  }
}
