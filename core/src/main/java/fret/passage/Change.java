package fret.passage;

import fret.mark.Marks;
import fret.score.Bar;
import fret.score.Score;
import java.util.ArrayList;
import java.util.List;

/**
 * A named change of a passage, as a value with its inverse: applying a change and then its inverse
 * gives the passage back.
 */
public sealed interface Change {
  /** What is done, in players' words, such as "Finger 3 on G4". */
  String name();

  Passage applyTo(Passage passage);

  Change inverse();

  /** Other marks. */
  record MarksChange(String name, Marks before, Marks after) implements Change {
    @Override
    public Passage applyTo(Passage passage) {
      return passage.withMarks(after);
    }

    @Override
    public Change inverse() {
      return new MarksChange(name, after, before);
    }
  }

  /** Other settings. */
  record SettingsChange(String name, Passage.Settings before, Passage.Settings after)
      implements Change {
    @Override
    public Passage applyTo(Passage passage) {
      return passage.withSettings(after);
    }

    @Override
    public Change inverse() {
      return new SettingsChange(name, after, before);
    }
  }

  /**
   * Other notes: some bars in a row are replaced. Bars are kept as if each started the part, so
   * that only what changed needs to be stored.
   *
   * @param at place of the first bar concerned
   * @param bars the bars there before; {@code newBars} after
   */
  record PageChange(
      String name, int at, List<Bar> bars, List<Bar> newBars, Marks before, Marks after)
      implements Change {
    public PageChange {
      bars = bars.stream().map(Bar::atStart).toList();
      newBars = newBars.stream().map(Bar::atStart).toList();
    }

    /**
     * The change from one page to another, down to the bars that differ. Marks go along with their
     * notes.
     */
    public static PageChange between(
        String name, Score page, Score newPage, Marks before, Marks after) {
      List<Bar> old = page.bars().stream().map(Bar::atStart).toList();
      List<Bar> now = newPage.bars().stream().map(Bar::atStart).toList();
      int head = 0;
      while (head < old.size() && head < now.size() && old.get(head).equals(now.get(head))) {
        head++;
      }
      int tail = 0;
      while (tail < old.size() - head
          && tail < now.size() - head
          && old.get(old.size() - 1 - tail).equals(now.get(now.size() - 1 - tail))) {
        tail++;
      }
      return new PageChange(
          name,
          head,
          old.subList(head, old.size() - tail),
          now.subList(head, now.size() - tail),
          before,
          after);
    }

    /** The page after this change. */
    public Score applyTo(Score page) {
      List<Bar> all = new ArrayList<>(page.bars());
      all.subList(at, at + bars.size()).clear();
      all.addAll(at, newBars);
      return page.withBars(all).laidOut();
    }

    @Override
    public Passage applyTo(Passage passage) {
      return passage.withMarks(after);
    }

    @Override
    public Change inverse() {
      return new PageChange(name, at, newBars, bars, after, before);
    }
  }

  /** The file was brought in again. */
  record SourceChange(String name, long sourceBefore, long sourceAfter, Marks before, Marks after)
      implements Change {
    @Override
    public Passage applyTo(Passage passage) {
      return passage.withSource(sourceAfter).withMarks(after);
    }

    @Override
    public Change inverse() {
      return new SourceChange(name, sourceAfter, sourceBefore, after, before);
    }
  }
}
