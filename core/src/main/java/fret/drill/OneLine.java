package fret.drill;

import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.Score;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** The upper or the lower line of a part, of two voices or of double stops. */
public final class OneLine {
  private OneLine() {}

  /** The notes of a way; the part itself for ways that leave none out. */
  public static Score of(Score score, Way way) {
    boolean line = way == Way.UPPER || way == Way.LOWER;
    return line
        ? score.withBars(score.bars().stream().map(b -> of(b, way == Way.UPPER)).toList())
        : score;
  }

  private static Bar of(Bar bar, boolean upper) {
    Optional<String> voice = voice(bar, upper);
    return bar.withEvents(
        bar.events().stream()
            .filter(e -> voice.isEmpty() || e.voice().equals(voice.get()))
            .map(e -> e.heads().size() < 2 ? e : e.withHeads(List.of(end(e, upper))))
            .toList());
  }

  private static Head end(Event e, boolean upper) {
    List<Head> played = e.heads().stream().filter(h -> !h.leftOut()).toList();
    return played.get(upper ? played.size() - 1 : 0);
  }

  /** The voice that lies higher, or lower, on the whole. */
  private static Optional<String> voice(Bar bar, boolean upper) {
    Map<String, Double> height =
        bar.events().stream()
            .filter(e -> !e.isRest())
            .collect(
                Collectors.groupingBy(
                    Event::voice, Collectors.averagingDouble(e -> end(e, upper).pitch().midi())));
    Comparator<Map.Entry<String, Double>> byHeight = Map.Entry.comparingByValue();
    return height.entrySet().stream()
        .max(upper ? byHeight : byHeight.reversed())
        .map(Map.Entry::getKey);
  }
}
