package fret.load;

import fret.bowing.BowMoment;
import fret.bowing.Bowing;
import fret.bowing.Stroke;
import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.fingering.Shift;
import fret.score.PlayedTimes;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * How near each join comes to what a practised player can do.
 *
 * <p>All times of a passage shrink as its tempo rises, so a share at one tempo gives the tempo at
 * which it would be 1: the ceiling. Grace notes keep their length; where one stands between, the
 * ceiling is a little too low.
 *
 * @param moments one list a moment, the hardest first; of the way into it from the moment before
 */
public record Load(List<List<Share>> moments) {
  /**
   * One demand against its limit.
   *
   * @param moment that the way leads into
   * @param value what is asked, in the limit's unit; {@code most} what can be given
   */
  public record Share(int moment, Limit limit, double value, double most) {
    /** 1 at the limit. */
    public double share() {
      return value / most;
    }

    /** The highest tempo at which it holds, given the tempo that it was measured at. */
    public double ceiling(double perMinute) {
      return perMinute / share();
    }
  }

  public Load {
    moments = moments.stream().map(List::copyOf).toList();
  }

  /**
   * The load of a passage.
   *
   * @param bowing empty where nothing is known of the bow: then strings crossed are the hand's
   */
  public static Load of(
      ResolvedPassage passage,
      TempoMap tempo,
      Fingering fingering,
      Optional<Bowing> bowing,
      Limits limits) {
    List<List<Share>> all = new ArrayList<>();
    PlayedTimes times = PlayedTimes.of(passage, tempo);
    for (Slice slice : passage.slices()) {
      int at = slice.index();
      List<Share> here = new ArrayList<>();
      if (at > 0 && restBefore(passage, at)) {
        hops(passage, fingering, times, at, limits, here);
      }
      bowing.ifPresent(b -> strokes(b, at, here));
      all.add(here);
    }
    for (Shift s : fingering.shifts()) {
      all.get(s.toSlice())
          .add(new Share(s.toSlice(), Limit.SHIFT, s.bitsPerSecond(), limits.shiftBits()));
    }
    all.forEach(l -> l.sort(Comparator.comparingDouble(Share::share).reversed()));
    return new Load(all);
  }

  private static boolean restBefore(ResolvedPassage passage, int moment) {
    return passage.slices().get(moment - 1).restAfter().signum() == 0;
  }

  /** One finger elsewhere, and strings crossed, between two notes that follow at once. */
  private static void hops(
      ResolvedPassage passage,
      Fingering fingering,
      PlayedTimes times,
      int at,
      Limits limits,
      List<Share> into) {
    Optional<NoteFinger> before = lead(passage, fingering, at - 1);
    Optional<NoteFinger> now = lead(passage, fingering, at);
    if (before.isEmpty() || now.isEmpty()) {
      return;
    }
    NoteFinger a = before.get().last();
    NoteFinger b = now.get();
    double rate = 1000 / Math.max(1, times.startMs()[at] - times.startMs()[at - 1]);
    boolean elsewhere = a.string() != b.string() || a.semitone() != b.semitone();
    boolean laid = a.string() != b.string() && a.semitone() == b.semitone();
    boolean sameHand = a.base() == b.base();
    if (!a.isOpen() && a.finger() == b.finger() && elsewhere && !laid && sameHand) {
      into.add(new Share(at, Limit.FINGER, rate, limits.fingerRate()));
    }
    int strings = Math.abs(a.string() - b.string());
    if (strings > 0) {
      into.add(new Share(at, Limit.CROSSING, strings * rate, limits.crossingRate()));
    }
  }

  private static Optional<NoteFinger> lead(ResolvedPassage passage, Fingering fingering, int at) {
    List<Integer> starting = passage.slices().get(at).starting();
    return fingering.notes().get(starting.get(starting.size() - 1));
  }

  private static void strokes(Bowing bowing, int moment, List<Share> into) {
    Optional<Stroke> stroke = bowing.strokeAt(moment);
    if (stroke.isEmpty() || stroke.get().fromMoment() != moment) {
      return;
    }
    Stroke s = stroke.get();
    into.add(new Share(moment, Limit.STROKE, bowing.rate(s), s.kind().mostRate()));
    if (s.retake().isPresent() && moment > 0) {
      BowMoment before = bowing.moments().get(moment - 1);
      double has = s.retake().get().hasMs() + before.timeMs() / 2;
      into.add(new Share(moment, Limit.RETAKE, s.retake().get().needsMs(), Math.max(1, has)));
    }
  }

  /** The hardest demand of a moment; empty where nothing is asked. */
  public Optional<Share> hardest(int moment) {
    return moments.get(moment).stream().findFirst();
  }

  /** The hardest demands of the passage, one a moment, the lowest ceiling first. */
  public List<Share> hardest() {
    return moments.stream()
        .flatMap(l -> l.stream().limit(1))
        .sorted(Comparator.comparingDouble(Share::share).reversed())
        .toList();
  }
}
