package fret.harmony;

import java.util.List;

/**
 * Beats of a bar that are looked at together.
 *
 * @param shares of each pitch class, summed over its beats, in each of which they make 1
 * @param triads for each beat what sounds in it at least a little, as bits of pitch classes
 * @param heard pitch classes that count, as bits: a line by step goes through every note, there
 *     only those at which it stops or leaps
 * @param sevenths those that count as a seventh, which goes by step wherever it is, if it lasts
 * @param pedal a held lowest note that is the key's tonic or its fifth; -1 for none
 * @param full whether a whole chord stands in it at once
 */
record Stretch(
    List<Beat> beats,
    double[] shares,
    int[] triads,
    int heard,
    int sevenths,
    int pedal,
    boolean full,
    Key key) {
  /** A member of a chord that is hardly there is not there. */
  private static final double THERE = 0.04;

  private static final double THERE_BY_STEP = 0.06;

  /**
   * Some beats of a bar.
   *
   * @param chordal whether most beats of the part hold whole chords: then a bare one is no line
   */
  static Stretch of(List<List<Beat>> bars, int bar, int start, int end, Key key, boolean chordal) {
    List<Beat> beats = bars.get(bar).subList(start, end);
    double[] shares = new double[12];
    int[] triads = new int[beats.size()];
    int lowest = Integer.MAX_VALUE;
    boolean full = chordal || beats.stream().anyMatch(Beat::isFull);
    for (int i = 0; i < beats.size(); i++) {
      Beat b = beats.get(i);
      for (int p = 0; p < 12; p++) {
        shares[p] += b.weights()[p] / b.total();
        triads[i] |= b.weights()[p] > THERE * b.total() ? 1 << p : 0;
      }
      lowest = Math.min(lowest, b.lowest());
    }
    int heard = 0;
    int sevenths = 0;
    for (int p = 0; p < 12; p++) {
      heard |= full && shares[p] >= THERE * beats.size() ? bit(p) : 0;
      sevenths |= shares[p] >= (full ? THERE : THERE_BY_STEP) * beats.size() ? bit(p) : 0;
    }
    for (Beat b : beats) {
      heard |= full ? 0 : b.firm();
    }
    int pedal = pedal(bars, bar, start, end, lowest, key);
    return new Stretch(beats, shares, triads, heard, sevenths, pedal, full, key);
  }

  /** A lowest note that stands before or after it too, and is the tonic or its fifth. */
  private static int pedal(
      List<List<Beat>> bars, int bar, int start, int end, int lowest, Key key) {
    int name = Math.floorMod(lowest, 12);
    if (name != key.tonic() && name != Math.floorMod(key.tonic() + 7, 12)) {
      return -1;
    }
    List<Beat> here = bars.get(bar);
    boolean before = start > 0 && here.get(start - 1).lowest() == lowest;
    before |= start <= 1 && isLowest(bars, bar - 1, lowest);
    boolean after = end < here.size() && here.get(end).lowest() == lowest;
    after |= end >= here.size() - 1 && isLowest(bars, bar + 1, lowest);
    long times = here.subList(start, end).stream().filter(b -> b.lowest() == lowest).count();
    boolean held = times > 1 ? before || after : before && after;
    return held ? name : -1;
  }

  private static boolean isLowest(List<List<Beat>> bars, int bar, int lowest) {
    return bar >= 0
        && bar < bars.size()
        && bars.get(bar).stream().mapToInt(Beat::lowest).min().orElse(-1) == lowest;
  }

  int size() {
    return beats.size();
  }

  /** The share of what sounds that is more than passing. */
  double said() {
    return beats.stream().mapToDouble(Beat::said).average().orElse(0);
  }

  boolean hears(int pitchClass) {
    return (heard & bit(pitchClass)) != 0;
  }

  boolean hearsSeventh(int pitchClass) {
    return (sevenths & bit(pitchClass)) != 0;
  }

  /** Key number of its lowest note. */
  int lowest() {
    return beats.stream().mapToInt(Beat::lowest).min().orElseThrow();
  }

  /** The bit of a pitch class, from 0 up. */
  static int bit(int pitchClass) {
    return 1 << pitchClass % 12;
  }
}
