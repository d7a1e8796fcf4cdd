package fret.writing;

import fret.base.Fractions;
import fret.pitch.Clef;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import fret.score.NoteValue;
import fret.score.Score;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Lays notes out anew over full bars, up to a change of metre, key or clef, a repeat or an ending.
 * Dynamics, words and clefs go with the notes they stand at. Where there is more than one voice,
 * nothing is changed.
 */
final class Rebar {
  private final List<Bar> bars = new ArrayList<>();

  /** Where a note stood, and where it stands now. */
  private final TreeMap<Fraction, Fraction> moved = new TreeMap<>();

  private final Bar model;
  private final String voice;
  private List<Event> filling = new ArrayList<>();
  private Fraction filled = Fraction.ZERO;
  private Fraction start;

  private Rebar(Bar model, String voice) {
    this.model = model;
    this.voice = voice;
    this.start = model.start();
  }

  /** The page with the bars from one on laid out anew. */
  static Score from(Score page, int from, String voice) {
    int to = from + 1;
    while (to < page.bars().size() && goesOn(page.bars().get(to - 1), page.bars().get(to))) {
      to++;
    }
    return between(page, from, to, voice);
  }

  /** The page with some of its bars laid out anew. */
  static Score between(Score page, int from, int to, String voice) {
    List<Bar> old = page.bars().subList(from, to);
    boolean oneVoice =
        old.stream().flatMap(b -> b.events().stream()).allMatch(e -> e.voice().equals(voice));
    if (!oneVoice) {
      return page;
    }
    Rebar run = new Rebar(old.get(0), voice);
    for (Bar bar : old) {
      bar.events().forEach(run::add);
    }
    run.close();
    List<Bar> all = new ArrayList<>(page.bars().subList(0, from));
    all.addAll(run.dressed(old));
    all.addAll(page.bars().subList(to, page.bars().size()));
    return page.withBars(all).laidOut();
  }

  private static boolean goesOn(Bar a, Bar b) {
    return b.time().equals(a.time())
        && b.key().equals(a.key())
        && b.clef().equals(a.clefAt(a.end()))
        && !a.repeatEnd()
        && !b.repeatStart()
        && b.endings().equals(a.endings());
  }

  private void add(Event e) {
    moved.putIfAbsent(e.onset(), start.add(filled));
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
    bars.add(BarDraft.with(empty.at(bars.size(), start), voice, filling));
    start = start.add(Fractions.max(filled, model.time().barLength()));
    filling = new ArrayList<>();
    filled = Fraction.ZERO;
  }

  // ---- what stands at the notes ----------------------------------------------------------------

  /** The new bars with what stood in the old ones beside the notes. */
  private List<Bar> dressed(List<Bar> old) {
    List<Direction> directions =
        old.stream()
            .flatMap(b -> b.directions().stream())
            .map(d -> new Direction(now(d.onset()), d.kind(), d.text(), d.number()))
            .toList();
    List<Bar.ClefChange> clefs =
        old.stream()
            .flatMap(b -> b.clefChanges().stream())
            .map(c -> new Bar.ClefChange(now(c.onset()), c.clef()))
            .toList();
    Bar first = old.get(0);
    Bar end = old.get(old.size() - 1);
    List<Bar> all = new ArrayList<>();
    for (int i = 0; i < bars.size(); i++) {
      Bar bar = bars.get(i);
      boolean last = i == bars.size() - 1;
      List<Bar.ClefChange> within = clefs.stream().filter(c -> isWithin(bar, c.onset())).toList();
      all.add(
          BarDraft.withClef(bar, clefAt(clefs, bar.start()), within)
              .withDirections(directions.stream().filter(d -> isIn(bar, d.onset(), last)).toList())
              .withRepeats(i == 0 && first.repeatStart(), last && end.repeatEnd(), first.endings())
              .withLine(last ? end.line() : Bar.Line.PLAIN));
    }
    return all;
  }

  private Clef clefAt(List<Bar.ClefChange> clefs, Fraction onset) {
    return clefs.stream()
        .filter(c -> c.onset().compareTo(onset) <= 0)
        .reduce((a, b) -> b)
        .map(Bar.ClefChange::clef)
        .orElse(model.clef());
  }

  private static boolean isWithin(Bar bar, Fraction onset) {
    return onset.compareTo(bar.start()) > 0 && onset.compareTo(bar.end()) < 0;
  }

  private static boolean isIn(Bar bar, Fraction onset, boolean last) {
    return onset.compareTo(bar.start()) >= 0
        && (onset.compareTo(bar.end()) < 0 || last && onset.compareTo(bar.end()) >= 0);
  }

  /** Where a moment stands now: as far behind its note as it was. */
  private Fraction now(Fraction onset) {
    Map.Entry<Fraction, Fraction> note = moved.floorEntry(onset);
    return note == null ? onset : note.getValue().add(onset.subtract(note.getKey()));
  }
}
