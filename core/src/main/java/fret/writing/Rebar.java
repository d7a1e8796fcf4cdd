package fret.writing;

import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.NoteValue;
import fret.score.Score;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/** Lays notes out anew over full bars. Where there is more than one voice, nothing is changed. */
final class Rebar {
  private final List<Bar> bars = new ArrayList<>();
  private final Bar model;
  private final String voice;
  private List<Event> filling = new ArrayList<>();
  private Fraction filled = Fraction.ZERO;

  private Rebar(Bar model, String voice) {
    this.model = model;
    this.voice = voice;
  }

  /** The page with the bars from one on, up to the next change of metre, laid out anew. */
  static Score from(Score page, int from, String voice) {
    Bar first = page.bars().get(from);
    int to = from;
    boolean oneVoice = true;
    while (to < page.bars().size() && page.bars().get(to).time().equals(first.time())) {
      oneVoice &= page.bars().get(to).events().stream().allMatch(e -> e.voice().equals(voice));
      to++;
    }
    if (!oneVoice) {
      return page;
    }
    Rebar run = new Rebar(first, voice);
    for (Bar bar : page.bars().subList(from, to)) {
      bar.events().forEach(run::add);
    }
    run.close();
    List<Bar> all = new ArrayList<>(page.bars().subList(0, from));
    all.addAll(run.bars);
    all.addAll(page.bars().subList(to, page.bars().size()));
    return page.withBars(all).laidOut();
  }

  private void add(Event e) {
    Fraction room = model.time().barLength().subtract(filled);
    if (e.duration().compareTo(room) <= 0) {
      put(e);
      return;
    }
    Optional<NoteValue> head = NoteValue.ofLength(room);
    Optional<NoteValue> rest = NoteValue.ofLength(e.duration().subtract(room));
    if (room.signum() == 0 || head.isEmpty() || rest.isEmpty() || e.signs().tuplet().isPresent()) {
      put(e); // It cannot be cut into plain values: the bar stays too long, and is marked.
      return;
    }
    put(cut(e, head.get(), room, true, Signs.PLAIN.withSlurs(e.signs().slurStarts(), List.of())));
    Signs after = Signs.PLAIN.withSlurs(List.of(), e.signs().slurStops());
    put(cut(e, rest.get(), e.duration().subtract(room), false, after));
  }

  private static Event cut(Event e, NoteValue value, Fraction length, boolean first, Signs signs) {
    List<Head> heads =
        e.heads().stream()
            .map(h -> first ? h.withTies(true, h.tieStop()) : h.withTies(h.tieStart(), true))
            .toList();
    return new Event(e.voice(), e.onset(), length, value, heads, e.grace(), e.cue(), signs);
  }

  private void put(Event e) {
    filling.add(e);
    filled = filled.add(e.duration());
    if (filled.compareTo(model.time().barLength()) >= 0) {
      close();
    }
  }

  private void close() {
    if (filling.isEmpty() && !bars.isEmpty()) {
      return;
    }
    Bar empty = BarDraft.empty(bars.size() + 1, model.time(), model.key(), model.clef());
    bars.add(BarDraft.with(empty, voice, filling));
    filling = new ArrayList<>();
    filled = Fraction.ZERO;
  }
}
