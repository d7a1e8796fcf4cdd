package fret.drill;

import fret.bowing.BowMoment;
import fret.bowing.Stroke;
import fret.score.Signs;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.apache.commons.numbers.fraction.Fraction;

/** Drills of the strokes themselves. Each says whether there is anything to make it of. */
final class StrokeDrills {
  private static final int SECTION = 4;
  private static final int MOST_GROUP = 4;
  private static final Fraction DOTTED_EIGHTH = Fraction.of(3, 16);

  private final DrillSource source;

  StrokeDrills(DrillSource source) {
    this.source = source;
  }

  boolean openStrings() {
    source.onItsPlace();
    source
        .moments()
        .forEach(
            m -> source.add(source.length(m), source.open(source.strings(m)), source.signs(m)));
    return !source.moments().isEmpty();
  }

  /** The strokes in their rhythm on the open string that has most of the notes. */
  boolean oneString() {
    List<Integer> all = source.moments();
    Map<Integer, Integer> count = new TreeMap<>();
    all.forEach(m -> count.merge(source.strings(m).get(0), 1, Integer::sum));
    if (count.size() < 2) {
      return false;
    }
    int most = Collections.max(count.entrySet(), Map.Entry.comparingByValue()).getKey();
    source.onItsPlace();
    all.forEach(m -> source.add(source.length(m), source.open(List.of(most)), source.signs(m)));
    return true;
  }

  /** Each stroke on its open strings, then as written. */
  boolean bareFirst() {
    int at = source.from;
    while (at <= source.to) {
      Optional<Stroke> s = source.bowing.strokeAt(at);
      int start = at;
      int end = Math.min(source.to, s.map(Stroke::toMoment).orElse(at));
      List<Integer> stroke = source.moments().stream().filter(m -> m >= start && m <= end).toList();
      stroke.forEach(
          m -> source.add(source.length(m), source.open(source.strings(m)), source.signs(m)));
      stroke.forEach(source::asWritten);
      at = end + 1;
    }
    return !source.moments().isEmpty();
  }

  /** Every note several times in its own length. */
  boolean repeated(int times) {
    List<Integer> all = source.moments();
    repeated(all, times);
    return !all.isEmpty();
  }

  private void repeated(List<Integer> moments, int times) {
    for (int i = 0; i < moments.size(); i++) {
      int m = moments.get(i);
      for (int time = 0; time < times; time++) {
        Signs signs = i == 0 && time == 0 ? DrillSource.bowed(source.isDown(m)) : Signs.PLAIN;
        source.add(m, source.length(m), signs);
      }
    }
  }

  /** Doubled in short sections with a stop, doubled as a whole, as written. */
  boolean doubledWhole() {
    List<Integer> all = source.moments();
    for (int at = 0; at < all.size(); at += SECTION) {
      repeated(all.subList(at, Math.min(all.size(), at + SECTION)), 2);
      source.fillBar();
    }
    repeated(all, 2);
    source.fillBar();
    all.forEach(source::asWritten);
    return all.size() > 1;
  }

  /** All notes once for each place in the group, with the accent there. */
  boolean accents() {
    List<Integer> all = source.moments();
    int group = group(all);
    for (int accent = 0; all.size() > 1 && accent < group; accent++) {
      for (int i = 0; i < all.size(); i++) {
        int m = all.get(i);
        Signs signs = source.signs(m);
        source.add(
            m,
            source.length(m),
            i % group == accent ? DrillSource.with(signs, Signs.Articulation.ACCENT) : signs);
      }
      source.fillBar();
    }
    return all.size() > 1;
  }

  /** Notes to the first whole beat. */
  private int group(List<Integer> moments) {
    int count = 0;
    for (int m : moments) {
      boolean head = source.bowing.moments().get(m).beat() != BowMoment.Beat.OFF;
      if (head && count > 1) {
        return Math.min(MOST_GROUP, count);
      }
      count = head ? 1 : count > 0 ? count + 1 : 0;
    }
    return MOST_GROUP;
  }

  /** Notes by pairs in a dotted rhythm, both of a pair in one direction. */
  boolean hooked() {
    List<Integer> all = source.moments();
    for (int i = 0; all.size() > 1 && i < all.size(); i++) {
      boolean down = i / 2 % 2 == 0;
      Fraction length = i % 2 == 0 ? DOTTED_EIGHTH : DrillSource.SIXTEENTH;
      source.add(all.get(i), length, DrillSource.bowed(down));
    }
    return all.size() > 1;
  }

  /** Every note as long as it is meant to sound, silence for the rest of it. */
  boolean endings() {
    for (int m : source.moments()) {
      double share = source.bowing.strokeAt(m).orElseThrow().at(m).sounds();
      Fraction sounding = source.length(m).multiply(quarters(share));
      source.add(m, sounding, source.signs(m).withSlurs(List.of(), List.of()));
      if (sounding.compareTo(source.length(m)) < 0) {
        source.rest(source.length(m).subtract(sounding));
      }
    }
    return !source.moments().isEmpty();
  }

  /** The share in quarters of the note that comes nearest, half of it at least. */
  private static Fraction quarters(double share) {
    return Fraction.of((int) Math.max(2, Math.min(4, Math.round(4 * share))), 4);
  }
}
