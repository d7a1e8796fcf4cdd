package fret.take;

import java.util.Arrays;
import java.util.List;

/** Notes of one sound after each other, told apart by their dips and by the written lengths. */
final class Repeated {
  private static final double STEP_S = 0.005;
  private static final double AROUND_S = 0.03;
  private static final double LENGTH_WEIGHS = 3;
  private static final double DIP_WEIGHS = 2.5;
  private static final double LONGEST = 1.8;
  private static final double SHORTEST = 0.35;

  private final List<Rough> same;
  private final double from;
  private final int places;

  /** Written length of each in steps, at the pace of the whole. */
  private final double[] length;

  private final double[] dips;

  private Repeated(List<Rough> same, Listened heard) {
    this.same = same;
    this.from = same.get(0).from;
    double to = same.get(same.size() - 1).to;
    this.places = (int) Math.max(same.size() + 1, Math.ceil((to - from) / STEP_S));
    double written = same.stream().mapToDouble(r -> heard.lastsMs(r.moment)).sum();
    this.length =
        same.stream()
            .mapToDouble(r -> heard.lastsMs(r.moment) / written * (to - from) / STEP_S)
            .toArray();
    this.dips = new double[places];
    double hertz = heard.hertz(same.get(0).expected);
    for (int p = 1; p < places; p++) {
      double at = from + p * STEP_S;
      double here = heard.onsets().level(at, hertz);
      double around =
          Math.max(
              heard.onsets().level(at - AROUND_S, hertz),
              heard.onsets().level(at + AROUND_S, hertz));
      dips[p] = around <= 0 ? 0 : Math.max(0, 1 - here / around);
    }
  }

  /** Sets the borders between all notes of a run that sound alike. */
  static void tellApart(List<Rough> run, Listened heard) {
    for (int i = 0; i < run.size(); ) {
      int k = i + 1;
      while (k < run.size()
          && !run.get(k).afterGap
          && run.get(k).expected.soundsLike(run.get(i).expected)) {
        k++;
      }
      if (k > i + 1) {
        new Repeated(run.subList(i, k), heard).tellApart();
      }
      i = k;
    }
  }

  /** What it costs that a note lasts so many steps. */
  private double off(int note, double steps) {
    double by = steps / length[note] - 1;
    return LENGTH_WEIGHS * by * by;
  }

  /** The cheapest places of the borders: in dips, and in the written proportions. */
  private void tellApart() {
    int n = same.size();
    double[][] cost = new double[n][places];
    int[][] back = new int[n][places];
    for (double[] row : cost) {
      Arrays.fill(row, Double.MAX_VALUE);
    }
    cost[0][0] = 0;
    for (int i = 1; i < n; i++) {
      for (int p = i; p < places; p++) {
        int low = (int) Math.max(0, p - LONGEST * length[i - 1]);
        int high = (int) Math.min(p - 1, p - SHORTEST * length[i - 1]);
        for (int q = low; q <= high; q++) {
          double c =
              cost[i - 1][q] == Double.MAX_VALUE
                  ? Double.MAX_VALUE
                  : cost[i - 1][q] + off(i - 1, p - q) - DIP_WEIGHS * dips[p];
          if (c < cost[i][p]) {
            cost[i][p] = c;
            back[i][p] = q;
          }
        }
      }
    }
    int last = -1;
    double least = Double.MAX_VALUE;
    for (int p = n - 1; p < places; p++) {
      double c =
          cost[n - 1][p] == Double.MAX_VALUE
              ? Double.MAX_VALUE
              : cost[n - 1][p] + off(n - 1, places - p);
      if (c < least) {
        least = c;
        last = p;
      }
    }
    for (int i = n - 1; i > 0 && last >= 0; i--) {
      same.get(i).from = from + last * STEP_S;
      same.get(i - 1).to = same.get(i).from;
      last = back[i][last];
    }
  }
}
