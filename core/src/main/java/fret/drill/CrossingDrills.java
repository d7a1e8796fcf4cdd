package fret.drill;

import fret.bowing.Crossing;
import fret.score.Head;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;

/** Drills of changes of string. Each says whether there is anything to make it of. */
final class CrossingDrills {
  private static final int MOST = 4;

  private final DrillSource source;
  private final List<Crossing> crossings;

  CrossingDrills(DrillSource source) {
    this.source = source;
    this.crossings =
        source.report.crossings().stream()
            .filter(c -> c.fromMoment() >= source.from && c.toMoment() <= source.to)
            .toList();
  }

  /** First alone, both together, second alone, both together. */
  boolean held() {
    boolean made = false;
    for (Crossing c : crossings.subList(0, Math.min(MOST, crossings.size()))) {
      List<Head> first = source.open(c.fromStrings());
      List<Head> second = source.open(c.toStrings());
      List<Head> both = new ArrayList<>(first);
      second.stream().filter(h -> !first.contains(h)).forEach(both::add);
      if (both.size() > 2) {
        // Of two double stops the string that both have is held; three are no crossing to hold.
        both.removeIf(h -> !first.contains(h) || !second.contains(h));
      }
      if (both.isEmpty()) {
        continue;
      }
      made = true;
      source.add(DrillSource.QUARTER, first, DrillSource.bowed(source.isDown(c.fromMoment())));
      source.add(DrillSource.QUARTER, both, Signs.PLAIN);
      source.add(DrillSource.QUARTER, second, Signs.PLAIN);
      source.add(DrillSource.QUARTER, both, Signs.PLAIN);
      fingersDown(c);
    }
    return made;
  }

  /** The two notes in turn, the fingers of both down, where no shift lies between them. */
  private void fingersDown(Crossing c) {
    if (source.bowing.moments().get(c.toMoment()).shiftInto()) {
      return;
    }
    source.say("fingers down");
    for (int i = 0; i < 4; i++) {
      int m = i % 2 == 0 ? c.fromMoment() : c.toMoment();
      Signs signs = i == 0 ? DrillSource.bowed(source.isDown(m)) : Signs.PLAIN;
      source.add(m, DrillSource.QUARTER, signs);
    }
  }

  /** There and back twice, at three places of the bow. */
  boolean places() {
    if (crossings.isEmpty()) {
      return false;
    }
    Crossing c = crossings.get(0);
    for (String place : List.of("frog", "middle of the bow", "tip")) {
      source.say(place);
      for (int i = 0; i < 4; i++) {
        List<Integer> strings = i % 2 == 0 ? c.fromStrings() : c.toStrings();
        Signs signs = i == 0 ? DrillSource.bowed(true) : Signs.PLAIN;
        source.add(DrillSource.QUARTER, source.open(strings), signs);
      }
      source.fillBar();
    }
    return true;
  }

  /** Strokes and times of the notes on one pair of strings, on every pair of neighbours. */
  boolean otherPairs() {
    List<Integer> pair = pair();
    if (pair.isEmpty()) {
      return false;
    }
    List<Integer> moments =
        source.moments().stream().filter(m -> pair.containsAll(source.strings(m))).toList();
    for (int low = source.instrument.stringCount(); low > 1; low--) {
      int by = low - pair.get(1);
      for (int m : moments) {
        List<Integer> moved = source.strings(m).stream().map(s -> s + by).toList();
        source.add(source.length(m), source.open(moved), source.signs(m, moments));
      }
      source.fillBar();
    }
    return true;
  }

  /** The strings of the first crossing of one string to its neighbour, the upper one first. */
  private List<Integer> pair() {
    for (Crossing c : crossings) {
      int from = c.fromStrings().get(0);
      int to = c.toStrings().get(0);
      boolean single = c.fromStrings().size() == 1 && c.toStrings().size() == 1;
      if (single && Math.abs(from - to) == 1) {
        return List.of(Math.min(from, to), Math.max(from, to));
      }
    }
    return List.of();
  }

  /** Before each crossing half of the note is silence: in it the finger is set. */
  boolean fingerFirst() {
    for (int m : source.moments()) {
      boolean crosses = crossings.stream().anyMatch(c -> c.fromMoment() == m);
      Fraction length = source.length(m);
      if (crosses) {
        Fraction half = length.multiply(DrillSource.HALF);
        source.add(m, half, DrillSource.bowed(source.isDown(m)));
        source.rest(length.subtract(half));
      } else {
        source.add(m, length, DrillSource.bowed(source.isDown(m)));
      }
    }
    return !crossings.isEmpty();
  }

  /** Each voice alone with silence for the other, then both. */
  boolean voices() {
    int highest = Integer.MAX_VALUE;
    int lowest = 0;
    for (int m : source.moments()) {
      for (int string : source.strings(m)) {
        highest = Math.min(highest, string);
        lowest = Math.max(lowest, string);
      }
    }
    if (highest >= lowest) {
      return false;
    }
    double split = (highest + lowest) / 2.0;
    voice(split, true);
    voice(split, false);
    source.moments().forEach(source::asWritten);
    return true;
  }

  private void voice(double split, boolean lower) {
    for (int m : source.moments()) {
      List<Head> heads = source.heads(m);
      List<Integer> strings = source.strings(m);
      boolean both = strings.size() > 1 && heads.size() > 1;
      boolean mine = both || lower == strings.get(strings.size() - 1) > split;
      List<Head> kept = both ? List.of(heads.get(lower ? 0 : heads.size() - 1)) : heads;
      if (mine) {
        source.add(source.length(m), kept, Signs.PLAIN);
      } else {
        source.rest(source.length(m));
      }
    }
    source.fillBar();
  }
}
