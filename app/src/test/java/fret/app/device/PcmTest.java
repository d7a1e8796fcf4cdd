package fret.app.device;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class PcmTest {
  @Test
  void samplesBecomeWordsOfTwoBytesAndNothingWrapsRound() {
    byte[] bytes = Pcm.bytes(new float[] {0, 1, -1, 0.5f, 3, -3});
    int[] words = new int[6];
    for (int i = 0; i < words.length; i++) {
      words[i] = (short) (bytes[2 * i] & 0xff | bytes[2 * i + 1] << 8);
    }
    assertThat(words).containsExactly(0, 32767, -32767, 16384, 32767, -32767);
    assertThat(Pcm.FORMAT.isBigEndian()).isFalse();
    assertThat(Pcm.FORMAT.getFrameSize()).isEqualTo(2);
  }
}
