package fret.format.abc;

import fret.base.RefusedValue;
import fret.base.Said;
import fret.pitch.Clef;
import fret.pitch.KeySignature;
import fret.score.Direction;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.numbers.fraction.Fraction;

/** Values of the fields before and within a tune; each throws IllegalArgumentException for none. */
final class AbcFields {
  private AbcFields() {}

  static Fraction length(String value) {
    Matcher m = Pattern.compile("(\\d{1,4})\\s*/\\s*(\\d{1,4})").matcher(value);
    if (!m.lookingAt() || Integer.parseInt(m.group(2)) == 0 || Integer.parseInt(m.group(1)) == 0) {
      throw new RefusedValue(Said.of("value.length", value));
    }
    return Fraction.of(Integer.parseInt(m.group(1)), Integer.parseInt(m.group(2)));
  }

  /**
   * A metre, such as {@code 6/8} or {@code C|}.
   *
   * @return empty for none
   */
  static Optional<TimeSignature> metre(String value) {
    if (value.equals("C")) {
      return Optional.of(new TimeSignature(List.of(4), 4, TimeSignature.Sign.COMMON));
    } else if (value.equals("C|")) {
      return Optional.of(new TimeSignature(List.of(2), 2, TimeSignature.Sign.CUT));
    } else if (!value.equalsIgnoreCase("none")) {
      String[] parts = value.replaceAll("[()\\s]", "").split("/");
      if (parts.length != 2
          || !parts[0].matches("\\d{1,2}(\\+\\d{1,2})*")
          || !parts[1].matches("\\d{1,3}")) {
        throw new RefusedValue(Said.of("value.metre", value));
      }
      List<Integer> groups = new ArrayList<>();
      for (String group : parts[0].split("\\+")) {
        groups.add(Integer.parseInt(group));
      }
      return Optional.of(
          new TimeSignature(groups, Integer.parseInt(parts[1]), TimeSignature.Sign.NUMBERS));
    }
    return Optional.empty();
  }

  /**
   * The words in quotes, and a rate of quarters or of the beats before the equals sign together.
   */
  static List<Direction> tempo(String value, Fraction onset) {
    List<Direction> all = new ArrayList<>();
    Matcher words = Pattern.compile("\"([^\"]*)\"").matcher(value);
    while (words.find()) {
      if (!words.group(1).isBlank()) {
        all.add(new Direction(onset, Direction.Kind.WORDS, words.group(1).trim(), 0));
      }
    }
    rate(value, onset).ifPresent(all::add);
    return all;
  }

  private static Optional<Direction> rate(String value, Fraction onset) {
    String plain = value.replaceAll("\"[^\"]*\"", " ").trim();
    Matcher m =
        Pattern.compile("((?:\\d{1,3}/\\d{1,3}\\s*)+=\\s*)?(\\d{1,4})(?![\\d/])").matcher(plain);
    if (!m.find()) {
      return Optional.empty();
    }
    Fraction beat = m.group(1) == null ? Fraction.of(1, 4) : Fraction.ZERO;
    Matcher each =
        Pattern.compile("\\d{1,3}/\\d{1,3}").matcher(m.group(1) == null ? "" : m.group(1));
    while (each.find()) {
      beat = beat.add(length(each.group()));
    }
    double quarters = Integer.parseInt(m.group(2)) * beat.doubleValue() * 4;
    return Optional.of(
        new Direction(
            onset,
            Direction.Kind.TEMPO,
            printed(beat, m.group(2)),
            Math.max(1, Math.min(1000, quarters))));
  }

  /** As files have it: "quarter.=72"; empty for a beat that is no single note value. */
  private static String printed(Fraction beat, String rate) {
    String name = new fret.tempo.Beat(beat).displayName();
    boolean dotted = name.startsWith("dotted-");
    String unit = dotted ? name.substring(7) : name;
    String known = unit.equals("sixteenth") ? "16th" : unit;
    return unit.equals("bar") ? "" : known + (dotted ? "." : "") + "=" + rate;
  }

  /** The mode that a key names; empty for the church modes and where there is no key. */
  static Optional<Direction> mode(String value, Fraction onset) {
    Matcher m = Pattern.compile("[A-Ga-g][#b]?\\s*([A-Za-z]*)").matcher(value.trim());
    if (value.isBlank() || value.startsWith("none") || value.startsWith("clef") || !m.lookingAt()) {
      return Optional.empty();
    }
    String word = m.group(1).toLowerCase(Locale.ROOT);
    boolean minor = word.equals("m") || word.startsWith("min") || word.startsWith("aeo");
    boolean major = word.isEmpty() || word.startsWith("maj") || word.startsWith("ion");
    return minor || major
        ? Optional.of(new Direction(onset, Direction.Kind.MODE, minor ? "minor" : "major", 0))
        : Optional.empty();
  }

  static KeySignature key(String value) {
    Matcher m = Pattern.compile("([A-Ga-g])([#b]?)\\s*([A-Za-z]*)").matcher(value.trim());
    if (value.isBlank() || value.startsWith("none") || value.startsWith("clef")) {
      return KeySignature.NONE;
    }
    if (m.lookingAt()) {
      int tonic =
          new int[] {3, 5, 0, 2, 4, -1, 1}["ABCDEFG".indexOf(m.group(1).toUpperCase(Locale.ROOT))];
      int sharps = tonic + (m.group(2).equals("#") ? 7 : m.group(2).equals("b") ? -7 : 0);
      return new KeySignature(Math.max(-7, Math.min(7, sharps + mode(m.group(3)))));
    }
    throw new RefusedValue(Said.of("value.key", value));
  }

  private static int mode(String word) {
    String mode = word.toLowerCase(Locale.ROOT);
    String short3 = mode.length() > 3 ? mode.substring(0, 3) : mode;
    return switch (short3) {
      case "m", "min", "aeo" -> -3;
      case "mix" -> -1;
      case "dor" -> -2;
      case "phr" -> -4;
      case "lyd" -> 1;
      case "loc" -> -5;
      default -> 0;
    };
  }

  static Optional<Clef> clef(String value) {
    Matcher m = Pattern.compile("(?:clef=)?(treble|alto|tenor|bass)(-8)?").matcher(value);
    if (m.find()) {
      Clef plain =
          switch (m.group(1)) {
            case "alto" -> Clef.ALTO;
            case "tenor" -> Clef.TENOR;
            case "bass" -> Clef.BASS;
            default -> Clef.TREBLE;
          };
      return Optional.of(m.group(2) == null ? plain : new Clef(plain.sign(), plain.line(), -1));
    }
    return Optional.empty();
  }
}
