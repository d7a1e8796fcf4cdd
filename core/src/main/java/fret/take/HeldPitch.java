package fret.take;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;

/** The pitch of what is being held, as it comes in; told only while it stands still. */
public final class HeldPitch {
  /**
   * A held tone.
   *
   * @param nearest expected tone
   * @param cents from it, sharp positive
   */
  public record Reading(Expected.Tone nearest, double cents) {}

  private static final double KEPT_S = 0.24;
  private static final double LOWEST_HZ = 30;
  private static final double HIGHEST_HZ = 3000;
  private static final int READINGS = 4;
  private static final double STILL_CENTS = 25;
  private static final double SILENT = 0.004;

  private final List<Expected.Tone> tones;
  private final int rate;
  private final float[] last;
  private final Deque<Double> hertz = new ArrayDeque<>();

  /**
   * @param rate of what comes in
   */
  public HeldPitch(Expected expected, int rate) {
    this(expected.moments().stream().flatMap(m -> m.starting().stream()).toList(), rate);
  }

  /**
   * @param tones that may be held, at least one
   */
  public HeldPitch(List<Expected.Tone> tones, int rate) {
    this.tones = List.copyOf(tones);
    this.rate = rate;
    this.last = new float[(int) (KEPT_S * rate)];
  }

  /** Takes a block in; empty while nothing is held. */
  public Optional<Reading> take(float[] block) {
    int keep = Math.max(0, last.length - block.length);
    System.arraycopy(last, last.length - keep, last, 0, keep);
    int from = Math.max(0, block.length - last.length);
    System.arraycopy(block, from, last, keep, Math.min(block.length, last.length));
    Recording now = Recording.of(last.clone(), rate);
    Yin.Pitch p =
        now.level(0, KEPT_S) < SILENT
            ? Yin.Pitch.NONE
            : new Yin(now).at(KEPT_S / 2, LOWEST_HZ, HIGHEST_HZ);
    if (!p.isHeard()) {
      hertz.clear();
      return Optional.empty();
    }
    hertz.addLast(p.hertz());
    if (hertz.size() > READINGS) {
      hertz.removeFirst();
    }
    return hertz.size() < READINGS ? Optional.empty() : still();
  }

  private Optional<Reading> still() {
    double sum = 0;
    double low = Double.MAX_VALUE;
    double high = 0;
    for (double h : hertz) {
      sum += TuningOffset.cents(h);
      low = Math.min(low, h);
      high = Math.max(high, h);
    }
    if (1200 * Math.log(high / low) / Math.log(2) > STILL_CENTS) {
      return Optional.empty();
    }
    return Optional.of(nearest(sum / hertz.size()));
  }

  private Reading nearest(double cents) {
    Expected.Tone best = tones.get(0);
    double least = Double.MAX_VALUE;
    for (Expected.Tone t : tones) {
      double off = cents - TuningOffset.cents(t.hertz());
      if (Math.abs(off) < Math.abs(least)) {
        least = off;
        best = t;
      }
    }
    return new Reading(best, least);
  }
}
