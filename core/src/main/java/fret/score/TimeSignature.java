package fret.score;

import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * A metre.
 *
 * @param groups the upper numbers; one for a plain metre, several for 2+3
 * @param beatType the lower number, a power of two from 1 to 64
 * @param sign how it is printed
 */
public record TimeSignature(List<Integer> groups, int beatType, Sign sign) {
  /** Numbers, the common-time C, or the cut C. */
  public enum Sign {
    NUMBERS,
    COMMON,
    CUT
  }

  public static final TimeSignature COMMON_TIME = of(4, 4);

  public TimeSignature {
    groups = List.copyOf(groups);
    if (groups.isEmpty() || groups.stream().anyMatch(g -> g < 1 || g > 64)) {
      throw new IllegalArgumentException("metre with upper numbers " + groups);
    }
    if (beatType < 1 || beatType > 64 || Integer.bitCount(beatType) != 1) {
      throw new IllegalArgumentException("metre with lower number " + beatType);
    }
  }

  public static TimeSignature of(int beats, int beatType) {
    return new TimeSignature(List.of(beats), beatType, Sign.NUMBERS);
  }

  public int beats() {
    return groups.stream().mapToInt(Integer::intValue).sum();
  }

  /** Length of a full bar in whole notes. */
  public Fraction barLength() {
    return Fraction.of(beats(), beatType);
  }

  /** Length of the metre's written unit: 1/8 in 6/8. */
  public Fraction unit() {
    return Fraction.of(1, beatType);
  }

  /** True for 6/8, 9/8, 12/8 and the like, where three units make one felt beat. */
  public boolean isCompound() {
    return groups.size() == 1 && beats() > 3 && beats() % 3 == 0 && beatType >= 8;
  }

  /**
   * Length of the felt beat, the one a click gives: a dotted quarter in 6/8, a half in cut time.
   */
  public Fraction beatLength() {
    if (isCompound()) {
      return Fraction.of(3, beatType);
    }
    return sign == Sign.CUT ? Fraction.of(1, 2) : unit();
  }

  /** Where groups (beats, or 2+3) start within the bar, in whole notes from its start. */
  public List<Fraction> groupStarts() {
    List<Fraction> starts = new java.util.ArrayList<>();
    Fraction at = Fraction.ZERO;
    if (groups.size() > 1) {
      for (int group : groups) {
        starts.add(at);
        at = at.add(Fraction.of(group, beatType));
      }
    } else {
      while (at.compareTo(barLength()) < 0) {
        starts.add(at);
        at = at.add(beatLength());
      }
    }
    return starts;
  }
}
