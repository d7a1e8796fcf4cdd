package fret.bowing;

import fret.score.LoudnessLine;
import fret.score.Signs;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The page's own bowing: its slurs and marks, open directions alternating, a pick-up so that the
 * first full bar begins down.
 */
public final class PrintedBowing {
  private PrintedBowing() {}

  /** The bowing as printed; only how much bow is planned. */
  public static Bowing of(BowTask task) {
    BowTask printed =
        task.withRules(BowRules.NONE).withLoudness(LoudnessLine.of(task.passage().score()));
    BowProblem problem = new BowProblem(printed);
    return new BowSolver(printed.withRules(printed.rules().withBows(bows(problem)))).best();
  }

  /** A direction for every stroke. */
  private static Map<Integer, Signs.Bow> bows(BowProblem problem) {
    Map<Integer, Signs.Bow> bows = new HashMap<>();
    List<BowSpan> strokes = new java.util.ArrayList<>();
    for (int layer = 0; layer < problem.layers() - 1; ) {
      BowSpan span = problem.spans(layer).get(0);
      strokes.add(span);
      layer = span.to();
    }
    int first = 0;
    while (first < strokes.size() && isPickUp(strokes.get(first))) {
      first++;
    }
    boolean down = first == strokes.size() || first % 2 == 0;
    for (BowSpan s : strokes) {
      Signs.Bow asked = s.first().printed();
      down = asked == Signs.Bow.NONE ? down : asked == Signs.Bow.DOWN;
      bows.put(s.first().slice().index(), down ? Signs.Bow.DOWN : Signs.Bow.UP);
      down = !down;
    }
    return bows;
  }

  private static boolean isPickUp(BowSpan s) {
    return s.first().slice().onset().signum() < 0;
  }
}
