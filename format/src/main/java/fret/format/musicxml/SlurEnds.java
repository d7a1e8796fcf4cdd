package fret.format.musicxml;

import fret.base.Outcome;
import fret.base.Problem;
import fret.base.Said;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Score;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Ends slurs that a file leaves open: at the next slur of their number, at a rest of a bar, or
 * after eight bars. Each is told.
 */
final class SlurEnds {
  private static final int LONGEST_BARS = 8;

  /** A written note. */
  private record At(int bar, int event) {}

  private record Open(int number, At from) {}

  private final List<Bar> bars;
  private final Map<String, Map<Integer, Open>> open = new HashMap<>();
  private final Map<String, At> last = new HashMap<>();
  private final Map<At, List<Integer>> stops = new HashMap<>();
  private final Map<At, List<Integer>> dropped = new HashMap<>();
  private final List<Problem> problems = new ArrayList<>();

  private SlurEnds(List<Bar> bars) {
    this.bars = bars;
  }

  /** The part with every slur ended, and what was told of it. */
  static Outcome<Score> of(Score score) {
    SlurEnds ends = new SlurEnds(score.bars());
    ends.walk();
    return new Outcome<>(
        ends.problems.isEmpty() ? score : score.withBars(ends.mended()), ends.problems);
  }

  private void walk() {
    for (int b = 0; b < bars.size(); b++) {
      if (bars.get(b).events().stream().allMatch(Event::isRest)) {
        List.copyOf(open.keySet()).forEach(this::closeAll);
      }
      closeLong(b);
      List<Event> events = bars.get(b).events();
      for (int e = 0; e < events.size(); e++) {
        if (!events.get(e).isRest()) {
          note(events.get(e), new At(b, e));
        }
      }
    }
    List.copyOf(open.keySet()).forEach(this::closeAll);
  }

  private void note(Event e, At at) {
    Map<Integer, Open> here = open.computeIfAbsent(e.voice(), v -> new HashMap<>());
    e.signs().slurStops().forEach(here::remove);
    for (int number : e.signs().slurStarts()) {
      if (here.containsKey(number)) {
        close(e.voice(), here.remove(number));
      }
      here.put(number, new Open(number, at));
    }
    last.put(e.voice(), at);
  }

  private void closeLong(int bar) {
    open.forEach(
        (voice, all) ->
            List.copyOf(all.values()).stream()
                .filter(o -> bar - o.from().bar() >= LONGEST_BARS)
                .forEach(o -> close(voice, all.remove(o.number()))));
  }

  private void closeAll(String voice) {
    Map<Integer, Open> all = open.get(voice);
    List.copyOf(all.values()).forEach(o -> close(voice, all.remove(o.number())));
  }

  private void close(String voice, Open o) {
    At end = last.get(voice);
    if (end.equals(o.from())) {
      dropped.computeIfAbsent(end, a -> new ArrayList<>()).add(o.number());
    } else {
      stops.computeIfAbsent(end, a -> new ArrayList<>()).add(o.number());
    }
    problems.add(
        Problem.atBar(
            bars.get(o.from().bar()).number(),
            Said.of("read.slur-open", bars.get(end.bar()).number()),
            Said.of("read.slur-open.do")));
  }

  private List<Bar> mended() {
    List<Bar> all = new ArrayList<>();
    for (int b = 0; b < bars.size(); b++) {
      List<Event> events = new ArrayList<>();
      for (int e = 0; e < bars.get(b).events().size(); e++) {
        events.add(mended(bars.get(b).events().get(e), new At(b, e)));
      }
      all.add(bars.get(b).withEvents(events));
    }
    return all;
  }

  private Event mended(Event e, At at) {
    List<Integer> more = stops.getOrDefault(at, List.of());
    List<Integer> less = dropped.getOrDefault(at, List.of());
    if (more.isEmpty() && less.isEmpty()) {
      return e;
    }
    Signs s = e.signs();
    List<Integer> starts = new ArrayList<>(s.slurStarts());
    starts.removeAll(less);
    List<Integer> ends = new ArrayList<>(s.slurStops());
    ends.addAll(more);
    return e.withSigns(s.withSlurs(starts, ends));
  }
}
