package fret.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fret.drill.DrillKind;
import fret.plan.PracticePlan.Day;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/** The laws of a plan, read from the plan alone. */
final class Lawful {
  /** Items in a row of one unit. */
  private record Visit(String unit, int session, double start, double end) {}

  private Lawful() {}

  static void day(Day d) {
    double sum = d.items().stream().mapToDouble(Item::minutes).sum();
    assertThat(sum).as("never over on %s", d.date()).isLessThanOrEqualTo(d.budget() + 1e-6);
    Map<String, List<Visit>> visits = visits(d);
    visits.forEach(
        (unit, all) -> {
          assertThat(all).as("%s on %s", unit, d.date()).hasSizeLessThanOrEqualTo(2);
          for (Visit v : all) {
            assertThat(v.end - v.start).as("a visit of %s", unit).isLessThanOrEqualTo(10 + 1e-6);
          }
          if (all.size() == 2) {
            boolean rested =
                all.get(1).session > all.get(0).session
                    || all.get(1).start - all.get(0).end >= 20 - 1e-6;
            assertThat(rested).as("%s rests on %s", unit, d.date()).isTrue();
          }
        });
    inARow(d);
    warmUp(d);
  }

  private static Map<String, List<Visit>> visits(Day d) {
    Map<String, List<Visit>> visits = new LinkedHashMap<>();
    double at = 0;
    String last = "";
    int lastSession = 0;
    for (Item i : d.items()) {
      double from = at;
      // A break is no other thing, so that its minutes do not count.
      at += i.kind() == Kind.BREAK ? 0 : i.minutes();
      if (i.kind() != Kind.CHUNK && i.kind() != Kind.JOIN) {
        last = "";
        continue;
      }
      String unit = i.passageId() + "/" + i.unit();
      List<Visit> all = visits.computeIfAbsent(unit, u -> new ArrayList<>());
      if (unit.equals(last) && i.session() == lastSession) {
        Visit v = all.remove(all.size() - 1);
        all.add(new Visit(unit, v.session, v.start, at));
      } else {
        all.add(new Visit(unit, i.session(), from, at));
      }
      last = unit;
      lastSession = i.session();
    }
    return visits;
  }

  private static void inARow(Day d) {
    double row = 0;
    int session = 1;
    for (Item i : d.items()) {
      row = i.kind() == Kind.BREAK || i.session() != session ? 0 : row;
      session = i.session();
      row += i.kind() == Kind.BREAK ? 0 : i.minutes();
      assertThat(row).as("in a row on %s", d.date()).isLessThanOrEqualTo(30 + 1e-6);
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
              .filter(i -> i.drill() == DrillKind.STRETCH)
              .mapToDouble(Item::minutes)
              .sum();
      assertThat(sum).as("stretched on %s", d.date()).isLessThanOrEqualTo(3 + 1e-6);
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
}
