package fret.app.viewmodel;

import fret.plan.PracticePlan;
import fret.plan.PracticePlan.Item;
import fret.shelf.Planning;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** Today's items in their order, and which of them are done. */
final class Today {
  private final Studio studio;
  private final ReadOnlyObjectWrapper<List<Item>> items = new ReadOnlyObjectWrapper<>(List.of());
  private final Set<Integer> done = new HashSet<>();
  private Optional<Object> begun = Optional.empty();

  Today(Studio studio) {
    this.studio = studio;
  }

  ReadOnlyObjectProperty<List<Item>> itemsProperty() {
    return items.getReadOnlyProperty();
  }

  List<Item> items() {
    return items.get();
  }

  Optional<Item> at(int index) {
    return index >= 0 && index < items().size()
        ? Optional.of(items().get(index))
        : Optional.empty();
  }

  boolean isDone(int which) {
    return done.contains(which);
  }

  void setDone(int which, boolean is) {
    if (is) {
      done.add(which);
    } else {
      done.remove(which);
    }
  }

  boolean nothingDone() {
    return done.isEmpty();
  }

  /** Whether everything was played or left out. */
  boolean isOver() {
    return !items().isEmpty() && done.size() >= items().size();
  }

  /** Whether all of some items are done. */
  boolean areDone(int from, int to) {
    for (int i = from; i < to; i++) {
      if (!done.contains(i)) {
        return false;
      }
    }
    return true;
  }

  /** Minutes of what is not done. */
  double minutesLeft() {
    double sum = 0;
    for (int i = 0; i < items().size(); i++) {
      sum += done.contains(i) ? 0 : items().get(i).minutes();
    }
    return sum;
  }

  /** Where a passage's first item stands that is not done. */
  Optional<Integer> firstOf(long passageId) {
    for (int i = 0; i < items().size(); i++) {
      if (items().get(i).passageId() == passageId && !done.contains(i)) {
        return Optional.of(i);
      }
    }
    return Optional.empty();
  }

  /** From the plan as it is now, nothing done. */
  void begin() {
    done.clear();
    items.set(planned());
  }

  /**
   * Follows a new plan. A session that was begun stays as it was planned that morning, whatever the
   * tries of today make of chunks; only another day, other minutes, habits, moves, chunks or pain
   * make another one, in which what was done stays done.
   *
   * @param isAsked whether somebody is at the stand
   * @return whether the items are others now
   */
  boolean follow(boolean isAsked) {
    Optional<Object> now = asked();
    boolean underway = now.isPresent() && now.equals(begun) && !items().isEmpty() && isAsked;
    begun = now;
    List<Item> planned = planned();
    if (underway || planned.equals(items())) {
      return false;
    }
    List<Item> played = new ArrayList<>();
    done.forEach(i -> at(i).ifPresent(played::add));
    done.clear();
    for (int i = 0; i < planned.size(); i++) {
      if (played.remove(planned.get(i))) {
        done.add(i);
      }
    }
    items.set(planned);
    return true;
  }

  private Optional<Object> asked() {
    return Optional.ofNullable(studio.plans().plannedProperty().get())
        .map(
            p ->
                List.of(
                    p.today(),
                    p.request().budget(),
                    p.request().moves(),
                    p.habits(),
                    p.care(),
                    p.held(),
                    p.entries().values().stream()
                        .flatMap(e -> e.goal().units().stream().map(u -> e.goal().id() + u.id()))
                        .toList()));
  }

  private List<Item> planned() {
    Planning p = studio.plans().plannedProperty().get();
    return p == null
        ? List.of()
        : p.plan().on(studio.today()).map(PracticePlan.Day::items).orElse(List.of());
  }
}
