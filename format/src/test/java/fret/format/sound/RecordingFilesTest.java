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
import java.util.Random;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** WAV files made by the platform's own writer, packed files of other programs, and broken ones. */
class RecordingFilesTest {
  private static final RecordingFiles FILES = new RecordingFiles();

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
    Packing.Plain in = Packing.NONE.open(wav);
    assertThat(in.format().getSampleRate()).isEqualTo(44_100);
    assertThat(in.frames()).isEqualTo(44_100);
  }

  private static byte[] packed(String name) throws IOException {
    try (var in = RecordingFilesTest.class.getResourceAsStream("/sounds/" + name)) {
      return in.readAllBytes();
    }
  }

  /** How often a second it goes up through the middle, from 0.3 to 0.9 s. */
  private static double hertz(float[] samples, int rate) {
    int ups = 0;
    for (int i = (int) (0.3 * rate); i < 0.9 * rate; i++) {
      ups += samples[i - 1] < 0 && samples[i] >= 0 ? 1 : 0;
    }
    return ups / 0.6;
  }

  /** Files of other programs: a block of silence at an end is the packing's own. */
  @ParameterizedTest
  @ValueSource(strings = {"a.flac", "a.ogg", "a.opus", "a.mp3", "a.m4a", "a.aac"})
  void packedSoundIsReadWhateverItsName(String name) throws Exception {
    byte[] file = packed(name);
    Recording r = FILES.read("of no kind", file);
    assertThat(r.seconds()).isBetween(1.199, 1.26);
    assertThat(r.level(0.3, 0.9)).isCloseTo(0.375 / Math.sqrt(2), within(0.016));
    byte[] kept = FILES.kept(name, file);
    assertThat(Packing.of(kept)).isEqualTo(Packing.NONE);
    assertThat(hertz(FILES.samples(name, kept, 44_100), 44_100)).isCloseTo(440, within(2.0));
    assertThat(FILES.kept(name, kept)).isSameAs(kept);
  }

  /** Some can be read up to where they break, the others are refused; none goes on for ever. */
  @ParameterizedTest
  @ValueSource(strings = {"a.flac", "a.ogg", "a.opus", "a.mp3", "a.m4a", "a.aac"})
  void brokenPackingEndsWithTheReason(String name) throws Exception {
    Random random = new Random(1);
    for (int t = 0; t < 12; t++) {
      byte[] file = packed(name);
      for (int i = 0; i < 10; i++) {
        file[40 + random.nextInt(file.length - 40)] = (byte) random.nextInt(256);
      }
      byte[] cut = Arrays.copyOf(file, file.length - random.nextInt(file.length - 40));
      try {
        assertThat(FILES.read(name, cut).seconds()).isBetween(0.3, 5.0);
      } catch (UnusableInput e) {
        assertThat(e).hasMessageContaining("read.");
      }
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
    assertThatThrownBy(() -> RecordingFiles.read(dir.resolve("none.wav")))
        .isInstanceOf(UnusableInput.class)
        .hasMessageContaining("read.no-file,");
  }
}
