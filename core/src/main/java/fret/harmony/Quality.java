package fret.harmony;

import java.util.List;

/** Kinds of chord, by semitones above the root. */
public enum Quality {
  MAJOR("", List.of(0, 4, 7)),
  MINOR("m", List.of(0, 3, 7)),
  DIMINISHED("o", List.of(0, 3, 6)),
  DOMINANT_SEVENTH("7", List.of(0, 4, 7, 10)),
  MINOR_SEVENTH("m7", List.of(0, 3, 7, 10)),
  MAJOR_SEVENTH("maj7", List.of(0, 4, 7, 11)),
  HALF_DIMINISHED("h7", List.of(0, 3, 6, 10)),
  DIMINISHED_SEVENTH("o7", List.of(0, 3, 6, 9));

  private final String sign;
  private final List<Integer> members;

  Quality(String sign, List<Integer> members) {
    this.sign = sign;
    this.members = members;
  }

  /** What stands behind the root's name. */
  public String sign() {
    return sign;
  }

  /** Semitones above the root, the root first. */
  public List<Integer> members() {
    return members;
  }

  public boolean isSeventh() {
    return members.size() == 4;
  }

  /** Whether its third is minor. */
  public boolean isMinor() {
    return members.get(1) == 3;
  }
}
