package fret.shelf;

import fret.plan.Goal;
import fret.plan.PracticePlan;
import fret.plan.PracticePlan.Item;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * What became otherwise for a goal when the plan was made anew.
 *
 * @param before day on which it was expected at its target; empty for not before its date
 * @param after the same now
 * @param moved things of the next two weeks that come on another day
 */
public record PlanChange(
    Goal.Id goal, Optional<LocalDate> before, Optional<LocalDate> after, int moved) {
  private static final int LOOKED_AT = 14;

  public PlanChange {
    Objects.requireNonNull(goal);
    Objects.requireNonNull(before);
    Objects.requireNonNull(after);
  }

  /** The goals for which something changed, in the order of the shelf. */
  public static List<PlanChange> of(Planning before, Planning after) {
    List<PlanChange> all = new ArrayList<>();
    LocalDate end = after.today().plusDays(LOOKED_AT);
    for (Map.Entry<Goal.Id, Planning.Entry> e : after.entries().entrySet()) {
      if (!before.entries().containsKey(e.getKey())) {
        continue;
      }
      Map<String, LocalDate> then = firstDays(before, e.getValue(), end);
      Map<String, LocalDate> now = firstDays(after, e.getValue(), end);
      int moved = 0;
      for (Map.Entry<String, LocalDate> item : then.entrySet()) {
        moved += item.getValue().equals(now.get(item.getKey())) ? 0 : 1;
      }
      PlanChange change =
          new PlanChange(
              e.getKey(),
              Optional.ofNullable(before.plan().atTarget().get(e.getKey())),
              Optional.ofNullable(after.plan().atTarget().get(e.getKey())),
              moved);
      if (moved > 0 || !change.before().equals(change.after())) {
        all.add(change);
      }
    }
    return all;
  }

  /** The day on which each thing comes first at each level. */
  private static Map<String, LocalDate> firstDays(Planning p, Planning.Entry e, LocalDate end) {
    Map<String, LocalDate> first = new HashMap<>();
    for (PracticePlan.Day d : p.plan().days()) {
      for (Item i : d.items()) {
        if (d.date().isBefore(end) && !i.unit().isEmpty() && e.has(i)) {
          first.putIfAbsent(i.unit() + "/" + i.drill() + "/" + i.level().text(), d.date());
        }
      }
    }
    return first;
  }
}
