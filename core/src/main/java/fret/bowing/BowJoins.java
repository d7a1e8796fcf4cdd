package fret.bowing;

import fret.search.RulerSearch.Join;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;

/**
 * What happens between two strokes: turning is free, going on the same way is a hook, lifting the
 * bow back takes time that a rest gives, or the note before, or nothing.
 *
 * @param has silence between them in ms, plucked stretches included
 * @param note length of the note before, in ms
 * @param again what going on the same way is: a hook, one in a dotted or lilting rhythm, or one
 *     after a lift over a string
 * @param chords whether chords of three strings or more stand on both sides
 * @param free whether either direction may follow at no price: after plucking or a tremolo
 * @param held whether a note sounds on over it, so that the bow is not lifted unasked
 * @param rule what was decided there
 */
record BowJoins(
    double has,
    double note,
    BowEffort again,
    boolean chords,
    boolean free,
    boolean held,
    Optional<BowRules.Joint> rule) {
  /** A retake takes this long, and so much more a cm of its way (from memory). */
  static final double RETAKE_MS = 80;

  static final double RETAKE_MS_PER_CM = 4;

  /** Largest share of the note before that pays for a retake. */
  static final double MOST_PAID = 0.5;

  /** What is late is late by so much at least, in ms. */
  private static final double LEAST_LATE_MS = 100;

  /** A retake that gains less is not worth it, in cm (from memory). */
  static final double LEAST_WAY_CM = 10;

  /** A silence in which the bow goes anywhere, in ms. */
  static final double LONG_MS = 330;

  /** The same where what was decided cannot be kept. */
  BowJoins without(BowRules.Joint joint) {
    return new BowJoins(has, note, again, chords, free, held, rule.filter(r -> r != joint));
  }

  /** Whether there is time for the least retake that is worth it. */
  static boolean isTimeFor(double hasMs, double noteMs) {
    return hasMs + MOST_PAID * noteMs >= needsMs(LEAST_WAY_CM);
  }

  static double needsMs(double cm) {
    return RETAKE_MS + RETAKE_MS_PER_CM * cm;
  }

  boolean isFree() {
    return rule.isEmpty() && (free || has >= LONG_MS);
  }

  /** The terms of a join with their amounts; empty if it is not allowed. */
  Optional<Map<BowEffort, Double>> amounts(Join join, double cm) {
    if (!isAllowed(join)) {
      return Optional.empty();
    }
    Map<BowEffort, Double> amounts = new EnumMap<>(BowEffort.class);
    if (join == Join.AGAIN && !free) {
      amounts.put(again, 1.0);
    } else if (join == Join.LIFT) {
      retake(cm, amounts);
      amounts.put(BowEffort.RETAKE_WAY, cm);
    }
    return Optional.of(amounts);
  }

  private boolean isAllowed(Join join) {
    if (rule.isEmpty()) {
      return !held || join != Join.LIFT;
    }
    return switch (rule.get()) {
      case HOOK -> join == Join.AGAIN;
      case RETAKE -> join == Join.LIFT;
      case BREAK, SLUR -> !held || join != Join.LIFT;
    };
  }

  /** From the rest; else the note before pays; what even half of it does not give is late. */
  private void retake(double cm, Map<BowEffort, Double> into) {
    double lacking = needsMs(cm) - has;
    boolean betweenChords = chords && note >= 2 * needsMs(cm);
    if (lacking <= 0 || betweenChords) {
      into.put(BowEffort.RETAKE, 1.0);
      return;
    }
    into.put(BowEffort.RETAKE_PAID, 1 + Math.max(0, 1 - cm / LEAST_WAY_CM));
    into.put(BowEffort.RETAKE_TIME, Math.min(lacking, MOST_PAID * note));
    double late = lacking - MOST_PAID * note;
    if (late > 0) {
      into.put(BowEffort.RETAKE_LATE, Math.max(LEAST_LATE_MS, late));
    }
  }

  /** Effort of a join; infinite where it is not allowed. */
  double effort(Join join, double cm, BowTerms terms) {
    double sum = 0;
    Optional<Map<BowEffort, Double>> amounts = amounts(join, cm);
    if (amounts.isEmpty()) {
      return Double.POSITIVE_INFINITY;
    }
    for (Map.Entry<BowEffort, Double> a : amounts.get().entrySet()) {
      sum += terms.weight(a.getKey()) * a.getValue();
    }
    return sum;
  }
}
