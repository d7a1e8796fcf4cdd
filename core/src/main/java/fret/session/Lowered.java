package fret.session;

import fret.drill.Chunk;
import fret.load.Limit;
import fret.load.Load;
import fret.plan.Unit;
import fret.score.Slice;
import fret.tempo.Ladder;
import java.util.Comparator;
import java.util.Optional;

/**
 * A chunk that starts under half its target, since a way within it gives way before.
 *
 * @param bar in which that way ends; {@code limit} what it is at
 * @param gives the tempo up to which it holds, in the chunk's counted value
 * @param starts the first level
 */
public record Lowered(String bar, Limit limit, double gives, double starts) {
  /** The one that starts lowest; empty where none does, or where the player set the start. */
  public static Optional<Lowered> of(Session s, Learning learning) {
    if (learning.setup().start() > 0) {
      return Optional.empty();
    }
    return learning.sections().get(0).units().stream()
        .filter(u -> u.ladder().filter(Lowered::isLow).isPresent())
        .min(Comparator.comparingDouble(u -> share(u.ladder().orElseThrow())))
        .flatMap(u -> learning.chunk(u.id()).flatMap(c -> told(s, u, c)));
  }

  private static boolean isLow(Ladder l) {
    return !l.isSlow() && l.start() < Math.floor(l.target() / 2);
  }

  private static double share(Ladder l) {
    return l.start() / l.target();
  }

  private static Optional<Lowered> told(Session s, Unit u, Chunk c) {
    Ladder ladder = u.ladder().orElseThrow();
    return s.load().hardest().stream()
        .filter(x -> isIn(s.resolved().slices().get(x.moment()), c))
        .min(Comparator.comparingDouble(x -> x.ceiling(1)))
        .map(x -> told(s, x, ladder));
  }

  private static Lowered told(Session s, Load.Share x, Ladder ladder) {
    int note = s.resolved().slices().get(x.moment()).starting().get(0);
    return new Lowered(
        s.resolved().notes().get(note).bar(),
        x.limit(),
        Math.floor(x.ceiling(ladder.target())),
        ladder.start());
  }

  private static boolean isIn(Slice x, Chunk c) {
    return x.onset().compareTo(c.fromOnset()) > 0 && x.onset().compareTo(c.toOnset()) < 0;
  }
}
