package fret.sound;

import fret.score.Bar;
import fret.score.Direction;
import fret.score.ResolvedPassage;
import fret.score.SoundingNote;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * A plain performance of a passage as samples: its notes at its tempo with its printed dynamics, on
 * a tone with a few overtones. Needs nothing to be decided.
 */
public final class Performance {
  private static final double[] OVERTONES = {1, 0.5, 0.3, 0.16, 0.08};
  private static final double ATTACK_S = 0.02;
  private static final double RELEASE_S = 0.05;
  private static final double GRACE_S = 0.09;
  private static final double TAIL_S = 0.3;
  private static final double LONGEST_S = 600;
  private static final double LOUDEST = 0.8;

  /** Level of each printed dynamic in decibels under the loudest (from memory). */
  private static final Map<String, Double> LEVELS =
      Map.of("ppp", -24.0, "pp", -20.0, "p", -15.0, "mp", -12.0, "mf", -9.0, "f", -5.0, "ff", 0.0);

  private static final double USUAL = -9;

  private Performance() {}

  /**
   * A level from an onset on.
   *
   * @param changing whether it goes evenly to the next one
   */
  private record Level(double onset, double db, boolean changing) {}

  /**
   * The samples of some moments that follow each other, at {@link ClickTrack#SAMPLE_RATE}; of more
   * than ten minutes, the first ten.
   *
   * @param toSlice the last one
   */
  public static float[] samples(
      ResolvedPassage passage, TempoMap tempo, double a4, int fromSlice, int toSlice) {
    double start = tempo.msAt(passage.slices().get(fromSlice).onset()) / 1000;
    List<SoundingNote> notes =
        passage.notes().stream()
            .filter(n -> n.slice() >= fromSlice && n.slice() <= toSlice)
            .filter(n -> tempo.msAt(n.end()) / 1000 - start <= LONGEST_S)
            .toList();
    double end = start;
    for (SoundingNote n : notes) {
      end = Math.max(end, tempo.msAt(n.end()) / 1000);
    }
    int rate = ClickTrack.SAMPLE_RATE;
    float[] mix = new float[(int) Math.ceil((end - start + GRACE_S + TAIL_S) * rate)];
    List<Level> levels = levels(passage);
    for (SoundingNote n : notes) {
      double at = tempo.msAt(n.onset()) / 1000 - start;
      double lasts = n.isGrace() ? GRACE_S : tempo.durationMs(n.onset(), n.end()) / 1000;
      double early = n.isGrace() ? Math.min(at, GRACE_S * n.key().grace()) : 0;
      double gain = Math.pow(10, db(levels, n.onset().doubleValue()) / 20);
      add(mix, n.pitch().hertz(a4), at - early, lasts, gain);
    }
    return limited(mix);
  }

  private static void add(float[] mix, double hertz, double at, double lasts, double gain) {
    int rate = ClickTrack.SAMPLE_RATE;
    int from = (int) Math.round(at * rate);
    int count = (int) Math.round((lasts + RELEASE_S) * rate);
    for (int k = 0; k < OVERTONES.length; k++) {
      double step = 2 * Math.PI * hertz * (k + 1) / rate;
      if (step >= Math.PI) {
        return; // Above what the rate can hold.
      }
      // A turning pointer: one multiplication a sample instead of a sine.
      double cos = Math.cos(step);
      double sin = Math.sin(step);
      double x = 1;
      double y = 0;
      double strength = 0.2 * gain * OVERTONES[k];
      for (int i = 0; i < count && from + i < mix.length; i++) {
        double t = i / (double) rate;
        double fade = Math.min(1, Math.min(t / ATTACK_S, (lasts + RELEASE_S - t) / RELEASE_S));
        mix[from + i] += (float) (strength * fade * y);
        double turned = x * cos - y * sin;
        y = x * sin + y * cos;
        x = turned;
      }
    }
  }

  private static float[] limited(float[] mix) {
    float most = 0;
    for (float s : mix) {
      most = Math.max(most, Math.abs(s));
    }
    float by = most > LOUDEST ? (float) (LOUDEST / most) : 1;
    for (int i = 0; i < mix.length; i++) {
      mix[i] *= by;
    }
    return mix;
  }

  /** Printed dynamics; a hairpin goes evenly to the next one. */
  private static List<Level> levels(ResolvedPassage passage) {
    List<Level> levels = new ArrayList<>();
    double now = USUAL;
    boolean rising = false;
    double hairpin = Double.NaN;
    for (Bar bar : passage.score().bars()) {
      for (Direction d : bar.directions()) {
        double at = d.onset().doubleValue();
        switch (d.kind()) {
          case CRESCENDO, DIMINUENDO -> {
            rising = d.kind() == Direction.Kind.CRESCENDO;
            hairpin = at;
            levels.add(new Level(at, now, true));
          }
          case HAIRPIN_END -> {
            if (!Double.isNaN(hairpin)) {
              now += rising ? 4 : -4;
              levels.add(new Level(at, now, false));
              hairpin = Double.NaN;
            }
          }
          case DYNAMIC -> {
            if (LEVELS.containsKey(d.text())) {
              now = LEVELS.get(d.text());
              levels.add(new Level(at, now, false));
            }
          }
          default -> {}
        }
      }
    }
    return levels;
  }

  private static double db(List<Level> levels, double onset) {
    Level before = new Level(0, USUAL, false);
    for (Level l : levels) {
      if (l.onset() > onset) {
        double share =
            before.changing() ? (onset - before.onset()) / (l.onset() - before.onset()) : 0;
        return before.db() + share * (l.db() - before.db());
      }
      before = l;
    }
    return before.db();
  }
}
