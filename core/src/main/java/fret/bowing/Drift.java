package fret.bowing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A repeated pattern of strokes that walks the bow towards one end at its natural amounts, whether
 * or not the bowing cures it.
 *
 * @param fromMoment first moment of the pattern's first time; {@code toMoment} last of its last
 * @param strokes strokes of one time
 * @param times how often it comes in a row
 * @param cmPerTime net way of one time, towards the tip positive
 * @param breaksInTime the time in which the end is reached from the end furthest away, counted from
 *     1; 0 if it is not reached
 * @param steady how it comes out even, where it can
 * @param cures with their figures
 */
public record Drift(
    int fromMoment,
    int toMoment,
    String fromBar,
    String toBar,
    int strokes,
    int times,
    double cmPerTime,
    int breaksInTime,
    Optional<SteadyState> steady,
    List<Cure> cures) {
  private static final int LONGEST = 8;
  private static final int LEAST_TIMES = 3;

  /** Less than this a time does not count, in cm. */
  private static final double LEAST_CM = 1;

  public Drift {
    cures = List.copyOf(cures);
  }

  /** All drifting patterns of a bowing. */
  public static List<Drift> of(Bowing bowing, double hairCm, BowPreset preset) {
    List<Drift> all = new ArrayList<>();
    List<Stroke> strokes = bowing.strokes();
    int at = 0;
    while (at < strokes.size()) {
      int[] found = longest(bowing, at);
      if (found == null) {
        at++;
        continue;
      }
      drift(bowing, at, found[0], found[1], hairCm, preset, all);
      at += found[0] * found[1];
    }
    return all;
  }

  /** The shortest pattern from a stroke that comes often enough: its strokes and its times. */
  private static int[] longest(Bowing bowing, int at) {
    for (int period = 2; period <= LONGEST; period += 2) {
      int times = 1;
      while (repeats(bowing, at, period, times)) {
        times++;
      }
      if (times >= LEAST_TIMES) {
        return new int[] {period, times};
      }
    }
    return null;
  }

  private static boolean repeats(Bowing bowing, int at, int period, int times) {
    List<Stroke> all = bowing.strokes();
    for (int i = 0; i < period; i++) {
      int there = at + period * times + i;
      if (there >= all.size() || !alike(bowing, all.get(at + i), all.get(there))) {
        return false;
      }
      Stroke s = all.get(there);
      if (i + times > 0 && s.retake().filter(r -> r.hasMs() > 0).isPresent()) {
        return false;
      }
    }
    return true;
  }

  /** Same direction, and notes of the same lengths. */
  private static boolean alike(Bowing bowing, Stroke a, Stroke b) {
    if (a.down() != b.down() || a.notes().size() != b.notes().size()) {
      return false;
    }
    for (int i = 0; i < a.notes().size(); i++) {
      BowMoment x = bowing.moments().get(a.fromMoment() + i);
      BowMoment y = bowing.moments().get(b.fromMoment() + i);
      if (Math.abs(x.wholes() - y.wholes()) > 1e-9) {
        return false;
      }
    }
    return true;
  }

  private static void drift(
      Bowing bowing,
      int at,
      int period,
      int times,
      double hairCm,
      BowPreset preset,
      List<Drift> into) {
    List<Stroke> pattern = bowing.strokes().subList(at, at + period);
    double net = 0;
    for (Stroke s : pattern) {
      net += way(s);
    }
    if (Math.abs(net) < LEAST_CM) {
      return;
    }
    Optional<SteadyState> steady = SteadyState.of(pattern, (int) Math.floor(hairCm), preset);
    Stroke first = pattern.get(0);
    Stroke last = bowing.strokes().get(at + period * times - 1);
    into.add(
        new Drift(
            first.fromMoment(),
            last.toMoment(),
            first.bar(),
            bowing.moments().get(last.toMoment()).bar(),
            period,
            times,
            net,
            breaksIn(pattern, net, hairCm),
            steady,
            cures(pattern, net, hairCm, steady)));
  }

  /** Natural way of a stroke, towards the tip positive. */
  private static double way(Stroke s) {
    double cm = s.kind() == StrokeKind.TREMOLO ? 0 : s.naturalCm();
    return s.down() ? cm : -cm;
  }

  /** The time in which a pattern leaves the hair, from the end that it walks away from. */
  static int breaksIn(List<Stroke> pattern, double net, double hairCm) {
    double place = net > 0 ? 0 : hairCm;
    double lowest = 0;
    double highest = 0;
    double sum = 0;
    for (Stroke s : pattern) {
      sum += way(s);
      lowest = Math.min(lowest, sum);
      highest = Math.max(highest, sum);
    }
    // It starts where the whole pattern just fits.
    place -= net > 0 ? lowest : highest;
    for (int time = 1; time <= 1000; time++) {
      if (place + highest > hairCm + 1e-6 || place + lowest < -1e-6) {
        return time;
      }
      place += net;
    }
    return 0;
  }

  private static List<Cure> cures(
      List<Stroke> pattern, double net, double hairCm, Optional<SteadyState> steady) {
    List<Cure> cures = new ArrayList<>();
    Stroke odd = odd(pattern, net);
    double wanted = odd.naturalCm() + Math.abs(net);
    double seconds = odd.timeMs() / 1000;
    cures.add(new Cure(Cure.Kind.ODD_FASTER, odd.fromMoment(), wanted, 0, wanted / seconds));
    steady.ifPresent(
        s -> {
          int cm = s.cm().get(pattern.indexOf(odd));
          cures.add(new Cure(Cure.Kind.EVEN_OUT, pattern.get(0).fromMoment(), cm, 0, cm / seconds));
        });
    cures.add(
        new Cure(
            Cure.Kind.LIFT_BACK,
            odd.fromMoment(),
            Math.abs(net),
            BowJoins.needsMs(Math.abs(net)),
            0));
    pattern.stream()
        .filter(s -> s.notes().size() > 1)
        .findFirst()
        .ifPresent(
            s -> cures.add(new Cure(Cure.Kind.BREAK, s.fromMoment() + 1, s.naturalCm(), 0, 0)));
    double start = net > 0 ? 0 : hairCm;
    cures.add(new Cure(Cure.Kind.START_ELSEWHERE, pattern.get(0).fromMoment(), start, 0, 0));
    cures.add(new Cure(Cure.Kind.TURN_ROUND, pattern.get(0).fromMoment(), 0, 0, 0));
    return cures;
  }

  /** The shortest stroke that goes against the drift. */
  private static Stroke odd(List<Stroke> pattern, double net) {
    return pattern.stream()
        .filter(s -> way(s) * net < 0)
        .min(java.util.Comparator.comparingDouble(Stroke::naturalCm))
        .orElse(pattern.get(0));
  }
}
