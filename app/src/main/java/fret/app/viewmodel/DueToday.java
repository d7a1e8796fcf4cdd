package fret.app.viewmodel;

import fret.passage.Passage;
import fret.plan.PracticePlan;
import java.util.ArrayList;
import java.util.List;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** What is due today over all passages of the shelf. */
public final class DueToday {
  /**
   * A passage with something to do today.
   *
   * @param held whether work waits because something hurts
   */
  public record Due(Passage passage, PracticePlan.Day day, boolean held) {}

  private final Studio studio;
  private final ReadOnlyObjectWrapper<List<Due>> due = new ReadOnlyObjectWrapper<>(List.of());
  private int generation;

  public DueToday(Studio studio) {
    this.studio = studio;
  }

  /** In the order of the shelf; passages are added as their plans are made. */
  public ReadOnlyObjectProperty<List<Due>> dueProperty() {
    return due.getReadOnlyProperty();
  }

  /** Minutes of all that is known to be due. */
  public int minutes() {
    return due.get().stream().mapToInt(d -> d.day().minutes()).sum();
  }

  /** Makes every passage's plan anew, off the interface thread. */
  public void refresh() {
    int mine = ++generation;
    List<Due> found = new ArrayList<>();
    List<Passage> all = List.copyOf(studio.passages());
    for (Passage passage : all) {
      studio
          .plans()
          .planOf(
              passage,
              planning -> {
                if (mine != generation) {
                  return;
                }
                planning.plan().days().stream()
                    .filter(d -> d.date().equals(studio.today()) && !d.items().isEmpty())
                    .findFirst()
                    .ifPresent(d -> found.add(new Due(passage, d, !planning.held().isEmpty())));
                publish(found, passage.equals(all.get(all.size() - 1)));
              });
    }
    if (all.isEmpty()) {
      due.set(List.of());
    }
  }

  /** A list that is there already is not shortened while it is made anew. */
  private void publish(List<Due> found, boolean complete) {
    boolean grows = found.size() > due.get().size();
    if ((grows || complete) && !found.equals(due.get())) {
      due.set(List.copyOf(found));
    }
  }
}
