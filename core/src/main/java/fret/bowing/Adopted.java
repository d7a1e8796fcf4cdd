package fret.bowing;

import fret.score.ResolvedPassage;
import fret.score.Signs;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * What an adopted bowing holds at a moment.
 *
 * @param bow direction of the stroke that begins there; {@link Signs.Bow#NONE} within a stroke
 * @param joint what happens between the moment and the one before, where the page alone does not
 *     say so
 */
public record Adopted(Signs.Bow bow, Optional<BowRules.Joint> joint) {
  public Adopted {
    Objects.requireNonNull(bow);
    Objects.requireNonNull(joint);
  }

  /** The same with the stroke the other way. */
  public Adopted turned() {
    return new Adopted(
        switch (bow) {
          case DOWN -> Signs.Bow.UP;
          case UP -> Signs.Bow.DOWN;
          case NONE -> Signs.Bow.NONE;
        },
        joint);
  }

  /** All that holds a bowing as it is, by moment. */
  public static Map<Integer, Adopted> of(Bowing bowing, ResolvedPassage passage) {
    Map<Integer, Adopted> all = new LinkedHashMap<>();
    for (Stroke s : bowing.strokes()) {
      Signs.Bow bow = s.down() ? Signs.Bow.DOWN : Signs.Bow.UP;
      all.put(s.fromMoment(), new Adopted(bow, start(s)));
      for (int m = s.fromMoment() + 1; m <= s.toMoment(); m++) {
        if (!passage.slices().get(m).slurredInto()) {
          all.put(m, new Adopted(Signs.Bow.NONE, Optional.of(BowRules.Joint.SLUR)));
        }
      }
    }
    return all;
  }

  private static Optional<BowRules.Joint> start(Stroke s) {
    if (s.retake().isPresent()) {
      return Optional.of(BowRules.Joint.RETAKE);
    } else if (s.hooked()) {
      return Optional.of(BowRules.Joint.HOOK);
    }
    return s.breaksSlur() ? Optional.of(BowRules.Joint.BREAK) : Optional.empty();
  }
}
