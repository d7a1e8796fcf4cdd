package fret.drill;

import fret.base.Said;
import fret.mark.Anchor;
import fret.mark.Place;
import fret.score.NoteKey;
import java.util.Objects;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * A piece of the passage that is practised on its own.
 *
 * @param id its own in the passage, such as {@code bars-3-4} or {@code spot-7}; stable once it was
 *     practised
 * @param from its first note; {@code to} its last one
 * @param toOnset excluded
 * @param noteCount notes and chords in it, at least 1
 * @param why to be told
 * @param name the player's own; empty for none
 * @param way what of its notes is played
 * @param jump the notes that follow on them where a repeat goes back; empty where it does not
 */
public record Chunk(
    String id,
    Kind kind,
    NoteKey from,
    NoteKey to,
    String fromBar,
    String toBar,
    Fraction fromOnset,
    Fraction toOnset,
    int noteCount,
    Said why,
    String name,
    Way way,
    Optional<Jump> jump) {
  /**
   * Where playing goes on after a repeat sign.
   *
   * @param to excluded
   */
  public record Jump(Fraction from, Fraction to) {}

  /** What it is cut for. */
  public enum Kind {
    /** Some bars. */
    BARS,
    /** The notes around one hard shift, or high ones that lie close together. */
    SPOT,
    /** The last notes of a chunk and the first of the next. */
    JOIN,
    /** One layer of some bars, see {@link Way}. */
    LAYER
  }

  /** A chunk without a name, with all of its notes. */
  public Chunk(
      String id,
      Kind kind,
      NoteKey from,
      NoteKey to,
      String fromBar,
      String toBar,
      Fraction fromOnset,
      Fraction toOnset,
      int noteCount,
      Said why) {
    this(id, kind, from, to, fromBar, toBar, fromOnset, toOnset, noteCount, why, "", Way.ALL);
  }

  /** A chunk of notes that stand in a row. */
  public Chunk(
      String id,
      Kind kind,
      NoteKey from,
      NoteKey to,
      String fromBar,
      String toBar,
      Fraction fromOnset,
      Fraction toOnset,
      int noteCount,
      Said why,
      String name,
      Way way) {
    this(
        id,
        kind,
        from,
        to,
        fromBar,
        toBar,
        fromOnset,
        toOnset,
        noteCount,
        why,
        name,
        way,
        Optional.empty());
  }

  public Chunk {
    Objects.requireNonNull(name);
    Objects.requireNonNull(jump);
    Objects.requireNonNull(way);
    Objects.requireNonNull(id);
    Objects.requireNonNull(kind);
    Objects.requireNonNull(from);
    Objects.requireNonNull(to);
    if (fromOnset.compareTo(toOnset) >= 0 || noteCount < 1) {
      throw new IllegalArgumentException("empty chunk " + id);
    }
  }

  public boolean isJoin() {
    return kind == Kind.JOIN;
  }

  public boolean isSpot() {
    return kind == Kind.SPOT;
  }

  /** What it hangs on. */
  public Place place() {
    return Place.of(new Anchor.Stretch(from, to));
  }

  /** The same under another id. */
  Chunk withId(String other) {
    return new Chunk(
        other, kind, from, to, fromBar, toBar, fromOnset, toOnset, noteCount, why, name, way, jump);
  }

  /** The same with a name of the player's. */
  Chunk named(String other) {
    return new Chunk(
        id, kind, from, to, fromBar, toBar, fromOnset, toOnset, noteCount, why, other, way, jump);
  }

  /** Written length in whole notes. */
  public Fraction length() {
    Fraction then = jump.map(j -> j.to().subtract(j.from())).orElse(Fraction.ZERO);
    return toOnset.subtract(fromOnset).add(then);
  }

  /** Name of it on paper. */
  public String label() {
    if (!name.isEmpty()) {
      return name;
    }
    return fromBar.equals(toBar) ? "Bar " + fromBar : "Bars " + fromBar + "-" + toBar;
  }
}
