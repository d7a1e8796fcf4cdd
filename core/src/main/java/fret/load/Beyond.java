package fret.load;

import fret.bowing.Bowing;
import fret.bowing.Stroke;
import fret.bowing.StrokeKind;
import fret.score.PlayedTimes;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What no hand and no bow plays: notes in a row that go by faster than the left hand can, strokes
 * that go by faster than their kind can.
 *
 * @param bar printed number
 * @param perSecond notes or strokes a second that are asked for
 * @param most that can be given
 * @param stroke the kind; empty where it is the left hand
 */
public record Beyond(String bar, double perSecond, double most, Optional<StrokeKind> stroke) {
  /** Notes that are looked at together: one quick pair is an ornament. */
  private static final int TOGETHER = 4;

  /** A hair over a limit is at it. */
  private static final double HAIR = 1.02;

  /** The worst of each bar and kind, in order. */
  public static List<Beyond> of(
      ResolvedPassage passage, TempoMap tempo, Bowing bowing, Limits limits) {
    Map<String, Beyond> all = new LinkedHashMap<>();
    PlayedTimes times = PlayedTimes.of(passage, tempo);
    for (int i = TOGETHER; i < passage.slices().size(); i++) {
      if (isRun(passage, i - TOGETHER, i)) {
        double ms = times.startMs()[i] - times.startMs()[i - TOGETHER];
        put(all, passage, i - 1, TOGETHER * 1000 / ms, limits.noteRate(), Optional.empty());
      }
    }
    for (Stroke s : bowing.strokes()) {
      Optional<StrokeKind> kind = Optional.of(s.kind());
      put(all, passage, s.fromMoment(), bowing.rate(s), s.kind().mostRate(), kind);
    }
    return List.copyOf(new ArrayList<>(all.values()));
  }

  /** Whether notes follow each other without a rest or a grace note, each another finger's. */
  private static boolean isRun(ResolvedPassage passage, int from, int to) {
    for (int i = from; i < to; i++) {
      Slice s = passage.slices().get(i);
      Slice next = passage.slices().get(i + 1);
      if (s.grace() > 0 || next.grace() > 0 || s.restAfter().signum() > 0) {
        return false;
      }
      if (pitch(passage, s) == pitch(passage, next)) {
        return false;
      }
    }
    return true;
  }

  private static int pitch(ResolvedPassage passage, Slice s) {
    return passage.notes().get(s.starting().get(0)).pitch().midi();
  }

  private static void put(
      Map<String, Beyond> all,
      ResolvedPassage passage,
      int moment,
      double rate,
      double most,
      Optional<StrokeKind> kind) {
    if (!(rate > HAIR * most)) {
      return;
    }
    Slice slice = passage.slices().get(moment);
    String bar = passage.notes().get(slice.starting().get(0)).bar();
    all.merge(
        bar + kind.map(StrokeKind::id).orElse(""),
        new Beyond(bar, rate, most, kind),
        (a, b) -> a.perSecond() / a.most() >= b.perSecond() / b.most() ? a : b);
  }
}
