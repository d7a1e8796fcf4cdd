package fret.shelf;

import fret.drill.Chunk;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.drill.Frame;
import fret.drill.Remedy;
import fret.drill.ScoreCut;
import fret.plan.Part;
import fret.plan.PracticePlan.Item;
import fret.score.Score;
import fret.session.BowSpots;
import fret.session.DrillBook;
import fret.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/** What is played of something that the plan asks for. */
public final class Asked {
  private Asked() {}

  /** The drill of an item; bars without notes where only the picture of the page has them. */
  public static Drill drill(Session session, Planning.Entry e, Item item) {
    Part part = Part.of(item.unit());
    List<Frame> frames = frames(e, item);
    if (!frames.isEmpty() && !item.unit().isEmpty()) {
      Drill all = new Drill(item.drill(), List.of(Frame.silent(frames)));
      return part.isWhole() || part.isRound() ? all : part(all, part);
    }
    Drill all =
        e.section()
            .stretch()
            .filter(x -> part.isRound())
            .flatMap(x -> new DrillBook(session).ofStretch(x, item.drill()))
            .orElseGet(() -> drill(session, e.learning().chunk(part.unit()), item.drill()));
    return part.isWhole() ? all : part(all, part);
  }

  private static Drill part(Drill run, Part part) {
    Score all = run.whole();
    return new Drill(run.kind(), List.of(ScoreCut.part(all, part.part(), part.of())));
  }

  /** The frames of the picture that stand in for notes; none where there are notes. */
  public static List<Frame> frames(Planning.Entry e, Item item) {
    Part part = Part.of(item.unit());
    return part.isRound() && e.learning().chunks().isEmpty()
        ? part(e.learning().frames(), part)
        : e.learning().frame(part.unit()).map(List::of).orElse(List.of());
  }

  /** The frames whose middle lies in a part, by their notated length. */
  private static List<Frame> part(List<Frame> frames, Part part) {
    Fraction all = Fraction.ZERO;
    for (Frame f : frames) {
      all = all.add(f.length());
    }
    List<Frame> mine = new ArrayList<>();
    Fraction at = Fraction.ZERO;
    for (Frame f : frames) {
      Fraction middle = at.add(f.length().divide(2)).multiply(part.of());
      boolean begun = middle.compareTo(all.multiply(part.part() - 1)) >= 0;
      if (begun && middle.compareTo(all.multiply(part.part())) < 0) {
        mine.add(f);
      }
      at = at.add(f.length());
    }
    return mine.isEmpty() ? frames : mine;
  }

  /** A drill of some notes, or the notes as written where they have nothing for it. */
  public static Drill drill(Session session, Chunk chunk, Remedy remedy) {
    return remedy
        .bow()
        .flatMap(kind -> BowSpots.made(session, chunk, kind))
        .map(score -> new Drill(DrillKind.BOW, List.of(score)))
        .orElseGet(() -> drill(session, Optional.of(chunk), remedy.kind()));
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
