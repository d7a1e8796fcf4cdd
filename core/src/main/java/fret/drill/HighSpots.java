package fret.drill;

import fret.base.Fractions;
import fret.base.Said;
import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.instrument.Instrument;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/** Three notes or more in a row so high that a semitone is narrower than a finger. */
final class HighSpots {
  private static final int FEWEST = 3;
  private static final double NARROW_MM = 10;
  private static final int MOST_NOTES = 16;

  private HighSpots() {}

  static List<Chunk> of(ResolvedPassage passage, Fingering fingering, Instrument instrument) {
    List<Chunk> all = new ArrayList<>();
    int from = -1;
    double narrowest = NARROW_MM;
    for (Slice s : passage.slices()) {
      double mm = semitoneMm(s, fingering, instrument);
      boolean narrow = mm < NARROW_MM;
      boolean full = from >= 0 && s.index() - from >= MOST_NOTES;
      if (from >= 0 && (!narrow || full)) {
        add(all, passage, from, s.index() - 1, narrowest);
        from = -1;
        narrowest = NARROW_MM;
      }
      if (narrow) {
        from = from < 0 ? s.index() : from;
        narrowest = Math.min(narrowest, mm);
      }
    }
    if (from >= 0) {
      add(all, passage, from, passage.slices().size() - 1, narrowest);
    }
    return all;
  }

  /** Distance to the next semitone where the highest stopped finger stands. */
  private static double semitoneMm(Slice s, Fingering fingering, Instrument instrument) {
    double least = Double.MAX_VALUE;
    for (int note : s.starting()) {
      Optional<NoteFinger> place = fingering.notes().get(note);
      if (place.isPresent() && !place.get().isOpen() && !place.get().harmonic()) {
        int n = place.get().semitone();
        least = Math.min(least, instrument.mmFromNut(n + 1) - instrument.mmFromNut(n));
      }
    }
    return least;
  }

  private static void add(
      List<Chunk> all, ResolvedPassage passage, int from, int to, double narrowest) {
    if (to - from + 1 < FEWEST) {
      return;
    }
    SoundingNote first = passage.notes().get(passage.slices().get(from).starting().get(0));
    SoundingNote last = passage.notes().get(passage.slices().get(to).starting().get(0));
    Slice end = passage.slices().get(to);
    all.add(
        new Chunk(
            "high-" + from,
            Chunk.Kind.SPOT,
            first.key(),
            last.key(),
            first.bar(),
            last.bar(),
            first.onset(),
            end.onset().add(Fractions.max(end.duration(), Fraction.of(1, 64))),
            to - from + 1,
            Said.of("chunk.narrow", Said.tenths(narrowest))));
  }
}
