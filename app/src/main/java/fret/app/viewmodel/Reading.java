package fret.app.viewmodel;

import fret.app.words.Words;
import fret.drill.Chunk;
import fret.drill.Drill;
import fret.score.Bar;
import fret.shelf.Planning;
import fret.tempo.Ladder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A section of a first reading: it is played once, then each of its chunks is judged by a key.
 *
 * @param steps in their order
 */
record Reading(List<Step> steps) {
  static final Reading NONE = new Reading(List.of());

  /**
   * A chunk of it.
   *
   * @param ids of the chunk and of the spots in it
   * @param join from the chunk before it; it went well when both did
   * @param ladders of each of them, whose target is the tempo of its try
   */
  record Step(String title, List<String> ids, Optional<String> join, Map<String, Ladder> ladders) {}

  Reading {
    steps = List.copyOf(steps);
  }

  /** What is judged of a section, by the bars of its notes. */
  static Reading of(Planning.Entry e, Drill section) {
    Set<String> bars = new HashSet<>();
    for (Bar b : section.whole().bars()) {
      bars.add(b.number());
    }
    List<Chunk> chunks =
        e.chunks().stream()
            .filter(c -> c.kind() == Chunk.Kind.BARS && e.has(c.id()) && bars.contains(c.fromBar()))
            .sorted(Comparator.comparing(Chunk::fromOnset))
            .toList();
    List<Step> steps = new ArrayList<>();
    for (Chunk c : chunks) {
      List<String> ids = new ArrayList<>(List.of(c.id()));
      Optional<String> join = Optional.empty();
      for (Chunk x : e.chunks()) {
        boolean within =
            x.fromOnset().compareTo(c.fromOnset()) >= 0 && x.toOnset().compareTo(c.toOnset()) <= 0;
        boolean into =
            x.fromOnset().compareTo(c.fromOnset()) < 0 && x.toOnset().compareTo(c.fromOnset()) > 0;
        if (x.isSpot() && within) {
          ids.add(x.id());
        } else if (x.isJoin() && into && x.jump().isEmpty()) {
          join = Optional.of(x.id());
        }
      }
      Map<String, Ladder> ladders = new HashMap<>();
      ids.forEach(id -> ladders.put(id, e.ladder(id)));
      join.ifPresent(id -> ladders.put(id, e.ladder(id)));
      steps.add(new Step(Words.chunk(c), ids, join, ladders));
    }
    return new Reading(steps);
  }
}
