package fret.drill;

import fret.score.Head;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.TreeSet;

/** The stages in which a bounce is built. Each says whether there is anything to make it of. */
final class BounceDrills {
  private static final int BOUNCES = 4;
  private static final int TIMES = 3;

  private final DrillSource source;

  BounceDrills(DrillSource source) {
    this.source = source;
  }

  private List<Integer> strings() {
    TreeSet<Integer> all = new TreeSet<>();
    source.moments().forEach(m -> all.addAll(source.strings(m)));
    return new ArrayList<>(all);
  }

  private void bounces(List<Head> heads, int count, boolean oneBow, boolean down) {
    for (int i = 0; i < count; i++) {
      Signs signs = DrillSource.with(Signs.PLAIN, Signs.Articulation.STACCATO);
      signs = i == 0 ? signs.withBow(DrillSource.mark(down)) : signs;
      if (oneBow) {
        signs =
            signs.withSlurs(
                i == 0 ? List.of(1) : List.of(), i == count - 1 ? List.of(1) : List.of());
      }
      source.add(DrillSource.SIXTEENTH, heads, signs);
    }
  }

  /** One drop of the bow, four bounces, and time to listen. */
  boolean drop() {
    List<Integer> strings = strings();
    for (int i = 0; !strings.isEmpty() && i < TIMES; i++) {
      bounces(source.open(strings.subList(0, 1)), BOUNCES, true, i % 2 == 0);
      source.rest(DrillSource.QUARTER);
    }
    return !strings.isEmpty();
  }

  /** Four on each string that is played. */
  boolean strings4() {
    for (int string : strings()) {
      bounces(source.open(List.of(string)), BOUNCES, false, true);
      source.rest(DrillSource.QUARTER);
    }
    return !strings().isEmpty();
  }

  /**
   * Over the strings from the lowest and back, one direction a pass: the outer ones come twice, as
   * the end of one pass and the beginning of the next.
   */
  boolean turns() {
    List<Integer> strings = strings();
    for (int time = 0; strings.size() > 1 && time < TIMES; time++) {
      thereAndBack(strings);
    }
    return strings.size() > 1;
  }

  /** Over each turn alone, so that both of its notes sound; there is one at either end. */
  boolean caught() {
    List<Integer> strings = strings();
    if (strings.size() < 2) {
      return false;
    }
    int last = strings.size() - 1;
    List<Integer> high = strings.subList(0, 2);
    List<Integer> low = strings.subList(last - 1, last + 1);
    for (List<Integer> turn : last == 1 ? List.of(high) : List.of(high, low)) {
      List<Integer> in = new ArrayList<>(turn);
      List<Integer> out = new ArrayList<>(turn);
      Collections.reverse(turn.equals(high) ? in : out);
      for (int time = 0; time < TIMES; time++) {
        pass(in, turn.equals(high));
        pass(out, !turn.equals(high));
      }
      source.fillBar();
    }
    return true;
  }

  /** Up and down as one loop, then the lowest string held: the hand lets go, it does not press. */
  boolean loop() {
    List<Integer> strings = strings();
    for (int time = 0; strings.size() > 1 && time < TIMES; time++) {
      thereAndBack(strings);
      source.say("on the string");
      int lowest = strings.get(strings.size() - 1);
      source.add(DrillSource.HALF, source.open(List.of(lowest)), DrillSource.bowed(true));
      source.fillBar();
    }
    return strings.size() > 1;
  }

  private void thereAndBack(List<Integer> strings) {
    List<Integer> up = new ArrayList<>(strings);
    Collections.reverse(up);
    pass(up, true);
    pass(strings, false);
  }

  private void pass(List<Integer> strings, boolean down) {
    for (int i = 0; i < strings.size(); i++) {
      boolean first = i == 0;
      boolean last = i == strings.size() - 1;
      Signs signs =
          DrillSource.with(Signs.PLAIN, Signs.Articulation.STACCATO)
              .withSlurs(first ? List.of(1) : List.of(), last ? List.of(1) : List.of());
      source.add(
          DrillSource.SIXTEENTH,
          source.open(List.of(strings.get(i))),
          first ? signs.withBow(DrillSource.mark(down)) : signs);
    }
  }

  /** A note on the string, four bounces, the string again. */
  boolean back() {
    List<Integer> all = source.moments(TIMES);
    for (int m : all) {
      source.add(m, DrillSource.QUARTER, DrillSource.bowed(true));
      bounces(source.heads(m), BOUNCES, false, false);
    }
    if (!all.isEmpty()) {
      source.add(all.get(0), DrillSource.QUARTER, Signs.PLAIN);
    }
    return !all.isEmpty();
  }
}
