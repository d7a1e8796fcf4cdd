package fret.fingering;

import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/** The notes at which the hand has come to another position, the first stopped one among them. */
public final class PositionChanges {
  private PositionChanges() {}

  /** Indices of notes, one of each chord. */
  public static Set<Integer> of(Fingering fingering) {
    Set<Integer> changes = new TreeSet<>();
    Optional<NoteFinger> last = Optional.empty();
    for (Optional<NoteFinger> here : fingering.notes()) {
      if (here.isPresent() && !here.get().isOpen()) {
        NoteFinger before = last.orElse(null);
        NoteFinger now = here.get();
        if (before == null || before.lastBase() != now.base() || before.region() != now.region()) {
          changes.add(now.note());
        }
        last = here;
      }
    }
    return changes;
  }
}
