package fret.bowing;

import fret.search.RulerProblem;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * One possible stroke: moments that are played in one direction, with what it would naturally take.
 * Compared by identity.
 */
final class BowSpan implements RulerProblem.Span {
  private final BowTerms terms;
  private final int to;
  private final List<BowMoment> moments;
  private final StrokeKind kind;
  private final double[] naturalCm;
  private final double sumCm;
  private final double leastCm;
  private final double mostCm;
  private final Optional<BowMoment> after;
  private final boolean breaksSlur;
  private final int joined;
  private final double naturalOctaves;
  private final double usableOctaves;
  private final double crossingDegrees;
  private final double insideDegrees;
  private final double startCm;
  private final Optional<Double> spot;
  private final boolean entry;
  private final Optional<PlaceWindow> window;

  /**
   * @param crossingDegrees turn of the arm into the first moment
   * @param insideDegrees turns of the arm within
   * @param after the moment that follows, plucked or bowed
   * @param joined notes slurred that are not slurred on the page
   * @param startCm place where it has to begin, negative for anywhere
   * @param spot where its middle is to stay, a share of the hair
   * @param entry whether it begins, or comes after a silence: the bow is set down for it
   */
  BowSpan(
      BowTerms terms,
      int to,
      List<BowMoment> moments,
      StrokeKind kind,
      double[] naturalCm,
      double crossingDegrees,
      double insideDegrees,
      Optional<BowMoment> after,
      boolean breaksSlur,
      int joined,
      double startCm,
      Optional<Double> spot,
      boolean entry) {
    this.terms = terms;
    this.to = to;
    this.moments = moments;
    this.kind = kind;
    this.naturalCm = naturalCm;
    this.after = after;
    this.breaksSlur = breaksSlur;
    this.joined = joined;
    this.startCm = startCm;
    this.spot = spot;
    this.entry = entry;
    double sum = 0;
    for (double cm : naturalCm) {
      sum += cm;
    }
    this.sumCm = sum;
    boolean stays = kind == StrokeKind.TREMOLO;
    this.leastCm = stays ? 0 : Math.min(terms.hairCm(), sum * BowSpeed.LEAST);
    this.mostCm = stays ? 0 : Math.min(terms.hairCm(), Math.max(1, sum * BowSpeed.MOST));
    this.naturalOctaves = BowTerms.log2(sum);
    this.usableOctaves = BowTerms.log2(Math.min(sum, terms.hairCm()));
    this.crossingDegrees = crossingDegrees;
    this.insideDegrees = insideDegrees;
    this.window = terms.window(this);
  }

  @Override
  public boolean costsLike(RulerProblem.Span other) {
    return other instanceof BowSpan o
        && to == o.to
        && kind == o.kind
        && breaksSlur == o.breaksSlur
        && joined == o.joined
        && entry == o.entry
        && startCm == o.startCm
        && crossingDegrees == o.crossingDegrees
        && insideDegrees == o.insideDegrees
        && spot.equals(o.spot)
        && Arrays.equals(naturalCm, o.naturalCm)
        && after.equals(o.after)
        && moments.equals(o.moments)
        && terms.priceLike(o.terms);
  }

  /** Where it lives where that is told of a plain short stroke. */
  Optional<PlaceWindow> window() {
    return window;
  }

  @Override
  public int to() {
    return to;
  }

  List<BowMoment> moments() {
    return moments;
  }

  BowMoment first() {
    return moments.get(0);
  }

  BowMoment last() {
    return moments.get(moments.size() - 1);
  }

  /** Whether it begins the passage. */
  boolean isFirst() {
    return first().slice().index() == 0;
  }

  /** Where its middle is to stay, as the player asked for a stretch. */
  Optional<Double> spot() {
    return spot;
  }

  /** Whether the bow is set down for it where it wants to be. */
  boolean isEntry() {
    return entry;
  }

  StrokeKind kind() {
    return kind;
  }

  /** What a moment takes at the natural speed of its loudness, in cm. */
  double naturalCm(int i) {
    return naturalCm[i];
  }

  double naturalCm() {
    return sumCm;
  }

  /** Binary logarithms of the natural amount, and of as much of it as there is hair. */
  double naturalOctaves() {
    return naturalOctaves;
  }

  double usableOctaves() {
    return usableOctaves;
  }

  Optional<BowMoment> after() {
    return after;
  }

  boolean breaksSlur() {
    return breaksSlur;
  }

  int joined() {
    return joined;
  }

  /** Turn of the arm into the first moment, and the turns within, in degrees. */
  double crossingDegrees() {
    return crossingDegrees;
  }

  double insideDegrees() {
    return insideDegrees;
  }

  @Override
  public double bySide(int side) {
    return terms.bySide(this, side);
  }

  @Override
  public double byLength(double length, double step) {
    double cm = rounded(length, step);
    return terms.sum(BowTerms.On.LENGTH, this, cm)
        + terms.sum(BowTerms.On.OCTAVES, this, BowTerms.log2(cm));
  }

  @Override
  public Optional<Object> lengthKey() {
    return Optional.of(kind == StrokeKind.TREMOLO ? (Object) kind : sumCm);
  }

  /** What an end costs depends on nothing but its place. */
  @Override
  public Optional<Object> endKey() {
    return Optional.of(BowTerms.On.END);
  }

  @Override
  public boolean hasMiddle() {
    return terms.hasMiddle(this);
  }

  /** A length as near to the natural one as the grid would have allowed. */
  double rounded(double length, double step) {
    double wanted = Math.min(sumCm, terms.hairCm());
    return Math.max(length - step / 2, Math.min(length + step / 2, wanted));
  }

  @Override
  public double byStart(int side, double place) {
    boolean elsewhere = startCm >= 0 && Math.abs(place - startCm) > BowTerms.PIN_CM;
    return elsewhere ? Double.POSITIVE_INFINITY : terms.byStart(this, side, place);
  }

  @Override
  public boolean startsBySide() {
    return terms.isSweep(this);
  }

  @Override
  public double byMiddle(double place) {
    return terms.sum(BowTerms.On.MIDDLE, this, place);
  }

  @Override
  public double byEnd(double place) {
    return terms.sum(BowTerms.On.END, this, place);
  }

  @Override
  public double least() {
    return leastCm;
  }

  @Override
  public double most() {
    return mostCm;
  }
}
