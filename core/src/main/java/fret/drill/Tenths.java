package fret.drill;

import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.pitch.Interval;
import fret.pitch.Pitch;
import fret.score.Event;
import fret.score.Score;
import java.util.List;
import java.util.Optional;

/**
 * Tenths up the scale on one pair of strings, first finger below and fourth above (common practice,
 * no source). The hand opens further than any fingering is proposed for: they stand high enough on
 * the fingerboard for it, and belong to violin and viola alone.
 */
public final class Tenths {
  /**
   * Widest opening from first to fourth finger in mm (from memory: seven semitones in first
   * position).
   */
  private static final double WIDEST_MM = 100;

  private static final List<List<Integer>> FIGURE = List.of(List.of(0, 9));
  private static final int OCTAVES = 4;

  private Tenths() {}

  /** As low as a hand can open for them; empty where none can. */
  public static Optional<Score> of(ScaleLine scale, Instrument instrument) {
    boolean small =
        instrument.type() == InstrumentType.VIOLIN || instrument.type() == InstrumentType.VIOLA;
    for (int octave = 0; small && octave < OCTAVES; octave++) {
      Score line = scale.exercise(FIGURE, octave);
      for (int upper = instrument.stringCount() - 1; upper >= 1; upper--) {
        if (reaches(line, instrument, upper)) {
          return Optional.of(fingered(line));
        }
      }
    }
    return Optional.empty();
  }

  private static boolean reaches(Score line, Instrument on, int upper) {
    Interval sounding = line.transposition();
    return line.bars().stream()
        .flatMap(b -> b.events().stream())
        .filter(e -> !e.isRest())
        .allMatch(
            e -> {
              Pitch low = e.heads().get(0).pitch().plus(sounding);
              Pitch high = e.heads().get(1).pitch().plus(sounding);
              int from = on.semitones(upper + 1, low);
              int to = on.semitones(upper, high);
              boolean there = from >= 1 && to <= on.highestSemitone();
              return there && on.mmFromNut(to) - on.mmFromNut(from) <= WIDEST_MM;
            });
  }

  private static Score fingered(Score line) {
    return line.withEach((b, e) -> fingered(e));
  }

  private static Event fingered(Event e) {
    return e.isRest()
        ? e
        : e.withHeads(
            List.of(
                e.heads().get(0).withPrintedFinger("1"), e.heads().get(1).withPrintedFinger("4")));
  }
}
