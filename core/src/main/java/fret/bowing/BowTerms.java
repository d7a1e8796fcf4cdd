package fret.bowing;

import fret.instrument.BowGeometry;
import fret.instrument.InstrumentType;
import fret.score.LoudnessLine;
import fret.score.Signs;
import fret.search.RulerProblem;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * What a stroke costs, term by term: each amount depends on the stroke and on one thing more, its
 * side, its length, or one of its places in cm from the frog. The search adds up the same terms
 * that the explanation takes apart.
 */
final class BowTerms {
  /** What an amount depends on besides the stroke. */
  enum On {
    SIDE,
    /** The length in cm. */
    LENGTH,
    /** The binary logarithm of the length in cm. */
    OCTAVES,
    START,
    /** The start of an up-bow. */
    UP_START,
    MIDDLE,
    END
  }

  /** One term. */
  record Term(BowEffort kind, On on, Amount amount) {}

  /** An amount in the unit of its kind, 0 or more. */
  @FunctionalInterface
  interface Amount {
    double of(BowSpan span, double at);
  }

  /** A place asked for is kept within this many cm. */
  static final double PIN_CM = 1.01;

  /** Least length that a ratio is taken of, in cm. */
  /** What an up-bow on a first beat counts at the beginning (from memory). */
  private static final double OPENING = 1.3;

  private static final double TINY_CM = 0.05;

  private static final double PER_OCTAVE = 1 / Math.log(2);

  /** An end of the bow kept free, in cm (from memory). */
  private static final double RESERVE_CM = 8;

  /** From here on, as a share of the hair, an accent has lost the weight of the frog. */
  private static final double WEIGHT_SHARE = 0.4;

  private static final double LOUD_SHARE = 0.6;

  /** What a cm off a spot that was asked for counts beside one out of a kind's own place. */
  private static final double ASKED = 8;

  /** What a cm from the middle of its window counts beside one outside of it. */
  private static final double CENTRAL = 0.25;

  /** The same for a stroke that the bow is set down for. */
  private static final double ENTRY = 0.6;

  /** So much of the hair, at this loudness and above, makes an up-bow a sweep. */
  private static final double SWEEP_SHARE = 0.45;

  /** A rest longer than this takes the arm to the next string in peace, in ms. */
  private static final double PEACE_MS = 200;

  /** So many angles between neighbours make a crossing a wide one. */
  private static final double WIDE_ANGLES = 1.6;

  /** Time in which a plucking hand has to be back, in ms. */
  private static final double PLUCK_MS = 600;

  private final BowGeometry bow;
  private final InstrumentType type;
  private final BowHabits habits;
  private final boolean tipped;
  private final Term[][] byOn = new Term[On.values().length][];
  private final double[] weights = new double[BowEffort.values().length];

  BowTerms(BowGeometry bow, InstrumentType type, BowPreset preset, BowHabits habits) {
    this.bow = bow;
    this.type = type;
    this.habits = habits;
    this.tipped = habits.has(BowHabit.Way.TIP);
    for (BowEffort kind : BowEffort.values()) {
      weights[kind.ordinal()] = preset.weight(kind);
    }
    List<Term> all = all();
    for (On on : On.values()) {
      byOn[on.ordinal()] =
          all.stream()
              .filter(t -> t.on() == on && weights[t.kind().ordinal()] > 0)
              .toArray(Term[]::new);
    }
  }

  double hairCm() {
    return bow.hairCm();
  }

  /** Whether other terms price every stroke the same. */
  boolean priceLike(BowTerms o) {
    return this == o
        || bow.equals(o.bow)
            && type == o.type
            && habits.equals(o.habits)
            && Arrays.equals(weights, o.weights);
  }

  double weight(BowEffort kind) {
    return weights[kind.ordinal()];
  }

  /** Turn of the arm from one moment to the next in degrees; 0 after a rest that gives time. */
  double degrees(BowMoment from, BowMoment to) {
    if (from.restMs() > PEACE_MS || from.stringsTo(to) == 0) {
      return 0;
    }
    return Math.abs(bow.planeDegrees(from.strings()) - bow.planeDegrees(to.strings()));
  }

  List<Term> all() {
    List<Term> terms = new ArrayList<>();
    sides(terms);
    lengths(terms);
    places(terms);
    return terms;
  }

  private static boolean isUp(double side) {
    return side == RulerProblem.UP;
  }

  private static double if1(boolean counts) {
    return counts ? 1 : 0;
  }

  private void sides(List<Term> into) {
    up(into, BowEffort.UP_BEGIN, BowSpan::isFirst);
    into.add(new Term(BowEffort.UP_FIRST, On.SIDE, (s, side) -> isUp(side) ? onFirstBeat(s) : 0));
    up(into, BowEffort.UP_HALF, s -> s.first().beat() == BowMoment.Beat.HALF);
    up(into, BowEffort.UP_BEAT, s -> s.first().beat() == BowMoment.Beat.BEAT);
    up(into, BowEffort.UP_CHORD, s -> s.moments().stream().anyMatch(BowMoment::isChord));
    up(into, BowEffort.UP_ACCENT, s -> s.first().isAccented());
    into.add(
        new Term(
            BowEffort.DOWN_SWELL,
            On.SIDE,
            (s, side) -> isUp(side) ? 0 : Math.min(1, Math.max(0, rise(s)))));
    into.add(
        new Term(
            BowEffort.UP_FADE,
            On.SIDE,
            (s, side) -> isUp(side) ? Math.min(1, Math.max(0, -rise(s))) : 0));
    into.add(
        new Term(
            BowEffort.DOWN_PLUCK, On.SIDE, (s, side) -> isUp(side) ? 0 : if1(isBeforePluck(s))));
    into.add(new Term(BowEffort.BROKEN, On.SIDE, (s, side) -> if1(s.breaksSlur())));
    into.add(new Term(BowEffort.JOINED, On.SIDE, (s, side) -> s.joined()));
    into.add(new Term(BowEffort.SLUR_SHIFT, On.SIDE, (s, side) -> shiftsInside(s)));
    into.add(new Term(BowEffort.SLUR_CROSS, On.SIDE, (s, side) -> crossedInside(s)));
  }

  private static void up(
      List<Term> into, BowEffort kind, java.util.function.Predicate<BowSpan> counts) {
    into.add(new Term(kind, On.SIDE, (s, side) -> isUp(side) ? if1(counts.test(s)) : 0));
  }

  /**
   * A loud entry on a first beat asks twice for the down-bow, and the beginning of all a little
   * more than another bar, but where it is soft (common practice, no source; from memory).
   */
  private static double onFirstBeat(BowSpan s) {
    boolean loud = s.isEntry() && s.first().fromLevel() > LoudnessLine.FORTE;
    boolean opens = s.isFirst() && s.first().fromLevel() > LoudnessLine.PIANO;
    double entry = loud ? 2 : opens ? OPENING : 1;
    return s.first().beat() != BowMoment.Beat.FIRST ? 0 : entry;
  }

  /** Levels from the stroke's first sound to its last. */
  private static double rise(BowSpan s) {
    return s.last().toLevel() - s.first().fromLevel();
  }

  private static boolean isBeforePluck(BowSpan s) {
    return s.last().restMs() < PLUCK_MS && s.after().filter(m -> !m.isBowed()).isPresent();
  }

  private static int shiftsInside(BowSpan s) {
    return (int) s.moments().stream().skip(1).filter(BowMoment::shiftInto).count();
  }

  private static int crossedInside(BowSpan s) {
    int count = 0;
    for (int i = 1; i < s.moments().size(); i++) {
      count += s.moments().get(i - 1).stringsTo(s.moments().get(i));
    }
    return count;
  }

  private void lengths(List<Term> into) {
    into.add(octaves(BowEffort.SAVE, (s, cm) -> s.usableOctaves() - cm));
    into.add(octaves(BowEffort.SPEND, (s, cm) -> cm - s.usableOctaves()));
    into.add(
        octaves(
            BowEffort.THIN,
            (s, cm) ->
                Math.min(
                    s.naturalOctaves() + log2(BowSpeed.EASY) - cm,
                    log2(BowSpeed.EASY) - log2(BowSpeed.LEAST))));
    into.add(
        octaves(
            BowEffort.FAST, (s, cm) -> cm - Math.max(0, s.naturalOctaves() + log2(BowSpeed.MOST))));
    into.add(
        new Term(
            BowEffort.SHORT,
            On.LENGTH,
            (s, cm) -> stays(s) ? 0 : Math.max(0, s.naturalCm() * BowSpeed.LEAST - cm)));
  }

  private static Term octaves(BowEffort kind, Amount amount) {
    return new Term(kind, On.OCTAVES, (s, cm) -> stays(s) ? 0 : Math.max(0, amount.of(s, cm)));
  }

  /** Whether the bow trembles on the spot. */
  private static boolean stays(BowSpan s) {
    return s.kind() == StrokeKind.TREMOLO;
  }

  /** The binary logarithm of a length in cm that is not quite nothing. */
  static double log2(double cm) {
    return Math.log(Math.max(TINY_CM, cm)) * PER_OCTAVE;
  }

  private void places(List<Term> into) {
    into.add(
        new Term(
            BowEffort.CROSS_HAND, On.START, (s, p) -> handCm(s.first(), s.crossingDegrees(), p)));
    into.add(
        new Term(
            BowEffort.WEIGHT_PLACE,
            On.START,
            (s, p) ->
                s.first().isAccented() || s.first().isChord()
                    ? Math.max(0, p - WEIGHT_SHARE * bow.hairCm())
                    : 0));
    into.add(
        new Term(BowEffort.SWEEP_PLACE, On.UP_START, (s, p) -> isSweep(s) ? bow.hairCm() - p : 0));
    into.add(
        new Term(
            BowEffort.CROSS_HAND, On.MIDDLE, (s, p) -> handCm(s.first(), s.insideDegrees(), p)));
    into.add(
        new Term(
            BowEffort.KIND_PLACE,
            On.MIDDLE,
            (s, p) -> s.spot().map(spot -> offSpot(spot, p)).orElseGet(() -> outOfKind(s, p))));
    into.add(new Term(BowEffort.LOUD_PLACE, On.MIDDLE, (s, p) -> misplaced(s, p)));
    into.add(
        new Term(
            BowEffort.PLAIN_PLACE,
            On.MIDDLE,
            (s, p) -> s.window().map(w -> away(w, s, p)).orElse(0.0)));
    into.add(
        new Term(
            BowEffort.RESERVE,
            On.END,
            (s, p) -> Math.max(0, Math.max(RESERVE_CM - p, p - (bow.hairCm() - RESERVE_CM)))));
  }

  /** What a crossing takes; who crosses at the tip pays for being away from there. */
  private double handCm(BowMoment into, double degrees, double place) {
    boolean atTip = tipped && isTipped(into, degrees, bow);
    return bow.handCm(degrees, atTip ? bow.hairCm() - place : place);
  }

  /** A crossing that may be made at the tip: over two strings or more, or soft. */
  static boolean isTipped(BowMoment into, double degrees, BowGeometry bow) {
    boolean wide = degrees > bow.angleDegrees() * WIDE_ANGLES;
    return degrees > 0 && (wide || into.level() <= LoudnessLine.PIANO);
  }

  /**
   * Whether a stroke, played as an up-bow, is a big sweep, begun at the very tip: loud, with much
   * of the hair, and nothing that wants the weight of the frog at its start (common practice, no
   * source).
   */
  boolean isSweep(BowSpan s) {
    boolean weighty = s.first().isAccented() || s.first().isChord();
    boolean anywhere = s.kind().from() <= 0 && s.kind().to() >= 1;
    return anywhere
        && !weighty
        && s.last().toLevel() >= LoudnessLine.FORTE
        && s.naturalCm() >= SWEEP_SHARE * bow.hairCm();
  }

  private double outOfKind(BowSpan s, double place) {
    double from = s.kind().from() * bow.hairCm();
    double to = s.kind().to() * bow.hairCm();
    return Math.max(0, Math.max(from - place, place - to));
  }

  /** What the player asked for counts more than what the kind of stroke likes. */
  private double offSpot(double spot, double place) {
    return ASKED * Math.max(0, Math.abs(place - spot * bow.hairCm()) - PIN_CM);
  }

  /** In cm; the bow that is set down for a stroke goes where it wants to begin, not to the edge. */
  private double away(PlaceWindow window, BowSpan s, double place) {
    double share = place / bow.hairCm();
    double central = (s.isEntry() ? ENTRY : CENTRAL) * Math.abs(share - window.middle());
    return (window.priced().outside(share) + central) * bow.hairCm();
  }

  /** Where a plain stroke under a third of the hair lives; empty for any other. */
  Optional<PlaceWindow> window(BowSpan s) {
    return s.spot().isEmpty() && PlaceWindow.isFor(s.kind(), s.naturalCm(), bow.hairCm())
        ? Optional.of(
            PlaceWindow.of(
                type,
                s.first().level(),
                StrokeKinds.rate(s.moments()) / s.moments().size(),
                s.first().isAccented(),
                habits))
        : Optional.empty();
  }

  private double misplaced(BowSpan s, double place) {
    // Articulated legato lives at the tip at any loudness.
    boolean placed = s.window().isPresent() || s.spot().isPresent();
    if (placed || s.kind() == StrokeKind.ARTICULATED) {
      return 0;
    }
    double level = s.first().level();
    if (level >= LoudnessLine.FORTE) {
      return Math.max(0, place - LOUD_SHARE * bow.hairCm());
    }
    return level < LoudnessLine.PIANO ? Math.max(0, (1 - LOUD_SHARE) * bow.hairCm() - place) : 0;
  }

  /** Whether any term looks at the middle of a stroke. */
  boolean hasMiddle(BowSpan s) {
    double level = s.first().level();
    boolean anywhere = s.kind().from() <= 0 && s.kind().to() >= 1;
    boolean evenly = level < LoudnessLine.FORTE && level >= LoudnessLine.PIANO;
    return s.insideDegrees() > 0
        || !anywhere
        || !evenly
        || s.window().isPresent()
        || s.spot().isPresent();
  }

  // ---- sums ------------------------------------------------------------------------------------

  double bySide(BowSpan span, int side) {
    Signs.Bow asked = span.first().printed();
    boolean against =
        asked == Signs.Bow.DOWN && side == RulerProblem.UP
            || asked == Signs.Bow.UP && side == RulerProblem.DOWN;
    return against ? Double.POSITIVE_INFINITY : sum(On.SIDE, span, side);
  }

  double byStart(BowSpan span, int side, double place) {
    double up = side == RulerProblem.UP ? sum(On.UP_START, span, place) : 0;
    return up + sum(On.START, span, place);
  }

  double sum(On on, BowSpan span, double at) {
    double sum = 0;
    for (Term t : byOn[on.ordinal()]) {
      sum += weights[t.kind().ordinal()] * t.amount().of(span, at);
    }
    return sum;
  }
}
