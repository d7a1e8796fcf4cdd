package fret.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.drill.DrillKind;
import fret.plan.PracticePlan.Day;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * The laws of a plan, read from the plan and what was asked for, by other ways than those in which
 * it is made.
 */
final class Lawful {
  private static final double EPS = 1e-6;

  /** What is done in a row, from when to when of the day's work, breaks and changes left out. */
  private record Visit(int number, List<Item> items, int session, double start, double end) {
    boolean isRound() {
      return items.stream().allMatch(Item::isOfRound);
    }

    double minutes() {
      return end - start;
    }

    long passage() {
      return items.get(0).passageId();
    }

    Set<String> units() {
      Set<String> all = new HashSet<>();
      items.forEach(i -> all.add(i.passageId() + "/" + i.unit()));
      return all;
    }
  }

  private Lawful() {}

  /** Every law that a plan can be asked for. */
  static void plan(PlanRequest request, PracticePlan plan) {
    for (Day d : plan.days()) {
      day(d);
      d.items().forEach(i -> unit(request, i));
      visits(d).forEach(v -> neighbours(request, v));
    }
    rhythms(plan);
    stretches(plan);
    returns(request, plan);
  }

  static void day(Day d) {
    minutes(d);
    List<Visit> visits = visits(d);
    lengths(d, visits);
    twice(d, visits);
    inARow(d);
    warmUp(d);
    List<Visit> work = visits.stream().filter(v -> !v.isRound()).toList();
    assertThat(work)
        .as("visits on %s", d.date())
        .hasSizeLessThanOrEqualTo((int) Math.ceil(3 + d.budget() / 7 - EPS));
    assertThat(work.stream().map(Visit::passage).distinct().count())
        .as("passages on %s", d.date())
        .isLessThanOrEqualTo((long) Math.max(4, Math.ceil(d.budget() / 12 - EPS)));
  }

  /** A day's minutes are all its items, breaks included, and its changes; never over. */
  private static void minutes(Day d) {
    double sum = d.items().stream().mapToDouble(Item::minutes).sum();
    double changes = 0;
    Item before = null;
    for (Item i : d.items()) {
      boolean work = i.visit() > 0;
      boolean fresh =
          before == null || before.visit() == 0 || before.session() != i.session() || !work;
      if (!fresh && before.visit() != i.visit()) {
        changes += (before.passageId() == i.passageId() ? 20 : 40) / 60.0;
      }
      before = i;
    }
    assertThat(d.changes()).as("changes on %s", d.date()).isCloseTo(changes, within(0.006));
    assertThat(d.minutes()).as("%s", d.date()).isCloseTo(sum + changes, within(0.011));
    assertThat(sum + changes)
        .as("never over on %s", d.date())
        .isLessThanOrEqualTo(d.budget() + EPS);
  }

  private static List<Visit> visits(Day d) {
    List<Visit> all = new ArrayList<>();
    double at = 0;
    int last = 0;
    for (Item i : d.items()) {
      // A break is no other thing, so that its minutes do not count.
      double from = at;
      at += i.kind() == Kind.BREAK ? 0 : i.minutes();
      boolean work = i.kind() != Kind.BREAK && i.kind() != Kind.WARM_UP;
      assertThat(i.visit() > 0).as("%s belongs to a visit", i).isEqualTo(work);
      if (!work) {
        continue;
      }
      if (i.visit() == last) {
        Visit v = all.remove(all.size() - 1);
        assertThat(v.session()).isEqualTo(i.session());
        List<Item> more = new ArrayList<>(v.items());
        more.add(i);
        all.add(new Visit(last, more, v.session(), v.start(), at));
      } else {
        assertThat(i.visit()).as("visits are counted").isEqualTo(last + 1);
        last = i.visit();
        all.add(new Visit(last, List.of(i), i.session(), from, at));
      }
    }
    return all;
  }

  /** Three to ten minutes; shorter as the last of its passage, once. */
  private static void lengths(Day d, List<Visit> visits) {
    Map<Long, Integer> shorts = new HashMap<>();
    for (Visit v : visits) {
      if (!v.isRound()) {
        assertThat(v.items()).as("no round within %s", v).noneMatch(Item::isOfRound);
        assertThat(v.minutes()).as("a visit on %s", d.date()).isLessThanOrEqualTo(10 + EPS);
        shorts.merge(v.passage(), v.minutes() < 3 - EPS ? 1 : 0, Integer::sum);
      }
    }
    shorts.forEach((p, n) -> assertThat(n).as("short on %s", d.date()).isLessThanOrEqualTo(1));
  }

  /** A unit stands in two visits at most, with twenty minutes or a session between. */
  private static void twice(Day d, List<Visit> visits) {
    Map<String, List<Visit>> of = new LinkedHashMap<>();
    visits.stream()
        .filter(v -> !v.isRound())
        .forEach(v -> v.units().forEach(u -> of.computeIfAbsent(u, x -> new ArrayList<>()).add(v)));
    of.forEach(
        (unit, all) -> {
          assertThat(all).as("%s on %s", unit, d.date()).hasSizeLessThanOrEqualTo(2);
          if (all.size() == 2) {
            boolean rested =
                all.get(1).session() > all.get(0).session()
                    || all.get(1).start() - all.get(0).end() >= 20 - EPS;
            assertThat(rested).as("%s rests on %s", unit, d.date()).isTrue();
          }
        });
  }

  /** One chunk, or up to four neighbours with what is between them. */
  private static void neighbours(PlanRequest request, Visit v) {
    if (v.isRound()) {
      return;
    }
    assertThat(v.items().stream().map(Item::passageId).distinct()).hasSize(1);
    Goal goal =
        request.goals().stream()
            .filter(g -> g.passageId() == v.passage())
            .filter(g -> g.units().stream().anyMatch(u -> u.id().equals(v.items().get(0).unit())))
            .findFirst()
            .orElseThrow();
    List<String> order = goal.units().stream().map(Unit::id).toList();
    int first = v.items().stream().mapToInt(i -> order.indexOf(i.unit())).min().orElseThrow();
    int last = v.items().stream().mapToInt(i -> order.indexOf(i.unit())).max().orElseThrow();
    assertThat(first).as("all of one goal").isGreaterThanOrEqualTo(0);
    long chunks =
        goal.units().subList(first, last + 1).stream()
            .filter(u -> u.kind() == Unit.Kind.CHUNK)
            .count();
    assertThat(chunks).as("neighbours in %s", v).isLessThanOrEqualTo(4);
  }

  /** Whole plays, and no fewer minutes than they take. */
  private static void unit(PlanRequest request, Item i) {
    boolean unit = i.kind() == Kind.CHUNK || i.kind() == Kind.JOIN;
    if (unit && i.drill() == DrillKind.STRAIGHT) {
      Goal goal =
          request.goals().stream()
              .filter(g -> g.passageId() == i.passageId())
              .filter(g -> g.units().stream().anyMatch(u -> u.id().equals(i.unit())))
              .findFirst()
              .orElseThrow();
      Unit u = goal.units().stream().filter(x -> x.id().equals(i.unit())).findFirst().orElseThrow();
      double each = goal.ladder(u).seconds(u.length(), i.level().perMinute()) + 6;
      assertThat(i.plays()).isPositive();
      assertThat(i.minutes()).isCloseTo(i.plays() * each / 60, within(0.0101));
    }
  }

  private static void inARow(Day d) {
    double row = 0;
    Item before = null;
    int items = 0;
    for (Item i : d.items()) {
      boolean begins = before == null || i.session() != before.session();
      if (i.kind() == Kind.BREAK || begins) {
        row = 0;
        items = 0;
      }
      if (i.kind() != Kind.BREAK) {
        boolean changes = items > 0 && before.visit() > 0 && before.visit() != i.visit();
        row += changes ? (before.passageId() == i.passageId() ? 20 : 40) / 60.0 : 0;
        row += i.minutes();
        items++;
        if (items > 1) {
          assertThat(row).as("in a row on %s", d.date()).isLessThanOrEqualTo(30 + EPS);
        }
      }
      before = i;
    }
  }

  private static void warmUp(Day d) {
    for (int i = 0; i < d.items().size(); i++) {
      Item item = d.items().get(i);
      if (item.kind() == Kind.WARM_UP) {
        assertThat(i).isZero();
        assertThat(item.minutes()).isLessThanOrEqualTo(Math.min(10, d.budget() / 5) + 1e-9);
      }
    }
  }

  /** Three minutes of stretches a day over all chunks, on three days in any seven. */
  static void stretches(PracticePlan plan) {
    Set<LocalDate> days = new TreeSet<>();
    for (Day d : plan.days()) {
      double sum =
          d.items().stream()
              .filter(i -> i.drill() == DrillKind.STRETCH || i.drill() == DrillKind.TENTHS)
              .mapToDouble(Item::minutes)
              .sum();
      assertThat(sum).as("stretched on %s", d.date()).isLessThanOrEqualTo(3 + EPS);
      if (sum > 0) {
        days.add(d.date());
      }
    }
    for (LocalDate day : days) {
      long within =
          days.stream().filter(x -> !x.isBefore(day) && x.isBefore(day.plusDays(7))).count();
      assertThat(within).as("stretching from %s", day).isLessThanOrEqualTo(3);
    }
  }

  /** Rhythms of a unit on at most three days in any seven. */
  static void rhythms(PracticePlan plan) {
    Map<String, Set<LocalDate>> days = new HashMap<>();
    for (Day d : plan.days()) {
      for (Item i : d.items()) {
        if (i.drill() == DrillKind.RHYTHMS) {
          days.computeIfAbsent(i.passageId() + i.unit(), u -> new TreeSet<>()).add(d.date());
        }
      }
    }
    days.forEach(
        (unit, dates) -> {
          for (LocalDate day : dates) {
            long within =
                dates.stream().filter(x -> !x.isBefore(day) && x.isBefore(day.plusDays(7))).count();
            assertThat(within).as(unit).isLessThanOrEqualTo(3);
          }
        });
  }

  /**
   * Every passage comes at least every r-th day of practice until its date, its last two days
   * apart, and no two days with minutes in a row are empty.
   */
  static void returns(PlanRequest request, PracticePlan plan) {
    LocalDate end =
        request.goals().stream().map(Goal::audition).max(Comparator.naturalOrder()).orElseThrow();
    List<Day> days = plan.days().stream().filter(d -> d.budget() > 0).toList();
    List<Day> counted = days.stream().filter(d -> d.date().isBefore(end.minusDays(1))).toList();
    int most = mostPassages(request, counted);
    long passages = request.goals().stream().map(Goal::passageId).distinct().count();
    int every = (int) Math.max(4, Math.ceil(passages / (double) Math.max(1, most)));
    for (Goal g : request.goals()) {
      if (most == 0 || isHeld(g) || isLong(g, counted)) {
        continue;
      }
      int gap = 0;
      for (Day d : counted) {
        if (d.date().isAfter(g.audition().minusDays(2))) {
          break;
        }
        boolean there =
            d.items().stream()
                .anyMatch(i -> i.passageId() == g.passageId() && i.kind() != Kind.WARM_UP);
        gap = there ? 0 : gap + 1;
        assertThat(gap).as("%s waits on %s, every %s", g.id(), d.date(), every).isLessThan(every);
      }
    }
    boolean held = request.goals().stream().anyMatch(Lawful::isHeld);
    boolean wasEmpty = false;
    for (Day d : counted) {
      boolean empty = d.items().isEmpty();
      boolean tight = d.budget() < 6 || held;
      assertThat(empty && wasEmpty && !tight).as("two empty days, %s", d.date()).isFalse();
      wasEmpty = empty;
    }
  }

  /** The lesser of the visits of three minutes and the passages that the smallest day holds. */
  private static int mostPassages(PlanRequest request, List<Day> days) {
    double least = days.stream().mapToDouble(Day::budget).min().orElse(0);
    double warmUp = request.rules().warmUp() ? Math.min(10, least / 5) : 0;
    int visits = 0;
    while ((visits + 1) * 3 + visits * 2 / 3.0 <= least - (warmUp < 0.5 ? 0 : warmUp) + EPS) {
      visits++;
    }
    return Math.min(visits, (int) Math.max(4, Math.ceil(least / 12 - EPS)));
  }

  private static boolean isHeld(Goal g) {
    return g.units().stream().anyMatch(u -> u.opens().isAfter(LocalDate.MIN));
  }

  /** Whether its day does not hold the fewest plays of something in it. */
  private static boolean isLong(Goal g, List<Day> days) {
    double least = days.stream().mapToDouble(Day::budget).min().orElse(0) * 0.8 - 3;
    return g.units().stream()
        .anyMatch(
            u ->
                3 * (g.ladder(u).seconds(u.length(), g.ladder(u).start()) + 6) / 60
                    > Math.min(10, least));
  }
}
