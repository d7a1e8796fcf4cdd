package fret.mark;

import fret.score.NoteKey;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;

/**
 * What is asked of a stretch of notes.
 *
 * @param from first note of the stretch; {@code to} the last one
 */
public record Wish(NoteKey from, NoteKey to, Ask ask) {
  /**
   * One thing that is asked.
   *
   * @param value the string (1 the highest) for {@link Kind#ON_STRING}, the semitone above the open
   *     string at which the first finger stands for {@link Kind#POSITION}, the string that is not
   *     wanted for {@link Kind#NOT_STRING}, the finger that is not wanted as {@code ordinal() + 1}
   *     of {@link fret.instrument.Finger} for {@link Kind#NOT_FINGER}; else 0
   */
  public record Ask(Kind kind, int value) {
    public Ask {
      Objects.requireNonNull(kind);
      if (kind.isValued() != value > 0) {
        throw new IllegalArgumentException("a wish " + kind + " with value " + value);
      }
    }
  }

  /** What can be asked for. */
  public enum Kind {
    ON_STRING,
    POSITION,
    IN_POSITION,
    NO_OPEN,
    NO_LONG_FOURTH,
    AS_PRINTED,
    NOT_FINGER,
    NOT_STRING;

    private boolean isValued() {
      return switch (this) {
        case ON_STRING, POSITION, NOT_FINGER, NOT_STRING -> true;
        default -> false;
      };
    }
  }

  public Wish {
    Objects.requireNonNull(from);
    Objects.requireNonNull(to);
    Objects.requireNonNull(ask);
  }

  public Wish(Kind kind, NoteKey from, NoteKey to, int value) {
    this(from, to, new Ask(kind, value));
  }

  public Kind kind() {
    return ask.kind();
  }

  public int value() {
    return ask.value();
  }

  /** Where it hangs. */
  public Place place() {
    return Place.of(new Anchor.Stretch(from, to));
  }

  /** All wishes that count, in the order of the page. */
  public static List<Wish> all(Marks marks) {
    List<Wish> all = new ArrayList<>();
    marks
        .of(WishLayer.WISH)
        .forEach(
            (place, asks) -> {
              if (place.counts() && place.anchor() instanceof Anchor.Stretch s) {
                asks.forEach(a -> all.add(new Wish(s.from(), s.to(), a)));
              }
            });
    all.sort(
        Comparator.comparing((Wish w) -> w.from().onset())
            .thenComparing(w -> w.to().onset())
            .thenComparing(Wish::kind)
            .thenComparing(Wish::value)
            .thenComparing(w -> w.from().text())
            .thenComparing(w -> w.to().text()));
    return all;
  }
}
