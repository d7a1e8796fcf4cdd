package fret.session;

import fret.base.Said;
import fret.bowing.BowLayers;
import fret.bowing.PhraseMark;
import fret.mark.FlagLayer;
import fret.mark.Marks;
import fret.mark.Place;
import fret.mark.VibratoLayer;
import fret.mark.VibratoWish;
import java.util.Optional;

/** What the player can decide of the line: loudness, vibrato and phrases, as pure functions. */
public final class LineDecisions {
  private static final int LOUDEST = 7;

  private LineDecisions() {}

  /** From a moment on a level louder (1) or softer (-1). */
  public static Change louder(Session s, int moment, int direction) {
    return level(s, moment, standing(s, moment) + direction);
  }

  /** From a moment on it is so loud, a level from 0 to 7. */
  public static Change level(Session s, int moment, double level) {
    return BowDecisions.decide(s, BowLayers.LEVEL, moment, bounded(Math.rint(level)));
  }

  /**
   * A crescendo (1) or diminuendo (-1) planned a level a bar: from the level of the first moment,
   * one level on at each bar line up to the last moment; never softer than what stands there on the
   * way up, nor louder on the way down. Empty within one bar, and where all of it stands so.
   */
  public static Optional<Change> levelABar(Session s, int from, int to, int direction) {
    double level = standing(s, from);
    Marks after =
        BowDecisions.set(s, s.passage().marks(), BowLayers.LEVEL, from, Optional.of(level));
    int bar = BowDecisions.key(s, from).barIndex();
    boolean any = false;
    for (int m = from + 1; m <= to; m++) {
      if (BowDecisions.key(s, m).barIndex() != bar) {
        bar = BowDecisions.key(s, m).barIndex();
        level = bounded(level + direction);
        double stands = standing(s, m);
        level = direction > 0 ? Math.max(level, stands) : Math.min(level, stands);
        after = BowDecisions.set(s, after, BowLayers.LEVEL, m, Optional.of(level));
        any = true;
      }
    }
    String first = s.bowing().moments().get(from).bar();
    Said name = Said.of(direction > 0 ? "bow.grow" : "bow.fall", first);
    return any ? Optional.of(Change.of(name, s.passage().marks(), after)) : Optional.empty();
  }

  /** The level that counts at a moment: the player's own, or as printed. */
  static double standing(Session s, int moment) {
    return BowDecisions.at(s, BowLayers.LEVEL, moment)
        .orElseGet(() -> Math.rint(s.bowing().moments().get(moment).fromLevel()));
  }

  static double bounded(double level) {
    return Math.max(0, Math.min(LOUDEST, level));
  }

  /** The next wish for the vibrato of a moment; the last leads back to the rule. */
  public static Change nextVibrato(Session s, int moment) {
    VibratoWish[] all = VibratoWish.values();
    int next = BowDecisions.at(s, VibratoLayer.VIBRATO, moment).map(w -> w.ordinal() + 1).orElse(0);
    return next < all.length
        ? BowDecisions.decide(s, VibratoLayer.VIBRATO, moment, all[next])
        : BowDecisions.toggle(s, VibratoLayer.VIBRATO, moment, all[all.length - 1]);
  }

  /** Alike printed hairpins in a row go on from each other, or each begins again. */
  public static Change hairpinsGoOn(Session s, boolean goOn) {
    Marks after =
        s.passage()
            .marks()
            .with(
                FlagLayer.HAIRPINS_GO_ON, Place.WHOLE, goOn ? Optional.of(true) : Optional.empty());
    return Change.of(
        Said.of(goOn ? "hairpins.go-on" : "hairpins.again"), s.passage().marks(), after);
  }

  /** A phrase has its top or its end on a moment; again takes it back. */
  public static Change phrase(Session s, int moment, PhraseMark mark) {
    return BowDecisions.toggle(s, BowLayers.PHRASE, moment, mark);
  }
}
