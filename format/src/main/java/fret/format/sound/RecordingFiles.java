package fret.format.sound;

import static java.nio.charset.StandardCharsets.US_ASCII;

import fret.base.Said;
import fret.base.UnusableInput;
import fret.take.Recording;
import fret.take.Resampler;
import fret.take.SoundFiles;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Arrays;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.UnsupportedAudioFileException;

/**
 * Reads recordings, writes them as WAV. WAV of 8, 16, 24 or 32 bits or floating point, FLAC, Ogg
 * Vorbis, MP3 and AAC (M4A) are taken, with up to 8 channels, which are mixed to one, and any rate
 * from 8000 to 192000.
 */
public final class RecordingFiles implements SoundFiles {
  private static final int MOST_CHANNELS = 8;
  private static final int CHUNK_FRAMES = 16_384;
  private static final int KEPT_RATE = 44_100;
  private static final double SHORTEST_S = 0.3;
  private static final double SILENT = 1e-4;

  /**
   * A recording for measuring.
   *
   * @throws UnusableInput if it cannot be read, holds next to nothing, is silent or too long
   */
  public static Recording read(Path file) throws UnusableInput {
    try {
      return new RecordingFiles().read(file.toString(), Files.readAllBytes(file));
    } catch (NoSuchFileException e) {
      throw new UnusableInput(file.toString(), Said.of("read.no-file"), Said.of("read.no-file.do"));
    } catch (IOException e) {
      throw new UnusableInput(file.toString(), Said.of("read.closed"), Said.of("read.closed.do"));
    }
  }

  @Override
  public Recording read(String name, byte[] file) throws UnusableInput {
    Recording recording = new Recording(samples(name, file, Recording.RATE));
    if (recording.seconds() < SHORTEST_S) {
      throw new UnusableInput(name, Said.of("read.wav-empty"), Said.of("read.wav-empty.do"));
    }
    if (recording.peak() < SILENT) {
      throw new UnusableInput(name, Said.of("read.wav-silent"), Said.of("read.wav-silent.do"));
    }
    return recording;
  }

  @Override
  public float[] samples(String name, byte[] file, int rate) throws UnusableInput {
    try {
      Packing.Plain plain = Packing.of(file).open(file);
      AudioFormat format = plain.format();
      refuseKind(name, format);
      refuseLong(name, plain.frames() / format.getSampleRate());
      float[] mixed = mixed(plain.in(), format);
      refuseLong(name, mixed.length / format.getSampleRate());
      return Resampler.resampled(mixed, Math.round(format.getSampleRate()), rate);
    } catch (UnsupportedAudioFileException e) {
      throw new UnusableInput(name, Said.of("read.no-wav"), Said.of("read.no-wav.do"));
    } catch (IOException | RuntimeException e) {
      // Readers of packed sound end in any way where the file is broken.
      throw new UnusableInput(name, Said.of("read.wav-cut"), Said.of("read.wav-cut.do"));
    }
  }

  private static void refuseKind(String name, AudioFormat format) throws UnusableInput {
    double rate = format.getSampleRate();
    int bits = format.getSampleSizeInBits();
    boolean known =
        rate >= 8000
            && rate <= 192_000
            && format.getChannels() >= 1
            && format.getChannels() <= MOST_CHANNELS
            && (bits == 8 || bits == 16 || bits == 24 || bits == 32 || bits == 64);
    if (!known) {
      throw new UnusableInput(
          name,
          Said.of("read.wav-kind", Math.round(rate), format.getChannels(), bits),
          Said.of("read.wav-kind.do"));
    }
  }

  private static void refuseLong(String name, double seconds) throws UnusableInput {
    if (seconds > Recording.LONGEST_S) {
      throw new UnusableInput(
          name, Said.of("read.wav-long", Said.tenths(seconds / 60)), Said.of("read.wav-long.do"));
    }
  }

  /** One channel; a little more than the longest that is taken, where there is more. */
  private static float[] mixed(InputStream in, AudioFormat format) throws IOException {
    int frame = format.getFrameSize();
    int channels = format.getChannels();
    int bytes = frame / channels;
    int most = (int) Math.ceil(Recording.LONGEST_S * format.getSampleRate()) + CHUNK_FRAMES;
    float[] samples = new float[CHUNK_FRAMES];
    byte[] chunk = new byte[CHUNK_FRAMES * frame];
    int at = 0;
    int read;
    while (at < most && (read = in.readNBytes(chunk, 0, chunk.length)) > 0) {
      ByteBuffer buffer = ByteBuffer.wrap(chunk);
      buffer.order(format.isBigEndian() ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN);
      if (at + CHUNK_FRAMES > samples.length) {
        samples = Arrays.copyOf(samples, 2 * samples.length);
      }
      for (int f = 0; f < read / frame; f++) {
        double sum = 0;
        for (int c = 0; c < channels; c++) {
          sum += value(buffer, f * frame + c * bytes, bytes, format.getEncoding());
        }
        samples[at++] = (float) (sum / channels);
      }
    }
    return Arrays.copyOf(samples, at);
  }

  private static double value(ByteBuffer b, int at, int bytes, AudioFormat.Encoding encoding) {
    if (encoding.equals(AudioFormat.Encoding.PCM_FLOAT)) {
      double x = bytes == 8 ? b.getDouble(at) : b.getFloat(at);
      return Double.isFinite(x) ? Math.max(-1, Math.min(1, x)) : 0;
    }
    return switch (bytes) {
      case 1 ->
          encoding.equals(AudioFormat.Encoding.PCM_UNSIGNED)
              ? ((b.get(at) & 0xFF) - 128) / 128.0
              : b.get(at) / 128.0;
      case 2 -> b.getShort(at) / 32_768.0;
      case 3 -> three(b, at) / 8_388_608.0;
      default -> b.getInt(at) / 2_147_483_648.0;
    };
  }

  private static int three(ByteBuffer b, int at) {
    boolean big = b.order() == ByteOrder.BIG_ENDIAN;
    int high = b.get(big ? at : at + 2);
    int low = b.get(big ? at + 2 : at) & 0xFF;
    return high << 16 | (b.get(at + 1) & 0xFF) << 8 | low;
  }

  @Override
  public byte[] kept(String name, byte[] file) throws UnusableInput {
    return Packing.of(file) == Packing.NONE ? file : wav(samples(name, file, KEPT_RATE), KEPT_RATE);
  }

  @Override
  public byte[] wav(float[] samples, int rate) {
    ByteBuffer all = ByteBuffer.allocate(44 + 2 * samples.length).order(ByteOrder.LITTLE_ENDIAN);
    all.put("RIFF".getBytes(US_ASCII)).putInt(36 + 2 * samples.length);
    all.put("WAVEfmt ".getBytes(US_ASCII)).putInt(16).putShort((short) 1).putShort((short) 1);
    all.putInt(rate).putInt(2 * rate).putShort((short) 2).putShort((short) 16);
    all.put("data".getBytes(US_ASCII)).putInt(2 * samples.length);
    for (float s : samples) {
      all.putShort((short) Math.round(Math.max(-1, Math.min(1, s)) * 32_767));
    }
    return all.array();
  }
}
