package fret.bowing;

import fret.score.ResolvedPassage;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Bars that come back, with the same steps in the same rhythm under the same slurs, and how alike
 * they are bowed; of bars that do not come back, their halves.
 */
final class AlikeBows {
  private final ResolvedPassage passage;
  private final List<BowMoment> moments;

  /** Fewer notes are no figure of half a bar. */
  private static final int FEWEST_IN_HALF = 3;

  private static final double HALF = 0.5;

  /** Stretches alike, two or more: first moment and last one of each. */
  private final List<List<int[]>> figures = new ArrayList<>();

  AlikeBows(BowTask task, List<BowMoment> moments) {
    this.passage = task.passage();
    this.moments = moments;
    List<int[]> bars = new ArrayList<>();
    int from = 0;
    for (int m = 1; m <= moments.size(); m++) {
      if (m == moments.size() || barOf(m) != barOf(from)) {
        if (m - from > 1) {
          bars.add(new int[] {from, m - 1});
        }
        from = m;
      }
    }
    List<int[]> alone = collect(bars);
    collect(alone.stream().flatMap(bar -> halves(bar).stream()).toList());
  }

  /** Takes in what comes more than once; gives back what does not. */
  private List<int[]> collect(List<int[]> stretches) {
    Map<String, List<int[]>> all = new LinkedHashMap<>();
    for (int[] s : stretches) {
      all.computeIfAbsent(figure(s[0], s[1]), f -> new ArrayList<>()).add(s);
    }
    List<int[]> alone = new ArrayList<>();
    for (List<int[]> like : all.values()) {
      if (like.size() > 1) {
        figures.add(like);
      } else {
        alone.addAll(like);
      }
    }
    return alone;
  }

  /** The halves of a bar that has a second strong beat, where each is long enough. */
  private List<int[]> halves(int[] bar) {
    List<int[]> all = new ArrayList<>();
    for (int m = bar[0] + 1; m <= bar[1]; m++) {
      if (moments.get(m).beat() == BowMoment.Beat.HALF) {
        all.add(new int[] {bar[0], m - 1});
        all.add(new int[] {m, bar[1]});
      }
    }
    return all.stream().filter(h -> h[1] - h[0] + 1 >= FEWEST_IN_HALF).toList();
  }

  private double barsOf(int[] stretch) {
    boolean begins = stretch[0] == 0 || barOf(stretch[0] - 1) != barOf(stretch[0]);
    boolean ends = stretch[1] + 1 == moments.size() || barOf(stretch[1] + 1) != barOf(stretch[1]);
    return begins && ends ? 1 : HALF;
  }

  private int barOf(int moment) {
    return passage.notes().get(passage.slices().get(moment).starting().get(0)).key().barIndex();
  }

  /** Steps from the first note, lengths, slurs and marks, as one text. */
  private String figure(int from, int to) {
    StringBuilder text = new StringBuilder();
    int first = midi(from);
    for (int m = from; m <= to; m++) {
      BowMoment at = moments.get(m);
      text.append(midi(m) - first)
          .append(at.slice().slurredInto() ? '_' : ' ')
          .append(at.slice().duration())
          .append(at.beat().ordinal())
          .append(at.isGrace() ? 'g' : at.isBowed() ? 'b' : 'p')
          .append(at.articulations().stream().sorted().toList())
          .append(';');
    }
    return text.toString();
  }

  private int midi(int moment) {
    return passage.notes().get(passage.slices().get(moment).starting().get(0)).pitch().midi();
  }

  private static String way(Bowing b, int[] bar) {
    StringBuilder text = new StringBuilder();
    for (int m = bar[0]; m <= bar[1]; m++) {
      int at = m;
      text.append(
          b.strokeAt(m)
              .map(s -> (s.fromMoment() == at ? "|" : "") + (s.down() ? 'n' : 'v'))
              .orElse("."));
    }
    return text.toString();
  }

  /**
   * The first moments of the stretches that are bowed otherwise than most of their like, with how
   * many bars each is, 1 or a half.
   */
  Map<Integer, Double> otherwise(Bowing b) {
    Map<Integer, Double> all = new LinkedHashMap<>();
    for (List<int[]> like : figures) {
      String most = most(b, like);
      like.stream()
          .filter(s -> !way(b, s).equals(most))
          .forEach(s -> all.merge(s[0], barsOf(s), Double::sum));
    }
    return all;
  }

  private static String most(Bowing b, List<int[]> bars) {
    Map<String, Integer> counts = new LinkedHashMap<>();
    bars.forEach(bar -> counts.merge(way(b, bar), 1, Integer::sum));
    return counts.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .map(Map.Entry::getKey)
        .orElseThrow();
  }

  private boolean isMarked(int[] bar) {
    return moments.subList(bar[0], bar[1] + 1).stream()
        .anyMatch(m -> m.printed() != Signs.Bow.NONE);
  }

  /**
   * What holds all bars of a figure to the way of the one that carries a bow mark, else to that in
   * which most of them, or the first of equals, are bowed.
   *
   * @param otherwise first moment of a bar of the figure
   */
  Map<Integer, Adopted> held(Bowing b, int otherwise) {
    Map<Integer, Adopted> all = new HashMap<>();
    for (List<int[]> bars : figures) {
      if (bars.stream().anyMatch(bar -> bar[0] == otherwise)) {
        String most = most(b, bars);
        int[] usual = bars.stream().filter(bar -> way(b, bar).equals(most)).findFirst().get();
        int[] model = bars.stream().filter(this::isMarked).findFirst().orElse(usual);
        bars.forEach(bar -> hold(b, model, bar, all));
      }
    }
    return all;
  }

  /**
   * What begins every return of a figure with the other stroke than the place before it; places
   * that carry a mark, or that a stroke runs into, stay as they are.
   *
   * @param decided moments whose direction the player decided
   */
  Map<Integer, Adopted> turned(Bowing b, Set<Integer> decided) {
    Map<Integer, Adopted> all = new HashMap<>();
    for (List<int[]> bars : figures) {
      Optional<Boolean> before = Optional.empty();
      for (int[] bar : bars) {
        Optional<Stroke> first = b.strokeAt(bar[0]).filter(s -> s.fromMoment() == bar[0]);
        if (first.isEmpty()) {
          continue;
        }
        boolean free = !isMarked(bar) && !decided.contains(bar[0]);
        boolean down = free ? !before.orElse(!first.get().down()) : first.get().down();
        if (free) {
          all.put(bar[0], new Adopted(down ? Signs.Bow.DOWN : Signs.Bow.UP, Optional.empty()));
        }
        before = Optional.of(down);
      }
    }
    return all;
  }

  private void hold(Bowing b, int[] model, int[] bar, Map<Integer, Adopted> into) {
    for (int i = 0; i <= model[1] - model[0]; i++) {
      int from = model[0] + i;
      int to = bar[0] + i;
      Optional<Stroke> stroke = b.strokeAt(from);
      if (stroke.isEmpty() || moments.get(to).isGrace()) {
        continue;
      }
      boolean begins = stroke.get().fromMoment() == from;
      boolean slurred = moments.get(to).slice().slurredInto();
      Optional<BowRules.Joint> joint =
          i == 0 || begins != slurred
              ? Optional.empty()
              : Optional.of(begins ? BowRules.Joint.BREAK : BowRules.Joint.SLUR);
      Signs.Bow bow = stroke.get().down() ? Signs.Bow.DOWN : Signs.Bow.UP;
      boolean printed = moments.get(to).printed() != Signs.Bow.NONE;
      Adopted held = new Adopted(begins && !printed ? bow : Signs.Bow.NONE, joint);
      if (held.bow() != Signs.Bow.NONE || joint.isPresent()) {
        into.put(to, held);
      }
    }
  }
}
