package fret.joint;

import fret.bowing.Adopted;
import fret.bowing.BowEffort;
import fret.bowing.BowPreset;
import fret.bowing.BowSolver;
import fret.bowing.BowTask;
import fret.bowing.Bowing;
import fret.bowing.Stroke;
import fret.fingering.Fingering;
import fret.fingering.FingeringSolver;
import fret.fingering.FingeringTask;
import fret.fingering.NoteFinger;
import fret.player.EffortKind;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.search.Token;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Fingering and bowing weighed together for a selection: a shift at a change of bow beats one
 * inside a slur, and a crossing can wait for the change.
 *
 * <p>From several fingerings in turn, the bow is planned for the hand, the hand for the strokes
 * that the bow then has, and so on until nothing gets better; the best of all ends counts. It is
 * never worse than one after the other, and is not proven to be the best of all pairs. One effort
 * of the hand counts as one of the bow.
 */
public final class TogetherSolver {
  /** More notes than this are refused. */
  public static final int MOST_NOTES = 64;

  private static final int OTHER_HANDS = 4;
  private static final int MOST_TURNS = 4;

  private final FingeringTask hand;
  private final BowTask bow;
  private final int from;
  private final int to;
  private final Token token;

  /**
   * Both hands.
   *
   * @param effort of both together
   * @param apart effort of the hand alone first, then the bow for it
   */
  public record Together(Fingering fingering, Bowing bowing, double effort, double apart) {
    /** What doing it together spares; 0 or more. */
    public double gain() {
      return apart - effort;
    }
  }

  /**
   * @param hand what is to be fingered, as it stands
   * @param bow what is to be bowed
   * @param from first note of the selection; {@code to} the last one, included
   * @throws IllegalArgumentException if more than {@link #MOST_NOTES} notes are selected
   */
  public TogetherSolver(FingeringTask hand, BowTask bow, int from, int to, Token token) {
    if (to - from >= MOST_NOTES) {
      throw new IllegalArgumentException((to - from + 1) + " notes are more than " + MOST_NOTES);
    }
    this.hand = hand;
    this.bow = bow;
    this.from = from;
    this.to = to;
    this.token = token;
  }

  /**
   * Solves it.
   *
   * @param standing the fingering that stands: the notes outside the selection keep its places
   * @param strokes the bowing that stands: outside the selection it is held
   */
  public Together solve(Fingering standing, Bowing strokes) {
    BowTask held = bow.withRules(bow.rules().over(outside(strokes)));
    return new TogetherSolver(hand, held, from, to, token).solveHeld(standing);
  }

  private Together solveHeld(Fingering standing) {
    Bowing after = bowing(standing);
    double apart = price(standing, after) + after.effort();
    Together best = new Together(standing, after, apart, apart);
    List<Fingering> hands = new ArrayList<>(List.of(standing));
    FingeringSolver solver = new FingeringSolver(held(hand, standing), token);
    hands.addAll(solver.alternativesTo(standing, OTHER_HANDS));
    for (Fingering start : hands) {
      Together end = descend(start, standing, apart);
      best = end.effort() < best.effort() - 1e-9 ? end : best;
    }
    return best;
  }

  private Map<Integer, Adopted> outside(Bowing strokes) {
    int first = hand.passage().notes().get(from).slice();
    int last = hand.passage().notes().get(to).slice();
    Map<Integer, Adopted> held = Adopted.of(strokes, hand.passage());
    held.keySet().removeIf(m -> m >= first && m <= last);
    return held;
  }

  private Together descend(Fingering start, Fingering standing, double apart) {
    Together at = bowed(start, apart);
    for (int turn = 0; turn < MOST_TURNS; turn++) {
      token.check();
      Fingering other = new FingeringSolver(held(slurred(at.bowing()), standing), token).best();
      Together next = bowed(other, apart);
      if (next.effort() >= at.effort() - 1e-9) {
        break;
      }
      at = next;
    }
    return at;
  }

  private Bowing bowing(Fingering fingers) {
    return new BowSolver(bow.withHand(Hands.of(bow.passage(), fingers)), token).best();
  }

  /**
   * The bowing for a hand with what the hand pays for strokes laid on the bow: shifts and crossings
   * inside them. Weighed as the bow alone would be.
   */
  private Bowing coupled(Fingering fingers) {
    BowPreset preset = bow.preset();
    BowPreset both =
        preset.with(
            preset.id(),
            Map.of(
                BowEffort.SLUR_SHIFT,
                preset.weight(BowEffort.SLUR_SHIFT) + hand.preset().weight(EffortKind.SLUR_SHIFT),
                BowEffort.SLUR_CROSS,
                preset.weight(BowEffort.SLUR_CROSS)
                    + hand.preset().weight(EffortKind.SLUR_CROSSING)));
    BowTask task = bow.withHand(Hands.of(bow.passage(), fingers)).withPreset(both);
    return new BowSolver(task, token).best().weighed(preset);
  }

  /** The better of the two for a hand. */
  private Together bowed(Fingering fingers, double apart) {
    Together best = null;
    for (Bowing b : List.of(bowing(fingers), coupled(fingers))) {
      double sum = price(fingers, b) + b.effort();
      best =
          best == null || sum < best.effort() - 1e-9 ? new Together(fingers, b, sum, apart) : best;
    }
    return best;
  }

  /** What a fingering costs the hand under given strokes. */
  double price(Fingering fingers, Bowing strokes) {
    Map<Integer, NoteFinger> all = new HashMap<>();
    for (int i = 0; i < fingers.notes().size(); i++) {
      int note = i;
      fingers.notes().get(i).ifPresent(p -> all.put(note, p));
    }
    return new FingeringSolver(slurred(strokes).withFixed(all), token).best().effort();
  }

  /** The task of the hand with the strokes in place of the printed slurs. */
  private FingeringTask slurred(Bowing strokes) {
    ResolvedPassage passage = hand.passage();
    List<Slice> slices = new ArrayList<>();
    for (Slice s : passage.slices()) {
      boolean joined =
          strokes.strokeAt(s.index()).map(Stroke::fromMoment).orElse(s.index()) < s.index();
      slices.add(
          new Slice(
              s.index(),
              s.onset(),
              s.grace(),
              s.starting(),
              s.held(),
              joined,
              s.bowed(),
              s.duration(),
              s.restAfter()));
    }
    ResolvedPassage bowed = new ResolvedPassage(passage.score(), passage.notes(), slices);
    return new FingeringTask(
        bowed, hand.tempo(), hand.hand(), hand.preset(), hand.wishes(), hand.fixed());
  }

  /** The notes outside the selection keep the places that stand. */
  private FingeringTask held(FingeringTask task, Fingering standing) {
    Map<Integer, NoteFinger> fixed = new HashMap<>(task.fixed());
    for (int i = 0; i < standing.notes().size(); i++) {
      int note = i;
      if (i < from || i > to) {
        standing.notes().get(i).ifPresent(p -> fixed.put(note, p));
      }
    }
    return task.withFixed(fixed);
  }
}
