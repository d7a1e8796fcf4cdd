package fret.mark;

import fret.base.Said;
import fret.score.Bar;
import fret.score.Event;
import fret.score.NoteKey;
import fret.score.Score;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Marks carried over to a page that was changed or brought in again. Notes are matched in order, by
 * pitch and voice; where a stretch was rewritten, the longest common run of notes keeps its marks.
 * What hangs on a stretch shrinks to those of its notes that are still there; what hangs on a bar
 * goes with the first of its notes.
 *
 * @param marks all marks that found their place
 * @param moved how many marks of each kind now stand elsewhere
 * @param lost marks whose place is not there any more, in the order of the page
 */
public record Reattachment(Marks marks, Map<Layer<?, ?>, Integer> moved, List<Lost> lost) {
  /** Longest rewritten stretch that is matched note by note; a longer one only by its place. */
  private static final int LONGEST = 3000;

  /** A mark that lost its place, as it was, and what it said. */
  public record Lost(Layer<?, ?> layer, Place place, Said told) {}

  public Reattachment {
    moved = Map.copyOf(moved);
    lost = List.copyOf(lost);
  }

  /** Carries marks from the notes of one page to those of another. */
  public static Reattachment of(Marks marks, Score before, Score after) {
    return new Carrier(before, after).carry(marks);
  }

  private static final class Carrier {
    private final Score page;
    private final List<NoteKey> before;
    private final Map<NoteKey, NoteKey> now;
    private final Map<NoteKey, Integer> order = new HashMap<>();
    private final Map<Integer, Integer> bars = new HashMap<>();
    private final Map<Layer<?, ?>, Integer> moved = new LinkedHashMap<>();
    private final List<Lost> lost = new ArrayList<>();
    private Marks all = Marks.NONE;

    Carrier(Score before, Score after) {
      this.page = before;
      this.before = notes(before);
      this.now = match(this.before, notes(after));
      for (int i = 0; i < this.before.size(); i++) {
        NoteKey old = this.before.get(i);
        order.put(old, i);
        NoteKey key = now.get(old);
        if (key != null) {
          bars.putIfAbsent(old.barIndex(), key.barIndex());
        }
      }
      emptyBars(after.bars().size());
    }

    /** A bar without notes stays at the distance it had from the bar before it. */
    private void emptyBars(int count) {
      int shift = 0;
      for (Bar bar : page.bars()) {
        boolean silent = bar.events().stream().allMatch(e -> e.isRest() || e.cue());
        int at = bars.getOrDefault(bar.index(), bar.index() + shift);
        shift = at - bar.index();
        if (silent && at >= 0 && at < count) {
          bars.putIfAbsent(bar.index(), at);
        }
      }
    }

    Reattachment carry(Marks marks) {
      marks.forEach((layer, values) -> carry(layer, marks));
      lost.sort(
          Comparator.comparing((Lost l) -> at(l.place().anchor()))
              .thenComparing(l -> l.layer().id())
              .thenComparing(l -> l.place().version()));
      return new Reattachment(all, moved, lost);
    }

    private int at(Anchor anchor) {
      return anchor instanceof Anchor.Note n
          ? order.getOrDefault(n.key(), 0)
          : anchor instanceof Anchor.Stretch s ? order.getOrDefault(s.from(), 0) : 0;
    }

    private <A extends Anchor, V> void carry(Layer<A, V> layer, Marks marks) {
      Map<Place, V> carried = new HashMap<>();
      marks
          .of(layer)
          .forEach(
              (place, value) -> {
                Optional<Anchor> anchor = carried(place.anchor());
                if (anchor.isEmpty()) {
                  lost.add(new Lost(layer, place, layer.told(value)));
                } else {
                  carried.put(place.on(anchor.get()), value);
                  if (!anchor.get().equals(place.anchor()) && place.counts()) {
                    moved.merge(layer, 1, Integer::sum);
                  }
                }
              });
      all = all.with(layer, carried);
    }

    private Optional<Anchor> carried(Anchor anchor) {
      if (anchor instanceof Anchor.Note n) {
        return Optional.ofNullable(now.get(n.key())).map(Anchor.Note::new);
      } else if (anchor instanceof Anchor.Stretch s) {
        return stretch(s);
      } else if (anchor instanceof Anchor.OfBar b) {
        return Optional.ofNullable(bars.get(b.index())).map(Anchor.OfBar::new);
      }
      return Optional.of(anchor);
    }

    private Optional<Anchor> stretch(Anchor.Stretch s) {
      Integer from = order.get(s.from());
      Integer to = order.get(s.to());
      if (from == null || to == null) {
        return Optional.empty();
      }
      List<NoteKey> left = new ArrayList<>();
      for (int i = Math.min(from, to); i <= Math.max(from, to); i++) {
        NoteKey key = now.get(before.get(i));
        if (key != null) {
          left.add(key);
        }
      }
      return left.isEmpty()
          ? Optional.empty()
          : Optional.of(new Anchor.Stretch(left.get(0), left.get(left.size() - 1)));
    }
  }

  private static Map<NoteKey, NoteKey> match(List<NoteKey> a, List<NoteKey> b) {
    Map<NoteKey, NoteKey> found = new HashMap<>();
    int head = 0;
    while (head < a.size() && head < b.size() && alike(a.get(head), b.get(head))) {
      found.put(a.get(head), b.get(head));
      head++;
    }
    int tail = 0;
    while (tail < a.size() - head
        && tail < b.size() - head
        && alike(a.get(a.size() - 1 - tail), b.get(b.size() - 1 - tail))) {
      found.put(a.get(a.size() - 1 - tail), b.get(b.size() - 1 - tail));
      tail++;
    }
    matchRun(a.subList(head, a.size() - tail), b.subList(head, b.size() - tail), found);
    return found;
  }

  private static boolean alike(NoteKey a, NoteKey b) {
    return a.pitch().equals(b.pitch())
        && a.voice().equals(b.voice())
        && a.grace() > 0 == b.grace() > 0;
  }

  /** Every written head of a page, by onset and pitch. */
  private static List<NoteKey> notes(Score page) {
    List<NoteKey> all = new ArrayList<>();
    for (Bar bar : page.bars()) {
      Map<Fraction, Integer> graces = new HashMap<>();
      for (Event e : bar.events()) {
        if (e.isGrace() && !e.isRest() && !e.cue()) {
          graces.merge(e.onset(), 1, Integer::sum);
        }
      }
      for (Event e : bar.events()) {
        if (!e.cue() && !e.isRest()) {
          int grace = e.isGrace() ? graces.merge(e.onset(), -1, Integer::sum) + 1 : 0;
          for (int head = 0; head < e.heads().size(); head++) {
            all.add(NoteKey.of(bar, e, grace, head));
          }
        }
      }
    }
    all.sort(
        Comparator.comparing(NoteKey::onset)
            .thenComparing(Comparator.comparing(NoteKey::grace).reversed())
            .thenComparing(NoteKey::pitch)
            .thenComparing(NoteKey::voice));
    return all;
  }

  /** Longest common run of two stretches, O(length of one times length of the other). */
  private static void matchRun(List<NoteKey> a, List<NoteKey> b, Map<NoteKey, NoteKey> found) {
    if (a.size() > LONGEST || b.size() > LONGEST) {
      b.forEach(n -> found.put(n, n));
      return;
    }
    int[][] longest = new int[a.size() + 1][b.size() + 1];
    for (int i = a.size() - 1; i >= 0; i--) {
      for (int j = b.size() - 1; j >= 0; j--) {
        longest[i][j] =
            alike(a.get(i), b.get(j))
                ? longest[i + 1][j + 1] + 1
                : Math.max(longest[i + 1][j], longest[i][j + 1]);
      }
    }
    int i = 0;
    int j = 0;
    while (i < a.size() && j < b.size()) {
      if (alike(a.get(i), b.get(j))) {
        found.put(a.get(i++), b.get(j++));
      } else if (longest[i + 1][j] >= longest[i][j + 1]) {
        i++;
      } else {
        j++;
      }
    }
  }
}
