package fret.app.device;

import static org.assertj.core.api.Assertions.assertThat;

import fret.sound.Click;
import fret.sound.ClickTrack;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;

class StreamClickPlayerTest {
  private static final int SECONDS = 3;

  /** A clock that goes by as fast as the samples come. */
  private static final class SimulatedClock implements StreamClickPlayer.Sink {
    private final List<Float> heard = new ArrayList<>();
    private final List<Long> beatsAtSample = new ArrayList<>();
    private final CountDownLatch full = new CountDownLatch(1);
    private final AtomicBoolean closed = new AtomicBoolean();

    @Override
    public void write(float[] samples) throws InterruptedException {
      if (heard.size() >= SECONDS * ClickTrack.SAMPLE_RATE) {
        full.countDown();
        Thread.sleep(60_000); // Until it is stopped.
      }
      for (float s : samples) {
        heard.add(s);
      }
    }

    @Override
    public void close() {
      closed.set(true);
    }
  }

  @Test
  void theStreamClicksOnTheSampleAndTellsEachBeatInTime() throws Exception {
    SimulatedClock clock = new SimulatedClock();
    StreamClickPlayer player = new StreamClickPlayer(() -> clock, "simulated");
    // 126 a minute: a beat lasts 21,000 samples exactly.
    player.start(
        track(126, 60), click -> clock.beatsAtSample.add((long) clock.heard.size()), () -> {});
    assertThat(clock.full.await(20, TimeUnit.SECONDS)).isTrue();
    player.stop();
    assertThat(onsets(clock.heard))
        .containsExactly(0, 21_000, 42_000, 63_000, 84_000, 105_000, 126_000);
    assertThat(clock.beatsAtSample).hasSize(7);
    for (int i = 0; i < 7; i++) {
      // A beat is told with the block in which it sounds.
      assertThat(clock.beatsAtSample.get(i) - 21_000L * i).isBetween(-1024L, 1024L);
    }
  }

  private static ClickTrack track(double perMinute, int clicks) {
    List<Click> all = new ArrayList<>();
    for (int i = 0; i < clicks; i++) {
      all.add(new Click(i * 60 / perMinute, Click.Strength.STRONG, 1, 0));
    }
    return new ClickTrack(all, clicks * 60 / perMinute);
  }

  /** A finite stream tells its end by itself, and not when it is stopped before. */
  @Test
  void theEndIsTold() throws Exception {
    SimulatedClock clock = new SimulatedClock();
    StreamClickPlayer player = new StreamClickPlayer(() -> clock, "simulated");
    CountDownLatch ended = new CountDownLatch(1);
    player.start(track(120, 2), click -> {}, ended::countDown);
    assertThat(ended.await(20, TimeUnit.SECONDS)).isTrue();
    assertThat(clock.heard).hasSizeBetween(44_100, 44_100 + 1024);
  }

  private static List<Integer> onsets(List<Float> heard) {
    List<Integer> found = new ArrayList<>();
    for (int i = 0; i < heard.size(); i++) {
      boolean loud = Math.abs(heard.get(i)) > 0.3;
      if (loud && (found.isEmpty() || i - found.get(found.size() - 1) > 5000)) {
        found.add(i);
      }
    }
    return found;
  }

  @Test
  void stoppingClosesTheDevice() throws Exception {
    SimulatedClock clock = new SimulatedClock();
    StreamClickPlayer player = new StreamClickPlayer(() -> clock, "simulated");
    player.start(track(60, 60), click -> {}, () -> {});
    assertThat(clock.full.await(20, TimeUnit.SECONDS)).isTrue();
    player.stop();
    long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(20);
    while (!clock.closed.get() && System.nanoTime() < end) {
      Thread.onSpinWait();
    }
    assertThat(clock.closed).isTrue();
  }

  @Test
  void withoutADeviceTheSilentOneSaysSo() {
    assertThat(StreamClickPlayer.silent().description()).contains("not heard");
  }
}
