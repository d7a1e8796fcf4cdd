package fret.take;

import java.util.Arrays;

/**
 * Pitch of one note frame by frame, in cents from where it is expected; NaN where none is heard.
 *
 * @param weights how much each frame counts: less where something else sounds with it
 * @param first frame that counts for its mean, {@code last} the one after the last
 */
record PitchTrack(double[] cents, double[] weights, int first, int last, double frameS) {
  /** The note with what its pitch tells. */
  HeardNote onto(HeardNote n, double near, double other, double shortestOther, double longS) {
    double middle = median(first, last);
    if (Double.isNaN(middle)) {
      return n;
    }
    int semitones = Math.abs(middle) > other ? (int) Math.round(middle / 100) : 0;
    double mean = mean(first, last, middle, near);
    boolean isLong = (last - first) * frameS >= longS;
    int third = (last - first) / 3;
    double drift =
        isLong
            ? mean(last - third, last, middle, near) - mean(first, first + third, middle, near)
            : 0;
    double[] vibrato = isLong ? vibrato(middle, near) : new double[2];
    double added = semitones == 0 ? longestOther(middle, near) : 0;
    return new HeardNote(
        n.moment(),
        n.onsetS(),
        n.endS(),
        semitones == 0 ? mean : Double.NaN,
        drift,
        vibrato[0],
        vibrato[1],
        n.levelDb(),
        n.attackMs(),
        glideMs(middle),
        semitones,
        added >= shortestOther ? added * 1000 : 0,
        n.confidence());
  }

  private double median(int from, int to) {
    double[] heard =
        Arrays.stream(cents, Math.max(0, from), Math.max(0, Math.max(from, to)))
            .filter(c -> !Double.isNaN(c))
            .sorted()
            .toArray();
    return heard.length == 0 ? Double.NaN : heard[heard.length / 2];
  }

  private double mean(int from, int to, double middle, double near) {
    double sum = 0;
    double count = 0;
    for (int f = Math.max(0, from); f < to; f++) {
      if (Math.abs(cents[f] - middle) <= near) {
        sum += weights[f] * cents[f];
        count += weights[f];
      }
    }
    return count <= 0 ? middle : sum / count;
  }

  /** Rate and width of the wave, from its crossings of the middle. */
  private double[] vibrato(double middle, double near) {
    int crossings = 0;
    int firstAt = -1;
    int lastAt = -1;
    double square = 0;
    int count = 0;
    for (int f = first + 6; f < last; f++) {
      if (Math.abs(cents[f] - middle) > near || Double.isNaN(cents[f - 1])) {
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
    double rate = (crossings - 1) / 2.0 / ((lastAt - firstAt) * frameS);
    double width = Math.sqrt(2 * square / count);
    boolean waves = rate >= 3 && rate <= 9 && width >= 4;
    return waves ? new double[] {rate, width} : new double[2];
  }

  /** Seconds of the longest steady stretch that is another note, its own edges left aside. */
  private double longestOther(double middle, double near) {
    int longest = 0;
    int from = first;
    while (from < cents.length) {
      int to = from;
      while (to < cents.length
          && Math.abs(cents[to] - middle) > near
          && Math.abs(cents[to] - cents[from]) < near / 2) {
        to++;
      }
      longest = Math.max(longest, to - from);
      from = Math.max(to, from + 1);
    }
    return longest * frameS;
  }

  /** How long the way to the note is, in ms. */
  private double glideMs(double middle) {
    int f = 0;
    while (f < cents.length
        && Math.abs(cents[f] - middle) > 25
        && Math.abs(cents[f] - middle) < 1300) {
      f++;
    }
    return f >= cents.length ? 0 : f * frameS * 1000;
  }
}
