package fret.shelf;

import fret.base.Said;
import fret.plan.Forecast;
import fret.plan.Goal;
import fret.plan.PracticePlan;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Will it be ready? What the plan intends, what the record says so far, and which of both is weak.
 */
final class Answer {
  private final Planning planning;
  private final Planning.Outlook outlook;

  Answer(Planning planning, Planning.Outlook outlook) {
    this.planning = planning;
    this.outlook = outlook;
  }

  List<Said> told() {
    List<Said> all = new ArrayList<>();
    PracticePlan plan = planning.plan();
    if (planning.entries().isEmpty()) {
      return all;
    }
    boolean ready = planning.entries().values().stream().allMatch(e -> e.readiness().isWhole());
    if (ready) {
      all.add(Said.of("answer.ready"));
    } else if (plan.feasible()) {
      all.add(planned(plan));
    } else {
      all.add(Said.of("plan.fits-not"));
      outlook.remedy().ifPresent(all::add);
    }
    plan.advice().stream().filter(s -> s.id().equals("plan.waiting")).forEach(all::add);
    return all;
  }

  private Said planned(PracticePlan plan) {
    LocalDate day =
        plan.atTarget().values().stream().max(LocalDate::compareTo).orElse(planning.today());
    LocalDate ready =
        planning.entries().values().stream()
            .map(e -> e.goal().ready())
            .max(LocalDate::compareTo)
            .orElse(day);
    long spare = Math.max(0, ChronoUnit.DAYS.between(day, ready));
    return Said.of("answer.planned", Said.of("day", day), spare, record(day));
  }

  /** What the record says of a day that the plan names. */
  private Said record(LocalDate planned) {
    List<Goal.Id> open =
        planning.entries().entrySet().stream()
            .filter(e -> !e.getValue().readiness().isWhole())
            .map(Map.Entry::getKey)
            .toList();
    List<Forecast> told =
        open.stream()
            .flatMap(id -> Optional.ofNullable(outlook.forecasts().get(id)).stream())
            .toList();
    if (told.size() < open.size()) {
      return told.isEmpty()
          ? Said.of("answer.early")
          : Said.of("answer.early-of", open.size() - told.size(), open.size());
    }
    if (told.stream().anyMatch(f -> f.expected().isEmpty())) {
      return Said.of("answer.not-in-sight");
    }
    LocalDate expected =
        told.stream().map(f -> f.expected().orElseThrow()).max(LocalDate::compareTo).orElseThrow();
    Said when = Said.of("day", expected);
    return expected.isAfter(planned)
        ? Said.of("answer.later", when)
        : Said.of("answer.as-planned", when);
  }
}
