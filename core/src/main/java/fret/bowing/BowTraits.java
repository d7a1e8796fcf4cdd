package fret.bowing;

import fret.base.Said;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToIntFunction;

/** What a bowing does, in a few words, so that several can be told apart. */
public final class BowTraits {
  private BowTraits() {}

  /** What players count in a bowing; the first ones are told first where the difference is one. */
  private enum Counted {
    BROKEN(by(BowEffort.BROKEN)),
    JOINED(by(BowEffort.JOINED)),
    RETAKES(b -> strokes(b, s -> s.retake().isPresent())),
    HOOKS(b -> strokes(b, Stroke::hooked)),
    ACCENTS(by(BowEffort.UP_ACCENT)),
    CHORDS(by(BowEffort.UP_CHORD)),
    GROWING(by(BowEffort.DOWN_SWELL)),
    FADING(by(BowEffort.UP_FADE)),
    FIRSTS(by(BowEffort.UP_FIRST)),
    SHIFTS(by(BowEffort.SLUR_SHIFT)),
    CROSSINGS(by(BowEffort.SLUR_CROSS)),
    STROKES(b -> b.strokes().size());

    private final ToIntFunction<Bowing> count;

    Counted(ToIntFunction<Bowing> count) {
      this.count = count;
    }

    private static ToIntFunction<Bowing> by(BowEffort effort) {
      return b ->
          b.explanation().shares().stream()
              .filter(s -> s.id().equals(effort.id()))
              .mapToInt(s -> s.causes().size())
              .sum();
    }

    private static int strokes(Bowing b, java.util.function.Predicate<Stroke> which) {
      return (int) b.strokes().stream().filter(which).count();
    }

    Said of(Bowing b) {
      int n = count.applyAsInt(b);
      String id = "bow-trait." + name();
      return n == 0 ? Said.of(id + ".none") : Said.of(id, n);
    }

    int apart(Bowing a, Bowing b) {
      return Math.abs(count.applyAsInt(a) - count.applyAsInt(b));
    }
  }

  /**
   * What sets a bowing apart from another one, the most telling first: how it begins, then what it
   * has more or less of. Where nothing of it is counted, that it turns elsewhere; of a bowing by
   * itself nothing.
   */
  public static List<Said> of(Bowing b, Bowing than) {
    List<Said> traits = new ArrayList<>();
    if (!b.strokes().isEmpty() && begins(b) != begins(than)) {
      traits.add(Said.of("bow-trait.begins." + (begins(b) ? "down" : "up")));
    }
    java.util.Arrays.stream(Counted.values())
        .filter(c -> c.apart(b, than) > 0)
        .sorted(Comparator.<Counted>comparingInt(c -> c.apart(b, than)).reversed())
        .forEach(c -> traits.add(c.of(b)));
    if (traits.isEmpty() && !b.differsFrom(than).isEmpty()) {
      traits.add(Said.of("bow-trait.elsewhere"));
    }
    return traits;
  }

  private static boolean begins(Bowing b) {
    return b.strokes().isEmpty() || b.strokes().get(0).down();
  }
}
