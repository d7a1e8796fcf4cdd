package fret.take;

import fret.take.Expected.Moment;
import fret.take.Expected.Span;
import fret.take.Expected.Tone;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/**
 * A stand-in for a player and a microphone: plays a passage as expected, not quite exactly as
 * nobody does, with the faults that are asked for. Everything is made by sums of sines and noise.
 */
public final class SimulatedPlayer {
  /** Samples a second of what it plays. */
  public static final int RATE = 44_100;

  private static final int MOST_PARTIALS = 14;
  private static final double HIGHEST_HZ = 9000;
  private static final double ATTACK_S = 0.014;
  private static final double RELEASE_20DB_S = 0.035;
  private static final double VIBRATO_FROM_S = 0.25;
  private static final double GLIDE_S = 0.05;
  private static final double REACHED_CENTS = 50;
  private static final double RESTART_PAUSE_S = 0.9;
  private static final double SHORTEST_S = 0.05;
  private static final double TENTH = 0.1; // -20 dB
  private static final double STEP_S = 0.0005;
  private static final double SETTLED_S = 0.04;
  private static final double LEVEL_DB = 4;

  /**
   * How it plays.
   *
   * @param noiseDb noise under the playing, 20 to 120
   * @param tempo times the target tempo
   * @param tunedCents of its whole tuning from the expected one
   * @param lead silence before it begins, in s
   */
  public record Style(long seed, double noiseDb, double tempo, double tunedCents, double lead) {
    public static final Style USUAL = new Style(1, 40, 1, 0, 0.8);

    public Style withSeed(long other) {
      return new Style(other, noiseDb, tempo, tunedCents, lead);
    }

    public Style withNoise(double db) {
      return new Style(seed, db, tempo, tunedCents, lead);
    }

    public Style withTempo(double times) {
      return new Style(seed, noiseDb, times, tunedCents, lead);
    }

    public Style withTuned(double cents) {
      return new Style(seed, noiseDb, tempo, cents, lead);
    }
  }

  /**
   * A note as it was really made.
   *
   * @param moment index among the expected moments
   * @param note of the written passage
   * @param onsetS first moment above -20 dB of its peak and above what rings of the one before
   * @param endS last moment above -20 dB of its peak
   * @param cents mean over its sound from where it is expected, the first 40 ms left out
   */
  public record Truth(int moment, int note, double onsetS, double endS, double cents) {}

  /**
   * @param samples at {@link #RATE}
   */
  public record Played(float[] samples, List<Truth> notes) {
    public Played {
      notes = List.copyOf(notes);
    }
  }

  /** A moment as it will be sounded. */
  private static final class Sounded {
    final int moment;
    double start;
    double end;
    double cents;
    double drift;
    double gain = 1;
    double attack = ATTACK_S;
    double glide;
    double semitones;
    boolean silent;
    boolean counts = true;

    Sounded(int moment, double start, double end) {
      this.moment = moment;
      this.start = start;
      this.end = end;
    }

    Sounded again() {
      Sounded s = new Sounded(moment, start, end);
      s.cents = cents;
      s.gain = gain;
      s.counts = false;
      return s;
    }
  }

  private final Expected expected;
  private final List<Fault> faults;
  private final Style style;
  private final Random random;
  private final List<Sounded> sounded = new ArrayList<>();

  private SimulatedPlayer(Expected expected, List<Fault> faults, Style style) {
    this.expected = expected;
    this.faults = faults;
    this.style = style;
    this.random = new Random(style.seed());
  }

  /** Plays it; the same seed always plays the same. */
  public static Played play(Expected expected, List<Fault> faults, Style style) {
    SimulatedPlayer player = new SimulatedPlayer(expected, faults, style);
    player.lay();
    player.spoil();
    player.restart();
    return player.sound();
  }

  // ---- when ----------------------------------------------------------------------------------

  /** In time but for the little that nobody plays exactly. */
  private void lay() {
    List<Moment> all = expected.moments();
    double[] at = new double[all.size()];
    for (int i = 0; i < at.length; i++) {
      boolean moved = has(Fault.Kind.LATE, i) || has(Fault.Kind.EARLY, i);
      at[i] = time(all.get(i).startMs()) + (moved ? 0 : 0.006 * random.nextGaussian());
      at[i] += (amount(Fault.Kind.LATE, i) - amount(Fault.Kind.EARLY, i)) / 1000;
      if (i > 0) {
        at[i] = Math.max(at[i], at[i - 1] + SHORTEST_S / 2);
      }
    }
    for (int i = 0; i < at.length; i++) {
      Moment m = all.get(i);
      double stretch = (time(m.endMs()) - time(m.startMs())) / Math.max(1e-6, m.lengthMs());
      double end = at[i] + m.soundsMs() * stretch;
      boolean touches = i + 1 < at.length && m.connected();
      if (touches) {
        end = at[i + 1] + 0.004;
      } else if (i + 1 < at.length) {
        end = Math.min(end, at[i + 1]);
      }
      Sounded s = new Sounded(i, at[i], Math.max(at[i] + SHORTEST_S, end));
      boolean tuned = has(Fault.Kind.SHARP, i) || has(Fault.Kind.FLAT, i);
      s.cents = tuned ? 0 : 3 * random.nextGaussian();
      sounded.add(s);
      if (m.join() == Expected.Join.SHIFT && m.slurred()) {
        glide(i, GLIDE_S);
      }
    }
  }

  /** Seconds at which something is played that stands at so many ms of the target tempo. */
  private double time(double ms) {
    double at = expected.moments().get(0).startMs();
    double seconds = style.lead();
    for (int b = 0; b < expected.bars().size() && at < ms; b++) {
      Span bar = expected.bars().get(b);
      double upTo = b + 1 == expected.bars().size() ? ms : Math.min(ms, bar.endMs());
      if (upTo > at) {
        seconds += (upTo - at) / 1000 / (style.tempo() * pace(b));
        at = upTo;
      }
    }
    return seconds;
  }

  private double pace(int bar) {
    double pace = 1;
    for (Fault f : faults) {
      if (expected.moments().get(f.moment()).bar() == bar) {
        pace *= f.kind() == Fault.Kind.RUSH ? 1 + f.amount() / 100 : 1;
        pace *= f.kind() == Fault.Kind.DRAG ? 1 - f.amount() / 100 : 1;
      }
    }
    return pace;
  }

  private boolean has(Fault.Kind kind, int moment) {
    return faults.stream().anyMatch(f -> f.kind() == kind && f.moment() == moment);
  }

  private double amount(Fault.Kind kind, int moment) {
    return faults.stream()
        .filter(f -> f.kind() == kind && f.moment() == moment)
        .mapToDouble(Fault::amount)
        .sum();
  }

  // ---- faults --------------------------------------------------------------------------------

  private void spoil() {
    for (Fault f : faults) {
      Sounded s = sounded.get(f.moment());
      switch (f.kind()) {
        case SHARP -> s.cents += tone(f).above() + f.amount();
        case FLAT -> s.cents += tone(f).below() - f.amount();
        case DRIFT -> s.drift = f.amount();
        case WRONG -> s.semitones = f.amount();
        case CLIPPED, GAP -> s.end = Math.max(s.start + SHORTEST_S / 2, s.end - silence(f));
        case OVER_HELD -> s.end += f.amount() / 1000;
        case MISSING -> s.silent = true;
        case ADDED -> add(s);
        case ATTACK -> s.attack = f.amount() / 1000;
        case GLIDE -> glide(f.moment(), f.amount() / 1000);
        case LOUD, SOFT, UNEVEN -> bar(f);
        case RUSH, DRAG, LATE, EARLY, RESTART -> {
          // In the laying out of time.
        }
      }
    }
  }

  private Expected.Tone tone(Fault f) {
    return expected.moments().get(f.moment()).starting().get(0);
  }

  /** The way to a note is heard before it, so that it is there in time. */
  private void glide(int moment, double seconds) {
    double way = moment == 0 ? 0 : Math.abs(way(moment - 1, moment));
    if (way <= REACHED_CENTS) {
      return; // There is no way to be heard.
    }
    Sounded s = sounded.get(moment);
    double left = Math.acos(1 - 2 * REACHED_CENTS / way) / Math.PI;
    s.glide = seconds;
    s.start -= (1 - left) * seconds;
    Sounded before = sounded.get(moment - 1);
    before.end = Math.min(before.end, s.start + 0.004);
  }

  /** Cents from one moment's tone to another's, an octave at most. */
  private double way(int from, int to) {
    double was = expected.moments().get(from).starting().get(0).hertz();
    double is = expected.moments().get(to).starting().get(0).hertz();
    return Math.max(-1200, Math.min(1200, 1200 * Math.log(was / is) / Math.log(2)));
  }

  /** By how much a note ends sooner so that the silence after it is as long as asked for. */
  private double silence(Fault f) {
    boolean rings = expected.moments().get(f.moment()).connected();
    return f.amount() / 1000 + (rings ? RELEASE_20DB_S / 2 : 0);
  }

  private void bar(Fault f) {
    int bar = expected.moments().get(f.moment()).bar();
    double db = f.kind() == Fault.Kind.LOUD ? f.amount() : -f.amount();
    boolean second = false;
    for (Sounded s : sounded) {
      if (expected.moments().get(s.moment).bar() == bar) {
        if (f.kind() != Fault.Kind.UNEVEN) {
          s.gain = Math.pow(10, db / 20);
        } else if (second) {
          double by = f.amount() / 100 * expected.moments().get(s.moment).lengthMs() / 1000;
          s.start += by;
          if (s.moment > 0 && expected.moments().get(s.moment - 1).connected()) {
            sounded.get(s.moment - 1).end += by;
          }
        }
        second = !second;
      }
    }
  }

  /** A short note that nobody wrote, at the end of one. */
  private void add(Sounded s) {
    double lasts = Math.max(0.08, Math.min(0.12, (s.end - s.start) / 3));
    Sounded more = new Sounded(s.moment, s.end - lasts, s.end);
    more.semitones = unlikeNext(s.moment);
    more.counts = false;
    s.end -= lasts - 0.004;
    sounded.add(more);
  }

  /** An interval that leads neither to the same note nor to the next. */
  private double unlikeNext(int moment) {
    double own = expected.moments().get(moment).starting().get(0).hertz();
    int next = Math.min(moment + 1, expected.moments().size() - 1);
    double other = expected.moments().get(next).starting().get(0).hertz();
    double apart = 12 * Math.log(other / own) / Math.log(2);
    return Math.abs(apart - 2) < 0.6 ? -2 : 2;
  }

  /** Breaks off in the middle of a bar and takes it again. */
  private void restart() {
    for (Fault f : faults) {
      if (f.kind() == Fault.Kind.RESTART) {
        int bar = expected.moments().get(f.moment()).bar();
        double from = sounded.get(f.moment()).start;
        List<Sounded> broken = new ArrayList<>();
        for (Sounded s : sounded) {
          Moment m = expected.moments().get(s.moment);
          Span span = expected.bars().get(bar);
          boolean first = m.startMs() <= (span.startMs() + span.endMs()) / 2;
          if (m.bar() == bar && first && s.counts) {
            broken.add(s.again());
          }
        }
        double stop = broken.get(broken.size() - 1).end;
        double later = stop + RESTART_PAUSE_S - from;
        for (Sounded s : sounded) {
          if (s.start >= from - 1e-9) {
            s.start += later;
            s.end += later;
          } else {
            s.end = Math.min(s.end, from + 0.004);
          }
        }
        sounded.addAll(broken);
      }
    }
  }

  // ---- sound ---------------------------------------------------------------------------------

  private Played sound() {
    double end = 0;
    for (Sounded s : sounded) {
      end = Math.max(end, s.end);
    }
    float[] mix = new float[(int) ((end + 1) * RATE)];
    List<Sounded> inTime = new ArrayList<>(sounded);
    inTime.sort(java.util.Comparator.comparingDouble(s -> s.start));
    List<Truth> truth = new ArrayList<>();
    for (int i = 0; i < inTime.size(); i++) {
      Sounded s = inTime.get(i);
      Sounded before = i == 0 ? null : inTime.get(i - 1);
      Moment m = expected.moments().get(s.moment);
      if (s.silent) {
        continue;
      }
      for (Tone t : m.starting()) {
        Voice v = voice(s, t, m, before);
        v.addTo(mix);
        if (s.counts) {
          truth.add(v.truth(s, t, ring(before, s)));
        }
      }
    }
    noise(mix);
    truth.sort(java.util.Comparator.comparingInt(Truth::moment).thenComparingInt(Truth::note));
    return new Played(mix, truth);
  }

  /** Level of what still sounds of the note before, by time. */
  private java.util.function.DoubleUnaryOperator ring(Sounded before, Sounded now) {
    if (before == null || before.silent || before.end < now.start - RELEASE_20DB_S * 3) {
      return t -> 0;
    }
    double gain = gain(before);
    return t -> gain * release(t - before.end);
  }

  private static double release(double after) {
    double from = after + RELEASE_20DB_S / 2;
    return from <= 0 ? 1 : Math.pow(10, -from / RELEASE_20DB_S);
  }

  private double gain(Sounded s) {
    Moment m = expected.moments().get(s.moment);
    double db = LEVEL_DB * (m.level() - 7);
    return 0.3 * s.gain * Math.pow(10, db / 20) / Math.sqrt(m.starting().size());
  }

  private Voice voice(Sounded s, Tone t, Moment m, Sounded before) {
    double off = style.tunedCents() + s.cents + 100 * s.semitones;
    double hertz = t.hertz() * Math.pow(2, off / 1200);
    boolean vibrates = s.end - s.start >= VIBRATO_FROM_S && !m.ornament();
    double width = vibrates ? 11 + 6 * random.nextDouble() : 0;
    double rate = 5.2 + 0.8 * random.nextDouble();
    double from = 0;
    if (s.glide > 0 && before != null) {
      from = way(before.moment, s.moment);
    }
    return new Voice(s, hertz, gain(s), width, rate, from, random.nextLong());
  }

  private void noise(float[] mix) {
    double sum = 0;
    int sounding = 0;
    for (float x : mix) {
      sum += x * (double) x;
      sounding += Math.abs(x) > 1e-4 ? 1 : 0;
    }
    double rms = Math.sqrt(sum / Math.max(1, sounding));
    double noise = rms * Math.pow(10, -style.noiseDb() / 20);
    for (int i = 0; i < mix.length; i++) {
      mix[i] += (float) (noise * random.nextGaussian());
    }
  }

  /** One bowed string. */
  private static final class Voice {
    private final Sounded s;
    private final double hertz;
    private final double gain;
    private final double width;
    private final double rate;
    private final double glideFrom;
    private final Random random;

    Voice(
        Sounded s,
        double hertz,
        double gain,
        double width,
        double rate,
        double glideFrom,
        long seed) {
      this.s = s;
      this.hertz = hertz;
      this.gain = gain;
      this.width = width;
      this.rate = rate;
      this.glideFrom = glideFrom;
      this.random = new Random(seed);
    }

    /** Cents from its own pitch at a time after its start. */
    private double bend(double t) {
      double swell = Math.max(0, Math.min(1, (t - 0.1) / 0.1));
      double vibrato = width * swell * Math.sin(2 * Math.PI * rate * (t - 0.1));
      double length = Math.max(0.01, s.end - s.start);
      double drift = s.drift * Math.max(0, Math.min(1, t / length));
      double left = s.glide <= 0 ? 0 : Math.max(0, 1 - t / s.glide);
      double glide = glideFrom * 0.5 * (1 - Math.cos(Math.PI * left));
      return vibrato + drift + (s.glide > 0 ? glide : 0);
    }

    private double envelope(double t) {
      if (t < 0) {
        return 0;
      }
      return Math.min(1, t / s.attack) * release(t - (s.end - s.start));
    }

    void addTo(float[] mix) {
      int from = (int) (s.start * RATE);
      int to = (int) Math.min(mix.length, (s.end + 3 * RELEASE_20DB_S) * RATE);
      int partials = (int) Math.max(1, Math.min(MOST_PARTIALS, HIGHEST_HZ / hertz));
      double[] strength = new double[partials];
      for (int k = 0; k < partials; k++) {
        double f = hertz * (k + 1);
        // A body that likes some regions: a fixed comb of resonances (invented).
        double body = 1 + 0.5 * Math.cos(f / 310) + 0.3 * Math.cos(f / 870);
        strength[k] = (0.4 + body) / Math.pow(k + 1, 1.1);
      }
      double phase = 2 * Math.PI * random.nextDouble();
      double scratch = s.attack > 2 * ATTACK_S ? 0.25 : 0;
      double factor = 1;
      for (int i = Math.max(0, from); i < to; i++) {
        double t = i / (double) RATE - s.start;
        if (((i - from) & 15) == 0) {
          factor = Math.pow(2, bend(Math.max(0, t)) / 1200); // Changes slowly.
        }
        phase += 2 * Math.PI * hertz * factor / RATE;
        double sin = Math.sin(phase);
        double twice = 2 * Math.cos(phase);
        double last = 0;
        double now = sin;
        double sum = 0;
        for (int k = 0; k < partials; k++) {
          sum += strength[k] * now;
          double next = twice * now - last;
          last = now;
          now = next;
        }
        double rough = t < s.attack ? scratch * random.nextGaussian() : 0;
        mix[i] += (float) (gain * envelope(t) * 0.4 * (sum + rough));
      }
    }

    /** What was really made, by its own level and pitch. */
    Truth truth(Sounded s, Tone tone, java.util.function.DoubleUnaryOperator ring) {
      double onset = s.start;
      double length = s.end - s.start;
      for (double t = 0; t < length; t += STEP_S) {
        double own = gain * envelope(t);
        boolean reached = Math.abs(bend(t)) <= REACHED_CENTS + width;
        if (own >= TENTH * gain && own >= ring.applyAsDouble(s.start + t) && reached) {
          onset = s.start + t;
          break;
        }
      }
      double end = s.end + RELEASE_20DB_S / 2;
      double sum = 0;
      int count = 0;
      double first = Math.min(onset + SETTLED_S, (onset + end) / 2);
      for (double t = first; t < end; t += STEP_S) {
        sum += bend(t - s.start);
        count++;
      }
      double base = 1200 * Math.log(hertz / tone.hertz()) / Math.log(2);
      double cents = base + (count == 0 ? 0 : sum / count);
      return new Truth(s.moment, tone.note(), onset, end, cents);
    }
  }
}
