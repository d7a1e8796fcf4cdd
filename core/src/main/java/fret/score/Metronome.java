package fret.score;

import fret.tempo.Beat;
import fret.tempo.Level;
import fret.tempo.Tempo;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * A metronome mark as the text of a {@link Direction.Kind#TEMPO} has it: {@code quarter.=60}, a
 * range {@code quarter=70-80}, or two values that last as long {@code quarter=quarter.}.
 *
 * @param counted the value before the equals sign
 * @param low rate, 0 for an equation
 * @param high upper end of a range, 0 for none
 * @param as the value that is now as long as {@code counted} was; empty but in an equation
 */
public record Metronome(Beat counted, double low, double high, Optional<Beat> as) {
  private static final Pattern NUMBERS =
      Pattern.compile("(\\d+(?:\\.\\d+)?)(?:\\s*(?:-|–|—|/|to|bis|à)\\s*(\\d+(?:\\.\\d+)?))?");

  /** Note signs that stand in words: those of Unicode, and those of the standard music layout. */
  private static final Map<String, String> SIGNS =
      Map.of(
          "\u2669", "quarter",
          "\u266A", "eighth",
          "\uD834\uDD5D", "whole",
          "\uD834\uDD5E", "half",
          "\uD834\uDD5F", "quarter",
          "\uD834\uDD60", "eighth",
          "\uECA3", "half",
          "\uECA5", "quarter",
          "\uECA7", "eighth");

  private static final Pattern SIGNED =
      Pattern.compile(
          "("
              + String.join("|", SIGNS.keySet())
              + ")\\s*(\\.|\uECB7|\uD834\uDD6D)?\\s*=\\s*[^0-9]{0,6}(\\d.*)");

  /** The mark that a text has; empty where it has none. */
  public static Optional<Metronome> of(String text) {
    int equals = text.indexOf('=');
    if (equals < 1) {
      return Optional.empty();
    }
    Optional<Beat> counted = value(text.substring(0, equals));
    if (counted.isEmpty()) {
      return Optional.empty();
    }
    String right = text.substring(equals + 1).trim();
    Optional<Beat> other = value(right);
    if (other.isPresent()) {
      return Optional.of(new Metronome(counted.get(), 0, 0, other));
    }
    Matcher m = NUMBERS.matcher(right);
    if (!m.find()) {
      return Optional.empty();
    }
    double low = Double.parseDouble(m.group(1));
    double high = m.group(2) == null ? 0 : Double.parseDouble(m.group(2));
    boolean sound = low > 0 && low <= Tempo.MOST && high <= Tempo.MOST;
    return sound
        ? Optional.of(new Metronome(counted.get(), low, high > low ? high : 0, Optional.empty()))
        : Optional.empty();
  }

  /** The mark that words have with a note as a sign: "Allegro ♩. = 60". */
  public static Optional<Metronome> within(String words) {
    Matcher m = SIGNED.matcher(words);
    if (!m.find()) {
      return Optional.empty();
    }
    boolean dotted = m.group(2) != null;
    return of(SIGNS.get(m.group(1)) + (dotted ? "." : "") + "=" + m.group(3));
  }

  /**
   * A tempo as a mark has it: {@code quarter.=60}; in quarters where its beat is no single value.
   */
  public static String text(Tempo t) {
    Optional<NoteValue> value = NoteValue.ofLength(t.beat().length());
    if (value.isEmpty() || value.get().denominator() > 32) {
      return text(t.in(Beat.QUARTER));
    }
    String unit =
        switch (value.get().denominator()) {
          case 0 -> "breve";
          case 1 -> "whole";
          case 2 -> "half";
          case 4 -> "quarter";
          case 8 -> "eighth";
          case 16 -> "16th";
          default -> "32nd";
        };
    return unit + ".".repeat(value.get().dots()) + "=" + Level.text(t.perMinute());
  }

  /** A note value as files name it, dots behind it: {@code 16th}, {@code quarter.}. */
  private static Optional<Beat> value(String name) {
    String unit = name.trim();
    int dots = 0;
    while (unit.endsWith(".")) {
      unit = unit.substring(0, unit.length() - 1);
      dots++;
    }
    int denominator =
        switch (unit) {
          case "breve" -> 0;
          case "whole" -> 1;
          case "half" -> 2;
          case "quarter" -> 4;
          case "eighth" -> 8;
          case "16th" -> 16;
          case "32nd" -> 32;
          default -> -1;
        };
    if (denominator < 0 || dots > 3) {
      return Optional.empty();
    }
    Fraction length = new NoteValue(denominator, dots).length();
    return Optional.of(new Beat(length));
  }

  /** The tempo that it gives. */
  public Optional<Tempo> tempo() {
    return low > 0 ? Optional.of(new Tempo(counted, low)) : Optional.empty();
  }
}
