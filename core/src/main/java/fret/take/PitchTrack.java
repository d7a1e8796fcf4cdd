package fret.take;

import java.util.Arrays;

/**
 * Pitch of one note frame by frame, in cents from where it is expected; NaN where none is heard.
 *
 * @param weights how much each frame counts: less where something else sounds with it
 * @param first frame that counts for its mean, {@code last} the one after the last
 */
record PitchTrack(double[] cents, double[] weights, int first, int last) {
  /** From one look at the pitch to the next. */
  static final double FRAME_S = 0.01;

  /** The shortest other note that is told. */
  static final double SHORTEST_OTHER_S = 0.045;

  private static final double NEAR_CENTS = 60;
  private static final double OCTAVE_CENTS = 1200;
  private static final double TWELFTH_CENTS = 1902;
  private static final double OTHER_CENTS = 75;
  private static final double LONG_S = 0.4;

  /** A third of it is one wave of a slow vibrato: of less it would be the wave that is told. */
  private static final double DRIFTS_S = 0.6;

  /**
   * Below this mean weight of its frames a note is not alone: nine in ten notes of the simulated
   * player, who leaves no ring, have 1.
   */
  private static final double BLURRED = 0.95;

  private static final double MAIN_SHARE = 0.25;

  /** Whether something else sounds with it in most of its frames. */
  boolean isBlurred() {
    double sum = 0;
    int heard = 0;
    for (int f = Math.max(0, first); f < last; f++) {
      if (!Double.isNaN(cents[f])) {
        sum += weights[f];
        heard++;
      }
    }
    return heard > 0 && sum / heard < BLURRED;
  }

  /** The note with what its pitch tells. */
  HeardNote onto(HeardNote n) {
    double middle = median(first, last);
    if (Double.isNaN(middle)) {
      return n.with(HeardPitch.NONE, 0);
    }
    boolean isOther = Math.abs(middle) > OTHER_CENTS;
    double glide = glideMs(middle);
    if (isOther) {
      int semitones = (int) Math.round(middle / 100);
      return n.with(new HeardPitch(Double.NaN, 0, 0, 0, glide, semitones), 0);
    }
    double added = longestOther(middle);
    return n.with(told(middle, glide), added >= SHORTEST_OTHER_S ? added * 1000 : 0);
  }

  /** The note with the pitch of what lies near it, where that is a good part of it. */
  HeardNote ofMain(HeardNote n) {
    double[] near = new double[cents.length];
    int count = 0;
    for (int f = 0; f < cents.length; f++) {
      near[f] = Math.abs(cents[f]) <= NEAR_CENTS ? cents[f] : Double.NaN;
      count += f >= first && f < last && !Double.isNaN(near[f]) ? 1 : 0;
    }
    if (count < MAIN_SHARE * (last - first)) {
      return n;
    }
    PitchTrack main = new PitchTrack(near, weights, first, last);
    HeardPitch pitch = main.told(main.median(first, last), 0);
    // The swing of a trill is no vibrato.
    return n.with(new HeardPitch(pitch.cents(), pitch.driftCents(), 0, 0, 0, 0), 0);
  }

  private HeardPitch told(double middle, double glide) {
    double mean = mean(first, last, middle);
    if ((last - first) * FRAME_S < LONG_S) {
      return new HeardPitch(mean, 0, 0, 0, glide, 0);
    }
    int third = (last - first) / 3;
    double drift =
        (last - first) * FRAME_S < DRIFTS_S
            ? 0
            : mean(last - third, last, middle) - mean(first, first + third, middle);
    double[] vibrato = vibrato(middle);
    return new HeardPitch(mean, drift, vibrato[0], vibrato[1], glide, 0);
  }

  private double median(int from, int to) {
    double[] heard =
        Arrays.stream(cents, Math.max(0, from), Math.max(0, Math.max(from, to)))
            .filter(c -> !Double.isNaN(c))
            .sorted()
            .toArray();
    return heard.length == 0 ? Double.NaN : heard[heard.length / 2];
  }

  private double mean(int from, int to, double middle) {
    double sum = 0;
    double count = 0;
    for (int f = Math.max(0, from); f < to; f++) {
      if (Math.abs(cents[f] - middle) <= NEAR_CENTS) {
        sum += weights[f] * cents[f];
        count += weights[f];
      }
    }
    return count <= 0 ? middle : sum / count;
  }

  /** Rate and width of the wave, from its crossings of the middle. */
  private double[] vibrato(double middle) {
    int crossings = 0;
    int firstAt = -1;
    int lastAt = -1;
    double square = 0;
    int count = 0;
    for (int f = first + 6; f < last; f++) {
      if (Math.abs(cents[f] - middle) > NEAR_CENTS || Double.isNaN(cents[f - 1])) {
        continue;
      }
      square += (cents[f] - middle) * (cents[f] - middle);
      count++;
      if ((cents[f] - middle) * (cents[f - 1] - middle) < 0) {
        crossings++;
        firstAt = firstAt < 0 ? f : firstAt;
        lastAt = f;
      }
    }
    if (count == 0 || crossings < 4) {
      return new double[2];
    }
    double rate = (crossings - 1) / 2.0 / ((lastAt - firstAt) * FRAME_S);
    double width = Math.sqrt(2 * square / count);
    boolean waves = rate >= 3 && rate <= 9 && width >= 4;
    return waves ? new double[] {rate, width} : new double[2];
  }

  /** A low note that dies away is heard as its second or third partial, and is none other. */
  private static boolean isOther(double cents) {
    return Math.abs(cents) > NEAR_CENTS
        && Math.abs(cents - OCTAVE_CENTS) > NEAR_CENTS
        && Math.abs(cents - TWELFTH_CENTS) > NEAR_CENTS;
  }

  /** Seconds of the longest steady stretch that is another note, its own edges left aside. */
  private double longestOther(double middle) {
    int longest = 0;
    int from = first;
    while (from < cents.length) {
      int to = from;
      while (to < cents.length
          && isOther(cents[to] - middle)
          && Math.abs(cents[to] - cents[from]) < NEAR_CENTS / 2) {
        to++;
      }
      longest = Math.max(longest, to - from);
      from = Math.max(to, from + 1);
    }
    return longest * FRAME_S;
  }

  /** How long the way to the note is, in ms. */
  private double glideMs(double middle) {
    int f = 0;
    while (f < cents.length
        && Math.abs(cents[f] - middle) > 25
        && Math.abs(cents[f] - middle) < 1300) {
      f++;
    }
    return f >= cents.length ? 0 : f * FRAME_S * 1000;
  }
}
