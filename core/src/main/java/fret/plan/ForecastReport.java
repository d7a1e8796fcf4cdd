package fret.plan;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * How good the forecast is: simulated players follow the plan as it is made anew each morning, and
 * what was told them after seven, fourteen and twenty-one days of practice is held against the day
 * on which they were ready.
 */
public final class ForecastReport {
  private static final LocalDate FROM = LocalDate.of(2026, 1, 5);

  private static final int[] AFTER = {7, 14, 21};
  private static final int LONGEST = 140;
  private static final int HORIZON = 14;

  /**
   * Outside an 80% band a day counts for this many (interval score, T. Gneiting, A. Raftery 2007).
   */
  private static final double PENALTY = 2 / 0.2;

  /**
   * What was found over some forecasts.
   *
   * @param told forecasts that were made, {@code early} those of which it was too early
   * @param inside that held the day within their band
   * @param score mean interval score in days, smaller is better; {@code simple} that of a band of
   *     the same width around "the pace so far goes on"
   * @param no told that it would not be ready in a fortnight, {@code noRight} those that were not
   * @param lateEarly share of forecasts from the fourteenth day on that were too early to tell
   */
  public record Row(
      int told,
      int early,
      int inside,
      double score,
      double simple,
      double lateEarly,
      int no,
      int noRight) {
    public double coverage() {
      return told == 0 ? 0 : inside / (double) told;
    }
  }

  private static final class Sums {
    int no;
    int noRight;
    int told;
    int early;
    int inside;
    double score;
    double simple;
    int late;
    int lateEarly;

    Row row() {
      return new Row(
          told,
          early,
          inside,
          score / Math.max(1, told),
          simple / Math.max(1, told),
          late == 0 ? 0 : lateEarly / (double) late,
          no,
          noRight);
    }
  }

  /**
   * A number of learners per law, from a seed on. By the name of the law; all but the one never
   * seen under {@code ALL}.
   */
  public static Map<String, Row> of(int learnersOfEach, long seed) {
    Map<Learner.Law, Sums> sums = new EnumMap<>(Learner.Law.class);
    Sums all = new Sums();
    for (Learner.Law law : Learner.Law.values()) {
      sums.put(law, new Sums());
      for (int i = 0; i < learnersOfEach; i++) {
        List<Sums> into =
            law == Learner.Law.STEPS ? List.of(sums.get(law)) : List.of(sums.get(law), all);
        follow(new Learner(law, seed + i, FROM), into);
      }
    }
    Map<String, Row> rows = new java.util.LinkedHashMap<>();
    rows.put("ALL", all.row());
    sums.forEach((law, s) -> rows.put(law.name(), s.row()));
    return rows;
  }

  private record Told(int day, Optional<Forecast> forecast, double share) {}

  private static void follow(Learner learner, List<Sums> into) {
    List<Told> told = new ArrayList<>();
    int next = 0;
    int ready = -1;
    for (int day = 0; day < LONGEST && ready < 0; day++) {
      LocalDate date = FROM.plusDays(day);
      if (next < AFTER.length && learner.daysPractised() >= AFTER[next]) {
        told.add(new Told(day, learner.forecast(date), learner.closedShare()));
        next++;
      }
      learner.practise(date);
      ready = learner.isReady() ? day : -1;
    }
    int truth = ready < 0 ? LONGEST : ready;
    for (int i = 0; i < told.size(); i++) {
      for (Sums s : into) {
        score(s, told.get(i), truth, i > 0);
      }
    }
  }

  private static void score(Sums s, Told t, int truth, boolean late) {
    s.late += late ? 1 : 0;
    if (t.forecast().isEmpty()) {
      s.early++;
      s.lateEarly += late ? 1 : 0;
      return;
    }
    Forecast f = t.forecast().get();
    int horizon = t.day() + HORIZON;
    if (day(f.expected()) > horizon) {
      s.no++;
      s.noRight += truth > horizon ? 1 : 0;
    }
    int low = day(f.earliest());
    int high = day(f.latest());
    s.told++;
    s.inside += truth >= low && truth <= high ? 1 : 0;
    s.score += interval(low, high, truth);
    double simple = t.day() / Math.max(0.02, t.share());
    double half = (high - low) / 2.0;
    s.simple += interval(simple - half, simple + half, truth);
  }

  private static int day(Optional<LocalDate> date) {
    return date.map(d -> (int) ChronoUnit.DAYS.between(FROM, d))
        .map(d -> Math.min(d, LONGEST))
        .orElse(LONGEST);
  }

  private static double interval(double low, double high, double truth) {
    return high - low + PENALTY * (Math.max(0, low - truth) + Math.max(0, truth - high));
  }

  private ForecastReport() {}
}
