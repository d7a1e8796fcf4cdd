package fret.bowing;

import fret.score.LineShape;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * What a line does beside its printed dynamics, as the player's choice of character has it; never
 * unasked. Figures are levels, common practice, no source, from memory.
 */
public enum PhraseShape {
  /** As printed. */
  PRINTED,
  /** Sung: each phrase grows to its top and falls to its end. */
  SUNG,
  /** Spoken: the metre carries it, the first beat heavier, what leads to it lighter. */
  SPOKEN;

  private static final double TOP = 0.7;
  private static final double END = -0.5;
  private static final Map<BowMoment.Beat, Double> BY_BEAT =
      Map.of(
          BowMoment.Beat.FIRST, 0.4,
          BowMoment.Beat.HALF, 0.2,
          BowMoment.Beat.BEAT, 0.0,
          BowMoment.Beat.OFF, -0.3);

  /**
   * The shape of a passage.
   *
   * @param marks the player's tops and ends of phrases, by moment; a rest ends a phrase too, and a
   *     phrase without a top of its own has it on its highest note
   */
  public LineShape of(ResolvedPassage passage, Map<Integer, PhraseMark> marks) {
    return switch (this) {
      case PRINTED -> LineShape.NONE;
      case SPOKEN -> spoken(passage);
      case SUNG -> sung(passage, marks);
    };
  }

  private static LineShape spoken(ResolvedPassage passage) {
    TreeMap<Fraction, Double> points = new TreeMap<>();
    for (Slice s : passage.slices()) {
      if (s.grace() == 0) {
        int bar = passage.notes().get(s.starting().get(0)).key().barIndex();
        points.put(s.onset(), BY_BEAT.get(BowMoments.beat(passage.score().bar(bar), s.onset())));
      }
    }
    return new LineShape(points, false);
  }

  private static LineShape sung(ResolvedPassage passage, Map<Integer, PhraseMark> marks) {
    TreeMap<Fraction, Double> points = new TreeMap<>();
    for (List<Slice> phrase : phrases(passage, marks)) {
      Slice first = phrase.get(0);
      Slice last = phrase.get(phrase.size() - 1);
      Slice top = top(passage, phrase, marks);
      points.put(first.onset(), 0.0);
      // The last note of a phrase falls to its end; a top that is last stays.
      if (!last.equals(top)) {
        points.put(last.onset(), END);
      }
      points.put(top.onset(), TOP);
    }
    return new LineShape(points, true);
  }

  /** Notes up to and with the one that ends a phrase; at least two, unless nothing else is left. */
  private static List<List<Slice>> phrases(
      ResolvedPassage passage, Map<Integer, PhraseMark> marks) {
    List<List<Slice>> all = new ArrayList<>();
    List<Slice> phrase = new ArrayList<>();
    List<Slice> main = passage.slices().stream().filter(s -> s.grace() == 0).toList();
    for (int i = 0; i < main.size(); i++) {
      Slice s = main.get(i);
      phrase.add(s);
      Fraction end = s.onset().add(s.duration());
      boolean rests = i + 1 < main.size() && main.get(i + 1).onset().compareTo(end) > 0;
      if (marks.get(s.index()) == PhraseMark.END || rests || i + 1 == main.size()) {
        all.add(phrase);
        phrase = new ArrayList<>();
      }
    }
    return all;
  }

  private static Slice top(
      ResolvedPassage passage, List<Slice> phrase, Map<Integer, PhraseMark> marks) {
    Slice best = phrase.get(0);
    for (Slice s : phrase) {
      if (marks.get(s.index()) == PhraseMark.TOP) {
        return s;
      }
      best = highest(passage, s) > highest(passage, best) ? s : best;
    }
    return best;
  }

  private static int highest(ResolvedPassage passage, Slice s) {
    return s.starting().stream()
        .mapToInt(n -> passage.notes().get(n).pitch().midi())
        .max()
        .orElseThrow();
  }
}
