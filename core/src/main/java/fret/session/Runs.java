package fret.session;

import fret.base.Fractions;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.drill.ScoreCut;
import fret.score.Bar;
import fret.score.LongRests;
import fret.score.Repeats;
import fret.score.ResolvedPassage;
import fret.score.Score;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;

/** A run-through of any notes, with their repeats as they are played or once through. */
public final class Runs {
  private Runs() {}

  /**
   * The notes from one to another as a run-through.
   *
   * @param repeats whether what is repeated is played as often as the signs ask; else once, by its
   *     last ending
   */
  public static Drill of(Session s, NoteRange notes, boolean repeats) {
    ResolvedPassage p = s.resolved();
    Slice first = p.slices().get(p.notes().get(notes.from()).slice());
    Slice last = p.slices().get(p.notes().get(notes.to()).slice());
    Fraction end = last.onset().add(Fractions.max(last.duration(), Fraction.of(1, 64)));
    boolean all = first.index() == 0 && last.index() + 1 == p.slices().size();
    Score page = new DrillBook(s).page();
    Score cut = all ? page : cut(page, first.onset(), end);
    boolean restsCut = Learning.setup(s.passage()).restsCut();
    return new Drill(DrillKind.RUN_THROUGH, List.of(played(cut, repeats, restsCut)));
  }

  /** A stretch with the repeat signs and endings of its bars. */
  private static Score cut(Score page, Fraction from, Fraction to) {
    List<Bar> there =
        page.bars().stream()
            .filter(b -> b.end().compareTo(from) > 0 && b.start().compareTo(to) < 0)
            .toList();
    Score cut = ScoreCut.cut(page, from, to);
    List<Bar> bars = new ArrayList<>();
    for (int i = 0; i < cut.bars().size(); i++) {
      Bar b = there.get(i);
      bars.add(cut.bars().get(i).withRepeats(b.repeatStart(), b.repeatEnd(), b.endings()));
    }
    return cut.withBars(bars);
  }

  /** A page without its long rests; itself where it has none. */
  static Score withoutLongRests(Score score) {
    return LongRests.areIn(score) ? played(score, true, true) : score;
  }

  private static Score played(Score score, boolean repeats, boolean restsCut) {
    List<Integer> all = repeats ? Repeats.playingOrder(score) : once(score);
    List<Integer> order = restsCut ? LongRests.cut(score, all) : all;
    boolean plain =
        order.size() == score.bars().size()
            && score.bars().stream().noneMatch(b -> b.repeatStart() || b.repeatEnd());
    if (plain) {
      return score;
    }
    List<Bar> bars = new ArrayList<>();
    order.forEach(i -> bars.add(score.bars().get(i).withRepeats(false, false, List.of())));
    return score.withBars(bars).laidOut();
  }

  /** Each bar once; of several endings the last. */
  private static List<Integer> once(Score score) {
    List<Integer> order = new ArrayList<>();
    for (int i = 0; i < score.bars().size(); i++) {
      List<Integer> endings = score.bars().get(i).endings();
      int next = i;
      while (next < score.bars().size() && score.bars().get(next).endings().equals(endings)) {
        next++;
      }
      boolean another = next < score.bars().size() && !score.bars().get(next).endings().isEmpty();
      if (endings.isEmpty() || !another) {
        order.add(i);
      }
    }
    return order;
  }

  /** The id under which a run-through of some bars is recorded. */
  public static String id(ResolvedPassage passage, NoteRange notes) {
    return "run-"
        + passage.notes().get(notes.from()).bar()
        + "-"
        + passage.notes().get(notes.to()).bar();
  }
}
