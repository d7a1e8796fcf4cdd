package fret.app.device;

import fret.sound.ClickTrack;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.DataLine;
import javax.sound.sampled.SourceDataLine;

/** Samples as sound cards take them: 16 bits, one channel, the low byte first. */
final class Pcm {
  static final AudioFormat FORMAT = new AudioFormat(ClickTrack.SAMPLE_RATE, 16, 1, true, false);

  private static final DataLine.Info OUTPUT = new DataLine.Info(SourceDataLine.class, FORMAT);

  private Pcm() {}

  /** Whether this computer has something to sound with. */
  static boolean hasOutput() {
    return AudioSystem.isLineSupported(OUTPUT);
  }

  /**
   * Turns samples into bytes.
   *
   * @param samples -1 to 1; what lies outside is cut off
   */
  static byte[] bytes(float[] samples) {
    byte[] bytes = new byte[samples.length * 2];
    for (int i = 0; i < samples.length; i++) {
      int value = Math.round(Math.max(-1, Math.min(1, samples[i])) * Short.MAX_VALUE);
      bytes[2 * i] = (byte) value;
      bytes[2 * i + 1] = (byte) (value >> 8);
    }
    return bytes;
  }

  /** Turns so many bytes into samples from -1 to 1. */
  static float[] samples(byte[] bytes, int count) {
    float[] samples = new float[count / 2];
    for (int i = 0; i < samples.length; i++) {
      int value = bytes[2 * i + 1] << 8 | bytes[2 * i] & 0xFF;
      samples[i] = value / 32_768f;
    }
    return samples;
  }
}
