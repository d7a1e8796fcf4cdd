package fret.writing;

import fret.score.NoteValue;
import fret.score.Signs;
import java.util.Objects;

/**
 * What the next note is written with.
 *
 * @param tuplet ratio of the tuplets being written, {@link Signs.Tuplet#NONE} for none
 * @param inTuplet notes of the running tuplet written so far
 * @param grace whether grace notes are written
 */
public record Pen(NoteValue value, Signs.Tuplet tuplet, int inTuplet, boolean grace) {
  public static final Pen QUARTER = new Pen(new NoteValue(4, 0), Signs.Tuplet.NONE, 0, false);

  public Pen {
    Objects.requireNonNull(value);
    Objects.requireNonNull(tuplet);
  }

  public Pen withValue(NoteValue other) {
    return new Pen(other, tuplet, inTuplet, grace);
  }

  public Pen withGrace(boolean other) {
    return new Pen(value, tuplet, inTuplet, other);
  }

  /** Triplets, or none when tuplets are being written. */
  public Pen triplets() {
    Signs.Tuplet next =
        tuplet.isPresent() ? Signs.Tuplet.NONE : new Signs.Tuplet(3, 2, false, false);
    return new Pen(value, next, 0, grace);
  }

  /** Five, then six, then seven in the time of four, then two in the time of three, then none. */
  public Pen nextTuplet() {
    Signs.Tuplet next =
        switch (tuplet.actual()) {
          case 1, 3 -> new Signs.Tuplet(5, 4, false, false);
          case 5 -> new Signs.Tuplet(6, 4, false, false);
          case 6 -> new Signs.Tuplet(7, 4, false, false);
          case 7 -> new Signs.Tuplet(2, 3, false, false);
          default -> Signs.Tuplet.NONE;
        };
    return new Pen(value, next, 0, grace);
  }

  /** The tuplet sign of the next note. */
  Signs.Tuplet nextSign() {
    if (!tuplet.isPresent()) {
      return Signs.Tuplet.NONE;
    }
    return new Signs.Tuplet(
        tuplet.actual(), tuplet.normal(), inTuplet == 0, inTuplet == tuplet.actual() - 1);
  }

  /** After a note was written. */
  Pen used() {
    boolean counts = tuplet.isPresent() && !grace;
    return counts ? new Pen(value, tuplet, (inTuplet + 1) % tuplet.actual(), grace) : this;
  }

  /** What is being written, in players' words. */
  public String displayName() {
    String name =
        switch (value.denominator()) {
          case 0 -> "breve";
          case 1 -> "whole";
          case 2 -> "half";
          case 4 -> "quarter";
          case 8 -> "eighth";
          default -> "1/" + value.denominator();
        };
    String ratio =
        tuplet.isPresent() ? ", " + tuplet.actual() + " in the time of " + tuplet.normal() : "";
    return (grace ? "grace notes, " : "") + name + ratio;
  }
}
