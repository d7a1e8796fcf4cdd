package fret.session;

import fret.bowing.Swell;
import fret.mark.FlagLayer;
import fret.mark.Marks;
import fret.mark.Place;
import fret.score.OwnLine;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;

/** The player's own loudness, put together from what is decided at single notes. */
final class OwnLines {
  private OwnLines() {}

  /**
   * The line that stands over the printed one.
   *
   * @param levels by moment; {@code swells} likewise: moments in a row with the same are one
   *     hairpin
   */
  static OwnLine of(
      Marks marks, List<Slice> slices, Map<Integer, Double> levels, Map<Integer, Swell> swells) {
    Map<Fraction, Double> byOnset = new HashMap<>();
    levels.forEach((m, level) -> byOnset.put(slices.get(m).onset(), level));
    List<OwnLine.Hairpin> hairpins = new ArrayList<>();
    int from = 0;
    while (from < slices.size()) {
      Swell swell = swells.get(from);
      int last = from;
      while (swell != null && swells.get(last + 1) == swell && levels.get(last + 1) == null) {
        last++;
      }
      if (swell != null) {
        Slice end = slices.get(last);
        Fraction to = end.onset().add(end.duration());
        hairpins.add(new OwnLine.Hairpin(slices.get(from).onset(), to, swell == Swell.GROWS));
      }
      from = last + 1;
    }
    boolean rowsGoOn = marks.at(FlagLayer.HAIRPINS_GO_ON, Place.WHOLE).orElse(false);
    return new OwnLine(byOnset, hairpins, rowsGoOn);
  }
}
