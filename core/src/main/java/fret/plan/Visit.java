package fret.plan;

import fret.base.Said;
import fret.drill.DrillKind;
import fret.plan.PracticePlan.Item;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What is done in a row: one unit, or neighbours in the part with their joins and spots.
 *
 * @param seed the unit for whose sake it is made
 * @param stages in playing order
 */
record Visit(Standing seed, List<Stage> stages) {
  /** Shorter ones do not pay for their change (common practice, no source). */
  static final double SHORTEST_MIN = 3;

  static final double LONGEST_MIN = 10;

  /** By the player's wish, level after level. */
  static final double LONG_MIN = 20;

  /** Most chunks of it, neighbours all. */
  static final int MOST_CHUNKS = 4;

  static final double EPS = 1e-9;

  Visit {
    stages = List.copyOf(stages);
  }

  /** The same, its straight work for another reason. */
  Visit because(Said why) {
    List<Stage> all = new ArrayList<>();
    for (Stage s : stages) {
      boolean straight = s.standing() == seed && s.item().drill() == DrillKind.STRAIGHT;
      all.add(straight ? s.because(why) : s);
    }
    return new Visit(seed, all);
  }

  List<Item> items() {
    return stages.stream().map(Stage::item).toList();
  }

  long passageId() {
    return seed.goal.passageId();
  }

  /** The units that are in it, each once. */
  Set<Standing> standings() {
    Set<Standing> all = new LinkedHashSet<>();
    stages.forEach(s -> all.add(s.standing()));
    return all;
  }

  double minutes() {
    double sum = 0;
    for (Stage s : stages) {
      sum += s.minutes();
    }
    return sum;
  }

  boolean isShort() {
    return minutes() < SHORTEST_MIN - EPS;
  }

  double roomLeft() {
    return LONGEST_MIN - minutes();
  }

  /**
   * The same with one more set of one of its units; empty where it has that or must not have it.
   */
  Optional<Visit> onceMore(Standing s, double room) {
    boolean may =
        !isShort()
            && stages.stream()
                .filter(x -> x.standing() == s)
                .allMatch(
                    x ->
                        x.closes()
                            || x.item().drill() != DrillKind.STRAIGHT && !x.item().drill().isRun());
    return may
        ? Stages.again(s, s.closed(), room)
            .map(
                more -> {
                  List<Stage> all = new ArrayList<>(stages);
                  int last = -1;
                  for (int i = 0; i < all.size(); i++) {
                    last = all.get(i).standing() == s ? i : last;
                  }
                  all.add(last + 1, more);
                  return new Visit(seed, all);
                })
        : Optional.empty();
  }

  /** Minutes in which the hand stretches, whatever it is for. */
  double stretchMinutes() {
    double sum = 0;
    for (Stage s : stages) {
      sum += s.item().drill().stretches() ? s.minutes() : 0;
    }
    return sum;
  }
}
