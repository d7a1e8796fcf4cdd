package fret.fingering;

import fret.score.Bar;
import fret.score.Event;
import fret.score.ResolvedPassage;
import fret.score.Signs;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Stretches of one character: two bars or more in a row under one dynamic, with the same slurs and
 * articulations at the same places. In them the colour of the string is heard however short the
 * notes are (common practice, no source).
 */
final class Themes {
  private static final int FEWEST_BARS = 2;

  /** What a moment looks like in its bar. */
  private record Look(Fraction place, boolean slurred, Set<Signs.Articulation> articulations) {}

  private Themes() {}

  /** By moment, whether it stands in such a stretch. */
  static boolean[] of(ResolvedPassage passage) {
    List<Bar> bars = passage.score().bars();
    int first = bars.get(0).index();
    List<List<Look>> looks = new ArrayList<>();
    bars.forEach(b -> looks.add(new ArrayList<>()));
    int[] barOf = new int[passage.slices().size()];
    for (Slice s : passage.slices()) {
      int bar = passage.notes().get(s.starting().get(0)).key().barIndex() - first;
      barOf[s.index()] = bar;
      looks.get(bar).add(look(bars.get(bar), s));
    }
    boolean[] inTheme = new boolean[bars.size()];
    int from = 0;
    for (int i = 1; i <= bars.size(); i++) {
      boolean goesOn =
          i < bars.size()
              && !looks.get(i).isEmpty()
              && looks.get(i).equals(looks.get(from))
              && !changes(bars.get(i), true)
              && !changes(bars.get(i - 1), false);
      if (!goesOn) {
        for (int k = from; i - from >= FEWEST_BARS && k < i; k++) {
          inTheme[k] = true;
        }
        from = i;
      }
    }
    boolean[] moments = new boolean[passage.slices().size()];
    for (int i = 0; i < moments.length; i++) {
      moments[i] = inTheme[barOf[i]];
    }
    return moments;
  }

  private static Look look(Bar bar, Slice s) {
    Set<Signs.Articulation> signs =
        bar.events().stream()
            .filter(e -> e.onset().equals(s.onset()) && !e.isGrace())
            .findFirst()
            .map(Event::signs)
            .map(Signs::articulations)
            .orElse(Set.of());
    // A slur from the bar before does not make another pattern.
    boolean slurred = s.slurredInto() && s.onset().compareTo(bar.start()) > 0;
    return new Look(s.onset().subtract(bar.start()), slurred, signs);
  }

  /**
   * Whether the loudness changes in a bar.
   *
   * @param atStart whether what stands on its first note counts too
   */
  private static boolean changes(Bar bar, boolean atStart) {
    return bar.directions().stream()
        .filter(d -> atStart || d.onset().compareTo(bar.start()) > 0)
        .anyMatch(
            d ->
                switch (d.kind()) {
                  case DYNAMIC, CRESCENDO, DIMINUENDO -> true;
                  default -> false;
                });
  }
}
