package fret.drill;

import fret.bowing.Drift;
import fret.bowing.Stroke;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Drills of how much bow a note gets, and where. Each says whether there is anything to make. */
final class AmountDrills {
  private static final int MOST_IN_A_BOW = 8;
  private static final int MOST_STROKES = 2;
  private static final int MOST_LONG = 4;
  private static final int TIMES = 4;

  private final DrillSource source;

  AmountDrills(DrillSource source) {
    this.source = source;
  }

  /** The same notes with the whole bow, half of it, a third. */
  boolean shares() {
    for (String words : List.of("whole bow", "half the bow", "a third of the bow")) {
      source.say(words);
      source.moments().forEach(source::asWritten);
      source.fillBar();
    }
    return !source.moments().isEmpty();
  }

  /** The notes of each slurred stroke, the accent on one after the other. */
  boolean spending() {
    List<List<Integer>> strokes = slurred();
    for (List<Integer> notes : strokes.subList(0, Math.min(MOST_STROKES, strokes.size()))) {
      boolean down = source.isDown(notes.get(0));
      for (int accent = 0; accent < notes.size(); accent++) {
        for (int i = 0; i < notes.size(); i++) {
          boolean last = i == notes.size() - 1;
          Signs signs =
              Signs.PLAIN.withSlurs(i == 0 ? List.of(1) : List.of(), last ? List.of(1) : List.of());
          signs = i == accent ? DrillSource.with(signs, Signs.Articulation.ACCENT) : signs;
          signs = i == 0 ? signs.withBow(DrillSource.mark(down)) : signs;
          source.add(notes.get(i), source.length(notes.get(i)), signs);
        }
        down = !down;
      }
      source.fillBar();
    }
    return !strokes.isEmpty();
  }

  /** The strokes of several notes, each whole; where there is none, the first notes in one bow. */
  private List<List<Integer>> slurred() {
    List<List<Integer>> all = new ArrayList<>();
    List<Integer> moments = source.moments();
    for (Stroke s : source.bowing.strokes()) {
      List<Integer> in =
          moments.stream().filter(m -> m >= s.fromMoment() && m <= s.toMoment()).toList();
      if (in.size() > 1 && in.size() <= MOST_IN_A_BOW) {
        all.add(in);
      }
    }
    List<Integer> first = source.moments(MOST_IN_A_BOW);
    return all.isEmpty() && first.size() > 1 ? List.of(first) : all;
  }

  /** A drifting pattern several times, each stroke with the cm that make it come out even. */
  boolean drift() {
    Optional<Drift> drift =
        source.report.drifts().stream()
            .filter(d -> d.fromMoment() <= source.to && d.toMoment() >= source.from)
            .filter(d -> d.steady().isPresent())
            .findFirst();
    if (drift.isEmpty()) {
      return false;
    }
    int first = source.bowing.indexAt(drift.get().fromMoment());
    List<Stroke> pattern = source.bowing.strokes().subList(first, first + drift.get().strokes());
    List<Integer> cm = drift.get().steady().orElseThrow().cm();
    for (int time = 0; time < TIMES; time++) {
      for (int i = 0; i < pattern.size(); i++) {
        if (time == 0) {
          source.say(cm.get(i) + " cm");
        }
        stroke(pattern.get(i));
      }
    }
    return true;
  }

  private void stroke(Stroke s) {
    boolean slurred = s.toMoment() > s.fromMoment();
    for (int m = s.fromMoment(); m <= s.toMoment(); m++) {
      Signs signs =
          Signs.PLAIN.withSlurs(
              slurred && m == s.fromMoment() ? List.of(1) : List.of(),
              slurred && m == s.toMoment() ? List.of(1) : List.of());
      signs = m == s.fromMoment() ? signs.withBow(DrillSource.mark(s.down())) : signs;
      source.add(m, source.length(m), signs);
    }
  }

  /** A note over two changes of bow at each of three places, the speed through them the same. */
  boolean changes() {
    List<Integer> first = source.moments(1);
    for (int m : first) {
      for (String place : List.of("frog", "middle of the bow", "tip")) {
        source.say(place);
        for (int i = 0; i < TIMES; i++) {
          source.add(m, DrillSource.QUARTER, DrillSource.bowed(i % 2 == 0));
        }
        source.fillBar();
      }
    }
    return !first.isEmpty();
  }

  /** Each note long, growing and falling, on either bow. */
  boolean swell() {
    for (int m : source.moments(MOST_LONG)) {
      for (boolean down : List.of(true, false)) {
        for (boolean growing : List.of(true, false)) {
          source.hairpin(growing);
          source.add(m, DrillSource.HALF, DrillSource.bowed(growing == down));
          source.endHairpin();
        }
      }
    }
    return !source.moments().isEmpty();
  }

  /** Each note long on an up-bow from the tip, falling to the frog. */
  boolean fade() {
    for (int m : source.moments(MOST_LONG)) {
      source.say("tip");
      source.hairpin(false);
      source.add(m, DrillSource.HALF, DrillSource.bowed(false));
      source.endHairpin();
      source.fillBar();
    }
    return !source.moments().isEmpty();
  }
}
