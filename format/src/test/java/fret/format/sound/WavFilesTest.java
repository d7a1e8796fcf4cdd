package fret.format.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fret.base.UnusableInput;
import fret.take.Recording;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.util.Arrays;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** WAV files made by the platform's own writer, of every usual kind, and broken ones. */
class WavFilesTest {
  private static final WavFiles FILES = new WavFiles();

  @TempDir Path dir;

  private static double value(double seconds) {
    return 0.4 * Math.sin(2 * Math.PI * 440 * seconds);
  }

  private static byte[] file(float rate, int bits, int channels, double seconds)
      throws IOException {
    int bytes = bits / 8;
    int frames = (int) (rate * seconds);
    ByteBuffer all = ByteBuffer.allocate(frames * channels * bytes).order(ByteOrder.LITTLE_ENDIAN);
    for (int i = 0; i < frames; i++) {
      for (int c = 0; c < channels; c++) {
        double v = value(i / rate);
        switch (bits) {
          case 8 -> all.put((byte) Math.round(v * 127 + 128));
          case 16 -> all.putShort((short) Math.round(v * 32_767));
          case 24 -> {
            int x = (int) Math.round(v * 8_388_607);
            all.put((byte) x).put((byte) (x >> 8)).put((byte) (x >> 16));
          }
          default -> all.putInt((int) Math.round(v * 2_147_483_647.0));
        }
      }
    }
    AudioFormat format = new AudioFormat(rate, bits, channels, bits > 8, false);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    AudioSystem.write(
        new AudioInputStream(new ByteArrayInputStream(all.array()), format, frames),
        AudioFileFormat.Type.WAVE,
        out);
    return out.toByteArray();
  }

  @ParameterizedTest
  @CsvSource({
    "44100, 16, 1",
    "44100, 16, 2",
    "48000, 24, 2",
    "96000, 24, 1",
    "22050, 8, 1",
    "8000, 16, 1",
    "44100, 32, 2",
    "192000, 24, 2",
    "48000, 16, 6"
  })
  void everyUsualKindIsTaken(int rate, int bits, int channels) throws Exception {
    Recording r = FILES.read("a.wav", file(rate, bits, channels, 0.8));
    assertThat(r.seconds()).isCloseTo(0.8, within(0.002));
    assertThat(r.level(0.3, 0.5)).isCloseTo(0.4 / Math.sqrt(2), within(0.01));
    assertThat(r.isClipped()).isFalse();
  }

  @Test
  void whatIsWrittenIsReadAgainAndThePlatformReadsItToo() throws Exception {
    float[] samples = new float[44_100];
    for (int i = 0; i < samples.length; i++) {
      samples[i] = (float) value(i / 44_100.0);
    }
    byte[] wav = FILES.wav(samples, 44_100);
    float[] again = FILES.samples("a.wav", wav, 44_100);
    for (int i = 0; i < samples.length; i++) {
      assertThat(again[i]).isCloseTo(samples[i], within(2f / 32_768));
    }
    try (var in = AudioSystem.getAudioInputStream(new ByteArrayInputStream(wav))) {
      assertThat(in.getFormat().getSampleRate()).isEqualTo(44_100);
      assertThat(in.getFrameLength()).isEqualTo(44_100);
    }
  }

  @Test
  void whatIsTooLoudIsCutOffAndTold() throws Exception {
    float[] loud = new float[44_100];
    for (int i = 0; i < loud.length; i++) {
      loud[i] = (float) (9 * value(i / 44_100.0));
    }
    Recording r = FILES.read("loud.wav", FILES.wav(loud, 44_100));
    assertThat(r.isClipped()).isTrue();
    assertThat(r.peak()).isLessThanOrEqualTo(1.1);
  }

  private static void refused(byte[] file, String why) {
    assertThatThrownBy(() -> FILES.read("take.wav", file))
        .isInstanceOf(UnusableInput.class)
        .hasMessageContaining("take.wav")
        .hasMessageContaining(why);
  }

  @Test
  void brokenEmptySilentLongAndForeignFilesAreRefusedWithTheReason() throws Exception {
    refused(new byte[0], "read.no-wav,");
    refused("RIFF and then nothing of use".getBytes("US-ASCII"), "read.no-wav,");
    refused(file(44_100, 16, 1, 0.1), "read.wav-empty,");
    refused(FILES.wav(new float[44_100], 44_100), "read.wav-silent,");
    refused(FILES.wav(new float[8000 * 601], 8000), "read.wav-long, args=[10.0]");
    refused(file(4000, 16, 1, 1), "read.wav-kind, args=[4000,");
    byte[] cut = Arrays.copyOf(file(44_100, 16, 1, 2), 30_000);
    assertThat(FILES.read("cut.wav", cut).seconds()).isBetween(0.2, 0.5);
  }

  @Test
  void aFileThatIsNotThereIsTold() {
    assertThatThrownBy(() -> WavFiles.read(dir.resolve("none.wav")))
        .isInstanceOf(UnusableInput.class)
        .hasMessageContaining("read.no-file,");
  }
}
