package fret.bowing;

import fret.score.Bar;
import fret.score.Event;
import fret.score.NoteKey;
import fret.score.ResolvedPassage;
import fret.score.Score;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A part as a bowing has it: its slurs where they differ from the printed ones, and bow marks where
 * a reader needs them.
 */
public final class BowedScore {
  /** Numbers of slurs that no printed one has. */
  private static final int NUMBER = 60;

  /** Where an event stands. */
  private record At(int bar, String voice, String onset) {}

  private final ResolvedPassage passage;
  private final Bowing bowing;
  private final Map<At, List<Integer>> starts = new HashMap<>();
  private final Map<At, List<Integer>> stops = new HashMap<>();
  private final Set<At> rewritten = new HashSet<>();
  private final Map<At, Signs.Bow> bows = new HashMap<>();

  private BowedScore(ResolvedPassage passage, Bowing bowing) {
    this.passage = passage;
    this.bowing = bowing;
  }

  /**
   * The part with a bowing's slurs and, where {@code marked}, the bow marks that a reader needs: at
   * the beginning, after a rest, where the bow is lifted, hooked, or a printed slur is changed.
   */
  public static Score of(ResolvedPassage passage, Bowing bowing, boolean marked) {
    BowedScore made = new BowedScore(passage, bowing);
    made.slurs();
    if (marked) {
      made.marks();
    }
    return made.rewritten.isEmpty() && made.bows.isEmpty() ? passage.score() : made.score();
  }

  private At at(int moment) {
    NoteKey key = passage.notes().get(passage.slices().get(moment).starting().get(0)).key();
    return new At(key.barIndex(), key.voice(), key.onset().toString());
  }

  private boolean isMain(int moment) {
    return passage.slices().get(moment).grace() == 0;
  }

  // ---- slurs -----------------------------------------------------------------------------------

  private void slurs() {
    int count = passage.slices().size();
    for (int from = 0; from < count; ) {
      int to = from;
      boolean differs = false;
      while (to + 1 < count && (isPrinted(to + 1) || isJoined(to + 1))) {
        to++;
        differs |= isPrinted(to) != isJoined(to);
      }
      if (differs) {
        rewrite(from, to);
      }
      from = to + 1;
    }
  }

  private boolean isPrinted(int moment) {
    return passage.slices().get(moment).slurredInto();
  }

  private boolean isJoined(int moment) {
    return bowing.strokeAt(moment).filter(s -> s.fromMoment() < moment).isPresent();
  }

  private void rewrite(int from, int to) {
    for (int m = from; m <= to; m++) {
      if (isMain(m)) {
        rewritten.add(at(m));
      }
    }
    for (int m = from; m <= to; m++) {
      Stroke s = bowing.strokeAt(m).orElse(null);
      if (s != null && s.fromMoment() == m && s.toMoment() > m) {
        int first = firstMain(s);
        if (first < s.toMoment()) {
          starts.computeIfAbsent(at(first), a -> new ArrayList<>()).add(NUMBER);
          stops.computeIfAbsent(at(s.toMoment()), a -> new ArrayList<>()).add(NUMBER);
        }
      }
    }
  }

  private int firstMain(Stroke s) {
    int m = s.fromMoment();
    while (m < s.toMoment() && !isMain(m)) {
      m++;
    }
    return m;
  }

  // ---- marks -----------------------------------------------------------------------------------

  private void marks() {
    for (int i = 0; i < bowing.strokes().size(); i++) {
      Stroke s = bowing.strokes().get(i);
      boolean first = i == 0;
      boolean rested = !first && bowing.moments().get(s.fromMoment() - 1).restMs() > 1;
      boolean changed = rewritten.contains(at(firstMain(s)));
      if (first || rested || s.hooked() || s.retake().isPresent() || changed) {
        bows.put(at(firstMain(s)), s.down() ? Signs.Bow.DOWN : Signs.Bow.UP);
      }
    }
  }

  private Score score() {
    return passage.score().withEach(this::event);
  }

  private Event event(Bar bar, Event e) {
    if (e.isGrace() || e.isRest()) {
      return e;
    }
    At at = new At(bar.index(), e.voice(), e.onset().toString());
    Signs signs = e.signs();
    if (rewritten.contains(at)) {
      signs =
          signs.withSlurs(starts.getOrDefault(at, List.of()), stops.getOrDefault(at, List.of()));
    }
    if (bows.containsKey(at)) {
      signs = signs.withBow(bows.get(at));
    }
    return e.withSigns(signs);
  }
}
