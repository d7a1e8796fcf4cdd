package fret.plan;

import fret.base.Said;
import fret.drill.DrillKind;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** One day being filled: it takes in what it still holds, arranged as a session with its breaks. */
final class Filling {
  private static final double WARM_UP_SHARE = 0.2;
  private static final double WARM_UP_MOST = 10;
  private static final double SHORTEST_WARM_UP = 0.5;

  private final LocalDate date;
  private final double budget;
  private final PlanRequest.Rules rules;
  private final Progress progress;
  private final List<Visit> visits = new ArrayList<>();
  private final List<Item> cold = new ArrayList<>();
  private List<Item> arranged = List.of();
  private double owed;

  /**
   * @param budget minutes
   */
  Filling(LocalDate date, double budget, PlanRequest.Rules rules, Progress progress) {
    this.date = date;
    this.budget = budget;
    this.rules = rules;
    this.progress = progress;
  }

  LocalDate date() {
    return date;
  }

  double budget() {
    return budget;
  }

  List<Item> arranged() {
    return arranged;
  }

  /** Minutes of a warm-up on this day. */
  double warmUpMinutes() {
    return Math.min(WARM_UP_MOST, budget * WARM_UP_SHARE);
  }

  /** Takes a visit that the player wants on this day, over the budget where it must be. */
  void takeWanted(Visit v) {
    owed += Math.max(0, v.minutes() - Math.max(0, room()));
    if (!take(v)) {
      owed += v.minutes() + WARM_UP_MOST + Arrangement.BREAK_MIN;
      boolean taken = take(v);
      owed = taken ? Math.max(0, minutes() - budget) : 0;
    }
  }

  private static double sum(List<Item> items) {
    double sum = 0;
    for (Item i : items) {
      sum += i.minutes();
    }
    return sum;
  }

  double minutes() {
    return sum(arranged);
  }

  /** Takes a visit in where the day still holds with it. */
  boolean take(Visit v) {
    boolean tooLong = v.minutes() > room() + 1e-9;
    if (tooLong || v.stretchMinutes() > Math.max(0, progress.dose().left(date)) + 1e-9) {
      return false;
    }
    visits.add(v);
    if (arrange()) {
      v.standing().practise(v.items(), date);
      if (v.stretchMinutes() > 0) {
        progress.dose().use(date, v.stretchMinutes());
      }
      progress.touch(v.standing().goal.passageId(), date);
      return true;
    }
    visits.remove(visits.size() - 1);
    return false;
  }

  boolean takeCold(Item run) {
    cold.add(run);
    if (arrange()) {
      return true;
    }
    cold.remove(cold.size() - 1);
    return false;
  }

  /** Whether a run-through would fit this day if there were nothing else. */
  boolean holdsAlone(Item run) {
    double warmUp = Math.floor(warmUpMinutes() * 100) / 100;
    return (warmUp < SHORTEST_WARM_UP ? 0 : warmUp) + run.minutes() <= budget + 1e-9;
  }

  private boolean arrange() {
    Optional<List<Item>> made = Arrangement.of(warmUp(), cold, visits, rules.sessions());
    double most = budget + owed;
    boolean fits = made.isPresent() && sum(made.get()) <= most + 1e-9;
    if (fits) {
      arranged = made.get();
    }
    return fits;
  }

  private Optional<Item> warmUp() {
    double minutes = Math.floor(warmUpMinutes() * 100) / 100;
    Goal first =
        cold.isEmpty() ? visits.get(0).standing().goal : progress.goal(cold.get(0).passageId());
    return minutes < SHORTEST_WARM_UP
        ? Optional.empty()
        : Optional.of(
            new Item(
                Kind.WARM_UP,
                first.passageId(),
                "",
                DrillKind.WARM_UP,
                first.ladder().levels().get(0),
                0,
                minutes,
                1,
                Said.of("plan.why.warm-up")));
  }

  /** Room that a further visit may take, were it alone to be added without a break. */
  double room() {
    return budget + owed - minutes();
  }
}
