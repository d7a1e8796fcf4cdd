package fret.bowing;

import fret.base.Said;
import fret.instrument.InstrumentType;
import fret.score.LoudnessLine;
import java.util.ArrayList;
import java.util.List;

/**
 * The bass's strings ask for bow: a long loud note with half of it or less thins out (common
 * practice, no source).
 */
final class ThinNotes {
  /** From so long on a loud note is told, in ms (from memory). */
  private static final double LONG_MS = 1500;

  private ThinNotes() {}

  static List<BowWarning> warnings(Bowing bowing, BowTask task) {
    List<BowWarning> all = new ArrayList<>();
    if (task.instrument().type() != InstrumentType.BASS) {
      return all;
    }
    for (Stroke s : bowing.strokes()) {
      for (Stroke.Note n : s.notes()) {
        BowMoment m = bowing.moments().get(n.moment());
        boolean isLong = m.timeMs() >= LONG_MS && m.level() >= LoudnessLine.FORTE;
        if (isLong && n.ofNatural() <= BowSpeed.EASY && s.missingCm() <= 0) {
          all.add(warning(m, n));
        }
      }
    }
    return all;
  }

  private static BowWarning warning(BowMoment m, Stroke.Note n) {
    Said said =
        Said.of(
            "bow.thin",
            LoudnessLine.word(m.level()),
            Math.round(100 * n.ofNatural()),
            Math.round(n.cmPerS()));
    Cure softer = new Cure(Cure.Kind.SOFTER, n.moment(), n.bowCm(), 0, n.cmPerS() / BowSpeed.EASY);
    return new BowWarning(
        BowWarning.Kind.THIN, n.moment(), m.bar(), 0, 0, 0, said, List.of(softer));
  }
}
