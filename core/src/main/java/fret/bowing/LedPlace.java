package fret.bowing;

import java.util.List;
import java.util.Optional;

/**
 * A plain short stroke that what is around it leads out of the part of the bow where it lives.
 *
 * @param fromCm where it lives, from the frog; {@code toCm} nearer to the tip
 * @param towardsTip whether it is led to the tip; else to the frog
 */
public record LedPlace(double fromCm, double toCm, boolean towardsTip) {
  /** Nearer than this to its part is as good as in it, as a share of the hair. */
  private static final double NEAR = 0.05;

  /** Empty for a stroke that lies where it lives, or that may lie anywhere. */
  public static Optional<LedPlace> of(BowTask task, Bowing bowing, Stroke s) {
    double hair = task.bow().hairCm();
    boolean own = task.rules().spots().containsKey(s.fromMoment());
    if (own || !PlaceWindow.isFor(s.kind(), s.naturalCm(), hair)) {
      return Optional.empty();
    }
    List<BowMoment> moments = bowing.moments().subList(s.fromMoment(), s.toMoment() + 1);
    BowMoment first = moments.get(0);
    PlaceWindow lives =
        PlaceWindow.of(
            task.instrument().type(),
            first.level(),
            StrokeKinds.rate(moments) / moments.size(),
            first.isAccented(),
            task.habits());
    double middle = (s.startCm() + s.endCm()) / 2 / hair;
    return lives.outside(middle) > NEAR
        ? Optional.of(new LedPlace(lives.from() * hair, lives.to() * hair, middle > lives.middle()))
        : Optional.empty();
  }
}
