package fret.take;

import fret.take.Expected.Moment;
import fret.take.Fault.Kind;
import java.util.List;
import java.util.Optional;

/** Where faults of a kind can be planted so that they are what they are called. */
public final class Planting {
  private static final double LONGEST_STEP_MS = 2500;

  private Planting() {}

  /** How much of a kind is planted where nothing is said, in its unit. */
  public static double usual(Kind kind) {
    return switch (kind) {
      case RUSH, DRAG, LOUD, SOFT -> 8;
      case UNEVEN, SHARP, FLAT -> 20;
      case DRIFT -> 35;
      case LATE, EARLY, GAP, CLIPPED -> 60;
      case OVER_HELD, ATTACK -> 120;
      case GLIDE -> 200;
      case WRONG, MISSING, ADDED, RESTART -> 1;
    };
  }

  /** A fault at a moment; empty where its kind makes no sense there. */
  public static Optional<Fault> at(Expected e, Kind kind, int moment, double amount) {
    boolean inside = moment >= 1 && moment + 1 < e.moments().size();
    if (kind.isOfBar()) {
      return ofBar(e, kind, first(e, moment), amount);
    }
    return inside && fits(e, kind, moment, amount)
        ? Optional.of(new Fault(named(e, kind, moment), moment, amount))
        : Optional.empty();
  }

  /** A fault somewhere in a bar: at its longest note where it can be. */
  public static Optional<Fault> inBar(Expected e, Kind kind, int bar, double amount) {
    Optional<Fault> best = Optional.empty();
    for (int i = 0; i < e.moments().size(); i++) {
      if (e.moments().get(i).bar() == bar) {
        Optional<Fault> here = at(e, kind, i, amount);
        boolean longer =
            here.isPresent() && best.map(b -> length(e, b) < length(e, here.get())).orElse(true);
        best = longer ? here : best;
      }
    }
    return best;
  }

  private static double length(Expected e, Fault f) {
    return e.moments().get(f.moment()).lengthMs();
  }

  /** A silence between notes in one bow is a gap, elsewhere a note that is cut short. */
  private static Kind named(Expected e, Kind kind, int moment) {
    if (kind != Kind.CLIPPED && kind != Kind.GAP) {
      return kind;
    }
    return e.moments().get(moment + 1).slurred() ? Kind.GAP : Kind.CLIPPED;
  }

  private static int first(Expected e, int moment) {
    int first = moment;
    while (first > 0 && e.moments().get(first - 1).bar() == e.moments().get(moment).bar()) {
      first--;
    }
    return first;
  }

  private static Optional<Fault> ofBar(Expected e, Kind kind, int first, double amount) {
    List<Moment> all = e.moments();
    int last = first;
    while (last + 1 < all.size() && all.get(last + 1).bar() == all.get(first).bar()) {
      last++;
    }
    Expected.Span span = e.barOf(all.get(first));
    int count = last - first + 1;
    boolean whole = all.get(first).startMs() - span.startMs() < 1 && last + 1 < all.size();
    boolean fits =
        switch (kind) {
          case RUSH, DRAG ->
              whole && first > 0 && count >= 3 && span.endMs() - span.startMs() >= 900;
          case RESTART -> first > 0 && count >= 3;
          case UNEVEN -> count >= 6 && alike(all.subList(first, last + 1));
          default -> count >= 2;
        };
    return fits ? Optional.of(new Fault(kind, first, amount)) : Optional.empty();
  }

  private static boolean alike(List<Moment> run) {
    double length = run.get(0).lengthMs();
    return run.stream().allMatch(m -> Math.abs(m.lengthMs() - length) < 1);
  }

  private static boolean fits(Expected e, Kind kind, int at, double amount) {
    List<Moment> all = e.moments();
    Moment m = all.get(at);
    Moment before = all.get(at - 1);
    Moment after = all.get(at + 1);
    double step = after.startMs() - m.startMs();
    double since = m.startMs() - before.startMs();
    boolean plain = m.isSingle() && !m.ornament() && before.isSingle() && after.isSingle();
    return switch (kind) {
      case LATE, EARLY ->
          !m.ornament()
              && Math.min(step, since) >= 2.2 * amount
              && Math.max(step, since) <= LONGEST_STEP_MS;
      case SHARP, FLAT -> plain && m.lengthMs() >= 150;
      case DRIFT -> plain && m.lengthMs() >= 700;
      case CLIPPED, GAP -> plain && m.connected() && m.lengthMs() >= Math.max(120, 2 * amount);
      case OVER_HELD -> plain && !m.connected() && step - m.soundsMs() > 1.5 * amount;
      case WRONG -> plain && m.lengthMs() >= 90;
      case MISSING ->
          plain
              && m.lengthMs() >= 80
              && !m.starting().get(0).pitch().equals(before.starting().get(0).pitch())
              && !m.starting().get(0).pitch().equals(after.starting().get(0).pitch());
      case ADDED -> plain && m.lengthMs() >= 260;
      case ATTACK, GLIDE -> plain && m.lengthMs() >= 2.5 * amount;
      default -> false;
    };
  }
}
