package fret.session;

import java.util.List;
import java.util.Optional;

/** The changes of a passage that can be taken back, and those that can be made again. Immutable. */
public final class Log {
  public static final Log EMPTY = new Log(null, null);

  private record Entry(Change change, Entry below) {}

  private final Entry done;
  private final Entry undone;

  private Log(Entry done, Entry undone) {
    this.done = done;
    this.undone = undone;
  }

  /**
   * A log as it is stored.
   *
   * @param done oldest first
   * @param undone the one taken back first comes first
   */
  public static Log of(List<Change> done, List<Change> undone) {
    Entry top = null;
    for (Change change : done) {
      top = new Entry(change, top);
    }
    Entry back = null;
    for (Change change : undone) {
      back = new Entry(change, back);
    }
    return new Log(top, back);
  }

  /** The change that an undo takes back. */
  public Optional<Change> tip() {
    return Optional.ofNullable(done).map(Entry::change);
  }

  /** The change that a redo makes again. */
  public Optional<Change> next() {
    return Optional.ofNullable(undone).map(Entry::change);
  }

  Log after(Step step) {
    return switch (step.kind()) {
      case DO -> new Log(new Entry(step.logged(), done), null);
      case MERGE -> new Log(new Entry(step.logged(), done.below()), null);
      case UNDO -> new Log(done.below(), new Entry(step.logged(), undone));
      case REDO -> new Log(new Entry(step.logged(), done), undone.below());
    };
  }
}
