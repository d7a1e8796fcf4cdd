package fret.plan;

import fret.base.Said;
import fret.drill.DrillKind;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import fret.tempo.Level;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The order of a day: warm-up, rounds while cold, hard things early, passages interleaved,
 * something sure at the end; a change between two visits, a break before work in a row would pass
 * half an hour; a unit that comes twice has twenty minutes of other things between, or waits for
 * the next session.
 */
final class Arrangement {
  static final double BREAK_MIN = 2;

  /** To find the next place in the part. */
  static final double CHANGE_MIN = 20 / 60.0;

  /** To put another part on the stand (both common practice, no source). */
  static final double OTHER_PASSAGE_MIN = 40 / 60.0;

  private static final double IN_A_ROW_MIN = 30;
  private static final double BETWEEN_MIN = 20;

  /** Minutes of a passage in a row before another one comes (common practice, no source). */
  private static final double BLOCK_MIN = 6;

  /**
   * A day in its order.
   *
   * @param changes minutes
   * @param minutes of the items and the changes
   */
  record Arranged(List<Item> items, double changes, double minutes) {
    static final Arranged NOTHING = new Arranged(List.of(), 0, 0);
  }

  private final int sessions;
  private final List<Item> items = new ArrayList<>();
  private final Map<Standing, Double> ends = new HashMap<>();
  private final Map<Standing, Integer> sessionOf = new HashMap<>();
  private int session = 1;
  private int visit;
  private double at;
  private double inARow;
  private double changes;
  private double minutes;
  private long lastPassage;
  private boolean isFresh = true;
  private double block = BLOCK_MIN;

  /** Visits that must come before another one, as it has a unit of theirs once more. */
  private final Map<Visit, List<Visit>> before = new IdentityHashMap<>();

  private final Set<Visit> placed = Collections.newSetFromMap(new IdentityHashMap<>());

  private Arrangement(int sessions) {
    this.sessions = sessions;
  }

  /**
   * The items in playing order.
   *
   * @param rounds each in its order
   * @return empty where a unit that comes twice finds no place
   */
  static Optional<Arranged> of(
      Optional<Item> warmUp, List<List<Item>> rounds, List<Visit> visits, int sessions) {
    return new Arrangement(sessions).arrange(warmUp, rounds, visits);
  }

  private Optional<Arranged> arrange(
      Optional<Item> warmUp, List<List<Item>> rounds, List<Visit> visits) {
    warmUp.ifPresent(
        w -> {
          put(w, 0);
          isFresh = true;
        });
    rounds.stream().filter(r -> !r.isEmpty()).forEach(this::round);
    List<Visit> firsts = new ArrayList<>();
    List<Visit> seconds = new ArrayList<>();
    Map<Standing, Visit> seen = new HashMap<>();
    for (Visit v : visits) {
      List<Visit> earlier = new ArrayList<>();
      for (Standing s : v.standings()) {
        Visit one = seen.put(s, v);
        if (one != null) {
          earlier.add(one);
        }
      }
      before.put(v, earlier);
      (earlier.isEmpty() ? firsts : seconds).add(v);
    }
    firsts.sort(
        Comparator.<Visit>comparingDouble(v -> -v.seed().unit.difficulty())
            .thenComparing(v -> v.seed().closed()));
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
      isFresh = true;
      List<Visit> fit = seconds.stream().filter(this::isRested).toList();
      if (fit.isEmpty()) {
        return Optional.empty();
      }
      for (Visit v : fit) {
        if (isRested(v)) {
          visit(v);
          remove(seconds, v);
        }
      }
    }
    return Optional.of(new Arranged(items, changes, minutes + changes));
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
                        v -> v.seed().closed() / (double) v.seed().ladder.size())
                    .thenComparing(v -> -v.seed().unit.difficulty()));
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
    return v.passageId() == lastPassage;
  }

  /** Whether a second visit may come: after other things, or in another session. */
  private boolean isRested(Visit v) {
    if (!placed.containsAll(before.get(v))) {
      return false;
    }
    for (Standing s : v.standings()) {
      Double end = ends.get(s);
      if (end != null && at - end < BETWEEN_MIN && sessionOf.get(s) >= session) {
        return false;
      }
    }
    return true;
  }

  private void visit(Visit v) {
    boolean same = isOfLast(v);
    turnTo(v.passageId(), v.minutes());
    visit++;
    v.items().forEach(i -> put(i, visit));
    placed.add(v);
    block = (same ? block : 0) + v.minutes();
    lastPassage = v.passageId();
    for (Standing s : v.standings()) {
      ends.put(s, at);
      sessionOf.put(s, session);
    }
  }

  /** A round is one visit, whatever is in it; where a break comes into it, it is two. */
  private void round(List<Item> round) {
    boolean begun = false;
    for (Item i : round) {
      boolean breaks = begun && inARow + i.minutes() > IN_A_ROW_MIN + Visit.EPS;
      if (!begun || breaks) {
        turnTo(i.passageId(), i.minutes());
        visit++;
        begun = true;
      }
      put(i, visit);
      lastPassage = i.passageId();
    }
    block = BLOCK_MIN;
  }

  /** What it takes to turn to the next visit: nothing, a change, or a break. */
  private void turnTo(long passage, double length) {
    double change = isFresh ? 0 : passage == lastPassage ? CHANGE_MIN : OTHER_PASSAGE_MIN;
    if (inARow > 0 && inARow + change + length > IN_A_ROW_MIN + Visit.EPS) {
      put(pause(), 0);
      inARow = 0;
    } else {
      changes += change;
      inARow += change;
    }
    isFresh = false;
  }

  private static Item pause() {
    return new Item(
        Kind.BREAK,
        0,
        "",
        DrillKind.NONE,
        Level.at(60),
        0,
        BREAK_MIN,
        1,
        0,
        Said.of("plan.why.break"));
  }

  /** Time of breaks and changes is no other thing that a unit rests in. */
  private void put(Item i, int which) {
    items.add(i.in(session, which));
    minutes += i.minutes();
    if (i.kind() != Kind.BREAK) {
      // Longer work than half an hour in a row is one item; nothing can be done within it.
      inARow += i.minutes();
      at += i.minutes();
    }
  }
}
