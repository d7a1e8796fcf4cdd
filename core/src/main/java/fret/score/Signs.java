package fret.score;

import java.util.List;
import java.util.Set;

/**
 * What is attached to a note, chord or rest.
 *
 * @param slurStarts numbers of the slurs that start here
 * @param slurStops numbers of the slurs that end here
 * @param articulations printed articulations
 * @param ornament a played ornament, or {@link Ornament#NONE}
 * @param ornamentAlter accidental at the ornament in semitones, or {@link #NO_ALTER}
 * @param bow printed bow mark
 * @param tremolo strokes through the stem, 0 to 4
 * @param tuplet the tuplet this belongs to, or {@link Tuplet#NONE}
 * @param beams how each beam level goes on, outermost first; empty when the file says nothing
 */
public record Signs(
    List<Integer> slurStarts,
    List<Integer> slurStops,
    Set<Articulation> articulations,
    Ornament ornament,
    int ornamentAlter,
    Bow bow,
    boolean fermata,
    int tremolo,
    Tuplet tuplet,
    List<Beam> beams) {
  /** {@link #ornamentAlter} when no accidental is printed. */
  public static final int NO_ALTER = Integer.MIN_VALUE;

  public static final Signs PLAIN =
      new Signs(
          List.of(),
          List.of(),
          Set.of(),
          Ornament.NONE,
          NO_ALTER,
          Bow.NONE,
          false,
          0,
          Tuplet.NONE,
          List.of());

  /** Articulation marks. */
  public enum Articulation {
    STACCATO,
    STACCATISSIMO,
    TENUTO,
    ACCENT,
    MARCATO,
    DETACHED_LEGATO
  }

  /** Ornaments. */
  public enum Ornament {
    NONE,
    TRILL,
    TRILL_WITH_TERMINATION,
    TURN,
    INVERTED_TURN,
    MORDENT,
    INVERTED_MORDENT
  }

  /** Bow marks. */
  public enum Bow {
    NONE,
    DOWN,
    UP
  }

  /** How a beam goes on at a note. */
  public enum Beam {
    BEGIN,
    CONTINUE,
    END,
    HOOK_FORWARD,
    HOOK_BACKWARD
  }

  /**
   * Membership in a tuplet.
   *
   * @param actual notes played, 1 for none
   * @param normal in the time of this many
   * @param starts the bracket starts here
   * @param stops the bracket ends here
   */
  public record Tuplet(int actual, int normal, boolean starts, boolean stops) {
    public static final Tuplet NONE = new Tuplet(1, 1, false, false);

    public boolean isPresent() {
      return actual != 1 || normal != 1;
    }
  }

  public Signs {
    slurStarts = List.copyOf(slurStarts);
    slurStops = List.copyOf(slurStops);
    articulations =
        articulations.isEmpty()
            ? Set.of()
            : java.util.Collections.unmodifiableSet(java.util.EnumSet.copyOf(articulations));
    beams = List.copyOf(beams);
  }

  public Signs withSlurs(List<Integer> starts, List<Integer> stops) {
    return new Signs(
        starts,
        stops,
        articulations,
        ornament,
        ornamentAlter,
        bow,
        fermata,
        tremolo,
        tuplet,
        beams);
  }

  public Signs withBow(Bow other) {
    return new Signs(
        slurStarts,
        slurStops,
        articulations,
        ornament,
        ornamentAlter,
        other,
        fermata,
        tremolo,
        tuplet,
        beams);
  }

  public Signs withArticulations(Set<Articulation> other) {
    return new Signs(
        slurStarts,
        slurStops,
        other,
        ornament,
        ornamentAlter,
        bow,
        fermata,
        tremolo,
        tuplet,
        beams);
  }

  public Signs withOrnament(Ornament other) {
    return new Signs(
        slurStarts,
        slurStops,
        articulations,
        other,
        ornamentAlter,
        bow,
        fermata,
        tremolo,
        tuplet,
        beams);
  }

  public Signs withFermata(boolean other) {
    return new Signs(
        slurStarts,
        slurStops,
        articulations,
        ornament,
        ornamentAlter,
        bow,
        other,
        tremolo,
        tuplet,
        beams);
  }

  public Signs withTremolo(int other) {
    return new Signs(
        slurStarts,
        slurStops,
        articulations,
        ornament,
        ornamentAlter,
        bow,
        fermata,
        other,
        tuplet,
        beams);
  }

  public Signs withTuplet(Tuplet other) {
    return new Signs(
        slurStarts,
        slurStops,
        articulations,
        ornament,
        ornamentAlter,
        bow,
        fermata,
        tremolo,
        other,
        beams);
  }
}
