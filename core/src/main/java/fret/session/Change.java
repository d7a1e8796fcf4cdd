package fret.session;

import fret.base.Said;
import fret.mark.Layer;
import fret.mark.Marks;
import fret.passage.HeadingLayer;
import fret.passage.Passage;
import fret.score.Score;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * A named change of a passage, as a value: applying it and then its inverse gives the passage back.
 *
 * @param name what is done
 * @param deltas marks that become others, at most one a place
 * @param bars bars that are replaced
 * @param merges whether it goes on from one of the same name and places just before it, as while
 *     typing or dragging, so that both are taken back together
 */
public record Change(Said name, List<Delta<?, ?>> deltas, Optional<BarsEdit> bars, boolean merges) {
  public Change {
    Objects.requireNonNull(name);
    deltas = List.copyOf(deltas);
    Objects.requireNonNull(bars);
  }

  /** From some marks to others. */
  public static Change of(Said name, Marks before, Marks after) {
    return new Change(name, Delta.between(before, after), Optional.empty(), false);
  }

  /**
   * From one page with its marks to another. The page's heading goes along.
   *
   * @param after marks on the new page
   */
  public static Change ofPage(Said name, Score page, Score newPage, Marks before, Marks after) {
    Marks headed =
        after.with(
            HeadingLayer.HEADING, fret.mark.Place.WHOLE, Optional.of(HeadingLayer.of(newPage)));
    return new Change(name, Delta.between(before, headed), BarsEdit.between(page, newPage), false);
  }

  /** The same change, taken together with one of its kind before it. */
  public Change merging() {
    return new Change(name, deltas, bars, true);
  }

  /** Both as one, under the name of this one; they change different places. */
  public Change with(Change other) {
    List<Delta<?, ?>> all = new ArrayList<>(deltas);
    all.addAll(other.deltas);
    return new Change(name, all, bars.or(other::bars), merges);
  }

  public boolean isEmpty() {
    return deltas.isEmpty() && bars.isEmpty();
  }

  public Marks applyTo(Marks marks) {
    Marks all = marks;
    for (Delta<?, ?> delta : deltas) {
      all = delta.applyTo(all);
    }
    return all;
  }

  public Passage applyTo(Passage passage) {
    return passage.withMarks(applyTo(passage.marks()));
  }

  /** Whether marks are as this change expects them. */
  public boolean fits(Marks marks) {
    return deltas.stream().allMatch(d -> d.fits(marks));
  }

  public Change inverse() {
    List<Delta<?, ?>> back = new ArrayList<>();
    deltas.forEach(d -> back.add(0, d.inverse()));
    return new Change(name, back, bars.map(BarsEdit::inverse), merges);
  }

  /** Whether a change just made goes on from this one. */
  boolean goesOnWith(Change next) {
    return next.merges
        && merges
        && name.id().equals(next.name.id())
        && bars.isEmpty()
        && next.bars.isEmpty()
        && deltas.size() == next.deltas.size()
        && next.deltas.stream().allMatch(n -> deltas.stream().anyMatch(n::isAt));
  }

  /** This and then the one that goes on from it, as one. */
  Change then(Change next) {
    List<Delta<?, ?>> all = new ArrayList<>();
    for (Delta<?, ?> delta : deltas) {
      next.deltas.stream().filter(delta::isAt).forEach(later -> all.add(delta.then(later)));
    }
    return new Change(next.name, all, Optional.empty(), true);
  }

  /** What this bears on. */
  public Set<Layer.Concern> concerns() {
    Set<Layer.Concern> all = EnumSet.noneOf(Layer.Concern.class);
    deltas.forEach(d -> all.add(d.layer().concern()));
    bars.ifPresent(b -> all.add(Layer.Concern.PAGE));
    return all;
  }
}
