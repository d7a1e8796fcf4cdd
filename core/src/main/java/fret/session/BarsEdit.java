package fret.session;

import fret.score.Bar;
import fret.score.Score;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Some bars in a row that are replaced. Bars are kept as if each started the part, so that only
 * what changed needs to be stored.
 *
 * @param at place of the first bar concerned
 * @param before the bars there before; {@code after} those after it
 */
public record BarsEdit(int at, List<Bar> before, List<Bar> after) {
  public BarsEdit {
    before = before.stream().map(Bar::atStart).toList();
    after = after.stream().map(Bar::atStart).toList();
  }

  /** From one page to another, down to the bars that differ; empty where none does. */
  static Optional<BarsEdit> between(Score page, Score newPage) {
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
    BarsEdit edit =
        new BarsEdit(
            head, old.subList(head, old.size() - tail), now.subList(head, now.size() - tail));
    return edit.before.isEmpty() && edit.after.isEmpty() ? Optional.empty() : Optional.of(edit);
  }

  /** The page after this. */
  public Score applyTo(Score page) {
    List<Bar> all = new ArrayList<>(page.bars());
    all.subList(at, at + before.size()).clear();
    all.addAll(at, after);
    return page.withBars(all).laidOut();
  }

  BarsEdit inverse() {
    return new BarsEdit(at, after, before);
  }
}
