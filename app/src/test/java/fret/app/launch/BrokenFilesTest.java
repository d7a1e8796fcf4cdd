package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.words.Sentences;
import fret.base.UnusableInput;
import fret.format.midi.MidiWriter;
import fret.score.Resolver;
import fret.score.Score;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/**
 * Files broken by a seeded mutator end in a part or in a clear message: never in another exception,
 * and never in a hang.
 */
class BrokenFilesTest {
  private static final int EACH = 700;
  private static final Duration LONGEST = Duration.ofSeconds(5);

  private static final String TUNE =
      "X:1\nT:Tune\nM:6/8\nL:1/8\nQ:3/8=72\nK:Bb clef=treble\n"
          + "|: F | B>cd (3efg {a}b2 | [Bdf]2- [Bdf] z3 | !mf!(cde) \"^dolce\"Tf3 |1 g6 :|2 =a6 |]\n";

  enum Kind {
    MUSICXML("x.musicxml"),
    MXL("x.mxl"),
    MIDI("x.mid"),
    ABC("x.abc");

    private final String file;

    Kind(String file) {
      this.file = file;
    }
  }

  private static byte[] part() throws Exception {
    try (var in = BrokenFilesTest.class.getResourceAsStream("/crowded.musicxml")) {
      return in.readAllBytes();
    }
  }

  private static byte[] whole(Kind kind) throws Exception {
    return switch (kind) {
      case MUSICXML -> part();
      case MXL -> {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
          zip.putNextEntry(new ZipEntry("part.musicxml"));
          zip.write(part());
        }
        yield out.toByteArray();
      }
      case MIDI -> {
        Score score = FretApplication.FORMATS.read("x.musicxml", part(), "").value();
        yield MidiWriter.write(
            Resolver.resolve(score), TempoMap.steady(new Tempo(Beat.QUARTER, 90)), 40);
      }
      case ABC -> TUNE.getBytes(StandardCharsets.UTF_8);
    };
  }

  @ParameterizedTest
  @EnumSource(Kind.class)
  void brokenFilesEndInAPartOrInAMessage(Kind kind) throws Exception {
    byte[] whole = whole(kind);
    Random random = new Random(41);
    int read = 0;
    int refused = 0;
    for (int i = 0; i < EACH; i++) {
      byte[] broken = mutated(whole, random, kind == Kind.MXL || kind == Kind.MIDI);
      boolean ok = Assertions.assertTimeoutPreemptively(LONGEST, () -> isRead(kind.file, broken));
      read += ok ? 1 : 0;
      refused += ok ? 0 : 1;
    }
    assertThat(read).as("some are still read").isPositive();
    assertThat(refused).as("some are refused").isPositive();
  }

  private static boolean isRead(String file, byte[] bytes) {
    try {
      var read = FretApplication.FORMATS.read(file, bytes, "");
      Resolver.resolve(read.value());
      return true;
    } catch (UnusableInput e) {
      assertThat(Sentences.of(e.problem())).contains(file);
      return false;
    }
  }

  /** Bytes flipped, stretches cut, doubled or swapped; numbers changed in texts. */
  private static byte[] mutated(byte[] whole, Random random, boolean binary) {
    byte[] b = whole.clone();
    int edits = 1 + random.nextInt(4);
    for (int i = 0; i < edits && b.length > 8; i++) {
      int at = random.nextInt(b.length);
      int length = 1 + random.nextInt(Math.min(60, b.length - at));
      switch (random.nextInt(5)) {
        case 0 -> b[at] = (byte) (binary ? random.nextInt(256) : ' ' + random.nextInt(95));
        case 1 -> b = joined(b, 0, at, at + length, b.length);
        case 2 -> b = joined(b, 0, at + length, at, b.length);
        case 3 -> {
          int to = random.nextInt(b.length);
          byte keep = b[at];
          b[at] = b[to];
          b[to] = keep;
        }
        default -> changeDigit(b, at, random);
      }
    }
    return b;
  }

  private static void changeDigit(byte[] b, int from, Random random) {
    for (int i = from; i < b.length; i++) {
      if (b[i] >= '0' && b[i] <= '9') {
        b[i] = (byte) (random.nextInt(8) == 0 ? '-' : '0' + random.nextInt(10));
        return;
      }
    }
  }

  private static byte[] joined(byte[] b, int from1, int to1, int from2, int to2) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    out.write(b, from1, to1 - from1);
    out.write(b, from2, to2 - from2);
    return out.toByteArray();
  }
}
