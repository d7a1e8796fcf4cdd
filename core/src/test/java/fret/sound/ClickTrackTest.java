package fret.sound;

import static org.assertj.core.api.Assertions.assertThat;

import fret.tempo.Beat;
import fret.tempo.Tempo;
import org.junit.jupiter.api.Test;

class ClickTrackTest {
  private static final ClickTrack TRACK = new ClickTrack(new Tempo(Beat.QUARTER, 97), 3, 2);

  @Test
  void clicksStartAtTheirExactSampleWithoutDrift() {
    float[] all = new float[ClickTrack.SAMPLE_RATE * 20];
    TRACK.render(0, all);
    for (long n = 0; n < 60; n++) {
      int start = (int) Math.round(n * 44_100 * 60.0 / 97 / 2);
      assertThat(TRACK.clickStart(n)).isEqualTo(start);
      if (start > 0 && start < all.length) {
        assertThat(all[start - 1]).isZero();
        assertThat(Math.abs(all[start])).isGreaterThan(0.1f);
      }
    }
  }

  @Test
  void blocksJoinWithoutASeam() {
    float[] whole = new float[40_000];
    TRACK.render(0, whole);
    float[] block = new float[777];
    for (int at = 0; at + block.length < whole.length; at += block.length) {
      TRACK.render(at, block);
      assertThat(block).isEqualTo(java.util.Arrays.copyOfRange(whole, at, at + block.length));
    }
  }

  @Test
  void theBarStartIsStrongest() {
    assertThat(TRACK.strength(0)).isEqualTo(1).isEqualTo(TRACK.strength(6));
    assertThat(TRACK.strength(2)).isLessThan(1).isGreaterThan(TRACK.strength(1));
    assertThat(TRACK.beatAt(TRACK.clickStart(7))).isEqualTo(3);
  }
}
