package fret.plan;

import fret.journal.JournalEntry;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;

/**
 * No passage is forgotten: until its date each comes at least every r-th day of practice, which is
 * four, or more where the days hold too few visits for so many passages.
 */
final class Returns {
  private static final int USUAL = 4;

  /** Its last days have laws of their own. */
  private static final int LAST_DAYS = 2;

  private final PlanRequest request;
  private final Map<Long, List<Goal>> goals = new LinkedHashMap<>();
  private final List<Long> passages;
  private final Map<Long, Integer> since = new HashMap<>();
  private final int visitsADay;
  private final int every;

  /**
   * @param minutes of each day, without its warm-up
   * @param all of each day
   */
  Returns(
      PlanRequest request, ToDoubleFunction<LocalDate> minutes, ToDoubleFunction<LocalDate> all) {
    this.request = request;
    request
        .goals()
        .forEach(g -> goals.computeIfAbsent(g.passageId(), p -> new ArrayList<>()).add(g));
    this.passages = List.copyOf(goals.keySet());
    int fewest = Integer.MAX_VALUE;
    LocalDate end =
        request.goals().stream()
            .map(g -> g.audition().minusDays(LAST_DAYS))
            .max(Comparator.naturalOrder())
            .orElse(request.from());
    for (LocalDate d = request.from(); !d.isAfter(end); d = d.plusDays(1)) {
      if (all.applyAsDouble(d) > 0) {
        fewest = Math.min(fewest, visits(minutes.applyAsDouble(d), all.applyAsDouble(d)));
      }
    }
    visitsADay = Math.max(1, fewest == Integer.MAX_VALUE ? 1 : fewest);
    every = Math.max(USUAL, (passages.size() + visitsADay - 1) / visitsADay);
    Map<Long, LocalDate> last = new HashMap<>();
    for (JournalEntry e : request.journal()) {
      if (e.date().isBefore(request.from())) {
        last.put(e.passageId(), e.date());
      }
    }
    for (long p : passages) {
      since.put(p, last.containsKey(p) ? practised(last.get(p)) : 0);
    }
  }

  /** The shortest visits to different passages that a day holds. */
  private static int visits(double minutes, double all) {
    double each = Visit.SHORTEST_MIN + Arrangement.OTHER_PASSAGE_MIN;
    int fit = (int) Math.floor((minutes + Arrangement.OTHER_PASSAGE_MIN) / each + Visit.EPS);
    return Math.min(fit, Filling.mostPassages(all));
  }

  /** Days with minutes after one, up to the first of the plan; more than enough are not counted. */
  private int practised(LocalDate last) {
    int days = 0;
    for (LocalDate d = last.plusDays(1); d.isBefore(request.from()) && days < every; ) {
      days += request.budget().on(d) > 0 ? 1 : 0;
      d = d.plusDays(1);
    }
    return days;
  }

  /** Days of practice within which every passage comes. */
  int every() {
    return every;
  }

  /** The passages that cannot wait any longer, those first that waited for longest. */
  List<Long> due(LocalDate date, Progress progress) {
    List<Long> open = new ArrayList<>();
    for (long p : passages) {
      if (isAsked(p, date, progress)) {
        open.add(p);
      }
    }
    open.sort(Comparator.comparingInt(this::daysLeft));
    int need = 0;
    for (int i = 0; i < open.size(); i++) {
      need = Math.max(need, i + 1 - visitsADay * (daysLeft(open.get(i)) - 1));
    }
    return open.subList(0, need);
  }

  /** The passages that were not there for longest first. */
  List<Long> byWaiting(LocalDate date, Progress progress) {
    return passages.stream()
        .filter(p -> isAsked(p, date, progress))
        .sorted(Comparator.comparingInt(this::daysLeft))
        .toList();
  }

  private int daysLeft(long passage) {
    return Math.max(1, every - since.get(passage));
  }

  private boolean isAsked(long passage, LocalDate date, Progress progress) {
    return goals.get(passage).stream()
        .filter(g -> !date.isAfter(g.audition()))
        .anyMatch(g -> progress.learned(g).anyMatch(s -> !s.unit.waitsOn(date)));
  }

  /** A day of practice is over. */
  void over(Filling f) {
    for (long p : passages) {
      since.put(p, f.has(p) ? 0 : since.get(p) + 1);
    }
  }
}
