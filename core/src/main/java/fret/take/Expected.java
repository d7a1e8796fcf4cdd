package fret.take;

import static java.nio.charset.StandardCharsets.UTF_8;

import fret.pitch.Pitch;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;

/**
 * What a take is checked against: the moments of a passage as they are played, repeats written out.
 *
 * @param moments in order of time
 * @param bars in order of playing
 * @param a4 in Hz, what the hertz of its tones rest on
 */
public record Expected(List<Moment> moments, List<Span> bars, double a4) {
  /** What tells it from every other part, in letters and digits. */
  public String fingerprint() {
    try {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      return HexFormat.of().formatHex(digest.digest(toString().getBytes(UTF_8)));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e); // Every Java platform has it.
    }
  }

  /** How a moment is reached from the one before. */
  public enum Join {
    /** Nothing sounds before it: the beginning, or after a rest. */
    ENTRY,
    PLAIN,
    CROSSING,
    SHIFT
  }

  /**
   * A note that sounds.
   *
   * @param note index of it in the written passage
   * @param hertz where the chosen tuning puts it
   * @param below cents from there down to the lowest place that is in tune as well, 0 or less
   * @param above the same upwards, 0 or more
   */
  public record Tone(int note, Pitch pitch, double hertz, double below, double above) {
    public Tone {
      if (below > 0 || above < 0) {
        throw new IllegalArgumentException("in tune from " + below + " to " + above);
      }
    }

    /** Of one place alone. */
    public Tone(int note, Pitch pitch, double hertz) {
      this(note, pitch, hertz, 0, 0);
    }

    /** In the middle of all that is in tune. */
    double middleHertz() {
      return hertz * Math.pow(2, (below + above) / 2400);
    }

    /** How far outside of all that is in tune a pitch lies, in cents from the chosen place. */
    public double outside(double cents) {
      return cents > above ? cents - above : Math.min(0, cents - below);
    }
  }

  /**
   * Notes that start together.
   *
   * @param slice index of the moment in the written passage
   * @param bar index of its bar among {@link #bars}
   * @param startMs at the target tempo
   * @param endMs when its own notes end, at the target tempo
   * @param soundsMs how long of it is meant to sound; less than it lasts where it is short
   * @param starting notes that start, low to high
   * @param held notes that still sound from before
   * @param connected whether it sounds on to the next moment
   * @param slurred whether it is in one bow with the moment before
   * @param ornament whether its pitch is not one: a trill, a tremolo, a grace note, plucked
   * @param level loudness meant, in levels of the line (4 is mf)
   */
  public record Moment(
      int slice,
      int bar,
      double startMs,
      double endMs,
      double soundsMs,
      List<Tone> starting,
      List<Tone> held,
      Join join,
      boolean connected,
      boolean slurred,
      boolean ornament,
      double level) {
    public Moment {
      starting = List.copyOf(starting);
      held = List.copyOf(held);
    }

    public double lengthMs() {
      return endMs - startMs;
    }

    /** Whether one note alone sounds. */
    public boolean isSingle() {
      return starting.size() == 1 && held.isEmpty();
    }

    /** How far outside of what is in tune a pitch of its one note lies, in cents. */
    double outside(double cents) {
      return isSingle() ? starting.get(0).outside(cents) : cents;
    }

    boolean soundsLike(Moment other) {
      return hertz(starting, held).equals(hertz(other.starting, other.held));
    }

    /** All that sounds, low to high, each in the middle of where it is in tune. */
    List<Double> middles() {
      return java.util.stream.Stream.concat(starting.stream(), held.stream())
          .map(Tone::middleHertz)
          .sorted()
          .toList();
    }

    /** All that sounds, low to high. */
    List<Double> hertz() {
      return hertz(starting, held);
    }

    private static List<Double> hertz(List<Tone> starting, List<Tone> held) {
      return java.util.stream.Stream.concat(starting.stream(), held.stream())
          .map(Tone::hertz)
          .sorted()
          .toList();
    }
  }

  /**
   * A bar as it is played.
   *
   * @param number as printed
   */
  public record Span(int written, String number, double startMs, double endMs) {}

  public Expected {
    moments = List.copyOf(moments);
    bars = List.copyOf(bars);
    if (moments.isEmpty()) {
      throw new IllegalArgumentException("nothing is played");
    }
  }

  public Span barOf(Moment moment) {
    return bars.get(moment.bar());
  }

  /** The lowest frequency that sounds, in Hz. */
  double lowestHertz() {
    return moments.stream().flatMap(m -> m.hertz().stream()).mapToDouble(h -> h).min().orElse(200);
  }

  /** How long it lasts at the target tempo. */
  public double lengthMs() {
    double end = 0;
    for (Moment m : moments) {
      end = Math.max(end, m.endMs());
    }
    return end - moments.get(0).startMs();
  }
}
