package fret.drill;

import fret.base.Fractions;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import fret.score.Score;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;

/** Cuts a stretch out of a part, trimming bars, notes, ties and slurs at both ends. */
public final class ScoreCut {
  private ScoreCut() {}

  /**
   * One of some parts that are as long as each other, to the nearest bar line where there is one
   * for each.
   *
   * @param part from 1
   */
  public static Score part(Score score, int part, int of) {
    Fraction from = edge(score, part - 1, of);
    Fraction to = edge(score, part, of);
    return from.compareTo(to) < 0
        ? cut(score, from, to)
        : cut(score, exactly(score, part - 1, of), exactly(score, part, of));
  }

  private static Fraction exactly(Score score, int part, int of) {
    Fraction start = score.bars().get(0).start();
    return start.add(score.end().subtract(start).multiply(Fraction.of(part, of)));
  }

  private static Fraction edge(Score score, int part, int of) {
    double wanted = exactly(score, part, of).doubleValue();
    Fraction nearest = score.end();
    for (Bar bar : score.bars()) {
      double better = Math.abs(bar.start().doubleValue() - wanted);
      if (better < Math.abs(nearest.doubleValue() - wanted)) {
        nearest = bar.start();
      }
    }
    return nearest;
  }

  /**
   * The stretch from one onset to another.
   *
   * @param to excluded
   * @throws IllegalArgumentException if nothing lies between
   */
  public static Score cut(Score score, Fraction from, Fraction to) {
    List<Bar> bars = new ArrayList<>();
    for (Bar bar : score.bars()) {
      if (bar.end().compareTo(from) <= 0 || bar.start().compareTo(to) >= 0) {
        continue;
      }
      Fraction start = Fractions.max(bar.start(), from);
      Fraction end = Fractions.min(bar.end(), to);
      List<Event> events =
          bar.events().stream()
              .filter(e -> in(e.onset(), from, to))
              .map(e -> trimmed(e, from, to))
              .toList();
      bars.add(
          new Bar(
              bars.size(),
              bar.number(),
              start,
              end.subtract(start),
              bar.time(),
              bar.key(),
              bar.clefAt(start),
              bar.clefChanges().stream()
                  .filter(c -> c.onset().compareTo(start) > 0 && c.onset().compareTo(end) < 0)
                  .toList(),
              events,
              bar.directions().stream().filter(d -> in(d.onset(), from, to)).toList(),
              false,
              false,
              List.of(),
              bar.line()));
    }
    if (bars.isEmpty()) {
      throw new IllegalArgumentException("nothing lies between " + from + " and " + to);
    }
    Bar first = bars.get(0);
    List<Direction> all = new ArrayList<>(carried(score, from));
    all.addAll(first.directions());
    bars.set(0, first.withDirections(all));
    Bar last = bars.get(bars.size() - 1);
    List<Direction> ends = new ArrayList<>(last.directions());
    ends.addAll(closing(bars, to));
    bars.set(bars.size() - 1, last.withDirections(ends));
    return new Score(
        score.title(), score.composer(), score.partName(), score.transposition(), matchSlurs(bars));
  }

  private static boolean in(Fraction onset, Fraction from, Fraction to) {
    return onset.compareTo(from) >= 0 && onset.compareTo(to) < 0;
  }

  private static Event trimmed(Event e, Fraction from, Fraction to) {
    boolean first = e.onset().equals(from);
    boolean last = e.end().compareTo(to) >= 0;
    List<Head> heads =
        e.heads().stream()
            .map(h -> h.withTies(h.tieStart() && !last, h.tieStop() && !first))
            .toList();
    Event kept = e.withHeads(heads);
    if (e.end().compareTo(to) <= 0) {
      return kept;
    }
    Fraction length = to.subtract(e.onset());
    return fret.score.NoteValue.ofLength(length)
        .map(v -> new Event(e.voice(), e.onset(), length, v, heads, e.grace(), e.cue(), e.signs()))
        .orElse(kept);
  }

  /** Slurs that were cut go to the edge; one that has only one note there is dropped. */
  private static List<Bar> matchSlurs(List<Bar> bars) {
    Map<String, String> open = new HashMap<>();
    Map<String, String> firsts = new HashMap<>();
    Map<String, String> lasts = new HashMap<>();
    Map<String, List<Integer>> starts = new HashMap<>();
    Map<String, List<Integer>> stops = new HashMap<>();
    for (Bar bar : bars) {
      for (Event e : bar.events()) {
        if (e.isRest() || e.isGrace() && e.signs().slurStarts().isEmpty()) {
          continue;
        }
        String here = place(bar, e);
        for (int n : e.signs().slurStops()) {
          String from = open.remove(e.voice() + "/" + n);
          from = from == null ? firsts.getOrDefault(e.voice(), here) : from;
          if (!from.equals(here)) {
            add(starts, from, n);
            add(stops, here, n);
          }
        }
        e.signs().slurStarts().forEach(n -> open.put(e.voice() + "/" + n, here));
        firsts.putIfAbsent(e.voice(), here);
        lasts.put(e.voice(), here);
      }
    }
    open.forEach(
        (which, from) -> {
          String end = lasts.get(which.substring(0, which.lastIndexOf('/')));
          int n = Integer.parseInt(which.substring(which.lastIndexOf('/') + 1));
          if (!from.equals(end)) {
            add(starts, from, n);
            add(stops, end, n);
          }
        });
    List<Bar> clean = new ArrayList<>();
    for (Bar bar : bars) {
      clean.add(
          bar.withEvents(
              bar.events().stream()
                  .map(
                      e ->
                          e.withSigns(
                              e.signs()
                                  .withSlurs(
                                      starts.getOrDefault(place(bar, e), List.of()),
                                      stops.getOrDefault(place(bar, e), List.of()))))
                  .toList()));
    }
    return clean;
  }

  private static void add(Map<String, List<Integer>> into, String at, int number) {
    List<Integer> all = into.computeIfAbsent(at, x -> new ArrayList<>());
    if (!all.contains(number)) {
      all.add(number);
    }
  }

  private static String place(Bar bar, Event e) {
    return bar.index() + "/" + bar.events().indexOf(e);
  }

  /**
   * The loudness, the way of playing, the octave line and the hairpin that reach into a stretch.
   */
  private static List<Direction> carried(Score score, Fraction from) {
    Map<String, Direction> reach = new LinkedHashMap<>();
    for (Bar bar : score.bars()) {
      for (Direction d : bar.directions()) {
        boolean before = d.onset().compareTo(from) < 0;
        boolean at = d.onset().equals(from) && d.kind() == Direction.Kind.DYNAMIC;
        if (!before && !at) {
          continue;
        }
        switch (d.kind()) {
          case DYNAMIC -> {
            if (before) {
              reach.put("loud", d);
            } else {
              reach.remove("loud");
            }
          }
          case PLUCKED -> reach.put("plucked", d);
          case BOWED -> reach.remove("plucked");
          case OCTAVE_LINE -> reach.put("octave", d);
          case OCTAVE_LINE_END -> reach.remove("octave");
          case CRESCENDO, DIMINUENDO -> reach.put("hairpin", d);
          case HAIRPIN_END -> reach.remove("hairpin");
          case MODE -> reach.put("mode", d);
          default -> {}
        }
      }
    }
    return reach.values().stream()
        .map(d -> new Direction(from, d.kind(), d.text(), d.number()))
        .toList();
  }

  /** Hairpins that go on over the end of a stretch end there. */
  private static List<Direction> closing(List<Bar> bars, Fraction to) {
    boolean open = false;
    for (Bar bar : bars) {
      for (Direction d : bar.directions()) {
        boolean opens =
            d.kind() == Direction.Kind.CRESCENDO || d.kind() == Direction.Kind.DIMINUENDO;
        open = opens || open && d.kind() != Direction.Kind.HAIRPIN_END;
      }
    }
    return open ? List.of(new Direction(to, Direction.Kind.HAIRPIN_END, "", 0)) : List.of();
  }
}
