package fret.harmony;

/**
 * A chord.
 *
 * @param root pitch class, C 0
 */
public record Chord(int root, Quality quality) {
  private static final String[] NUMERALS = {
    "I", "bII", "II", "bIII", "III", "IV", "#IV", "V", "bVI", "VI", "bVII", "VII"
  };
  private static final String[] IN_MINOR = {
    "I", "bII", "II", "III", "#III", "IV", "#IV", "V", "VI", "#VI", "VII", "VII"
  };

  /**
   * Reads what {@link #text} writes: a root and a kind, such as {@code F#m7}.
   *
   * @throws IllegalArgumentException if it is no chord
   */
  public static Chord parse(String text) {
    String t = text.strip();
    int signs = 1;
    while (signs < t.length() && (t.charAt(signs) == '#' || t.charAt(signs) == 'b')) {
      signs++;
    }
    if (t.isEmpty() || "CDEFGAB".indexOf(t.charAt(0)) < 0) {
      throw new IllegalArgumentException("no chord: " + text);
    }
    int root = fret.pitch.Pitch.parse(t.substring(0, signs) + "4").midi();
    for (Quality q : Quality.values()) {
      if (q.sign().equals(t.substring(signs))) {
        return new Chord(Math.floorMod(root, 12), q);
      }
    }
    throw new IllegalArgumentException("no chord: " + text);
  }

  boolean has(int pitchClass) {
    return quality.members().contains(Math.floorMod(pitchClass - root, 12));
  }

  /** Root and kind, spelled as in a key: "G7", "F#m". */
  public String text(Key key) {
    boolean leads = quality == Quality.DIMINISHED || quality == Quality.DIMINISHED_SEVENTH;
    // A diminished chord that leads to a degree is spelled as its leading note.
    int goal = Math.floorMod(root + 1, 12);
    int fifths = leads && key.has(goal) ? key.fifthsOf(goal) + 5 : key.fifthsOf(root);
    return Key.name(fifths) + quality.sign();
  }

  /**
   * Its roman numeral in a key, plain text without figures of inversion; a dominant of another
   * degree is told as such (V7/V).
   */
  public String numeral(Key key) {
    int above = Math.floorMod(root - key.tonic(), 12);
    boolean dominant = quality == Quality.MAJOR || quality == Quality.DOMINANT_SEVENTH;
    boolean chromatic =
        quality.members().stream().anyMatch(m -> !key.has(Math.floorMod(root + m, 12)));
    boolean ofFourth = quality == Quality.DOMINANT_SEVENTH && above == 0;
    if (dominant && above != 7 && (chromatic || ofFourth)) {
      int goal = Math.floorMod(above + 5, 12);
      Chord to = new Chord(Math.floorMod(root + 5, 12), goalQuality(key, goal));
      if (key.has(to.root()) && goal != 0) {
        return (quality.isSeventh() ? "V7/" : "V/") + to.plain(key, goal);
      }
    }
    boolean leads = quality == Quality.DIMINISHED || quality == Quality.DIMINISHED_SEVENTH;
    int goal = Math.floorMod(above + 1, 12);
    if (leads && goal != 0 && chromatic && key.has(Math.floorMod(root + 1, 12))) {
      Chord to = new Chord(Math.floorMod(root + 1, 12), goalQuality(key, goal));
      return (quality.isSeventh() ? "viio7/" : "viio/") + to.plain(key, goal);
    }
    return plain(key, above);
  }

  private static Quality goalQuality(Key key, int degree) {
    boolean minorGoal =
        key.minor() ? degree == 5 || degree == 0 : degree == 2 || degree == 4 || degree == 9;
    return minorGoal ? Quality.MINOR : Quality.MAJOR;
  }

  private String plain(Key key, int above) {
    String name = (key.minor() ? IN_MINOR : NUMERALS)[above];
    String numeral = quality.isMinor() ? name.toLowerCase(java.util.Locale.ROOT) : name;
    String kind =
        switch (quality) {
          case DIMINISHED -> "o";
          case HALF_DIMINISHED -> "h7";
          case DIMINISHED_SEVENTH -> "o7";
          case MAJOR, MINOR -> "";
          default -> "7";
        };
    return numeral + kind;
  }
}
