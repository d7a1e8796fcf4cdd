package fret.mark;

import fret.score.NoteKey;
import fret.score.ResolvedPassage;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Marks carried over to a page that was changed or brought in again. Notes are matched in order, by
 * pitch and voice; where a stretch was rewritten, the longest common run of notes keeps its marks.
 *
 * @param marks all marks that found their note
 * @param moved marks whose note now stands elsewhere, as they were before
 * @param lost marks whose note is not there any more
 */
public record Reattachment(Marks marks, List<Mark> moved, List<Mark> lost) {
  /** Longest rewritten stretch that is matched note by note; a longer one only by its place. */
  private static final int LONGEST = 3000;

  public Reattachment {
    moved = List.copyOf(moved);
    lost = List.copyOf(lost);
  }

  /** Carries marks from the notes of one page to those of another. */
  public static Reattachment of(Marks marks, ResolvedPassage before, ResolvedPassage after) {
    Map<NoteKey, NoteKey> now = match(before.notes(), after.notes());
    List<Mark> kept = new ArrayList<>();
    List<Mark> moved = new ArrayList<>();
    List<Mark> lost = new ArrayList<>();
    for (Mark mark : marks.all()) {
      NoteKey key = now.get(mark.key());
      if (key == null) {
        lost.add(mark);
      } else {
        kept.add(mark.on(key));
        if (!key.equals(mark.key())) {
          moved.add(mark);
        }
      }
    }
    Map<NoteKey, fret.score.Signs.Bow> bows = new HashMap<>();
    marks
        .bows()
        .forEach((key, bow) -> Optional.ofNullable(now.get(key)).ifPresent(k -> bows.put(k, bow)));
    List<Wish> wishes = new ArrayList<>();
    for (Wish w : marks.wishes()) {
      if (now.containsKey(w.from()) && now.containsKey(w.to())) {
        wishes.add(new Wish(w.kind(), now.get(w.from()), now.get(w.to()), w.value()));
      }
    }
    Set<NoteKey> vibrato = new HashSet<>();
    marks.vibrato().forEach(k -> Optional.ofNullable(now.get(k)).ifPresent(vibrato::add));
    Marks all = Marks.of(kept).withBows(bows).withWishes(wishes).withVibrato(vibrato);
    for (Map.Entry<String, List<Mark>> fingering : marks.kept().entrySet()) {
      all =
          all.keeping(
              fingering.getKey(),
              fingering.getValue().stream()
                  .filter(m -> now.containsKey(m.key()))
                  .map(m -> m.on(now.get(m.key())))
                  .toList());
    }
    return new Reattachment(all, moved, lost);
  }

  private static Map<NoteKey, NoteKey> match(List<SoundingNote> a, List<SoundingNote> b) {
    Map<NoteKey, NoteKey> found = new HashMap<>();
    int head = 0;
    while (head < a.size() && head < b.size() && alike(a.get(head), b.get(head))) {
      found.put(a.get(head).key(), b.get(head).key());
      head++;
    }
    int tail = 0;
    while (tail < a.size() - head
        && tail < b.size() - head
        && alike(a.get(a.size() - 1 - tail), b.get(b.size() - 1 - tail))) {
      found.put(a.get(a.size() - 1 - tail).key(), b.get(b.size() - 1 - tail).key());
      tail++;
    }
    matchRun(a.subList(head, a.size() - tail), b.subList(head, b.size() - tail), found);
    return found;
  }

  private static boolean alike(SoundingNote a, SoundingNote b) {
    return a.written().equals(b.written())
        && a.voice().equals(b.voice())
        && a.isGrace() == b.isGrace();
  }

  /** Longest common run of two stretches, O(length of one times length of the other). */
  private static void matchRun(
      List<SoundingNote> a, List<SoundingNote> b, Map<NoteKey, NoteKey> found) {
    if (a.size() > LONGEST || b.size() > LONGEST) {
      b.forEach(n -> found.put(n.key(), n.key()));
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
        found.put(a.get(i++).key(), b.get(j++).key());
      } else if (longest[i + 1][j] >= longest[i][j + 1]) {
        i++;
      } else {
        j++;
      }
    }
  }
}
