package fret.mark;

import fret.score.NoteKey;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * The marks that lie over a part: at most one pin, one adopted place and one bow mark per written
 * note; wishes for stretches of notes; notes to be vibrated; whole fingerings kept under a name.
 */
public final class Marks {
  public static final Marks NONE =
      new Marks(Map.of(), Map.of(), Map.of(), List.of(), Set.of(), Map.of());

  private final Map<String, Mark> pinned;
  private final Map<String, Mark> adopted;
  private final Map<NoteKey, Signs.Bow> bows;
  private final List<Wish> wishes;
  private final Set<NoteKey> vibrato;
  private final Map<String, List<Mark>> kept;

  private Marks(
      Map<String, Mark> pinned,
      Map<String, Mark> adopted,
      Map<NoteKey, Signs.Bow> bows,
      List<Wish> wishes,
      Set<NoteKey> vibrato,
      Map<String, List<Mark>> kept) {
    this.pinned = pinned;
    this.adopted = adopted;
    this.bows = bows;
    this.wishes = wishes;
    this.vibrato = vibrato;
    this.kept = kept;
  }

  /** Marks from a list; a later one replaces an earlier one of the same note and standing. */
  public static Marks of(List<Mark> marks) {
    return NONE.withMarks(marks);
  }

  private Marks withMarks(List<Mark> marks) {
    Map<String, Mark> pins = new TreeMap<>();
    Map<String, Mark> others = new TreeMap<>();
    for (Mark m : marks) {
      (m.standing() == Mark.Standing.PINNED ? pins : others).put(m.key().text(), m);
    }
    return new Marks(Map.copyOf(pins), Map.copyOf(others), bows, wishes, vibrato, kept);
  }

  /**
   * Bow marks of the player's own, on the highest head of a chord; {@link Signs.Bow#NONE} takes a
   * printed one away.
   */
  public Map<NoteKey, Signs.Bow> bows() {
    return bows;
  }

  public Marks withBows(Map<NoteKey, Signs.Bow> other) {
    return new Marks(pinned, adopted, Map.copyOf(other), wishes, vibrato, kept);
  }

  /** What is asked of stretches of notes, in the order in which it was asked. */
  public List<Wish> wishes() {
    return wishes;
  }

  public Marks withWishes(List<Wish> other) {
    return new Marks(pinned, adopted, bows, List.copyOf(other), vibrato, kept);
  }

  /** Notes on which vibrato is wanted. */
  public Set<NoteKey> vibrato() {
    return vibrato;
  }

  public Marks withVibrato(Set<NoteKey> other) {
    return new Marks(pinned, adopted, bows, wishes, Set.copyOf(other), kept);
  }

  /** Whole fingerings by the names under which they are kept. */
  public Map<String, List<Mark>> kept() {
    return kept;
  }

  /** Keeps a whole fingering under a name; one of the same name is replaced. */
  public Marks keeping(String name, List<Mark> fingering) {
    Map<String, List<Mark>> all = new TreeMap<>(kept);
    all.put(name, List.copyOf(fingering));
    return new Marks(
        pinned, adopted, bows, wishes, vibrato, java.util.Collections.unmodifiableMap(all));
  }

  /** Forgets a kept fingering. */
  public Marks forgetting(String name) {
    Map<String, List<Mark>> all = new TreeMap<>(kept);
    all.remove(name);
    return new Marks(
        pinned, adopted, bows, wishes, vibrato, java.util.Collections.unmodifiableMap(all));
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
    return withMarks(all);
  }

  /** These marks without a note's pin. */
  public Marks withoutPin(NoteKey key) {
    return withMarks(
        all().stream()
            .filter(m -> m.standing() != Mark.Standing.PINNED || !m.key().equals(key))
            .toList());
  }

  /** These marks with another adopted fingering. */
  public Marks withAdopted(List<Mark> marks) {
    List<Mark> all = new ArrayList<>(all());
    all.removeIf(m -> m.standing() == Mark.Standing.ADOPTED);
    all.addAll(marks);
    return withMarks(all);
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
        && m.bows.equals(bows)
        && m.wishes.equals(wishes)
        && m.vibrato.equals(vibrato)
        && m.kept.equals(kept);
  }

  @Override
  public int hashCode() {
    return java.util.Objects.hash(pinned, adopted, bows, wishes, vibrato, kept);
  }
}
