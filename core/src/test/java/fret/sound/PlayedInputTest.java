package fret.sound;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;

/** What is played for an input comes in whole, or as far as it was heard. */
class PlayedInputTest {
  private final List<float[]> heard = new CopyOnWriteArrayList<>();
  private final CountDownLatch ended = new CountDownLatch(1);

  private boolean listen(PlayedInput input) {
    return input.start(heard::add, ended::countDown);
  }

  private int samples() {
    return heard.stream().mapToInt(b -> b.length).sum();
  }

  @Test
  void allOfItComesInAndThenItEnds() throws Exception {
    PlayedInput input = new PlayedInput(() -> new float[5000], "played");
    assertThat(listen(input)).isTrue();
    assertThat(ended.await(10, TimeUnit.SECONDS)).isTrue();
    assertThat(samples()).isEqualTo(5000);
    assertThat(input.description()).isEqualTo("played");
  }

  @Test
  void stoppedItEndsWithWhatWasHeard() throws Exception {
    int minute = 60 * ClickTrack.SAMPLE_RATE;
    PlayedInput input = new PlayedInput(() -> new float[minute], "played");
    listen(input);
    while (heard.isEmpty()) {
      Thread.onSpinWait();
    }
    input.stop();
    assertThat(ended.await(10, TimeUnit.SECONDS)).isTrue();
    assertThat(samples()).isPositive().isLessThan(minute);
  }
}
