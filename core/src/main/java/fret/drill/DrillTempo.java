package fret.drill;

import fret.score.Bar;
import fret.score.Direction;
import fret.score.Metronome;
import fret.score.Score;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.List;

/** Writes over a drill the tempo at which it is played. */
public final class DrillTempo {
  private DrillTempo() {}

  /**
   * A drill at a share of the tempos of the page.
   *
   * @param start its own tempo at its beginning
   * @param share by which printed tempos within it are faster or slower
   */
  public static Score at(Score part, Tempo start, double share) {
    List<Bar> bars = new ArrayList<>();
    for (Bar bar : part.bars()) {
      boolean first = bars.isEmpty();
      List<Direction> all = new ArrayList<>();
      if (first) {
        all.add(mark(start, bar));
      }
      for (Direction d : bar.directions()) {
        boolean replaced =
            first && d.kind() == Direction.Kind.TEMPO && d.onset().compareTo(bar.start()) <= 0;
        if (!replaced) {
          all.add(d.kind() == Direction.Kind.TEMPO ? scaled(d, share) : d);
        }
      }
      bars.add(bar.withDirections(all));
    }
    return part.withBars(bars);
  }

  private static Direction mark(Tempo t, Bar bar) {
    return new Direction(
        bar.start(), Direction.Kind.TEMPO, Metronome.text(t), t.perMinuteOf(Beat.QUARTER));
  }

  private static Direction scaled(Direction d, double share) {
    String text =
        Metronome.of(d.text())
            .flatMap(Metronome::tempo)
            .map(t -> Metronome.text(t.at(t.perMinute() * share)))
            .orElse(d.text());
    return new Direction(d.onset(), d.kind(), text, d.number() * share);
  }
}
