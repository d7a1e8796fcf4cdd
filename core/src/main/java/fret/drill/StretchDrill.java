package fret.drill;

import fret.fingering.NoteFinger;
import fret.pitch.Pitch;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Score;
import fret.score.Signs;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Rocking between the two fingers of a stretch: both set, one after the other slowly, a rest to let
 * the hand go (common practice, no source).
 */
public final class StretchDrill {
  private static final Fraction QUARTER = Fraction.of(1, 4);

  private StretchDrill() {}

  /**
   * The drill of two fingers on one string.
   *
   * @param low the lower finger, {@code high} the upper one
   */
  public static List<Score> parts(ResolvedPassage passage, NoteFinger low, NoteFinger high) {
    SoundingNote note = passage.notes().get(low.note());
    List<Score> parts = new ArrayList<>();
    for (boolean slow : new boolean[] {true, false}) {
      LineBuilder line = LineBuilder.about(passage.score(), note.key());
      Fraction each = slow ? QUARTER : QUARTER.divide(2);
      for (int i = 0; i < (slow ? 2 : 4); i++) {
        boolean first = i == 0;
        Signs signs = first ? Signs.PLAIN.withSlurs(List.of(1), List.of()) : Signs.PLAIN;
        boolean last = i == (slow ? 1 : 3);
        Signs end = last ? Signs.PLAIN.withSlurs(List.of(), List.of(1)) : Signs.PLAIN;
        line.add(each, head(passage, low), signs);
        line.add(each, head(passage, high), end);
      }
      // The hand is let go for as long as it was open.
      line.add(Fraction.ONE, List.of(), Signs.PLAIN);
      parts.add(line.build("", passage.score().transposition()));
    }
    return parts;
  }

  private static List<Head> head(ResolvedPassage passage, NoteFinger f) {
    Pitch written = f.sounding().plus(passage.score().transposition().negated());
    return List.of(Head.of(written).withPrintedFinger(f.finger().digit()));
  }
}
