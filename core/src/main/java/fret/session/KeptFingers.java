package fret.session;

import fret.drill.Chunk;
import fret.fingering.KeepDown;
import fret.fingering.NoteFinger;
import fret.pitch.Pitch;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Score;
import fret.score.Signs;
import fret.score.Slice;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * The fingers that stay down because their note comes back: the note, what is played meanwhile, the
 * note again, slowly and twice, so that the finger is found where it was left (common practice, no
 * source).
 */
final class KeptFingers {
  private static final Fraction BETWEEN = Fraction.of(1, 4);
  private static final Fraction KEPT = Fraction.of(1, 2);
  private static final int MOST_IN_A_CHUNK = 4;

  private final Session session;
  private final ResolvedPassage passage;

  KeptFingers(Session session) {
    this.session = session;
    this.passage = session.resolved();
  }

  /** A part for each finger that stays, the longest way first; none where nothing comes back. */
  List<Score> of(Chunk chunk) {
    record Stay(int note, int back) {}
    List<Stay> stays = new ArrayList<>();
    int until = -1;
    for (KeepDown k : KeepDown.of(passage, session.fingering())) {
      int from = passage.notes().get(k.note()).slice();
      Optional<Integer> back = k.pays() && from >= until ? back(k) : Optional.empty();
      if (back.isPresent() && in(chunk, from) && in(chunk, back.get())) {
        stays.add(new Stay(k.note(), back.get()));
        until = back.get();
      }
    }
    return stays.stream()
        .sorted(
            (a, b) ->
                Integer.compare(
                    b.back - passage.notes().get(b.note).slice(),
                    a.back - passage.notes().get(a.note).slice()))
        .limit(MOST_IN_A_CHUNK)
        .map(s -> written(s.note, s.back))
        .toList();
  }

  private boolean in(Chunk chunk, int slice) {
    Slice s = passage.slices().get(slice);
    return s.onset().compareTo(chunk.fromOnset()) >= 0 && s.onset().compareTo(chunk.toOnset()) < 0;
  }

  /** The moment at which the note comes back, something else between. */
  private Optional<Integer> back(KeepDown kept) {
    NoteFinger of = session.fingering().notes().get(kept.note()).orElseThrow();
    int from = passage.notes().get(kept.note()).slice();
    for (int s = from + 2; s < Math.min(kept.untilSlice(), passage.slices().size()); s++) {
      for (int n : passage.slices().get(s).starting()) {
        boolean same =
            session
                .fingering()
                .notes()
                .get(n)
                .filter(f -> f.string() == of.string() && f.semitone() == of.semitone())
                .isPresent();
        if (same) {
          return Optional.of(s);
        }
      }
    }
    return Optional.empty();
  }

  private Score written(int note, int back) {
    SoundingNote kept = passage.notes().get(note);
    LineBuilder line = LineBuilder.about(passage.score(), kept.key());
    for (int time = 0; time < 2; time++) {
      line.add(KEPT, heads(List.of(note)), Signs.PLAIN);
      for (int s = kept.slice() + 1; s < back; s++) {
        line.add(BETWEEN, heads(passage.slices().get(s).starting()), Signs.PLAIN);
      }
      line.add(KEPT, heads(List.of(note)), Signs.PLAIN);
      line.fillBar();
    }
    return line.build("", passage.score().transposition());
  }

  private List<Head> heads(List<Integer> notes) {
    return notes.stream().map(this::head).toList();
  }

  private Head head(int note) {
    Pitch written =
        passage.notes().get(note).pitch().plus(passage.score().transposition().negated());
    return session
        .fingering()
        .notes()
        .get(note)
        .map(f -> Head.of(written).withPrintedFinger(f.fingers()))
        .orElse(Head.of(written));
  }
}
