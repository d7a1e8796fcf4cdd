package fret.app.batch;

import fret.take.Expected;
import fret.take.Expected.Moment;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;

/**
 * Takes from sampled strings by a general synthesizer. Its keys and bends are not the truth: its
 * strings speak late and lie beside their names. So every note is rendered alone first, what it
 * really does is read from that, and keys and bends are moved until it begins and sounds as
 * planned.
 */
final class SampledStrings {
  /** Where Debian's packages put them. */
  private static final Path SOUNDS = Path.of("/usr/share/sounds/sf2/FluidR3_GM.sf2");

  private static final int RATE = 44_100;
  private static final int HEADER = 44;
  private static final double SPACE_S = 1.2;
  private static final int TICKS_A_SECOND = 960;
  private static final int CHANNELS = 8;

  /**
   * A note as it sounds alone.
   *
   * @param lateS from its key to -20 dB of its peak
   * @param cents of its mean pitch from its key, the first 40 ms after that left out
   * @param level by ms after its key
   */
  private record Alone(double lateS, double cents, double[] level) {}

  /** A note of a take: when its key goes down and by how much it is bent. */
  private record Key(double atS, double lastsS, int midi, double bendCents) {}

  /** What is true of a note of a take. */
  record Truth(int moment, double onsetS, double cents, double lengthS) {}

  record Take(float[] samples, List<Truth> notes) {}

  private final Path folder;

  SampledStrings(Path folder) {
    this.folder = folder;
  }

  static boolean areThere() {
    try {
      Process p = new ProcessBuilder("fluidsynth", "--version").redirectErrorStream(true).start();
      p.getInputStream().readAllBytes();
      return p.waitFor(20, TimeUnit.SECONDS) && Files.exists(SOUNDS);
    } catch (IOException e) {
      return false;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }

  /**
   * Plays the single notes of a passage.
   *
   * @param program of the sound bank: 40 violin, 41 viola, 42 cello, 43 bass
   */
  Take play(Expected expected, int program, long seed) throws Exception {
    Random random = new Random(seed);
    List<Moment> moments = new ArrayList<>();
    List<Integer> indices = new ArrayList<>();
    for (int i = 0; i < expected.moments().size(); i++) {
      Moment m = expected.moments().get(i);
      if (!m.ornament()) {
        moments.add(m);
        indices.add(i);
      }
    }
    double start = 0.7 - moments.get(0).startMs() / 1000;
    double[] at = new double[moments.size()];
    double[] lasts = new double[moments.size()];
    for (int i = 0; i < at.length; i++) {
      at[i] = start + moments.get(i).startMs() / 1000 + 0.006 * random.nextGaussian();
    }
    for (int i = 0; i < at.length; i++) {
      lasts[i] = moments.get(i).soundsMs() / 1000;
      if (i + 1 < at.length && moments.get(i).connected()) {
        lasts[i] = at[i + 1] - at[i];
      }
    }
    List<Key> plain = new ArrayList<>();
    List<Integer> of = new ArrayList<>();
    List<Expected.Tone> tones = new ArrayList<>();
    for (int i = 0; i < at.length; i++) {
      for (Expected.Tone t : moments.get(i).starting()) {
        plain.add(new Key(0, lasts[i], t.pitch().midi(), 0));
        of.add(i);
        tones.add(t);
      }
    }
    List<Alone> first = alone(plain, program);
    List<Key> moved = new ArrayList<>();
    for (int k = 0; k < plain.size(); k++) {
      int i = of.get(k);
      double wanted = cents(tones.get(k)) + 3 * random.nextGaussian();
      double bend = wanted - first.get(k).cents();
      moved.add(new Key(at[i] - first.get(k).lateS(), lasts[i], tones.get(k).pitch().midi(), bend));
    }
    List<Alone> really = alone(moved, program);
    float[] samples = rendered(moved, program);
    List<Truth> truth = new ArrayList<>();
    int before = -1;
    for (int k = 0; k < plain.size(); k++) {
      int i = of.get(k);
      if (moments.get(i).isSingle()) {
        double onset =
            onset(moved, k, really.get(k), before, before < 0 ? null : really.get(before));
        double own = really.get(k).cents() - cents(tones.get(k));
        truth.add(new Truth(indices.get(i), onset, own, lasts[i]));
      }
      before = k;
    }
    return new Take(samples, truth);
  }

  /** First ms above -20 dB of its own peak and above what rings of the one before. */
  private static double onset(List<Key> keys, int i, Alone own, int earlier, Alone before) {
    double peak = 0;
    for (double l : own.level()) {
      peak = Math.max(peak, l);
    }
    for (int ms = 0; ms < own.level().length; ms++) {
      double at = keys.get(i).atS() + ms / 1000.0;
      double rings = 0;
      if (before != null) {
        int then = (int) Math.round((at - keys.get(earlier).atS()) * 1000);
        rings = then >= 0 && then < before.level().length ? before.level()[then] : 0;
      }
      if (own.level()[ms] >= 0.1 * peak && own.level()[ms] >= rings) {
        return at;
      }
    }
    return keys.get(i).atS();
  }

  /** Where the tuning puts a tone, from the key. */
  private static double cents(Expected.Tone t) {
    double key = 440 * Math.pow(2, (t.pitch().midi() - 69) / 12.0);
    return 1200 * Math.log(t.hertz() / key) / Math.log(2);
  }

  // ---- notes alone -----------------------------------------------------------------------------

  private List<Alone> alone(List<Key> keys, int program) throws Exception {
    List<Key> apart = new ArrayList<>();
    double at = 0.2;
    for (Key k : keys) {
      apart.add(new Key(at, k.lastsS(), k.midi(), k.bendCents()));
      at += k.lastsS() + SPACE_S;
    }
    float[] all = rendered(apart, program);
    List<Alone> found = new ArrayList<>();
    for (Key k : apart) {
      found.add(read(all, k));
    }
    return found;
  }

  private static Alone read(float[] all, Key k) {
    double hertz = 440 * Math.pow(2, (k.midi() - 69) / 12.0);
    double half = Math.max(0.003, 0.6 / hertz);
    double[] level = new double[(int) ((k.lastsS() + 0.5) * 1000)];
    double peak = 0;
    for (int ms = 0; ms < level.length; ms++) {
      level[ms] = rms(all, k.atS() + ms / 1000.0 - half, k.atS() + ms / 1000.0 + half);
      peak = Math.max(peak, level[ms]);
    }
    int late = 0;
    while (late < level.length && level[late] < 0.1 * peak) {
      late++;
    }
    double from = k.atS() + late / 1000.0 + 0.04;
    double to = Math.max(from + 0.04, k.atS() + k.lastsS());
    double cents = 1200 * Math.log(meanHertz(all, from, to, hertz) / hertz) / Math.log(2);
    return new Alone(late / 1000.0, cents, level);
  }

  private static double rms(float[] x, double from, double to) {
    double sum = 0;
    int a = Math.max(0, (int) (from * RATE));
    int b = Math.min(x.length, (int) (to * RATE));
    for (int i = a; i < b; i++) {
      sum += x[i] * (double) x[i];
    }
    return b <= a ? 0 : Math.sqrt(sum / (b - a));
  }

  /**
   * Mean frequency from how its first partials turn against fixed ones: the phase of each is taken
   * step by step, and its mean speed read from the whole turn. Nothing of it is shared with the
   * program's own way.
   */
  private static double meanHertz(float[] x, double from, double to, double hertz) {
    double step = Math.max(0.004, 1.0 / hertz);
    double window = Math.max(0.03, 4 / hertz);
    double sum = 0;
    double weights = 0;
    for (int k = 1; k <= 4; k++) {
      double f = hertz * k;
      double turned = 0;
      double last = Double.NaN;
      double strength = 0;
      double first = Double.NaN;
      double end = 0;
      for (double t = from; t <= to; t += step) {
        double re = 0;
        double im = 0;
        int n = (int) (window * RATE);
        int a = (int) (t * RATE) - n / 2;
        for (int i = 0; i < n; i++) {
          int at = a + i;
          double s = at >= 0 && at < x.length ? x[at] : 0;
          double w = 0.5 - 0.5 * Math.cos(2 * Math.PI * (i + 0.5) / n);
          double phase = 2 * Math.PI * f * at / RATE;
          re += w * s * Math.cos(phase);
          im -= w * s * Math.sin(phase);
        }
        double now = Math.atan2(im, re);
        if (!Double.isNaN(last)) {
          double by = now - last;
          by -= 2 * Math.PI * Math.round(by / (2 * Math.PI));
          turned += by;
          end = t;
        } else {
          first = t;
        }
        last = now;
        strength += Math.hypot(re, im);
      }
      if (end > first) {
        double off = turned / (2 * Math.PI) / (end - first) / k;
        sum += strength * (hertz + off);
        weights += strength;
      }
    }
    return weights <= 0 ? hertz : sum / weights;
  }

  // ---- rendering -------------------------------------------------------------------------------

  private float[] rendered(List<Key> keys, int program) throws Exception {
    Sequence sequence = new Sequence(Sequence.PPQ, TICKS_A_SECOND / 2);
    Track track = sequence.createTrack();
    for (int c = 0; c < CHANNELS; c++) {
      track.add(new MidiEvent(new ShortMessage(ShortMessage.PROGRAM_CHANGE, c, program, 0), 0));
    }
    for (int i = 0; i < keys.size(); i++) {
      Key k = keys.get(i);
      int channel = i % CHANNELS; // Each has its own bend, also while it rings.
      long on = tick(k.atS());
      int bend = (int) Math.max(0, Math.min(16_383, Math.round(8192 + k.bendCents() / 200 * 8192)));
      add(track, ShortMessage.PITCH_BEND, channel, bend & 127, bend >> 7, Math.max(0, on - 2));
      add(track, ShortMessage.NOTE_ON, channel, k.midi(), 90, on);
      add(track, ShortMessage.NOTE_OFF, channel, k.midi(), 0, tick(k.atS() + k.lastsS()));
    }
    Path midi = Files.createTempFile(folder, "take", ".mid");
    Path wav = Files.createTempFile(folder, "take", ".wav");
    MidiSystem.write(sequence, 1, midi.toFile());
    Process p =
        new ProcessBuilder(
                "fluidsynth",
                "-ni",
                "-R",
                "0",
                "-C",
                "0",
                "-g",
                "0.7",
                "-r",
                String.valueOf(RATE),
                "-F",
                wav.toString(),
                SOUNDS.toString(),
                midi.toString())
            .redirectErrorStream(true)
            .start();
    p.getInputStream().readAllBytes();
    p.waitFor();
    float[] samples = left(Files.readAllBytes(wav));
    Files.delete(midi);
    Files.delete(wav);
    return samples;
  }

  /**
   * The left channel of 16 bits: the two are samples of their own, in loops of different lengths,
   * and their sum has no one pitch.
   */
  private static float[] left(byte[] wav) {
    ByteBuffer bytes = ByteBuffer.wrap(wav).order(ByteOrder.LITTLE_ENDIAN);
    float[] samples = new float[(wav.length - HEADER) / 4];
    for (int i = 0; i < samples.length; i++) {
      samples[i] = bytes.getShort(HEADER + 4 * i) / 32_768f;
    }
    return samples;
  }

  private static long tick(double seconds) {
    return Math.max(0, Math.round(seconds * TICKS_A_SECOND));
  }

  private static void add(Track track, int command, int channel, int a, int b, long tick)
      throws InvalidMidiDataException {
    track.add(new MidiEvent(new ShortMessage(command, channel, a, b), tick));
  }
}
