package fret.engraving;

import fret.score.Bar;
import fret.score.Direction;
import fret.score.Direction.Kind;
import fret.score.Score;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Something that lasts from one onset to another: a hairpin, an octave line.
 *
 * @param sign how it begins
 */
record Spanner(Direction sign, Fraction from, Fraction to) {
  /**
   * Those of a part, in order; what is never ended is left out.
   *
   * @param starts what begins one; a new one ends the one before
   */
  static List<Spanner> of(Score score, Set<Kind> starts, Kind end) {
    List<Spanner> all = new ArrayList<>();
    Direction open = null;
    for (Bar bar : score.bars()) {
      for (Direction d : bar.directions()) {
        boolean begins = starts.contains(d.kind());
        boolean ends = d.kind() == end && open != null && open.onset().compareTo(d.onset()) < 0;
        if (open != null && (begins || ends)) {
          all.add(new Spanner(open, open.onset(), d.onset()));
        }
        open = begins ? d : ends ? null : open;
      }
    }
    return all;
  }

  boolean covers(Fraction onset) {
    return from.compareTo(onset) <= 0 && onset.compareTo(to) < 0;
  }

  /** Whether any of it lies on a line. */
  boolean isOn(Score line) {
    return from.compareTo(line.end()) < 0 && to.compareTo(line.bars().get(0).start()) > 0;
  }

  boolean comesInto(Score line) {
    return from.compareTo(line.bars().get(0).start()) < 0;
  }

  boolean goesOnAfter(Score line) {
    return to.compareTo(line.end()) > 0;
  }

  /** How much of it is over at an onset, 0 to 1. */
  double share(Fraction onset) {
    double all = to.subtract(from).doubleValue();
    return all <= 0 ? 1 : Math.max(0, Math.min(1, onset.subtract(from).doubleValue() / all));
  }
}
