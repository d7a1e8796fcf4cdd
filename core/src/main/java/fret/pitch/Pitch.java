package fret.pitch;

import java.util.Locale;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A spelled pitch. C4 is middle C.
 *
 * @param step the letter
 * @param alter semitones up (sharp) or down (flat), -3 to 3
 * @param octave -1 to 10; the octave starts at C
 */
public record Pitch(Step step, int alter, int octave) implements Comparable<Pitch> {
  private static final Pattern TEXT = Pattern.compile("([A-Ga-g])(#{0,3}|b{0,3})(-?\\d{1,2})");

  public Pitch {
    Objects.requireNonNull(step);
    if (alter < -3 || alter > 3) {
      throw new IllegalArgumentException("alter " + alter + " is outside -3 to 3");
    }
    if (octave < -1 || octave > 10) {
      throw new IllegalArgumentException("octave " + octave + " is outside -1 to 10");
    }
  }

  /**
   * Reads text such as {@code C4}, {@code F#3} or {@code Bb5}.
   *
   * @throws IllegalArgumentException if the text has another form
   */
  public static Pitch parse(String text) {
    Matcher m = TEXT.matcher(text);
    if (!m.matches()) {
      throw new IllegalArgumentException("not a pitch: " + text);
    }
    int alter = m.group(2).startsWith("b") ? -m.group(2).length() : m.group(2).length();
    return new Pitch(
        Step.valueOf(m.group(1).toUpperCase(Locale.ROOT)), alter, Integer.parseInt(m.group(3)));
  }

  /** Number of the key on a keyboard as MIDI counts them: 60 for C4, 69 for A4. */
  public int midi() {
    return 12 * (octave + 1) + step.semitonesAboveC() + alter;
  }

  /** Letters counted from C0: 28 for any C4, 29 for any D4. */
  public int diatonic() {
    return 7 * octave + step.ordinal();
  }

  /** This pitch moved by an interval, spelled as the interval says. */
  public Pitch plus(Interval interval) {
    int target = diatonic() + interval.steps();
    Step newStep = Step.of(target);
    int newOctave = Math.floorDiv(target, 7);
    int natural = 12 * (newOctave + 1) + newStep.semitonesAboveC();
    int newAlter = midi() + interval.semitones() - natural;
    if (newAlter < -3 || newAlter > 3) {
      return ofMidi(midi() + interval.semitones(), KeySignature.NONE);
    }
    return new Pitch(newStep, newAlter, newOctave);
  }

  /** The spelling of a keyboard number that lies nearest to the key on the line of fifths. */
  public static Pitch ofMidi(int midi, KeySignature key) {
    Pitch best = null;
    int bestDistance = Integer.MAX_VALUE;
    for (Step step : Step.values()) {
      for (int alter = -1; alter <= 1; alter++) {
        int rest = midi - step.semitonesAboveC() - alter;
        if (Math.floorMod(rest, 12) != 0) {
          continue;
        }
        // Centre of the key's own seven notes on the line of fifths (F = -1, C = 0, G = 1 ...).
        int distance = Math.abs(2 * (fifths(step) + 7 * alter) - 2 * key.fifths() - 5);
        if (distance < bestDistance) {
          bestDistance = distance;
          best = new Pitch(step, alter, rest / 12 - 1);
        }
      }
    }
    return best;
  }

  private static int fifths(Step step) {
    return switch (step) {
      case F -> -1;
      case C -> 0;
      case G -> 1;
      case D -> 2;
      case A -> 3;
      case E -> 4;
      case B -> 5;
    };
  }

  /** Frequency in hertz in equal temperament. */
  public double hertz(double a4Hertz) {
    return a4Hertz * Math.pow(2, (midi() - 69) / 12.0);
  }

  /** Letter and accidental without the octave, such as {@code F#}. */
  public String name() {
    return step + (alter >= 0 ? "#".repeat(alter) : "b".repeat(-alter));
  }

  /** Orders by sound, then by spelling. */
  @Override
  public int compareTo(Pitch other) {
    int bySound = Integer.compare(midi(), other.midi());
    return bySound != 0 ? bySound : Integer.compare(diatonic(), other.diatonic());
  }

  @Override
  public String toString() {
    return name() + octave;
  }
}
