package fret.take;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The cheapest way of a recording through the moments of a passage, by dynamic programming over
 * frames. A moment sounds, or lies in the silence behind it; the way stays, goes on, leaves one
 * moment out, or after a stop takes the passage up anywhere.
 */
final class Way {
  static final double WEIGHT = 14; // how much a frame's likeness counts against the ways
  static final double SILENT_AS_SOUND = 0.22;
  static final double SILENT_AS_GAP = 0.62;
  static final double OTHER_AS_GAP = 0.30;
  static final double ON = 0.5;
  static final double TO_GAP = 4;
  static final double TO_REST = 0.5;
  static final double LEAVE_OUT = 14;
  static final double TAKE_UP = 38;
  static final double TAKE_UP_BAR = 26;
  static final int SILENT_FRAMES = 8;

  // How a state was reached; three bits for sounding, one for the gap behind it.
  private static final int STAYED = 0;
  private static final int FROM_BEFORE = 1;
  private static final int FROM_GAP = 2;
  private static final int LEFT_OUT = 3;
  private static final int TAKEN_UP = 4;
  private static final int LEFT_OUT_FROM_GAP = 5;
  private static final int GAP_FROM_SOUND = 8;

  private final int[] soundOf;
  private final boolean[] connected;
  private final boolean[] startsBar;
  private final double[] sound;
  private final double[] gap;
  private final List<byte[]> back = new ArrayList<>();
  private final List<Integer> bestGap = new ArrayList<>();
  private double before; // the silence before the first note
  private int silence;
  private int stopped = SILENT_FRAMES; // above 0 shortly after a silence

  /**
   * @param soundOf which of the likenesses belongs to each moment
   * @param connected whether a moment sounds on to the next
   * @param startsBar whether it is the first of its bar
   */
  Way(int[] soundOf, boolean[] connected, boolean[] startsBar) {
    this.soundOf = soundOf;
    this.connected = connected;
    this.startsBar = startsBar;
    this.sound = new double[soundOf.length];
    this.gap = new double[soundOf.length];
    Arrays.fill(sound, Double.NEGATIVE_INFINITY);
    Arrays.fill(gap, Double.NEGATIVE_INFINITY);
  }

  /**
   * One frame more.
   *
   * @param likeness of what is heard with each sound, 0 to 1; not looked at in silence
   */
  void step(double[] likeness, boolean isSilent) {
    double asGap = WEIGHT * (isSilent ? SILENT_AS_GAP : OTHER_AS_GAP);
    int fromGap = -1;
    double topGap = before;
    for (int i = 0; i < gap.length; i++) {
      if (gap[i] > topGap) {
        topGap = gap[i];
        fromGap = i;
      }
    }
    bestGap.add(fromGap);
    silence = isSilent ? silence + 1 : 0;
    stopped = silence >= SILENT_FRAMES ? SILENT_FRAMES : Math.max(0, stopped - 1);
    byte[] codes = new byte[sound.length];
    double soundBefore2 = Double.NEGATIVE_INFINITY;
    double soundBefore = Double.NEGATIVE_INFINITY;
    double gapBefore2 = Double.NEGATIVE_INFINITY;
    double gapBefore = before;
    for (int i = 0; i < sound.length; i++) {
      double best = sound[i];
      int code = STAYED;
      if (soundBefore - ON > best) {
        best = soundBefore - ON;
        code = FROM_BEFORE;
      }
      if (gapBefore - ON > best) {
        best = gapBefore - ON;
        code = FROM_GAP;
      }
      if (soundBefore2 - LEAVE_OUT > best) {
        best = soundBefore2 - LEAVE_OUT;
        code = LEFT_OUT;
      }
      if (gapBefore2 - LEAVE_OUT > best) {
        best = gapBefore2 - LEAVE_OUT;
        code = LEFT_OUT_FROM_GAP;
      }
      // Nobody takes a passage up elsewhere without a stop.
      double up = topGap - (startsBar[i] ? TAKE_UP_BAR : TAKE_UP);
      if (stopped > 0 && up > best) {
        best = up;
        code = TAKEN_UP;
      }
      double rest = gap[i];
      double stops = sound[i] - (connected[i] ? TO_GAP : TO_REST);
      int gapCode = 0;
      if (stops > rest) {
        rest = stops;
        gapCode = GAP_FROM_SOUND;
      }
      soundBefore2 = soundBefore;
      soundBefore = sound[i];
      gapBefore2 = gapBefore;
      gapBefore = gap[i];
      sound[i] = best + WEIGHT * (isSilent ? SILENT_AS_SOUND : likeness[soundOf[i]]);
      gap[i] = rest + asGap;
      codes[i] = (byte) (code | gapCode);
    }
    before += asGap;
    back.add(codes);
  }

  /** How good the best way is so far. */
  double best() {
    double best = before;
    for (int i = 0; i < sound.length; i++) {
      best = Math.max(best, Math.max(sound[i], gap[i]));
    }
    return best;
  }

  /** By frame: 2 i for moment i, 2 i + 1 for the gap behind it, -1 before the first. */
  int[] path() {
    int state = -1;
    double best = before;
    for (int i = 0; i < sound.length; i++) {
      if (sound[i] > best) {
        best = sound[i];
        state = 2 * i;
      }
      if (gap[i] > best) {
        best = gap[i];
        state = 2 * i + 1;
      }
    }
    int[] path = new int[back.size()];
    for (int f = path.length - 1; f >= 0; f--) {
      path[f] = state;
      state = state < 0 ? state : reachedFrom(state, f);
    }
    return path;
  }

  private int reachedFrom(int state, int frame) {
    int i = state / 2;
    int code = back.get(frame)[i];
    if (state % 2 == 1) {
      return (code & GAP_FROM_SOUND) != 0 ? 2 * i : state;
    }
    int gapBehind = bestGap.get(frame);
    return switch (code & 7) {
      case FROM_BEFORE -> 2 * (i - 1);
      case FROM_GAP -> i == 0 ? -1 : 2 * (i - 1) + 1;
      case LEFT_OUT -> 2 * (i - 2);
      case LEFT_OUT_FROM_GAP -> i == 1 ? -1 : 2 * (i - 2) + 1;
      case TAKEN_UP -> gapBehind < 0 ? -1 : 2 * gapBehind + 1;
      default -> state;
    };
  }
}
