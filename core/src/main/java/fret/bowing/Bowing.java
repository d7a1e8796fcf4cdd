package fret.bowing;

import fret.search.Explanation;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * A bowing of a whole passage, with its reasons.
 *
 * @param moments the passage as the bow sees it
 * @param strokes in order; plucked moments stand in none
 * @param explanation a share for every {@link BowEffort}; layers are moments: the first one of a
 *     stroke
 * @param unhooked moments into which the player asked for a hook that the directions asked around
 *     it do not allow
 */
public record Bowing(
    List<BowMoment> moments,
    List<Stroke> strokes,
    Explanation explanation,
    List<Integer> unhooked) {
  public Bowing {
    moments = List.copyOf(moments);
    strokes = List.copyOf(strokes);
    unhooked = List.copyOf(unhooked);
    Objects.requireNonNull(explanation);
  }

  public double effort() {
    return explanation.effort();
  }

  /** The stroke that a moment is played with; empty where it is plucked. */
  public Optional<Stroke> strokeAt(int moment) {
    int low = 0;
    int high = strokes.size() - 1;
    while (low <= high) {
      int middle = (low + high) / 2;
      Stroke s = strokes.get(middle);
      if (s.has(moment)) {
        return Optional.of(s);
      } else if (s.fromMoment() > moment) {
        high = middle - 1;
      } else {
        low = middle + 1;
      }
    }
    return Optional.empty();
  }

  /** Notes a second of a stroke. */
  public double rate(Stroke s) {
    return StrokeKinds.rate(moments.subList(s.fromMoment(), s.toMoment() + 1));
  }

  /** The place of a stroke in the list. */
  public int indexAt(int moment) {
    return strokeAt(moment).map(strokes::indexOf).orElse(-1);
  }

  /**
   * Whether a stroke goes on from the one before it: without a retake and without a silence in
   * which the bow may go anywhere.
   */
  public boolean followsOn(int index) {
    if (index == 0 || strokes.get(index).retake().isPresent()) {
      return false;
    }
    int before = strokes.get(index).fromMoment() - 1;
    return strokes.get(index - 1).toMoment() == before
        && moments.get(before).restMs() < BowJoins.LONG_MS;
  }

  /** Moments whose direction or stroke differs in another bowing of the same passage. */
  public List<Integer> differsFrom(Bowing other) {
    List<Integer> all = new ArrayList<>();
    for (Stroke s : strokes) {
      Optional<Stroke> his = other.strokeAt(s.fromMoment());
      boolean same =
          his.isPresent()
              && his.get().fromMoment() == s.fromMoment()
              && his.get().toMoment() == s.toMoment()
              && his.get().down() == s.down();
      if (!same) {
        all.add(s.fromMoment());
      }
    }
    return all;
  }

  /** Whether all strokes and directions are those of another bowing of the same passage. */
  public boolean hasStrokesOf(Bowing other) {
    return strokes.size() == other.strokes.size() && differsFrom(other).isEmpty();
  }

  /**
   * The strokes of a stretch as they are in the whole, moments counted from its first.
   *
   * @param to the last one
   */
  public Bowing within(int from, int to) {
    List<Stroke> inside =
        strokes.stream()
            .filter(s -> s.notes().stream().anyMatch(n -> n.moment() >= from && n.moment() <= to))
            .map(s -> s.within(from, to))
            .toList();
    return new Bowing(
        moments.subList(from, to + 1), inside, new Explanation(0, List.of()), List.of());
  }

  /** What makes the stroke of a moment hard. */
  public List<Explanation.Share> reasonsAt(int moment) {
    return strokeAt(moment).map(s -> explanation.at(s.fromMoment())).orElse(List.of());
  }

  /** The same bowing with its amounts weighed by another preset. */
  public Bowing weighed(BowPreset preset) {
    List<Explanation.Share> shares = new ArrayList<>();
    double total = 0;
    for (Explanation.Share s : explanation.shares()) {
      double weight = preset.weight(BowEffort.values()[shares.size()]);
      List<Explanation.Cause> causes =
          s.causes().stream()
              .map(c -> new Explanation.Cause(c.layer(), c.quantity(), c.quantity() * weight))
              .toList();
      double effort = s.quantity() * weight;
      total += effort;
      shares.add(new Explanation.Share(s.id(), s.unit(), s.quantity(), effort, causes));
    }
    return new Bowing(moments, strokes, new Explanation(total, shares), unhooked);
  }
}
