package fret.drill;

import fret.base.Fractions;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.Score;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
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

  /** Drops slur ends whose other end was cut off. */
  private static List<Bar> matchSlurs(List<Bar> bars) {
    Set<String> open = new HashSet<>();
    Set<String> matchedStarts = new HashSet<>();
    Set<String> matchedStops = new HashSet<>();
    java.util.Map<Integer, String> startOf = new java.util.HashMap<>();
    for (Bar bar : bars) {
      for (Event e : bar.events()) {
        for (int n : e.signs().slurStops()) {
          if (open.remove("" + n)) {
            matchedStarts.add(startOf.get(n));
            matchedStops.add(place(bar, e, n));
          }
        }
        for (int n : e.signs().slurStarts()) {
          open.add("" + n);
          startOf.put(n, place(bar, e, n));
        }
      }
    }
    List<Bar> clean = new ArrayList<>();
    for (Bar bar : bars) {
      List<Event> events =
          bar.events().stream()
              .map(
                  e ->
                      e.withSigns(
                          e.signs()
                              .withSlurs(
                                  e.signs().slurStarts().stream()
                                      .filter(n -> matchedStarts.contains(place(bar, e, n)))
                                      .toList(),
                                  e.signs().slurStops().stream()
                                      .filter(n -> matchedStops.contains(place(bar, e, n)))
                                      .toList())))
              .toList();
      clean.add(bar.withEvents(events));
    }
    return clean;
  }

  private static String place(Bar bar, Event e, int number) {
    return bar.index() + "/" + bar.events().indexOf(e) + "/" + number;
  }
}
