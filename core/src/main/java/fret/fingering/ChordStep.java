package fret.fingering;

import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.score.ResolvedPassage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What each finger does on the way from one double stop or chord to the next.
 *
 * @param moves of the fingers that are down in the second one, from its lowest note up
 */
public record ChordStep(List<Move> moves) {
  /** What a finger does. */
  public enum Kind {
    /** It keeps its place. */
    STAYS,
    /** It keeps its string and slides. */
    SLIDES,
    /** It goes to another string. */
    HOPS,
    /** It takes over the place of another finger. */
    SWAPS,
    /** It was not down before. */
    NEW
  }

  /**
   * One finger.
   *
   * @param from the finger that was there before, where it is another one
   * @param mm that it slides along its string; 0 where it does not
   */
  public record Move(Kind kind, Finger finger, Finger from, int string, double mm) {}

  public ChordStep {
    moves = List.copyOf(moves);
  }

  /** The fingers that slide: each can guide the hand. */
  public List<Move> guides() {
    return moves.stream().filter(m -> m.kind() == Kind.SLIDES).toList();
  }

  /** The way into a moment; empty unless two fingers or more are down in it and before it. */
  public static Optional<ChordStep> into(
      ResolvedPassage passage, Instrument instrument, Fingering fingering, int slice) {
    List<NoteFinger> now = down(passage, fingering, slice);
    List<NoteFinger> before = slice == 0 ? List.of() : down(passage, fingering, slice - 1);
    if (now.size() < 2 || before.size() < 2) {
      return Optional.empty();
    }
    List<Move> moves = new ArrayList<>();
    for (NoteFinger to : now) {
      moves.add(move(instrument, before, to));
    }
    return Optional.of(new ChordStep(moves));
  }

  private static List<NoteFinger> down(ResolvedPassage passage, Fingering fingering, int slice) {
    return passage.slices().get(slice).starting().stream()
        .flatMap(n -> fingering.notes().get(n).stream())
        .filter(f -> !f.isOpen())
        .toList();
  }

  private static Move move(Instrument instrument, List<NoteFinger> before, NoteFinger to) {
    for (NoteFinger from : before) {
      if (from.finger() == to.finger() && from.string() == to.string()) {
        double mm =
            Math.abs(instrument.mmFromNut(to.semitone()) - instrument.mmFromNut(from.semitone()));
        Kind kind = from.semitone() == to.semitone() ? Kind.STAYS : Kind.SLIDES;
        return new Move(kind, to.finger(), to.finger(), to.string(), mm);
      }
    }
    for (NoteFinger from : before) {
      if (from.string() == to.string() && from.semitone() == to.semitone()) {
        return new Move(Kind.SWAPS, to.finger(), from.finger(), to.string(), 0);
      }
    }
    boolean hops = before.stream().anyMatch(f -> f.finger() == to.finger());
    return new Move(hops ? Kind.HOPS : Kind.NEW, to.finger(), to.finger(), to.string(), 0);
  }
}
