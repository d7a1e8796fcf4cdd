package fret.score;

import java.util.ArrayList;
import java.util.List;

/** The order in which bars are played, with repeats and endings. */
public final class Repeats {
  private Repeats() {}

  /**
   * Indices of the written bars in playing order. A repeat without a start goes back to the
   * beginning or to the bar after the previous repeat; each is taken once more, or as often as its
   * endings ask.
   */
  public static List<Integer> playingOrder(Score score) {
    List<Bar> bars = score.bars();
    List<Integer> order = new ArrayList<>();
    int sectionStart = 0;
    int pass = 1;
    int i = 0;
    while (i < bars.size()) {
      Bar bar = bars.get(i);
      if (bar.repeatStart() && i > sectionStart) {
        sectionStart = i;
        pass = 1;
      }
      if (!bar.endings().isEmpty() && !bar.endings().contains(pass)) {
        i++;
        continue;
      }
      order.add(i);
      if (bar.repeatEnd() && pass < passes(bars, sectionStart, i)) {
        pass++;
        i = sectionStart;
        continue;
      }
      boolean lastEnding =
          !bar.endings().isEmpty() && (i + 1 == bars.size() || bars.get(i + 1).endings().isEmpty());
      if (bar.repeatEnd() || lastEnding) {
        sectionStart = i + 1;
        pass = 1;
      }
      i++;
    }
    return order;
  }

  /** Whether a bar, by its index, is played more than once. */
  public static boolean comesAgain(Score score, int barIndex) {
    return playingOrder(score).stream().filter(i -> score.bars().get(i).index() == barIndex).count()
        > 1;
  }

  private static int passes(List<Bar> bars, int from, int repeatBar) {
    int most = 2;
    for (int i = from;
        i < bars.size() && (i <= repeatBar || !bars.get(i).endings().isEmpty());
        i++) {
      for (int ending : bars.get(i).endings()) {
        most = Math.max(most, Math.min(ending, 9));
      }
    }
    return most;
  }
}
