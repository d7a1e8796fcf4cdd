package fret.fingering;

import fret.search.Explanation;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What a fingering comes to, in numbers that players compare.
 *
 * @param shifts movements of the hand
 * @param travelMm the hand's whole travel
 * @param hardest the shift that asks for most against its time; empty when the hand stays
 * @param crossings strings changed, counted by strings
 * @param openStrings notes on open strings
 * @param stretches moments at which the hand leaves its easy shape
 * @param colourBreaks strings changed within slurs and sung phrases
 * @param fourths notes with the fourth finger
 * @param effort the whole
 */
public record Tally(
    int shifts,
    double travelMm,
    Optional<Shift> hardest,
    int crossings,
    int openStrings,
    int stretches,
    int colourBreaks,
    int fourths,
    double effort) {
  /** Counts a fingering. */
  public static Tally of(Fingering f) {
    List<NoteFinger> notes = f.notes().stream().flatMap(Optional::stream).toList();
    return new Tally(
        f.shifts().size(),
        f.shifts().stream().mapToDouble(Shift::travelMm).sum(),
        f.shifts().stream().max(Comparator.comparingDouble(Shift::bitsPerSecond)),
        (int) Math.round(quantity(f, "crossing")),
        (int) notes.stream().filter(NoteFinger::isOpen).count(),
        causes(f, "stretch"),
        (int) Math.round(quantity(f, "slur-crossing") + quantity(f, "colour")),
        (int) notes.stream().filter(n -> n.finger() == fret.instrument.Finger.FOURTH).count(),
        f.effort());
  }

  private static double quantity(Fingering f, String id) {
    return f.explanation().shares().stream()
        .filter(s -> s.id().equals(id))
        .mapToDouble(Explanation.Share::quantity)
        .sum();
  }

  private static int causes(Fingering f, String id) {
    return f.explanation().shares().stream()
        .filter(s -> s.id().equals(id))
        .mapToInt(s -> s.causes().size())
        .sum();
  }
}
