package fret.format.sound;

import static java.nio.charset.StandardCharsets.ISO_8859_1;

import de.jarnbjo.ogg.BasicStream;
import de.jarnbjo.ogg.EndOfOggStreamException;
import de.jarnbjo.ogg.LogicalOggStream;
import de.jarnbjo.vorbis.VorbisStream;
import fret.take.Recording;
import io.github.jaredmdobson.concentus.OpusDecoder;
import io.github.jaredmdobson.concentus.OpusException;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.ServiceLoader;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.UnsupportedAudioFileException;
import javax.sound.sampled.spi.AudioFileReader;
import javazoom.jl.decoder.Bitstream;
import javazoom.jl.decoder.Decoder;
import javazoom.jl.decoder.Header;
import javazoom.jl.decoder.JavaLayerException;
import javazoom.jl.decoder.SampleBuffer;
import net.sourceforge.jaad.spi.javasound.AACAudioFileReader;
import net.sourceforge.jaad.spi.javasound.AACFormatConversionProvider;
import org.jflac.sound.spi.FlacAudioFileReader;
import org.jflac.sound.spi.FlacFormatConversionProvider;

/**
 * How sound is packed in a file, told by its first bytes and not by its name. Each has its own
 * reader by name: asked one after the other, as the platform does, some break what is not theirs.
 */
enum Packing {
  FLAC {
    @Override
    Plain open(byte[] file) throws IOException, UnsupportedAudioFileException {
      var packed = new FlacAudioFileReader().getAudioInputStream(new ByteArrayInputStream(file));
      AudioFormat is = packed.getFormat();
      AudioFormat to = plain(is, is.getSampleSizeInBits(), false);
      return new Plain(new FlacFormatConversionProvider().getAudioInputStream(to, packed), to, -1);
    }
  },
  VORBIS {
    @Override
    Plain open(byte[] file) throws IOException {
      VorbisStream in = new VorbisStream(ogg(file));
      var head = in.getIdentificationHeader();
      Collected all = new Collected(head.getSampleRate(), head.getChannels(), true);
      byte[] chunk = new byte[CHUNK];
      try {
        while (!all.isEnough()) {
          all.add(chunk, in.readPcm(chunk, 0, chunk.length));
        }
      } catch (EndOfOggStreamException e) {
        return all.plain(); // So it says that it is at the end.
      }
      return all.plain();
    }
  },
  OPUS {
    @Override
    Plain open(byte[] file) throws IOException {
      LogicalOggStream in = ogg(file);
      byte[] head = in.getNextOggPacket();
      int channels = head[OPUS_CHANNELS];
      in.getNextOggPacket(); // Names and comments.
      Collected all = new Collected(OPUS_RATE, channels, false);
      short[] samples = new short[OPUS_RATE / 1000 * OPUS_LONGEST_MS * channels];
      try {
        OpusDecoder decoder = new OpusDecoder(OPUS_RATE, channels);
        while (!all.isEnough()) {
          byte[] packet = in.getNextOggPacket();
          int frames =
              decoder.decode(
                  packet, 0, packet.length, samples, 0, samples.length / channels, false);
          all.add(samples, frames * channels);
        }
      } catch (EndOfOggStreamException e) {
        return all.plain();
      } catch (OpusException e) {
        throw new IOException(e);
      }
      return all.plain();
    }
  },
  MP3 {
    @Override
    Plain open(byte[] file) throws IOException, UnsupportedAudioFileException {
      Bitstream bits = new Bitstream(new ByteArrayInputStream(file));
      Decoder decoder = new Decoder();
      try {
        Header h = bits.readFrame();
        if (h == null) {
          throw new UnsupportedAudioFileException("no frame of sound");
        }
        int channels = h.mode() == Header.SINGLE_CHANNEL ? 1 : 2;
        Collected all = new Collected(h.frequency(), channels, false);
        while (h != null && !all.isEnough()) {
          SampleBuffer samples = (SampleBuffer) decoder.decodeFrame(h, bits);
          all.add(samples.getBuffer(), samples.getBufferLength());
          bits.closeFrame();
          h = bits.readFrame();
        }
        return all.plain();
      } catch (JavaLayerException e) {
        throw new IOException(e);
      }
    }
  },
  AAC {
    @Override
    Plain open(byte[] file) throws IOException, UnsupportedAudioFileException {
      var packed = new AACAudioFileReader().getAudioInputStream(new Ending(file));
      // Its order of bytes hangs on whether the frames lie in an MP4 box.
      AudioFormat to = plain(packed.getFormat(), BITS, starts(file, 4, "ftyp"));
      return new Plain(new AACFormatConversionProvider().getAudioInputStream(to, packed), to, -1);
    }
  },
  /** WAV, AIFF, AU: what the platform reads itself. */
  NONE {
    @Override
    Plain open(byte[] file) throws IOException, UnsupportedAudioFileException {
      Module platform = AudioSystem.class.getModule();
      var readers =
          ServiceLoader.load(AudioFileReader.class).stream()
              .filter(r -> r.type().getModule().equals(platform))
              .toList();
      for (var reader : readers) {
        try {
          var in = reader.get().getAudioInputStream(new ByteArrayInputStream(file));
          return new Plain(in, in.getFormat(), in.getFrameLength());
        } catch (UnsupportedAudioFileException e) {
          continue; // The next may.
        }
      }
      throw new UnsupportedAudioFileException("no reader knows it");
    }
  };

  /**
   * Samples as they are.
   *
   * @param format of them; what a reader says of its own stream leaves out bits and frames
   * @param frames how many there are; -1 where that is seen at the end only
   */
  record Plain(InputStream in, AudioFormat format, long frames) {}

  /** Samples of 16 bits, up to a little more than is taken: then it is told to be too long. */
  private static final class Collected {
    private final ByteArrayOutputStream all = new ByteArrayOutputStream();
    private final AudioFormat format;

    Collected(int rate, int channels, boolean big) {
      format = new AudioFormat(rate, BITS, channels, true, big);
    }

    boolean isEnough() {
      return all.size() / format.getFrameSize() > (Recording.LONGEST_S + 1) * format.getFrameRate();
    }

    void add(byte[] samples, int bytes) {
      all.write(samples, 0, bytes);
    }

    void add(short[] samples, int many) {
      for (int i = 0; i < many; i++) {
        all.write(samples[i]);
        all.write(samples[i] >> 8);
      }
    }

    Plain plain() {
      return new Plain(new ByteArrayInputStream(all.toByteArray()), format, -1);
    }
  }

  /** Whoever skips past the end is told: the reader of MP4 would go on for ever. */
  private static final class Ending extends ByteArrayInputStream {
    Ending(byte[] file) {
      super(file);
    }

    @Override
    public synchronized long skip(long bytes) {
      if (bytes > 0 && available() == 0) {
        throw new UncheckedIOException(new EOFException());
      }
      return super.skip(bytes);
    }
  }

  private static final int BITS = 16;
  private static final int CHUNK = 65_536;
  private static final int PAGE = 64;
  private static final int OPUS_RATE = 48_000;

  /** The longest packet there is (RFC 6716, section 2.1.4). */
  private static final int OPUS_LONGEST_MS = 120;

  /** Where the first packet says how many channels there are (RFC 7845, section 5.1). */
  private static final int OPUS_CHANNELS = 9;

  static Packing of(byte[] file) {
    if (starts(file, 0, "fLaC")) {
      return FLAC;
    }
    if (starts(file, 0, "OggS")) {
      String page = new String(Arrays.copyOf(file, PAGE), ISO_8859_1);
      return page.contains("OpusHead") ? OPUS : VORBIS;
    }
    boolean frame = file.length > 1 && (file[0] & 0xFF) == 0xFF && (file[1] & 0xE0) == 0xE0;
    boolean layered = frame && (file[1] & 0x06) != 0;
    if (starts(file, 4, "ftyp") || frame && !layered) {
      return AAC;
    }
    return layered || starts(file, 0, "ID3") ? MP3 : NONE;
  }

  private static boolean starts(byte[] file, int at, String with) {
    for (int i = 0; i < with.length(); i++) {
      if (at + i >= file.length || file[at + i] != with.charAt(i)) {
        return false;
      }
    }
    return true;
  }

  private static AudioFormat plain(AudioFormat packed, int bits, boolean big) {
    return new AudioFormat(packed.getSampleRate(), bits, packed.getChannels(), true, big);
  }

  private static LogicalOggStream ogg(byte[] file) throws IOException {
    var streams = new BasicStream(new ByteArrayInputStream(file)).getLogicalStreams();
    return (LogicalOggStream) streams.iterator().next();
  }

  /**
   * The plain samples.
   *
   * @throws IOException if it is broken
   * @throws UnsupportedAudioFileException if it is no sound
   */
  abstract Plain open(byte[] file) throws IOException, UnsupportedAudioFileException;
}
