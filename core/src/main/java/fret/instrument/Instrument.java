package fret.instrument;

import fret.pitch.Interval;
import fret.pitch.Pitch;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;

/**
 * An instrument with its strings and the geometry of its fingerboard.
 *
 * <p>Lengths and string counts are data: the factory values are common practice, no source, from
 * memory (the bass is the usual three-quarter size).
 *
 * @param stringLengthMm from nut to bridge, 150 to 1400
 * @param openStrings sounding pitches, the highest string first
 * @param highestSemitone last semitone above the open string that can be stopped
 * @param extension semitones below the lowest open string that gates give, 0 to 5
 */
public record Instrument(
    InstrumentType type,
    double stringLengthMm,
    List<Pitch> openStrings,
    int highestSemitone,
    int extension) {
  /** Half the in-tune window, in cents. */
  public static final double TOLERANCE_CENTS = 10;

  public Instrument {
    Objects.requireNonNull(type);
    openStrings = List.copyOf(openStrings);
    if (!(stringLengthMm >= 150) || !(stringLengthMm <= 1400)) {
      throw new IllegalArgumentException(
          "string length " + stringLengthMm + " mm is outside 150 to 1400");
    }
    if (openStrings.isEmpty()) {
      throw new IllegalArgumentException("an instrument needs a string");
    }
    for (int i = 1; i < openStrings.size(); i++) {
      if (openStrings.get(i).midi() >= openStrings.get(i - 1).midi()) {
        throw new IllegalArgumentException(
            "strings are not in order from the highest: " + openStrings);
      }
    }
  }

  /** The usual full size (three-quarter size bass) in its usual tuning. */
  public static Instrument standard(InstrumentType type) {
    return of(type, Tuning.usual(type), 0);
  }

  /**
   * An instrument of a size and a tuning. Where the part is written for the tuning, its notes are
   * places on the usual strings, and these are what the instrument has.
   *
   * @param lengthMm 0 for the usual length
   */
  public static Instrument of(InstrumentType type, Tuning tuning, double lengthMm) {
    double length = lengthMm > 0 ? lengthMm : usualLengthMm(type);
    List<Pitch> strings = tuning.partFollows() ? Tuning.usual(type).strings() : tuning.strings();
    return new Instrument(type, length, strings, highestSemitone(type), tuning.extension());
  }

  /** String length of the usual full size (three-quarter size bass) in mm. */
  public static double usualLengthMm(InstrumentType type) {
    return switch (type) {
      case VIOLIN -> 328;
      case VIOLA -> 375;
      case CELLO -> 690;
      case BASS -> 1050;
    };
  }

  private static int highestSemitone(InstrumentType type) {
    return switch (type) {
      case VIOLIN -> 29;
      case VIOLA -> 27;
      case CELLO -> 31;
      case BASS -> 28;
    };
  }

  public int stringCount() {
    return openStrings.size();
  }

  /**
   * The open pitch of a string.
   *
   * @param string 1 the highest
   */
  public Pitch open(int string) {
    return openStrings.get(string - 1);
  }

  /** Letter of a string, with its octave where two strings share the letter. */
  public String stringName(int string) {
    Pitch pitch = open(string);
    long same = openStrings.stream().filter(p -> p.name().equals(pitch.name())).count();
    return same > 1 ? pitch.toString() : pitch.name();
  }

  /** Names of strings from the lowest to the highest, with a plus between them: "G+D+A". */
  public String stringNames(List<Integer> strings) {
    return strings.stream()
        .sorted(Comparator.reverseOrder())
        .map(this::stringName)
        .collect(Collectors.joining("+"));
  }

  /** The string with this name; 0 if there is none. */
  public int stringNamed(String name) {
    for (int s = 1; s <= stringCount(); s++) {
      if (stringName(s).equals(name)) {
        return s;
      }
    }
    return 0;
  }

  /** Semitones from a string's open pitch up to a pitch; negative if the pitch lies below. */
  public int semitones(int string, Pitch pitch) {
    return pitch.midi() - open(string).midi();
  }

  /** Distance from the nut in mm of a note n semitones above the open string: L (1 - 2^(-n/12)). */
  public double mmFromNut(double semitones) {
    return stringLengthMm * (1 - Math.pow(2, -semitones / 12));
  }

  /**
   * Whole width in mm of the in-tune window, plus and minus {@code cents}, around a stopped note.
   */
  public double windowMm(double semitones, double cents) {
    return mmFromNut(semitones + cents / 100) - mmFromNut(semitones - cents / 100);
  }

  /**
   * Pitch of the n-th natural harmonic of a string (2 is the octave, 3 the octave and fifth ...).
   */
  public Pitch harmonic(int string, int partial) {
    Interval above =
        switch (partial) {
          case 2 -> new Interval(7, 12);
          case 3 -> new Interval(11, 19);
          case 4 -> new Interval(14, 24);
          case 5 -> new Interval(16, 28);
          default ->
              throw new IllegalArgumentException("partial " + partial + " is outside 2 to 5");
        };
    return open(string).plus(above);
  }
}
