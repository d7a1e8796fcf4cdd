package fret.shelf;

import fret.drill.Chunk;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.drill.Frame;
import fret.plan.PracticePlan;
import fret.plan.PracticePlan.Item;
import fret.session.DrillBook;
import fret.session.Session;
import java.util.List;
import java.util.Optional;

/** What is played of something that the plan asks for. */
public final class Asked {
  private Asked() {}

  /** The drill of an item; bars without notes where only the picture of the page has them. */
  public static Drill drill(Session session, Planning.Entry e, Item item) {
    List<Frame> frames = frames(e, item);
    if (!frames.isEmpty() && !item.unit().isEmpty()) {
      return new Drill(item.drill(), List.of(Frame.silent(frames)));
    }
    boolean run = PracticePlan.isRun(item.unit());
    return e.section()
        .stretch()
        .filter(x -> run)
        .flatMap(x -> new DrillBook(session).ofStretch(x, item.drill()))
        .orElseGet(() -> drill(session, e.learning().chunk(item.unit()), item.drill()));
  }

  /** The frames of the picture that stand in for notes; none where there are notes. */
  public static List<Frame> frames(Planning.Entry e, Item item) {
    boolean run = PracticePlan.isRun(item.unit());
    return run && e.learning().chunks().isEmpty()
        ? e.learning().frames()
        : e.learning().frame(item.unit()).map(List::of).orElse(List.of());
  }

  /**
   * A drill of a chunk, or of the passage; one that the chunk does not ask for any more gives way
   * to the notes as written.
   */
  public static Drill drill(Session session, Optional<Chunk> chunk, DrillKind kind) {
    DrillBook book = new DrillBook(session);
    return chunk
        .flatMap(c -> book.of(c, kind).or(() -> book.of(c, DrillKind.STRAIGHT)))
        .or(() -> book.ofPassage(kind))
        .orElseGet(() -> new Drill(DrillKind.STRAIGHT, List.of(book.page())));
  }
}
