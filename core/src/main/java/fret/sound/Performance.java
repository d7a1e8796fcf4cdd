package fret.sound;

import fret.score.LoudnessLine;
import fret.score.OrnamentForm;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.score.SoundingNote;
import fret.score.WrittenOut;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.IntPredicate;
import java.util.function.IntToDoubleFunction;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * A plain performance of a passage as samples: its notes at its tempo with its dynamics, on a tone
 * with a few overtones. Needs nothing to be decided.
 *
 * @param loudness how loud it is meant to be
 * @param a4 in Hz
 * @param cents of each note from equal temperament, by its index
 * @param wanted which notes are heard, by their index; each at its own time
 * @param ornaments how each ornament is played
 */
public record Performance(
    ResolvedPassage passage,
    LoudnessLine loudness,
    TempoMap tempo,
    double a4,
    IntToDoubleFunction cents,
    IntPredicate wanted,
    Function<SoundingNote, OrnamentForm> ornaments) {
  private static final double[] OVERTONES = {1, 0.5, 0.3, 0.16, 0.08};
  private static final double ATTACK_S = 0.02;
  private static final double RELEASE_S = 0.05;
  private static final double GRACE_S = 0.09;
  private static final double TAIL_S = 0.3;
  private static final double LONGEST_S = 600;
  private static final double LOUDEST = 0.8;

  /** How loud an ornament ends beside its start (from memory). */
  private static final double ENDS_AT = 0.75;

  /** How loud other parts are beside one's own. */
  private static final float BESIDE = 0.5f;

  /** Decibels under the loudest of each level of loudness, ppp to fff (from memory). */
  private static final double[] DECIBELS = {-24, -20, -15, -12, -9, -5, 0, 0};

  /** All of it in equal temperament. */
  public Performance(ResolvedPassage passage, LoudnessLine loudness, TempoMap tempo, double a4) {
    this(passage, loudness, tempo, a4, note -> 0, note -> true, note -> OrnamentForm.USUAL);
  }

  public Performance tuned(IntToDoubleFunction other) {
    return new Performance(passage, loudness, tempo, a4, other, wanted, ornaments);
  }

  public Performance only(IntPredicate notes) {
    return new Performance(passage, loudness, tempo, a4, cents, notes, ornaments);
  }

  public Performance ornamented(Function<SoundingNote, OrnamentForm> forms) {
    return new Performance(passage, loudness, tempo, a4, cents, wanted, forms);
  }

  /** The samples of all of it, as those of a part of it. */
  public float[] samples() {
    return samples(0, passage.slices().size() - 1);
  }

  /**
   * The samples of some moments that follow each other, at {@link ClickTrack#SAMPLE_RATE}; of more
   * than ten minutes, the first ten.
   *
   * @param toSlice the last one
   */
  public float[] samples(int fromSlice, int toSlice) {
    Slice last = passage.slices().get(toSlice);
    Fraction to =
        passage.slices().stream()
            .map(Slice::onset)
            .filter(o -> o.compareTo(last.onset()) > 0)
            .findFirst()
            .orElse(last.onset().add(Fraction.ONE));
    return between(passage.slices().get(fromSlice).onset(), to);
  }

  /**
   * The same of what begins between two places.
   *
   * @param to the first one that is not heard any more
   */
  public float[] between(Fraction from, Fraction to) {
    double start = tempo.msAt(from) / 1000;
    List<SoundingNote> notes = new ArrayList<>();
    List<Double> hertz = new ArrayList<>();
    for (int i = 0; i < passage.notes().size(); i++) {
      SoundingNote n = passage.notes().get(i);
      boolean asked =
          wanted.test(i) && n.onset().compareTo(from) >= 0 && n.onset().compareTo(to) < 0;
      if (asked && tempo.msAt(n.end()) / 1000 - start <= LONGEST_S) {
        notes.add(n);
        hertz.add(n.pitch().hertz(a4) * Math.pow(2, cents.applyAsDouble(i) / 1200));
      }
    }
    double end = start;
    for (SoundingNote n : notes) {
      end = Math.max(end, tempo.msAt(n.end()) / 1000);
    }
    int rate = ClickTrack.SAMPLE_RATE;
    float[] mix = new float[(int) Math.ceil((end - start + GRACE_S + TAIL_S) * rate)];
    for (int i = 0; i < notes.size(); i++) {
      SoundingNote n = notes.get(i);
      double at = tempo.msAt(n.onset()) / 1000 - start;
      double lasts = n.isGrace() ? GRACE_S : tempo.durationMs(n.onset(), n.end()) / 1000;
      double early = n.isGrace() ? Math.min(at, GRACE_S * n.key().grace()) : 0;
      double gain = Math.pow(10, decibels(loudness.levelAt(n.onset())) / 20);
      Optional<WrittenOut> ornament = WrittenOut.of(passage, n, ornaments.apply(n), lasts);
      if (ornament.isPresent()) {
        addAll(mix, ornament.get(), n, hertz.get(i), at, lasts, gain);
      } else {
        add(mix, hertz.get(i), at - early, lasts, gain);
      }
    }
    return limited(mix);
  }

  /** An ornament note by note; it ends unaccented. */
  private static void addAll(
      float[] mix,
      WrittenOut ornament,
      SoundingNote n,
      double hertz,
      double at,
      double lasts,
      double gain) {
    for (WrittenOut.Tone t : ornament.tones()) {
      double pitch = hertz * Math.pow(2, (t.pitch().midi() - n.pitch().midi()) / 12.0);
      double softer = 1 - (1 - ENDS_AT) * t.from();
      add(mix, pitch, at + t.from() * lasts, t.lasts() * lasts, gain * softer);
    }
  }

  /**
   * Parts heard together.
   *
   * @param others heard at half the strength of the first
   */
  public static float[] together(float[] own, List<float[]> others) {
    int length = own.length;
    for (float[] o : others) {
      length = Math.max(length, o.length);
    }
    float[] mix = Arrays.copyOf(own, length);
    for (float[] o : others) {
      for (int i = 0; i < o.length; i++) {
        mix[i] += BESIDE * o[i];
      }
    }
    return limited(mix);
  }

  private static void add(float[] mix, double hertz, double at, double lasts, double gain) {
    int rate = ClickTrack.SAMPLE_RATE;
    int from = (int) Math.round(at * rate);
    int count = (int) Math.round((lasts + RELEASE_S) * rate);
    for (int k = 0; k < OVERTONES.length; k++) {
      double step = 2 * Math.PI * hertz * (k + 1) / rate;
      if (step >= Math.PI) {
        return; // Above what the rate can hold.
      }
      // A turning pointer: one multiplication a sample instead of a sine.
      double cos = Math.cos(step);
      double sin = Math.sin(step);
      double x = 1;
      double y = 0;
      double strength = 0.2 * gain * OVERTONES[k];
      for (int i = 0; i < count && from + i < mix.length; i++) {
        double t = i / (double) rate;
        double fade = Math.min(1, Math.min(t / ATTACK_S, (lasts + RELEASE_S - t) / RELEASE_S));
        mix[from + i] += (float) (strength * fade * y);
        double turned = x * cos - y * sin;
        y = x * sin + y * cos;
        x = turned;
      }
    }
  }

  private static float[] limited(float[] mix) {
    float most = 0;
    for (float s : mix) {
      most = Math.max(most, Math.abs(s));
    }
    float by = most > LOUDEST ? (float) (LOUDEST / most) : 1;
    for (int i = 0; i < mix.length; i++) {
      mix[i] *= by;
    }
    return mix;
  }

  /** Even between the levels. */
  private static double decibels(double level) {
    int below = (int) Math.min(DECIBELS.length - 2, Math.floor(level));
    return DECIBELS[below] + (level - below) * (DECIBELS[below + 1] - DECIBELS[below]);
  }
}
