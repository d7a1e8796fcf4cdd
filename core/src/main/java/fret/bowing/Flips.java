package fret.bowing;

import fret.base.Said;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;

/**
 * Where a pattern turns against the beat: beats that came on down-bows come on up-bows from there
 * on, or beats that came on one string of a pair come on the other.
 */
final class Flips {
  /** So many beats have to agree before and after. */
  private static final int AGREE = 2;

  /** A silence longer than this ends a pattern, in ms. */
  private static final double APART_MS = 1;

  private final Bowing bowing;
  private final List<BowWarning> found = new ArrayList<>();

  private Flips(Bowing bowing) {
    this.bowing = bowing;
  }

  static List<BowWarning> of(Bowing bowing, BowTask task) {
    Flips flips = new Flips(bowing);
    for (List<Integer> run : flips.runs()) {
      flips.look(run, flips::direction, at -> flips.directionFlips(at));
      flips.look(run, flips::pedal, at -> flips.stringFlips(at, task));
    }
    return flips.found;
  }

  /** Moments that follow each other without silence or lifting. */
  private List<List<Integer>> runs() {
    List<List<Integer>> runs = new ArrayList<>();
    List<Integer> run = new ArrayList<>();
    List<BowMoment> moments = bowing.moments();
    for (int i = 0; i < moments.size(); i++) {
      boolean bowed = moments.get(i).isBowed() && !moments.get(i).isGrace();
      int at = i;
      boolean lifted =
          bowing
              .strokeAt(i)
              .filter(s -> s.fromMoment() == at && s.retake().isPresent())
              .isPresent();
      if (!bowed || lifted) {
        runs.add(run);
        run = new ArrayList<>();
      }
      if (bowed) {
        run.add(i);
        if (moments.get(i).restMs() > APART_MS) {
          runs.add(run);
          run = new ArrayList<>();
        }
      }
    }
    runs.add(run);
    return runs;
  }

  /** A beat with what it shows; null where it shows nothing. */
  private record Shown(int moment, Object what) {}

  private void look(
      List<Integer> run,
      Function<List<Integer>, Object> show,
      java.util.function.IntConsumer tell) {
    List<Shown> beats = new ArrayList<>();
    for (int i = 0; i < run.size(); i++) {
      if (bowing.moments().get(run.get(i)).beat() == BowMoment.Beat.OFF) {
        continue;
      }
      int next = i + 1;
      while (next < run.size()
          && bowing.moments().get(run.get(next)).beat() == BowMoment.Beat.OFF) {
        next++;
      }
      beats.add(new Shown(run.get(i), show.apply(run.subList(i, next))));
    }
    for (int b = AGREE; b + AGREE <= beats.size(); b++) {
      if (isFlip(beats, b)) {
        tell.accept(beats.get(b).moment());
      }
    }
  }

  private static boolean isFlip(List<Shown> beats, int at) {
    Object before = beats.get(at - 1).what();
    Object after = beats.get(at).what();
    boolean same = before == null || after == null || before.equals(after);
    for (int i = 1; i <= AGREE && !same; i++) {
      same =
          !Objects.equals(before, beats.get(at - i).what())
              || !Objects.equals(after, beats.get(at + i - 1).what());
    }
    return !same;
  }

  /** Direction on a beat of several strokes; null where the beat has one. */
  private Object direction(List<Integer> beat) {
    Stroke first = bowing.strokeAt(beat.get(0)).orElseThrow();
    boolean several = !first.has(beat.get(beat.size() - 1));
    return several && first.fromMoment() == beat.get(0) ? (Object) first.down() : null;
  }

  /** The string on a beat that swings between two; null where it does not. */
  private Object pedal(List<Integer> beat) {
    if (beat.size() < 2) {
      return null;
    }
    List<Integer> one = bowing.moments().get(beat.get(0)).strings();
    List<Integer> other = bowing.moments().get(beat.get(1)).strings();
    for (int i = 0; i < beat.size(); i++) {
      if (!bowing.moments().get(beat.get(i)).strings().equals(i % 2 == 0 ? one : other)) {
        return null;
      }
    }
    return one.equals(other) ? null : one;
  }

  private void directionFlips(int moment) {
    Stroke s = bowing.strokeAt(moment).orElseThrow();
    Said message = Said.of(s.down() ? "bow.flip.down" : "bow.flip.up");
    found.add(warning(moment, message, List.of(new Cure(Cure.Kind.TURN_ROUND, moment, 0, 0, 0))));
  }

  private void stringFlips(int moment, BowTask task) {
    String name = task.instrument().stringNames(bowing.moments().get(moment).strings());
    Said message = Said.of("bow.flip.string", name, pitch(moment, task), pitch(moment + 1, task));
    found.add(warning(moment, message, List.of()));
  }

  private static String pitch(int moment, BowTask task) {
    List<Integer> notes = task.passage().slices().get(moment).starting();
    return task.passage().notes().get(notes.get(notes.size() - 1)).pitch().toString();
  }

  private BowWarning warning(int moment, Said message, List<Cure> cures) {
    String bar = bowing.moments().get(moment).bar();
    return new BowWarning(BowWarning.Kind.FLIP, moment, bar, 0, 0, 0, message, cures);
  }
}
