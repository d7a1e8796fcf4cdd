package fret.writing;

import fret.pitch.Clef;
import fret.pitch.KeySignature;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Score;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import org.apache.commons.numbers.fraction.Fraction;

/** What is done with whole bars while writing: at the bar of the caret. */
public final class BarEdits {
  private static final int MOST_BARS = 5000;

  private final Draft draft;

  BarEdits(Draft draft) {
    this.draft = draft;
  }

  /** This bar again, after it. */
  public Draft again() {
    List<Event> all = draft.events();
    return draft.go(new Draft.Place(draft.at().bar(), all.size() - 1)).paste(all);
  }

  /** An empty bar after this one, in the same metre and key. */
  public Draft insert() {
    if (draft.page().bars().size() >= MOST_BARS) {
      return draft;
    }
    Bar bar = draft.bar();
    List<Bar> bars = new ArrayList<>(draft.page().bars());
    bars.add(
        draft.at().bar() + 1,
        BarDraft.empty(draft.at().bar() + 2, bar.time(), bar.key(), bar.clefAt(bar.end())));
    return draft.withBars(bars).go(new Draft.Place(draft.at().bar() + 1, -1));
  }

  /** Takes the whole bar away. */
  public Draft delete() {
    if (draft.page().bars().size() == 1) {
      return draft
          .withBars(List.of(BarDraft.with(draft.bar(), Draft.voice(draft.bar()), List.of())))
          .go(new Draft.Place(0, -1));
    }
    List<Bar> bars = new ArrayList<>(draft.page().bars());
    bars.remove(draft.at().bar());
    int bar = Math.min(draft.at().bar(), bars.size() - 1);
    Score shorter = draft.renumbered(bars);
    int last = draft.at().bar() == bar ? -1 : Draft.events(shorter, bar).size() - 1;
    return new Draft(shorter, new Draft.Place(bar, last), draft.pen(), Optional.empty());
  }

  /** One sharp more (1) or one flat more (-1) from this bar to the next change of key. */
  public Draft key(int by) {
    int fifths = Math.max(-7, Math.min(7, draft.bar().key().fifths() + by));
    KeySignature old = draft.bar().key();
    return fromHere(b -> b.key().equals(old), b -> BarDraft.withKey(b, new KeySignature(fifths)));
  }

  /** Another metre from this bar to the next change; what is in the bars stays. */
  public Draft metre(TimeSignature time) {
    TimeSignature old = draft.bar().time();
    return fromHere(b -> b.time().equals(old), b -> BarDraft.withTime(b, time));
  }

  /** Another clef after the current note, to the next change of clef. */
  public Draft clef(Clef clef) {
    if (draft.at().event() < 0) {
      Clef old = draft.bar().clef();
      return fromHere(b -> b.clef().equals(old), b -> BarDraft.withClef(b, clef, b.clefChanges()));
    }
    Clef old = draft.bar().clefAt(draft.bar().end());
    List<Bar.ClefChange> changes = new ArrayList<>(draft.bar().clefChanges());
    Fraction onset = draft.caret();
    changes.removeIf(c -> c.onset().equals(onset));
    boolean within = onset.compareTo(draft.bar().end()) < 0;
    if (within) {
      changes.add(new Bar.ClefChange(onset, clef));
    }
    List<Bar> bars = new ArrayList<>(draft.page().bars());
    bars.set(draft.at().bar(), BarDraft.withClef(draft.bar(), draft.bar().clef(), changes));
    for (int b = draft.at().bar() + 1; b < bars.size() && bars.get(b).clef().equals(old); b++) {
      bars.set(b, BarDraft.withClef(bars.get(b), clef, bars.get(b).clefChanges()));
    }
    return draft.withBars(bars);
  }

  /** The next of the clefs that strings use. */
  public Draft nextClef() {
    List<Clef> all = List.of(Clef.TREBLE, Clef.ALTO, Clef.TENOR, Clef.BASS);
    int now = all.indexOf(draft.bar().clefAt(draft.caret()));
    return clef(all.get((now + 1) % all.size()));
  }

  private Draft fromHere(Predicate<Bar> same, UnaryOperator<Bar> edit) {
    List<Bar> bars = new ArrayList<>(draft.page().bars());
    for (int b = draft.at().bar(); b < bars.size() && same.test(bars.get(b)); b++) {
      bars.set(b, edit.apply(bars.get(b)));
    }
    return draft.withBars(bars);
  }

  /** Makes the first bar a pick-up as long as what is in it, or a full bar again. */
  public Draft pickup() {
    Bar first = draft.page().bars().get(0);
    Fraction content = BarDraft.longest(first);
    boolean full = first.length().compareTo(first.time().barLength()) >= 0;
    boolean can = content.signum() > 0 && content.compareTo(first.time().barLength()) < 0;
    List<Bar> bars = new ArrayList<>(draft.page().bars());
    bars.set(0, BarDraft.withLength(first, full && can ? content : first.time().barLength()));
    return draft.withScore(draft.renumbered(bars));
  }

  /** Starts (or no longer starts) a repeat at this bar. */
  public Draft repeatStart() {
    return draft.bar(b -> BarDraft.withRepeat(b, !b.repeatStart(), b.repeatEnd()));
  }

  /** Ends (or no longer ends) a repeat at this bar. */
  public Draft repeatEnd() {
    return draft.bar(b -> BarDraft.withRepeat(b, b.repeatStart(), !b.repeatEnd()));
  }

  /**
   * Lays the notes from this bar to the next change of metre out anew over full bars; a note over a
   * bar line is cut and tied.
   */
  public Draft rebar() {
    Score laid = Rebar.from(draft.page(), draft.at().bar(), Draft.voice(draft.bar()));
    return new Draft(
        draft.renumbered(laid.bars()),
        new Draft.Place(draft.at().bar(), -1),
        draft.pen(),
        Optional.empty());
  }
}
