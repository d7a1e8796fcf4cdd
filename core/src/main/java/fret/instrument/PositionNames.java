package fret.instrument;

import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Names of left-hand positions as they are taught on each instrument (common practice, no source).
 */
public final class PositionNames {
  private static final String[] ORDINAL = {
    "half",
    "first",
    "second",
    "third",
    "fourth",
    "fifth",
    "sixth",
    "seventh",
    "eighth",
    "ninth",
    "tenth",
    "eleventh",
    "twelfth",
    "thirteenth",
    "fourteenth"
  };
  private static final int[] VIOLIN = {
    0, 0, 1, 2, 2, 3, 3, 4, 5, 5, 6, 6, 7, 8, 8, 9, 9, 10, 10, 11, 12, 12, 13, 13, 14
  };
  private static final int[] CELLO = {
    0, 0, 1, 2, 2, 3, 4, 4, 5, 5, 6, 6, 7, 8, 8, 9, 9, 10, 10, 11, 12, 12
  };
  private static final String[] BASS = {
    "half",
    "half",
    "first",
    "second",
    "between second and third",
    "third",
    "between third and fourth",
    "fourth",
    "fifth",
    "between fifth and sixth",
    "sixth",
    "between sixth and seventh",
    "seventh"
  };

  private PositionNames() {}

  /**
   * The name of a position on a string: with the thumb on it, the thumb's note is told.
   *
   * @param base semitones above the open string where the first finger would stand; the thumb
   *     stands a whole tone below it
   */
  public static String of(Instrument instrument, int string, int base, boolean thumb) {
    String name = of(instrument.type(), base, thumb);
    if (!thumb) {
      return name + " position";
    }
    int midi = instrument.open(string).midi() + Math.max(0, base - 2);
    return "thumb position, thumb on " + Pitch.ofMidi(midi, KeySignature.NONE);
  }

  private static final String[] ORDINAL_IN_SHORT = {"½", "1st", "2nd", "3rd"};

  private static final Map<InstrumentType, List<String>> SHORT = shortNames();

  private static Map<InstrumentType, List<String>> shortNames() {
    Map<InstrumentType, List<String>> all = new EnumMap<>(InstrumentType.class);
    for (InstrumentType type : InstrumentType.values()) {
      all.put(
          type,
          IntStream.range(0, VIOLIN.length).mapToObj(b -> inShort(of(type, b, false))).toList());
    }
    return all;
  }

  private static String inShort(String name) {
    List<String> ordinals = List.of(ORDINAL);
    return Arrays.stream(name.replace("between ", "").replace(" and ", " / ").split(" "))
        .map(
            w -> {
              int at = ordinals.indexOf(w);
              return at < 0 ? w : at < ORDINAL_IN_SHORT.length ? ORDINAL_IN_SHORT[at] : at + "th";
            })
        .collect(Collectors.joining(" "))
        .replace(" / ", "/");
  }

  /** The name in a few letters, as on a page: "½", "1st", "low 2nd", "2nd/3rd". */
  public static String shortOf(InstrumentType type, int base, boolean thumb) {
    List<String> names = SHORT.get(type);
    return thumb ? of(type, base, true) : names.get(Math.max(0, Math.min(base, names.size() - 1)));
  }

  /**
   * The name of a position.
   *
   * @param base semitones above the open string where the first finger would stand, 1 or more
   * @param thumb whether the thumb is on the strings
   */
  public static String of(InstrumentType type, int base, boolean thumb) {
    if (thumb) {
      return "thumb";
    }
    if (type == InstrumentType.BASS) {
      return BASS[Math.min(Math.max(base, 1), BASS.length - 1)];
    }
    int[] table = type == InstrumentType.CELLO ? CELLO : VIOLIN;
    int at = Math.min(Math.max(base, 1), table.length - 1);
    String name = ORDINAL[table[at]];
    boolean lowOfTwo = at + 1 < table.length && table[at + 1] == table[at] && at > 1;
    if (at == 6 && type != InstrumentType.CELLO) {
      return "raised third";
    }
    return lowOfTwo && at != 5 ? "low " + name : name;
  }
}
