package fret.sound;

import fret.tempo.Beat;
import java.util.Objects;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * What the click gives.
 *
 * @param counted value of a click; empty for the felt beat of each bar's metre
 * @param between clicks to a counted one, 1 to 8
 * @param offBeat whether it sounds between the beats only
 * @param against clicks to a counted one in a second, softer voice, 0 for none
 * @param sounding bars with a click before some are silent; 0 for none at all
 * @param silent bars without one, 0 for none
 * @param barsOnly whether only bars are given
 */
public record ClickStyle(
    Optional<Beat> counted,
    int between,
    boolean offBeat,
    int against,
    int sounding,
    int silent,
    boolean barsOnly) {
  public static final ClickStyle PLAIN = new ClickStyle(Optional.empty(), 1, false, 0, 1, 0, false);

  public static final int MOST_BETWEEN = 8;

  private static final String FELT = "felt";
  private static final int FIELDS = 7;

  public ClickStyle {
    Objects.requireNonNull(counted);
    if (between < 1 || between > MOST_BETWEEN || against < 0 || against > MOST_BETWEEN) {
      throw new IllegalArgumentException(between + " and " + against + " clicks to a beat");
    }
    if (sounding < 0 || silent < 0 || sounding + silent < 1) {
      throw new IllegalArgumentException(sounding + " bars sounding, " + silent + " silent");
    }
  }

  public ClickStyle counting(Beat beat) {
    return new ClickStyle(Optional.of(beat), between, offBeat, against, sounding, silent, barsOnly);
  }

  public ClickStyle withBetween(int other) {
    return new ClickStyle(counted, other, offBeat, against, sounding, silent, barsOnly);
  }

  public ClickStyle offBeat(boolean other) {
    return new ClickStyle(counted, between, other, against, sounding, silent, barsOnly);
  }

  public ClickStyle withAgainst(int other) {
    return new ClickStyle(counted, between, offBeat, other, sounding, silent, barsOnly);
  }

  public ClickStyle silentFor(int bars, int afterBars) {
    return new ClickStyle(counted, between, offBeat, against, afterBars, bars, barsOnly);
  }

  public ClickStyle barsOnly(boolean other) {
    return new ClickStyle(counted, between, offBeat, against, sounding, silent, other);
  }

  /** As it is stored: the counted value, then the numbers, with spaces between. */
  public String text() {
    return counted.map(b -> b.length().toString()).orElse(FELT).replace(" ", "")
        + " "
        + between
        + " "
        + offBeat
        + " "
        + against
        + " "
        + sounding
        + " "
        + silent
        + " "
        + barsOnly;
  }

  /**
   * Reads what {@link #text} wrote.
   *
   * @return empty for anything else
   */
  public static Optional<ClickStyle> read(String text) {
    String[] f = text.split(" ");
    if (f.length != FIELDS) {
      return Optional.empty();
    }
    try {
      Optional<Beat> beat =
          f[0].equals(FELT) ? Optional.empty() : Optional.of(new Beat(Fraction.parse(f[0])));
      return Optional.of(
          new ClickStyle(
              beat,
              Integer.parseInt(f[1]),
              Boolean.parseBoolean(f[2]),
              Integer.parseInt(f[3]),
              Integer.parseInt(f[4]),
              Integer.parseInt(f[5]),
              Boolean.parseBoolean(f[6])));
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }
}
