package fret.score;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** A part with the player's own dynamics and hairpins in place of the printed ones there. */
public final class OwnLevels {
  private OwnLevels() {}

  /** The part as it is meant to be loud. */
  public static Score on(Score score, OwnLine own) {
    return own.levels().isEmpty() && own.hairpins().isEmpty()
        ? score
        : score.withBars(score.bars().stream().map(b -> on(b, own)).toList());
  }

  private static Bar on(Bar bar, OwnLine own) {
    List<Direction> all = new ArrayList<>(bar.directions());
    all.removeIf(d -> isReplaced(d, own));
    Stream.concat(
            own.levels().entrySet().stream()
                .map(
                    e ->
                        new Direction(
                            e.getKey(),
                            Direction.Kind.DYNAMIC,
                            LoudnessLine.word(e.getValue()),
                            0)),
            own.hairpins().stream().flatMap(h -> h.signs().stream()))
        .filter(d -> d.onset().compareTo(bar.start()) >= 0 && d.onset().compareTo(bar.end()) < 0)
        .sorted(Comparator.comparing(Direction::onset))
        .forEach(all::add);
    return all.equals(bar.directions()) ? bar : bar.withDirections(all);
  }

  private static boolean isReplaced(Direction d, OwnLine own) {
    return switch (d.kind()) {
      case DYNAMIC -> LoudnessLine.level(d.text()) >= 0 && own.levels().containsKey(d.onset());
      case CRESCENDO, DIMINUENDO, HAIRPIN_END -> own.hairpins().stream().anyMatch(h -> h.hides(d));
      default -> false;
    };
  }
}
