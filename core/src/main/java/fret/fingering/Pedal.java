package fret.fingering;

import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.util.Arrays;
import java.util.List;

/**
 * A quick swing round a pedal: every second note comes back to one pitch, and the bow rocks between
 * its string and the melody's (common practice, no source). Where an open string has that pitch, it
 * rings on only if the melody stays off it.
 *
 * @param midi the pedal's pitch; 0 outside such a swing
 * @param melody whether the note is one of those between, also in unison with the pedal
 */
record Pedal(int midi, boolean melody) {
  static final Pedal NONE = new Pedal(0, false);

  /** So often a pedal comes at least. */
  private static final int LEAST_TIMES = 4;

  /** Notes that last longer are played one by one (from memory), in s. */
  private static final double LONGEST_S = 0.25;

  /**
   * The pedals of a passage, by moment.
   *
   * @param seconds how long each moment lasts
   */
  static Pedal[] of(ResolvedPassage passage, double[] seconds) {
    List<Slice> slices = passage.slices();
    int[] pitch = new int[slices.size()];
    for (int i = 0; i < pitch.length; i++) {
      pitch[i] = seconds[i] <= LONGEST_S ? line(passage, slices.get(i)) : 0;
    }
    Pedal[] found = new Pedal[pitch.length];
    Arrays.fill(found, NONE);
    int from = 0;
    while (from < pitch.length) {
      int last = lastPedal(slices, pitch, from);
      if (last - from < 2 * (LEAST_TIMES - 1) || isOneNote(pitch, from, last)) {
        from++;
        continue;
      }
      for (int i = from; i <= last; i++) {
        found[i] = new Pedal(pitch[from], (i - from) % 2 == 1);
      }
      from = last + 1;
    }
    return found;
  }

  /** A single note that is followed at once; 0 for anything else. */
  private static int line(ResolvedPassage passage, Slice slice) {
    boolean single = slice.starting().size() == 1 && slice.held().isEmpty();
    boolean plain = single && slice.bowed() && slice.grace() == 0;
    return plain ? passage.notes().get(slice.starting().get(0)).pitch().midi() : 0;
  }

  private static int lastPedal(List<Slice> slices, int[] pitch, int from) {
    int last = from;
    while (pitch[from] > 0
        && last + 2 < pitch.length
        && pitch[last + 2] == pitch[from]
        && pitch[last + 1] > 0
        && slices.get(last).restAfter().signum() == 0
        && slices.get(last + 1).restAfter().signum() == 0) {
      last += 2;
    }
    return last;
  }

  /** A note repeated is no swing; neither is a trill between two. */
  private static boolean isOneNote(int[] pitch, int from, int last) {
    int others = 0;
    for (int i = from + 3; i < last; i += 2) {
      others += pitch[i] != pitch[i - 2] ? 1 : 0;
    }
    return others == 0;
  }
}
