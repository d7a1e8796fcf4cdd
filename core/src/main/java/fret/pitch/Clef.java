package fret.pitch;

import java.util.Objects;

/**
 * A clef: which sign on which line, and whether it sounds octaves higher or lower.
 *
 * @param sign the letter family
 * @param line 1 (lowest) to 5
 * @param octaveChange octaves the sounding pitch lies above the plain clef's, -2 to 2
 */
public record Clef(Sign sign, int line, int octaveChange) {
  /** The three clef families; each marks its own pitch: G4, F3 and C4. */
  public enum Sign {
    G,
    F,
    C
  }

  public static final Clef TREBLE = new Clef(Sign.G, 2, 0);
  public static final Clef ALTO = new Clef(Sign.C, 3, 0);
  public static final Clef TENOR = new Clef(Sign.C, 4, 0);
  public static final Clef BASS = new Clef(Sign.F, 4, 0);

  public Clef {
    Objects.requireNonNull(sign);
    if (line < 1 || line > 5) {
      throw new IllegalArgumentException("clef line " + line + " is outside 1 to 5");
    }
    if (octaveChange < -2 || octaveChange > 2) {
      throw new IllegalArgumentException("clef octave " + octaveChange + " is outside -2 to 2");
    }
  }

  /**
   * Where a pitch stands on the stave, in half spaces above the bottom line: 0 on the bottom line,
   * 8 on the top line.
   */
  public int staffPosition(Pitch pitch) {
    int reference =
        switch (sign) {
          case G -> 4 * 7 + Step.G.ordinal();
          case F -> 3 * 7 + Step.F.ordinal();
          case C -> 4 * 7 + Step.C.ordinal();
        };
    return pitch.diatonic() - 7 * octaveChange - reference + 2 * (line - 1);
  }

  /** Staff position of a key signature's accidental on the given letter. */
  public int keyPosition(Step step, boolean sharp) {
    // The usual zigzag lies between these positions; sharps in the tenor clef start low.
    int low = sharp ? (equals(TENOR) ? 2 : 3) : 1;
    if (line == 4 && sign == Sign.F) {
      low = sharp ? 1 : -1;
    } else if (equals(ALTO)) {
      low = sharp ? 2 : 0;
    } else if (equals(TENOR) && !sharp) {
      low = 2;
    }
    int position = staffPosition(new Pitch(step, 0, 4)) - 7 * 4;
    while (position < low) {
      position += 7;
    }
    return position;
  }

  /** The clef's everyday name. */
  public String displayName() {
    String plain =
        switch (sign) {
          case G -> "treble";
          case F -> line == 4 ? "bass" : "baritone";
          case C -> line == 3 ? "alto" : line == 4 ? "tenor" : "C on line " + line;
        };
    return octaveChange == 0
        ? plain
        : plain + (octaveChange < 0 ? " (octave low)" : " (octave high)");
  }
}
