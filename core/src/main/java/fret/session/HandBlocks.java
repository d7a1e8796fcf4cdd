package fret.session;

import fret.drill.Chunk;
import fret.fingering.NoteFinger;
import fret.pitch.Pitch;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Score;
import fret.score.Signs;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * The hand shapes of a chunk one after the other: the fingers of each set together, one after the
 * other heard, then the move to the next (common practice, no source).
 */
final class HandBlocks {
  private static final Fraction QUARTER = Fraction.of(1, 4);

  private final Session session;

  HandBlocks(Session session) {
    this.session = session;
  }

  /** A part for each shape; none where the chunk stays on open strings. */
  List<Score> of(Chunk chunk) {
    ResolvedPassage passage = session.resolved();
    List<List<NoteFinger>> shapes = new ArrayList<>();
    int base = Integer.MIN_VALUE;
    for (Slice s : passage.slices()) {
      boolean inside =
          s.onset().compareTo(chunk.fromOnset()) >= 0 && s.onset().compareTo(chunk.toOnset()) < 0;
      for (int n : inside ? s.starting() : List.<Integer>of()) {
        Optional<NoteFinger> f = session.fingering().notes().get(n);
        if (f.isEmpty() || f.get().isOpen()) {
          continue;
        }
        if (f.get().base() != base) {
          base = f.get().base();
          shapes.add(new ArrayList<>());
        }
        List<NoteFinger> now = shapes.get(shapes.size() - 1);
        boolean there =
            now.stream()
                .anyMatch(
                    x -> x.string() == f.get().string() && x.semitone() == f.get().semitone());
        if (!there) {
          now.add(f.get());
        }
      }
    }
    return shapes.stream().map(this::written).toList();
  }

  private Score written(List<NoteFinger> shape) {
    ResolvedPassage passage = session.resolved();
    LineBuilder line =
        LineBuilder.about(passage.score(), passage.notes().get(shape.get(0).note()).key());
    for (NoteFinger f : shape) {
      Pitch written = f.sounding().plus(passage.score().transposition().negated());
      line.add(QUARTER, List.of(Head.of(written).withPrintedFinger(f.fingers())), Signs.PLAIN);
    }
    line.fillBar();
    return line.build("", passage.score().transposition());
  }
}
