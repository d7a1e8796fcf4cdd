package fret.bowing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * How a repeated pattern comes out even: the lengths of its strokes in whole cm with which it ends
 * where it began, at the least effort of saving and spending. Exact on that grid: the cheapest
 * cycle over all places to start from. Among equal ones the one with the most bow.
 *
 * @param startCm nearest place to the frog from which the whole pattern fits
 * @param cm of each stroke
 * @param effort of one time
 */
public record SteadyState(int startCm, List<Integer> cm, double effort) {
  /** So little that it only decides between equals. */
  private static final double MORE_BOW = 1e-7;

  private static final double ROUNDING = 1e-9;

  public SteadyState {
    cm = List.copyOf(cm);
  }

  /** The steady state of a pattern; empty where no lengths within the bounds of speed close it. */
  static Optional<SteadyState> of(List<Stroke> pattern, int hairCm, BowPreset preset) {
    double[][] efforts = new double[pattern.size()][hairCm + 1];
    for (int i = 0; i < efforts.length; i++) {
      for (int cm = 0; cm <= hairCm; cm++) {
        efforts[i][cm] = effort(pattern.get(i), cm, preset);
      }
    }
    Optional<SteadyState> best = Optional.empty();
    for (int start = 0; start <= hairCm; start++) {
      Optional<SteadyState> found = from(start, pattern, efforts, hairCm);
      if (found.isPresent()
          && (best.isEmpty() || found.get().effort() < best.get().effort() - MORE_BOW / 10)) {
        best = found;
      }
    }
    return best;
  }

  private static double effort(Stroke s, int cm, BowPreset preset) {
    if (s.kind() == StrokeKind.TREMOLO) {
      return cm == 0 ? 0 : Double.POSITIVE_INFINITY;
    }
    double share = cm / s.naturalCm();
    if (share < BowSpeed.LEAST - ROUNDING || share > BowSpeed.MOST + ROUNDING) {
      return Double.POSITIVE_INFINITY;
    }
    double octaves = BowTerms.log2(cm) - BowTerms.log2(s.naturalCm());
    double thin = Math.max(0, BowTerms.log2(BowSpeed.EASY) - octaves);
    double kind = preset.weight(octaves < 0 ? BowEffort.SAVE : BowEffort.SPEND);
    return kind * Math.abs(octaves) + preset.weight(BowEffort.THIN) * thin - MORE_BOW * cm;
  }

  /** The best way from a place through the pattern back to it. */
  private static Optional<SteadyState> from(
      int start, List<Stroke> pattern, double[][] efforts, int hairCm) {
    int n = pattern.size();
    double[][] least = new double[n + 1][hairCm + 1];
    int[][] came = new int[n + 1][hairCm + 1];
    for (double[] row : least) {
      Arrays.fill(row, Double.POSITIVE_INFINITY);
    }
    least[0][start] = 0;
    for (int i = 0; i < n; i++) {
      int way = pattern.get(i).down() ? 1 : -1;
      for (int at = 0; at <= hairCm; at++) {
        for (int cm = 0; least[i][at] < Double.POSITIVE_INFINITY && cm <= hairCm; cm++) {
          int to = at + way * cm;
          if (to >= 0 && to <= hairCm && least[i][at] + efforts[i][cm] < least[i + 1][to]) {
            least[i + 1][to] = least[i][at] + efforts[i][cm];
            came[i + 1][to] = at;
          }
        }
      }
    }
    if (least[n][start] == Double.POSITIVE_INFINITY) {
      return Optional.empty();
    }
    List<Integer> cm = new ArrayList<>();
    int at = start;
    for (int i = n; i > 0; i--) {
      cm.add(0, Math.abs(at - came[i][at]));
      at = came[i][at];
    }
    return Optional.of(new SteadyState(start, cm, least[n][start]));
  }
}
