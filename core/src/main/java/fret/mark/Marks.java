package fret.mark;

import fret.score.NoteKey;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * The marks that lie over a part: at most one pin, one adopted place and one bow mark per written
 * note.
 */
public final class Marks {
  public static final Marks NONE = new Marks(Map.of(), Map.of(), Map.of());

  private final Map<String, Mark> pinned;
  private final Map<String, Mark> adopted;
  private final Map<NoteKey, Signs.Bow> bows;

  private Marks(Map<String, Mark> pinned, Map<String, Mark> adopted, Map<NoteKey, Signs.Bow> bows) {
    this.pinned = pinned;
    this.adopted = adopted;
    this.bows = bows;
  }

  /** Marks from a list; a later one replaces an earlier one of the same note and standing. */
  public static Marks of(List<Mark> marks) {
    return of(marks, Map.of());
  }

  private static Marks of(List<Mark> marks, Map<NoteKey, Signs.Bow> bows) {
    Map<String, Mark> pins = new TreeMap<>();
    Map<String, Mark> adopted = new TreeMap<>();
    for (Mark m : marks) {
      (m.standing() == Mark.Standing.PINNED ? pins : adopted).put(m.key().text(), m);
    }
    return new Marks(Map.copyOf(pins), Map.copyOf(adopted), Map.copyOf(bows));
  }

  /**
   * Bow marks of the player's own, on the highest head of a chord; {@link Signs.Bow#NONE} takes a
   * printed one away.
   */
  public Map<NoteKey, Signs.Bow> bows() {
    return bows;
  }

  public Marks withBows(Map<NoteKey, Signs.Bow> other) {
    return new Marks(pinned, adopted, Map.copyOf(other));
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
    return of(all, bows);
  }

  /** These marks without a note's pin. */
  public Marks withoutPin(NoteKey key) {
    return of(
        all().stream()
            .filter(m -> m.standing() != Mark.Standing.PINNED || !m.key().equals(key))
            .toList(),
        bows);
  }

  /** These marks with another adopted fingering. */
  public Marks withAdopted(List<Mark> marks) {
    List<Mark> all = new ArrayList<>(all());
    all.removeIf(m -> m.standing() == Mark.Standing.ADOPTED);
    all.addAll(marks);
    return of(all, bows);
  }

  /** All marks, in a stable order. */
  public List<Mark> all() {
    List<Mark> all = new ArrayList<>(new TreeMap<>(adopted).values());
    all.addAll(new TreeMap<>(pinned).values());
    return all;
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Marks m
        && m.pinned.equals(pinned)
        && m.adopted.equals(adopted)
        && m.bows.equals(bows);
  }

  @Override
  public int hashCode() {
    return java.util.Objects.hash(pinned, adopted, bows);
  }
}
