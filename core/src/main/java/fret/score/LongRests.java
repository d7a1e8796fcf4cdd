package fret.score;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Rests of two bars or more cut to their last bar, as they are in auditions and in recordings of an
 * excerpt: one bar is left to breathe and to count in.
 */
public final class LongRests {
  private LongRests() {}

  /** An order of playing without the bars that are cut. */
  public static List<Integer> cut(Score score, List<Integer> order) {
    List<Integer> left = new ArrayList<>();
    for (int i = 0; i < order.size(); i++) {
      boolean goesOn = i + 1 < order.size() && isRest(score, order.get(i + 1));
      if (!isRest(score, order.get(i)) || !goesOn) {
        left.add(order.get(i));
      }
    }
    return left;
  }

  /** The bars of a page once through, without those that are cut. */
  public static List<Integer> cut(Score score) {
    return cut(score, IntStream.range(0, score.bars().size()).boxed().toList());
  }

  /** Whether anything would be cut. */
  public static boolean areIn(Score score) {
    return cut(score).size() < score.bars().size();
  }

  private static boolean isRest(Score score, int bar) {
    return score.bars().get(bar).events().stream().allMatch(Event::isRest);
  }
}
