package fret.instrument;

import fret.pitch.Pitch;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * How the strings are tuned.
 *
 * @param name in players' words
 * @param strings sounding pitches of the open strings, the highest first; 1 to 6
 * @param extension semitones that an extension lengthens the lowest string by, 0 to 5; its notes
 *     are played with the gates, so that the hand stays free
 * @param partFollows whether the part is written for this tuning: then a note stands for the place
 *     where it lies on the usual strings, and sounds as these strings do
 */
public record Tuning(String name, List<Pitch> strings, int extension, boolean partFollows) {
  public Tuning {
    Objects.requireNonNull(name);
    strings = List.copyOf(strings);
    if (strings.isEmpty() || strings.size() > 6) {
      throw new IllegalArgumentException(strings.size() + " strings are outside 1 to 6");
    }
    for (int i = 1; i < strings.size(); i++) {
      if (strings.get(i).midi() >= strings.get(i - 1).midi()) {
        throw new IllegalArgumentException("strings are not in order from the highest: " + strings);
      }
    }
    if (extension < 0 || extension > 5) {
      throw new IllegalArgumentException("extension of " + extension + " is outside 0 to 5");
    }
  }

  /** The usual tuning of an instrument (common practice, no source). */
  public static Tuning usual(InstrumentType type) {
    return switch (type) {
      case VIOLIN -> plain("usual", "E5 A4 D4 G3");
      case VIOLA -> plain("usual", "A4 D4 G3 C3");
      case CELLO -> plain("usual", "A3 D3 G2 C2");
      case BASS -> plain("usual", "G2 D2 A1 E1");
    };
  }

  /** Tunings to choose from, the usual one first (common practice, no source). */
  public static List<Tuning> choices(InstrumentType type) {
    return switch (type) {
      case VIOLIN -> List.of(usual(type), plain("five strings, low C", "E5 A4 D4 G3 C3"));
      case VIOLA -> List.of(usual(type), plain("five strings, high E", "E5 A4 D4 G3 C3"));
      case CELLO ->
          List.of(
              usual(type),
              plain("five strings, high E", "E4 A3 D3 G2 C2"),
              plain("top string a tone down", "G3 D3 G2 C2").following());
      case BASS ->
          List.of(
              usual(type),
              plain("five strings, low B", "G2 D2 A1 E1 B0"),
              plain("five strings, low C", "G2 D2 A1 E1 C1"),
              plain("five strings, high C", "C3 G2 D2 A1 E1"),
              new Tuning("extension to C", usual(type).strings(), 4, false),
              plain("solo tuning", "A2 E2 B1 F#1").following(),
              plain("fifths", "A2 D2 G1 C1"));
    };
  }

  /**
   * The choices with the usual strings and more below them that reach a note, where the usual ones
   * do not; a part under the lowest string is written for one of them.
   */
  public static List<Tuning> reaching(InstrumentType type, Pitch lowest) {
    Tuning usual = usual(type);
    return usual.lowest() <= lowest.midi()
        ? List.of()
        : choices(type).stream()
            .filter(t -> t.lowest() <= lowest.midi() && !t.partFollows())
            .filter(t -> t.strings().subList(0, usual.strings().size()).equals(usual.strings()))
            .toList();
  }

  private int lowest() {
    return strings.get(strings.size() - 1).midi() - extension;
  }

  private static Tuning plain(String name, String strings) {
    return new Tuning(name, pitches(strings), 0, false);
  }

  private Tuning following() {
    return new Tuning(name, strings, extension, true);
  }

  /**
   * A tuning of the player's own.
   *
   * @param text pitches of the open strings from the highest, such as {@code E5 A4 D4 A3}
   * @throws IllegalArgumentException if the text has another form
   */
  public static Tuning parse(String text, boolean partFollows) {
    return new Tuning("own", pitches(text.trim()), 0, partFollows);
  }

  private static List<Pitch> pitches(String text) {
    return Stream.of(text.split("[ ,]+")).map(Pitch::parse).toList();
  }

  /** The open strings as text that {@link #parse} reads. */
  public String text() {
    return strings.stream().map(Pitch::toString).collect(Collectors.joining(" "));
  }
}
