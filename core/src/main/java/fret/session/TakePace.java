package fret.session;

import fret.score.ResolvedPassage;
import fret.take.Expected;
import fret.take.HeardNote;
import fret.take.TakeReport;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * The tempo of a take told apart by note value: whether the quick notes run.
 *
 * @param length of the value in whole notes
 * @param times its median tempo as a multiple of the target
 * @param steps how many there were
 */
public record TakePace(Fraction length, double times, int steps) {
  private static final int FEWEST = 4;

  /** The values of which there are enough, the longest first. */
  public static List<TakePace> of(ResolvedPassage passage, TakeReport report) {
    Map<Fraction, List<Double>> paces = new TreeMap<>(java.util.Comparator.reverseOrder());
    List<HeardNote> notes = report.heard().notes();
    for (int i = 0; i + 1 < notes.size(); i++) {
      HeardNote a = notes.get(i);
      HeardNote b = notes.get(i + 1);
      Expected.Moment m = report.expected().moments().get(a.moment());
      Expected.Moment next = report.expected().moments().get(b.moment());
      double took = (b.onsetS() - a.onsetS()) * 1000;
      boolean step = b.moment() == a.moment() + 1 && took > 0 && !a.pitch().isOther();
      boolean grace = passage.slices().get(m.slice()).grace() > 0;
      boolean rest = next.startMs() - m.endMs() > 2;
      if (step && !grace && !rest) {
        Fraction value = passage.slices().get(m.slice()).duration();
        paces
            .computeIfAbsent(value, v -> new ArrayList<>())
            .add((next.startMs() - m.startMs()) / took);
      }
    }
    List<TakePace> all = new ArrayList<>();
    paces.forEach(
        (value, list) -> {
          if (list.size() >= FEWEST) {
            double[] sorted = list.stream().mapToDouble(x -> x).sorted().toArray();
            double middle = (sorted[(sorted.length - 1) / 2] + sorted[sorted.length / 2]) / 2;
            all.add(new TakePace(value, middle, sorted.length));
          }
        });
    return all;
  }
}
