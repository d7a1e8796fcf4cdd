package fret.plan;

import fret.base.Said;
import fret.drill.DrillKind;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import fret.tempo.Level;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The order of a day: warm-up, run-throughs while cold, hard things early, passages interleaved,
 * something sure at the end; a break before work in a row would pass half an hour; a unit that
 * comes twice has twenty minutes of other things between, or waits for the next session.
 */
final class Arrangement {
  static final double BREAK_MIN = 2;
  private static final double IN_A_ROW_MIN = 30;
  private static final double BETWEEN_MIN = 20;

  /** Minutes of a passage in a row before another one comes (common practice, no source). */
  private static final double BLOCK_MIN = 6;

  private final int sessions;
  private final List<Item> items = new ArrayList<>();
  private final Map<Standing, Double> ends = new HashMap<>();
  private final Map<Standing, Integer> sessionOf = new HashMap<>();
  private int session = 1;
  private double at;
  private double inARow;
  private long lastPassage;
  private double block = BLOCK_MIN;

  private Arrangement(int sessions) {
    this.sessions = sessions;
  }

  /**
   * The items in playing order.
   *
   * @param cold run-throughs, in their order
   * @return empty where a unit that comes twice finds no place
   */
  static Optional<List<Item>> of(
      Optional<Item> warmUp, List<Item> cold, List<Visit> visits, int sessions) {
    return new Arrangement(sessions).arrange(warmUp, cold, visits);
  }

  private Optional<List<Item>> arrange(Optional<Item> warmUp, List<Item> cold, List<Visit> visits) {
    warmUp.ifPresent(w -> place(List.of(w)));
    cold.forEach(c -> place(List.of(c)));
    List<Visit> firsts = new ArrayList<>();
    List<Visit> seconds = new ArrayList<>();
    Set<Standing> seen = new HashSet<>();
    for (Visit v : visits) {
      (seen.add(v.standing()) ? firsts : seconds).add(v);
    }
    firsts.sort(
        Comparator.<Visit>comparingDouble(v -> -v.standing().unit.difficulty())
            .thenComparing(v -> v.standing().closed()));
    Optional<Visit> sure = sure(firsts);
    sure.ifPresent(v -> remove(firsts, v));
    while (!firsts.isEmpty() || !seconds.isEmpty()) {
      Optional<Visit> next = next(firsts, seconds);
      if (next.isEmpty()) {
        break;
      }
      if (!remove(firsts, next.get())) {
        remove(seconds, next.get());
      }
      visit(next.get());
    }
    sure.ifPresent(this::visit);
    while (!seconds.isEmpty()) {
      if (session >= sessions) {
        return Optional.empty();
      }
      session++;
      inARow = 0;
      int now = session;
      List<Visit> fit =
          seconds.stream().filter(v -> sessionOf.getOrDefault(v.standing(), 0) < now).toList();
      fit.forEach(this::visit);
      seconds.removeAll(fit);
    }
    return Optional.of(items);
  }

  /** By identity: to compare visits by all that is in them takes most of the time of a plan. */
  private static boolean remove(List<Visit> from, Visit what) {
    for (int i = 0; i < from.size(); i++) {
      if (isSame(from.get(i), what)) {
        from.remove(i);
        return true;
      }
    }
    return false;
  }

  @SuppressWarnings("ReferenceEquality")
  private static boolean isSame(Visit a, Visit b) {
    return a == b;
  }

  /** What goes best stands at the end; with one thing alone there is no end to keep. */
  private static Optional<Visit> sure(List<Visit> firsts) {
    return firsts.size() < 3
        ? Optional.empty()
        : firsts.stream()
            .max(
                Comparator.<Visit>comparingDouble(
                        v -> v.standing().closed() / (double) v.standing().ladder.size())
                    .thenComparing(v -> -v.standing().unit.difficulty()));
  }

  /**
   * The passage goes on until it has had its minutes in a row; then another one where there is one,
   * each time the next in order.
   */
  private Optional<Visit> next(List<Visit> firsts, List<Visit> seconds) {
    Visit other = null;
    boolean stays = block < BLOCK_MIN;
    for (Visit v : firsts) {
      if (stays == isOfLast(v)) {
        return Optional.of(v);
      }
      other = other == null ? v : other;
    }
    for (Visit v : seconds) {
      if (isRested(v) && stays == isOfLast(v)) {
        return Optional.of(v);
      }
      other = other == null && isRested(v) ? v : other;
    }
    return Optional.ofNullable(other);
  }

  private boolean isOfLast(Visit v) {
    return v.standing().goal.passageId() == lastPassage;
  }

  /** Whether a second visit may come: after other things, or in another session. */
  private boolean isRested(Visit v) {
    Double end = ends.get(v.standing());
    return end != null && (at - end >= BETWEEN_MIN || sessionOf.get(v.standing()) < session);
  }

  private void visit(Visit v) {
    place(v.items());
    boolean same = lastPassage == v.standing().goal.passageId();
    block = (same ? block : 0) + v.minutes();
    lastPassage = v.standing().goal.passageId();
    ends.put(v.standing(), at);
    sessionOf.put(v.standing(), session);
  }

  /**
   * Items in a row, with a break before them where it is time; time of breaks is no other thing.
   */
  private void place(List<Item> row) {
    double minutes = 0;
    for (Item i : row) {
      minutes += i.minutes();
    }
    if (inARow > 0 && inARow + minutes > IN_A_ROW_MIN + 1e-9) {
      items.add(
          new Item(
              Kind.BREAK,
              0,
              "",
              DrillKind.NONE,
              Level.at(60),
              0,
              BREAK_MIN,
              session,
              Said.of("plan.why.break")));
      inARow = 0;
    }
    for (Item i : row) {
      items.add(i.in(session));
      // Longer work than half an hour in a row is one item; nothing can be done within it.
      inARow += i.minutes();
      at += i.minutes();
    }
  }
}
