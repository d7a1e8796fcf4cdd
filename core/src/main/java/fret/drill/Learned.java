package fret.drill;

import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.score.SoundingNote;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A chunk with all that are like it: learned once.
 *
 * @param chunk the first of them
 * @param ids of all
 */
public record Learned(Chunk chunk, Set<String> ids) {
  public Learned {
    ids = Set.copyOf(ids);
  }

  /** How often it comes. */
  public int times() {
    return ids.size();
  }

  /**
   * Chunks that are equal in steps, rhythm, slurs, fingers, strings and tempo are one. The note
   * after a chunk, which belongs to the join, is not looked at.
   */
  public static List<Learned> of(
      ResolvedPassage passage, TempoMap tempo, Fingering fingering, List<Chunk> chunks) {
    Map<List<Object>, Chunk> first = new LinkedHashMap<>();
    Map<List<Object>, Set<String>> ids = new LinkedHashMap<>();
    for (Chunk c : chunks) {
      List<Object> looks = looks(passage, fingering, c);
      looks.add(tempo.at(c.fromOnset()).wholeNoteMs());
      first.putIfAbsent(looks, c);
      ids.computeIfAbsent(looks, k -> new LinkedHashSet<>()).add(c.id());
    }
    return first.entrySet().stream()
        .map(e -> new Learned(e.getValue(), ids.get(e.getKey())))
        .toList();
  }

  private static List<Object> looks(ResolvedPassage passage, Fingering fingering, Chunk c) {
    int from = passage.notes().get(passage.indexOf(c.from()).orElseThrow()).slice();
    int to = passage.notes().get(passage.indexOf(c.to()).orElseThrow()).slice();
    List<Object> all = new ArrayList<>();
    all.add(c.kind());
    all.add(c.way());
    if (!c.name().isEmpty()) {
      all.add(c.id()); // What has a name is wanted for itself.
    }
    int low = passage.notes().get(passage.slices().get(from).starting().get(0)).pitch().midi();
    for (int i = from; i <= to; i++) {
      Slice s = passage.slices().get(i);
      all.add(s.duration());
      all.add(s.grace());
      all.add(s.restAfter());
      all.add(i > from && s.slurredInto());
      all.add(s.bowed());
      for (int n : s.starting()) {
        SoundingNote note = passage.notes().get(n);
        all.add(note.pitch().midi() - low);
        all.add(note.trill());
        fingering.notes().get(n).map(Learned::place).ifPresent(all::add);
      }
    }
    return all;
  }

  private static String place(NoteFinger f) {
    return f.fingers() + "/" + f.string() + "/" + f.base();
  }
}
