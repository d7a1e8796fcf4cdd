package fret.take;

import java.util.List;
import java.util.Optional;

/**
 * A recording laid along the part.
 *
 * @param notes in order of the expected moments, those that were heard; of several tries the last
 * @param taken stops after which it was taken up again
 * @param leftOut stretches that fit nothing expected
 * @param missing expected moments between heard ones that were not heard
 * @param tunedCents of the whole take from the expected tuning
 * @param alignedShare of what sounds that was laid along the part, 0 to 1
 */
public record Heard(
    double seconds,
    List<HeardNote> notes,
    List<TakenUp> taken,
    List<LeftOut> leftOut,
    List<Integer> missing,
    double tunedCents,
    double alignedShare) {
  /**
   * A stop and where it went on.
   *
   * @param moment with which it went on
   * @param brokenOff the last one before the stop
   */
  public record TakenUp(int moment, int brokenOff, double atS) {}

  /** A stretch of the recording, in s. */
  public record LeftOut(double from, double to) {}

  public Heard {
    notes = List.copyOf(notes);
    taken = List.copyOf(taken);
    leftOut = List.copyOf(leftOut);
    missing = List.copyOf(missing);
  }

  public Optional<HeardNote> of(int moment) {
    int low = 0;
    int high = notes.size() - 1;
    while (low <= high) {
      int middle = (low + high) / 2;
      int at = notes.get(middle).moment();
      if (at == moment) {
        return Optional.of(notes.get(middle));
      }
      if (at < moment) {
        low = middle + 1;
      } else {
        high = middle - 1;
      }
    }
    return Optional.empty();
  }
}
