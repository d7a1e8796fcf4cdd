package fret.mark;

import fret.score.NoteKey;
import fret.score.ResolvedPassage;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** The marks that lie over a part: at most one pin and one adopted place per written note. */
public final class Marks {
  public static final Marks NONE = new Marks(Map.of(), Map.of());

  private final Map<String, Mark> pinned;
  private final Map<String, Mark> adopted;

  private Marks(Map<String, Mark> pinned, Map<String, Mark> adopted) {
    this.pinned = pinned;
    this.adopted = adopted;
  }

  /** Marks from a list; a later one replaces an earlier one of the same note and standing. */
  public static Marks of(List<Mark> marks) {
    Map<String, Mark> pins = new TreeMap<>();
    Map<String, Mark> adopted = new TreeMap<>();
    for (Mark m : marks) {
      (m.standing() == Mark.Standing.PINNED ? pins : adopted).put(m.key().text(), m);
    }
    return new Marks(Map.copyOf(pins), Map.copyOf(adopted));
  }

  public Optional<Mark> pin(NoteKey key) {
    return Optional.ofNullable(pinned.get(key.text()));
  }

  public Optional<Mark> adopted(NoteKey key) {
    return Optional.ofNullable(adopted.get(key.text()));
  }

  public boolean isAdopted() {
    return !adopted.isEmpty();
  }

  /** These marks with one more. */
  public Marks with(Mark mark) {
    List<Mark> all = new ArrayList<>(all());
    all.add(mark);
    return of(all);
  }

  /** These marks without a note's pin. */
  public Marks withoutPin(NoteKey key) {
    return of(
        all().stream()
            .filter(m -> m.standing() != Mark.Standing.PINNED || !m.key().equals(key))
            .toList());
  }

  /** These marks with another adopted fingering. */
  public Marks withAdopted(List<Mark> marks) {
    List<Mark> all = new ArrayList<>(all());
    all.removeIf(m -> m.standing() == Mark.Standing.ADOPTED);
    all.addAll(marks);
    return of(all);
  }

  /** All marks, in a stable order. */
  public List<Mark> all() {
    List<Mark> all = new ArrayList<>(new TreeMap<>(adopted).values());
    all.addAll(new TreeMap<>(pinned).values());
    return all;
  }

  /** Marks whose note is not in the passage, as after a new import. */
  public List<Mark> lost(ResolvedPassage passage) {
    return all().stream().filter(m -> passage.indexOf(m.key()).isEmpty()).toList();
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Marks m && m.pinned.equals(pinned) && m.adopted.equals(adopted);
  }

  @Override
  public int hashCode() {
    return 31 * pinned.hashCode() + adopted.hashCode();
  }
}
