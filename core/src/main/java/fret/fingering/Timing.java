package fret.fingering;

import fret.mark.SlideWish;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.LoudnessLine;
import fret.score.PlayedTimes;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.apache.commons.numbers.fraction.Fraction;

/** Puts the moments of a passage in time; grace notes steal theirs from the note before. */
final class Timing {
  /** What is to be hidden counts so many times (from memory). */
  private static final double HIDDEN = 2;

  private Timing() {}

  /**
   * The moments in time.
   *
   * @param wishes what the player asks of notes
   */
  static List<TimedSlice> of(ResolvedPassage passage, TempoMap tempo, Wishes wishes) {
    List<Slice> slices = passage.slices();
    double[] patterns = BowPatterns.of(passage);
    boolean[] themes = Themes.of(passage);
    PlayedTimes times = PlayedTimes.of(passage, tempo);
    double[] seconds =
        IntStream.range(0, slices.size()).mapToDouble(i -> times.durationMs(i) / 1000).toArray();
    Pedal[] pedals = Pedal.of(passage, seconds);
    boolean[] bounced = Bouncing.of(passage, seconds);
    BowPatterns.goOn(pedals, patterns);
    TreeMap<Fraction, Integer> loudness = loudness(passage);
    List<TimedSlice> timed = new ArrayList<>();
    for (int i = 0; i < slices.size(); i++) {
      Slice slice = slices.get(i);
      Map.Entry<Fraction, Integer> level = loudness.floorEntry(slice.onset());
      timed.add(
          new TimedSlice(
              slice,
              times.startMs()[i],
              times.endMs()[i],
              level == null ? LoudnessLine.MEZZO_FORTE : level.getValue(),
              onBeat(passage, slice),
              contour(passage, i, seconds[i], patterns),
              slice.starting().stream().anyMatch(wishes.vibrato()::contains),
              LetGo.worth(passage, slice),
              patterns[i],
              interval(passage, slice),
              slide(wishes, slice),
              themes[i],
              bounced[i],
              pedals[i]));
    }
    return timed;
  }

  /** In a pattern of the bow no crossing is for one note alone: none need be remembered. */
  private static Contour contour(
      ResolvedPassage passage, int i, double seconds, double[] patterns) {
    Contour contour = Contour.of(passage, i, seconds);
    boolean inPattern = i + 1 < patterns.length && patterns[i] < 1 && patterns[i + 1] < 1;
    return inPattern ? contour.withoutTurn() : contour;
  }

  private static double slide(Wishes wishes, Slice slice) {
    for (int note : slice.starting()) {
      SlideWish asked = wishes.slides().get(note);
      if (asked != null) {
        return asked == SlideWish.HEARD ? 0 : HIDDEN;
      }
    }
    return 1;
  }

  private static int interval(ResolvedPassage passage, Slice slice) {
    List<Integer> notes = slice.starting();
    if (notes.size() != 2 || !slice.held().isEmpty()) {
      return 0;
    }
    return passage.notes().get(notes.get(1)).pitch().midi()
        - passage.notes().get(notes.get(0)).pitch().midi();
  }

  private static TreeMap<Fraction, Integer> loudness(ResolvedPassage passage) {
    TreeMap<Fraction, Integer> levels = new TreeMap<>();
    for (Bar bar : passage.score().bars()) {
      for (Direction d : bar.directions()) {
        int level = d.kind() == Direction.Kind.DYNAMIC ? LoudnessLine.WORDS.indexOf(d.text()) : -1;
        if (level >= 0) {
          levels.put(d.onset(), level);
        }
      }
    }
    return levels;
  }

  private static boolean onBeat(ResolvedPassage passage, Slice slice) {
    if (slice.grace() > 0) {
      return false;
    }
    Bar bar = passage.score().bar(passage.notes().get(slice.starting().get(0)).key().barIndex());
    return bar.time().groupStarts().contains(bar.placeOf(slice.onset()));
  }
}
