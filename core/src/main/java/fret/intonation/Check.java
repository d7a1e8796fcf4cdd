package fret.intonation;

import fret.pitch.Interval;
import fret.pitch.Pitch;
import java.util.OptionalDouble;

/**
 * Something that a note can be heard against.
 *
 * @param note index of the note that is checked
 * @param against the pitch that it is heard with
 * @param string of an open string or a harmonic; 0 for anything else
 * @param interval from the lower to the higher of the two
 * @param centsFromEqual where the note rings with it, against equal temperament on the player's A
 * @param mm how far its finger moves from its equal place, positive towards the bridge; 0 for an
 *     open string
 * @param beside whether the two lie on neighbouring strings, so that the bow can sound both
 * @param gapMm distance of the two fingers then; empty where one of the notes is open
 * @param gapEqualMm that of their equal places
 */
public record Check(
    int note,
    Kind kind,
    Pitch against,
    int string,
    Interval interval,
    Ratio ratio,
    double centsFromEqual,
    double mm,
    boolean beside,
    OptionalDouble gapMm,
    OptionalDouble gapEqualMm) {
  /** What it is heard against. */
  public enum Kind {
    OPEN("open"),
    HARMONIC("harmonic"),
    DOUBLE_STOP("double-stop"),
    PEDAL("pedal"),
    NEIGHBOUR("neighbour"),
    DRONE("drone"),
    IN_TIME("in-time");

    private final String id;

    Kind(String id) {
      this.id = id;
    }

    /** Stable name. */
    public String id() {
      return id;
    }
  }
}
