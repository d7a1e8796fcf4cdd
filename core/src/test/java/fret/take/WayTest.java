package fret.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;

/** The way through a passage, against trying every way there is. */
class WayTest {
  private static final int MOMENTS = 3;

  private double[][] likeness;
  private boolean[] silent;
  private boolean[] connected;
  private boolean[] startsBar;

  /** The best of all ways from a state on; states as in a path. */
  private double best(int frame, int state, int silence, int stopped) {
    if (frame == silent.length) {
      return 0;
    }
    int nowSilence = silent[frame] ? silence + 1 : 0;
    int nowStopped = nowSilence >= Way.SILENT_FRAMES ? Way.SILENT_FRAMES : Math.max(0, stopped - 1);
    double most = Double.NEGATIVE_INFINITY;
    for (int next = -1; next < 2 * MOMENTS; next++) {
      double costs = costs(state, next, nowStopped > 0);
      if (costs < Double.POSITIVE_INFINITY) {
        double all = value(frame, next) - costs + best(frame + 1, next, nowSilence, nowStopped);
        most = Math.max(most, all);
      }
    }
    return most;
  }

  private double value(int frame, int state) {
    boolean sounds = state >= 0 && state % 2 == 0;
    double as =
        sounds
            ? silent[frame] ? Way.SILENT_AS_SOUND : likeness[frame][state / 2]
            : silent[frame] ? Way.SILENT_AS_GAP : Way.OTHER_AS_GAP;
    return Way.WEIGHT * as;
  }

  /** What it costs to go from one state to another. */
  private double costs(int from, int to, boolean stopped) {
    if (from == to) {
      return 0;
    }
    if (to < 0) {
      return Double.POSITIVE_INFINITY;
    }
    int moment = to / 2;
    boolean fromGap = from < 0 || from % 2 == 1;
    int was = from < 0 ? -1 : from / 2;
    if (to % 2 == 1) {
      boolean own = from == 2 * moment;
      return own ? connected[moment] ? Way.TO_GAP : Way.TO_REST : Double.POSITIVE_INFINITY;
    }
    double best = Double.POSITIVE_INFINITY;
    if (moment == was + 1) {
      best = Way.ON;
    } else if (moment == was + 2) {
      best = Way.LEAVE_OUT;
    }
    if (fromGap && stopped) {
      best = Math.min(best, startsBar[moment] ? Way.TAKE_UP_BAR : Way.TAKE_UP);
    }
    return best;
  }

  @Property(tries = 60)
  void isTheBestOfAllWays(@ForAll @LongRange(min = 0, max = 1_000_000) long seed) {
    Random random = new Random(seed);
    int frames = 5;
    likeness = new double[frames][MOMENTS];
    silent = new boolean[frames];
    connected = new boolean[MOMENTS];
    startsBar = new boolean[MOMENTS];
    for (int f = 0; f < frames; f++) {
      silent[f] = random.nextInt(4) == 0;
      for (int i = 0; i < MOMENTS; i++) {
        // Far more extreme than sound, so that leaving out and taking up pay.
        likeness[f][i] = 8 * random.nextDouble();
      }
    }
    for (int i = 0; i < MOMENTS; i++) {
      connected[i] = random.nextBoolean();
      startsBar[i] = random.nextBoolean();
    }
    Way way = new Way(new int[] {0, 1, 2}, connected, startsBar);
    for (int f = 0; f < frames; f++) {
      way.step(likeness[f], silent[f]);
    }
    assertThat(way.best()).isCloseTo(best(0, -1, 0, Way.SILENT_FRAMES), within(1e-9));
    assertThat(worth(way.path())).isCloseTo(way.best(), within(1e-9));
  }

  /** What a path is worth. */
  private double worth(int[] path) {
    double sum = 0;
    int silence = 0;
    int stopped = Way.SILENT_FRAMES;
    int before = -1;
    for (int f = 0; f < path.length; f++) {
      silence = silent[f] ? silence + 1 : 0;
      stopped = silence >= Way.SILENT_FRAMES ? Way.SILENT_FRAMES : Math.max(0, stopped - 1);
      sum += value(f, path[f]) - costs(before, path[f], stopped > 0);
      before = path[f];
    }
    return sum;
  }

  @Test
  void afterAStopItIsTakenUpAtTheBar() {
    boolean[] touching = {true, true, false, false};
    Way way = new Way(new int[] {0, 1, 2, 3}, touching, new boolean[] {true, false, true, false});
    int[] plays = {0, 1, 2};
    int[] again = {0, 1, 2, 3};
    hear(way, plays);
    for (int f = 0; f < 30; f++) {
      way.step(new double[4], true);
    }
    hear(way, again);
    int[] path = way.path();
    assertThat(path[path.length - 1]).isEqualTo(6);
    assertThat(path).contains(5);
    assertThat(path[3 * 10 + 30]).isZero();
  }

  private static void hear(Way way, int[] moments) {
    for (int m : moments) {
      for (int f = 0; f < 10; f++) {
        double[] likeness = new double[4];
        likeness[m] = 0.8;
        way.step(likeness, false);
      }
    }
  }
}
