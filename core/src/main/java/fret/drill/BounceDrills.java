package fret.drill;

import fret.score.Head;
import fret.score.Signs;
import java.util.ArrayList;
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

  /** Over the strings and back: the note on each turn comes twice. */
  boolean turns() {
    List<Integer> strings = strings();
    if (strings.size() < 2) {
      return false;
    }
    List<Integer> way = new ArrayList<>(strings);
    for (int i = strings.size() - 1; i >= 0; i--) {
      way.add(strings.get(i));
    }
    for (int time = 0; time < TIMES; time++) {
      for (int i = 0; i < way.size(); i++) {
        bounces(source.open(List.of(way.get(i))), 1, false, i % 2 == 0);
      }
    }
    return true;
  }

  /** A note on the string, four bounces, the string again. */
  boolean back() {
    List<Integer> all = source.moments(TIMES);
    for (int m : all) {
      source.add(DrillSource.QUARTER, source.heads(m), DrillSource.bowed(true));
      bounces(source.heads(m), BOUNCES, false, false);
    }
    if (!all.isEmpty()) {
      source.add(DrillSource.QUARTER, source.heads(all.get(0)), Signs.PLAIN);
    }
    return !all.isEmpty();
  }
}
