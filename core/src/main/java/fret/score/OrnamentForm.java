package fret.score;

import java.util.Objects;

/**
 * How an ornament is played.
 *
 * @param perSecond notes a second, 2 to 16
 * @param beats so many beats are ornamented, by the metre's lower number, the rest is plain; 0 for
 *     all of the note
 */
public record OrnamentForm(Start start, double perSecond, Ending ending, double beats) {
  /** From the main note, eight notes a second (common practice, from memory). */
  public static final OrnamentForm USUAL = new OrnamentForm(Start.MAIN, 8, Ending.PRINTED, 0);

  /** The note that a trill begins with; players and times disagree. */
  public enum Start {
    MAIN,
    UPPER
  }

  /** How a trill ends. */
  public enum Ending {
    /** As the page has it. */
    PRINTED,
    /** Straight into what follows. */
    PLAIN,
    /** By way of the lower neighbour. */
    TURNED
  }

  public OrnamentForm {
    Objects.requireNonNull(start);
    Objects.requireNonNull(ending);
    if (!(perSecond >= 2) || !(perSecond <= 16)) {
      throw new IllegalArgumentException(perSecond + " notes a second are outside 2 to 16");
    }
    if (!(beats >= 0) || !(beats <= 64)) {
      throw new IllegalArgumentException(beats + " beats are outside 0 to 64");
    }
  }

  public OrnamentForm from(Start other) {
    return new OrnamentForm(other, perSecond, ending, beats);
  }

  public OrnamentForm at(double notesASecond) {
    return new OrnamentForm(start, notesASecond, ending, beats);
  }

  public OrnamentForm ending(Ending other) {
    return new OrnamentForm(start, perSecond, other, beats);
  }

  public OrnamentForm first(double other) {
    return new OrnamentForm(start, perSecond, ending, other);
  }
}
