package fret.instrument;

import java.util.Collection;

/**
 * Where the bow lies: strings over a curved bridge, and the hair.
 *
 * <p>The plane of a string is the angle of the bow on it, in degrees, 0 half-way between the outer
 * strings, growing towards the lowest string. The plane of a pair lies half-way between its
 * strings. Spacings, curvatures and hair lengths are common practice, no source, from memory.
 *
 * @param spacingMm distance of neighbouring strings at the bridge, above 0
 * @param radiusMm curvature of the bridge, above half the spacing
 * @param hairCm playable hair, 20 to 75
 * @param strings number of strings
 */
public record BowGeometry(double spacingMm, double radiusMm, double hairCm, int strings) {
  /** Least distance in cm from the hand to the string: at the frog the hand stands beside it. */
  public static final double LEAST_LEVER_CM = 3;

  public BowGeometry {
    if (!(spacingMm > 0) || !(radiusMm > spacingMm / 2)) {
      throw new IllegalArgumentException(
          "strings " + spacingMm + " mm apart on a radius of " + radiusMm + " mm");
    }
    if (!(hairCm >= 20) || !(hairCm <= 75)) {
      throw new IllegalArgumentException("hair of " + hairCm + " cm is outside 20 to 75");
    }
  }

  /** The usual bridge and bow of an instrument. */
  public static BowGeometry usual(Instrument instrument) {
    int strings = instrument.stringCount();
    return switch (instrument.type()) {
      case VIOLIN -> new BowGeometry(11.4, 42, 62, strings);
      case VIOLA -> new BowGeometry(12.5, 50, 61, strings);
      case CELLO -> new BowGeometry(15.7, 66, 57, strings);
      case BASS -> new BowGeometry(28, 78, 52, strings);
    };
  }

  public BowGeometry withHair(double cm) {
    return new BowGeometry(spacingMm, radiusMm, cm, strings);
  }

  /** Angle between neighbouring strings in degrees: 2 asin(spacing / 2 radius). */
  public double angleDegrees() {
    return Math.toDegrees(2 * Math.asin(spacingMm / (2 * radiusMm)));
  }

  /**
   * The plane of a string.
   *
   * @param string 1 the highest
   */
  public double planeDegrees(int string) {
    return (string - (strings + 1) / 2.0) * angleDegrees();
  }

  /** The plane on which some strings sound together: half-way between the outer ones of them. */
  public double planeDegrees(Collection<Integer> sounding) {
    int high = sounding.stream().min(Integer::compare).orElseThrow();
    int low = sounding.stream().max(Integer::compare).orElseThrow();
    return (planeDegrees(high) + planeDegrees(low)) / 2;
  }

  /**
   * How far the hand travels in cm when the bow turns about a string: angle in radians times lever.
   *
   * @param placeCm from the frog to the string
   */
  public double handCm(double degrees, double placeCm) {
    return Math.toRadians(Math.abs(degrees)) * Math.max(LEAST_LEVER_CM, placeCm);
  }
}
