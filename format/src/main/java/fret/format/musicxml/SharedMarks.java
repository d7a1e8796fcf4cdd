package fret.format.musicxml;

import fret.score.Bar;
import fret.score.Direction;
import fret.score.Score;
import fret.tempo.TempoWord;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;

/**
 * Tempos and rehearsal marks count for every part, and many files have them in the uppermost only.
 */
final class SharedMarks {
  private SharedMarks() {}

  /** Whether a part has neither tempos nor rehearsal marks of its own. */
  static boolean areMissing(Score own) {
    return has(own, SharedMarks::isTempo) == 0 || has(own, SharedMarks::isRehearsal) == 0;
  }

  /** The part with what another has of them, where it has none; both have as many bars. */
  static Score taken(Score own, Score other) {
    if (other.bars().size() != own.bars().size()) {
      return own;
    }
    boolean tempos = has(own, SharedMarks::isTempo) == 0;
    boolean letters = has(own, SharedMarks::isRehearsal) == 0;
    List<Bar> bars = new ArrayList<>();
    for (int i = 0; i < own.bars().size(); i++) {
      Bar mine = own.bars().get(i);
      Bar theirs = other.bars().get(i);
      List<Direction> all = new ArrayList<>();
      for (Direction d : theirs.directions()) {
        boolean wanted = tempos && isTempo(d) || letters && isRehearsal(d);
        boolean within = d.onset().subtract(theirs.start()).compareTo(mine.length()) < 0;
        if (wanted && within) {
          all.add(
              new Direction(
                  mine.start().add(d.onset().subtract(theirs.start())),
                  d.kind(),
                  d.text(),
                  d.number()));
        }
      }
      all.addAll(mine.directions());
      bars.add(mine.withDirections(all));
    }
    return own.withBars(bars);
  }

  private static long has(Score score, Predicate<Direction> kind) {
    return score.bars().stream().flatMap(b -> b.directions().stream()).filter(kind).count();
  }

  private static boolean isTempo(Direction d) {
    return d.kind() == Direction.Kind.TEMPO
        || d.kind() == Direction.Kind.WORDS && TempoWord.of(d.text()).isPresent();
  }

  private static boolean isRehearsal(Direction d) {
    return d.kind() == Direction.Kind.REHEARSAL;
  }
}
