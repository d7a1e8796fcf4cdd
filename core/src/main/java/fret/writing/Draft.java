package fret.writing;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.pitch.Step;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.NoteValue;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * A page while it is written. There is always a current note: what was typed last, or where the
 * player went. New notes go in after it, and signs go onto it. A value of its own: every operation
 * gives a new draft and leaves this one as it was.
 *
 * @param at the current note
 * @param anchor other end of a selection, if there is one
 */
public record Draft(Score page, Place at, Pen pen, Optional<Place> anchor) {
  private static final String VOICE = "1";
  private static final int LOWEST = 7;
  private static final int HIGHEST = 65;

  /**
   * A note of the page.
   *
   * @param bar place of the bar
   * @param event place among the bar's notes and rests; -1 for the bar's start
   */
  public record Place(int bar, int event) implements Comparable<Place> {
    @Override
    public int compareTo(Place other) {
      return bar != other.bar
          ? Integer.compare(bar, other.bar)
          : Integer.compare(event, other.event);
    }
  }

  public Draft {
    Objects.requireNonNull(page);
    Objects.requireNonNull(pen);
    if (at.bar() < 0 || at.bar() >= page.bars().size()) {
      throw new IllegalArgumentException("no bar " + at.bar());
    }
  }

  /** An empty page of one bar. */
  public static Score emptyPage(String title, TimeSignature time, KeySignature key, Clef clef) {
    return new Score(title, "", "", Interval.UNISON, List.of(BarDraft.empty(1, time, key, clef)));
  }

  /** Writing goes on at the end of a page. */
  public static Draft atEnd(Score page) {
    int last = page.bars().size() - 1;
    return at(page, new Place(last, Integer.MAX_VALUE));
  }

  /** Writing goes on at a place, or the nearest one there is. */
  public static Draft at(Score page, Place place) {
    int bar = Math.max(0, Math.min(place.bar(), page.bars().size() - 1));
    int events = events(page, bar).size();
    return new Draft(
        page,
        new Place(bar, Math.max(-1, Math.min(place.event(), events - 1))),
        Pen.QUARTER,
        Optional.empty());
  }

  // ---- where ---------------------------------------------------------------------------------

  static List<Event> events(Score page, int bar) {
    return BarDraft.events(page.bars().get(bar), voice(page.bars().get(bar)));
  }

  /** The voice that is written: the first one of the bar. */
  static String voice(Bar bar) {
    return bar.events().stream().map(Event::voice).sorted().findFirst().orElse(VOICE);
  }

  public Bar bar() {
    return page.bars().get(at.bar());
  }

  List<Event> events() {
    return events(page, at.bar());
  }

  /** The current note, chord or rest; empty at a bar's start. */
  public Optional<Event> current() {
    return at.event() < 0 ? Optional.empty() : Optional.of(events().get(at.event()));
  }

  /** The onset at which the next note goes in. */
  public Fraction caret() {
    return current().map(Event::end).orElse(bar().start());
  }

  Draft go(Place place) {
    return new Draft(page, place, pen, Optional.empty());
  }

  public Draft with(Pen other) {
    return new Draft(page, at, other, anchor);
  }

  /** The next note, over bar lines. */
  public Draft right() {
    if (at.event() + 1 < events().size()) {
      return go(new Place(at.bar(), at.event() + 1));
    }
    boolean more = at.bar() + 1 < page.bars().size();
    return more ? go(new Place(at.bar() + 1, events(page, at.bar() + 1).isEmpty() ? -1 : 0)) : this;
  }

  /** The note before, over bar lines. */
  public Draft left() {
    if (at.event() > 0 || at.event() == 0 && at.bar() == 0) {
      return go(new Place(at.bar(), at.event() - 1));
    }
    return at.bar() == 0
        ? this
        : go(new Place(at.bar() - 1, events(page, at.bar() - 1).size() - 1));
  }

  /** The first note of another bar. */
  public Draft barBy(int by) {
    int bar = Math.max(0, Math.min(page.bars().size() - 1, at.bar() + by));
    return go(new Place(bar, events(page, bar).isEmpty() ? -1 : 0));
  }

  /** Moves and keeps the other end of the selection where it is, or starts one. */
  public Draft selecting(UnaryOperator<Draft> move) {
    Draft moved = move.apply(this);
    return new Draft(moved.page, moved.at, pen, Optional.of(anchor.orElse(at)));
  }

  /** The selected notes, or the current one. */
  List<Place> selection() {
    Place from = anchor.filter(a -> a.compareTo(at) < 0).orElse(at);
    Place to = anchor.filter(a -> a.compareTo(at) > 0).orElse(at);
    List<Place> places = new ArrayList<>();
    for (int b = from.bar(); b <= to.bar(); b++) {
      int first = b == from.bar() ? Math.max(0, from.event()) : 0;
      int last = b == to.bar() ? to.event() : events(page, b).size() - 1;
      for (int e = first; e <= last; e++) {
        places.add(new Place(b, e));
      }
    }
    return places;
  }

  /** The selected notes, to be put in elsewhere. */
  public List<Event> copy() {
    return selection().stream().map(p -> events(page, p.bar()).get(p.event())).toList();
  }

  // ---- putting in ------------------------------------------------------------------------------

  /** A note of this letter, in the octave nearest to the note before. */
  public Draft note(Step step) {
    int near = reference();
    int up = Math.floorMod(step.ordinal() - near, 7);
    int diatonic = up <= 3 ? near + up : near + up - 7;
    return insert(List.of(Math.max(LOWEST, Math.min(HIGHEST, diatonic))));
  }

  /** Letter count of the note before, or of the middle line. */
  private int reference() {
    for (int b = at.bar(); b >= Math.max(0, at.bar() - 8); b--) {
      List<Event> all = events(page, b);
      for (int e = b == at.bar() ? at.event() : all.size() - 1; e >= 0; e--) {
        if (!all.get(e).isRest()) {
          return all.get(e).heads().get(0).pitch().diatonic();
        }
      }
    }
    Pitch c4 = new Pitch(Step.C, 0, 4);
    return c4.diatonic() + 4 - bar().clef().staffPosition(c4);
  }

  /**
   * A note as it sounds, from a keyboard: spelled in the key, and written where the part's
   * transposition puts it.
   */
  public Draft sounding(int midi) {
    int written = midi - page.transposition().semitones();
    if (written < 16 || written > 120) {
      return this;
    }
    Draft here = pen.grace() ? this : withRoom();
    return here.put(List.of(Head.of(Pitch.ofMidi(written, here.bar().key()))));
  }

  public Draft rest() {
    return insert(List.of());
  }

  private Draft insert(List<Integer> diatonics) {
    Draft here = pen.grace() ? this : withRoom();
    List<Event> before = here.events().subList(0, here.at.event() + 1);
    List<Head> heads =
        diatonics.stream()
            .map(d -> Head.of(BarDraft.pitch(d, BarDraft.alterInForce(here.bar(), before, d))))
            .toList();
    return here.put(heads);
  }

  /** At a full bar's end the next bar begins. */
  private Draft withRoom() {
    boolean atEnd = at.event() == events().size() - 1;
    if (!atEnd || !BarDraft.isFull(bar(), voice(bar()))) {
      return this;
    }
    return at.bar() + 1 < page.bars().size() ? go(new Place(at.bar() + 1, -1)) : bars().insert();
  }

  private Draft put(List<Head> heads) {
    Signs.Tuplet tuplet = pen.grace() ? Signs.Tuplet.NONE : pen.nextSign();
    Fraction length = pen.value().length().multiply(Fraction.of(tuplet.normal(), tuplet.actual()));
    Event event =
        new Event(
            voice(bar()),
            Fraction.ZERO,
            pen.grace() ? Fraction.ZERO : length,
            pen.value(),
            heads,
            pen.grace() ? Event.Grace.SLASHED : Event.Grace.NONE,
            false,
            Signs.PLAIN.withTuplet(tuplet));
    return put(event).with(pen.used());
  }

  private Draft put(Event event) {
    List<Event> all = new ArrayList<>(events());
    all.add(at.event() + 1, event);
    return withEvents(all).go(new Place(at.bar(), at.event() + 1));
  }

  /** Puts in copied notes one after the other; each goes into the bar that has room. */
  public Draft paste(List<Event> clip) {
    Draft d = new Draft(page, at, pen, Optional.empty());
    for (Event e : clip) {
      Draft here = e.isGrace() ? d : d.withRoom();
      d = here.put(Figures.inVoice(e, voice(here.bar())));
    }
    return d;
  }

  /** The same note again, tied. */
  public Draft tie() {
    return current()
        .filter(e -> !e.isRest())
        .map(
            e -> {
              List<Head> tied = e.heads().stream().map(h -> h.withTies(true, h.tieStop())).toList();
              List<Head> on =
                  e.heads().stream().map(h -> Head.of(h.pitch()).withTies(false, true)).toList();
              return change(x -> x.withHeads(tied)).withRoom().put(on);
            })
        .orElse(this);
  }

  /** The same note again. */
  public Draft again() {
    return current()
        .filter(e -> !e.isRest())
        .map(e -> withRoom().put(e.heads().stream().map(h -> Head.of(h.pitch())).toList()))
        .orElse(this);
  }

  /**
   * The last figure again, moved by letters of the key: 0 repeats it, 1 makes a rising sequence.
   * The figure is the selection, or the last beat.
   */
  public Draft figureAgain(int steps) {
    List<Event> figure = anchor.isPresent() ? copy() : lastBeat();
    Draft end = anchor.isPresent() ? go(selection().get(selection().size() - 1)) : this;
    return end.paste(Figures.moved(figure, steps, bar().key()));
  }

  private List<Event> lastBeat() {
    List<Event> figure = new ArrayList<>();
    Fraction beat = bar().time().beatLength();
    Fraction sum = Fraction.ZERO;
    for (int e = at.event(); e >= 0 && sum.compareTo(beat) < 0; e--) {
      figure.add(0, events().get(e));
      sum = sum.add(events().get(e).duration());
    }
    return figure;
  }

  // ---- changing --------------------------------------------------------------------------------

  /** Changes the selected notes, or the current one. */
  public Draft change(UnaryOperator<Event> edit) {
    List<Bar> bars = new ArrayList<>(page.bars());
    List<Place> places = selection();
    for (Place p : places) {
      Bar bar = bars.get(p.bar());
      List<Event> all = new ArrayList<>(BarDraft.events(bar, voice(bar)));
      all.set(p.event(), edit.apply(all.get(p.event())));
      bars.set(p.bar(), BarDraft.with(bar, voice(bar), all));
    }
    return places.isEmpty() ? this : withBars(bars);
  }

  /** A dot more on the current note; after two dots none. */
  public Draft dot() {
    return change(
        e ->
            BarDraft.withValue(
                e, new NoteValue(e.value().denominator(), (e.value().dots() + 1) % 3)));
  }

  /** Gives the selected notes the value of the pen. */
  public Draft revalue() {
    return change(e -> BarDraft.withValue(e, pen.value()));
  }

  /** Adds a note of this letter above the current one. */
  public Draft chord(Step step) {
    return current()
        .filter(e -> !e.isRest())
        .map(
            e -> {
              int top = e.heads().get(e.heads().size() - 1).pitch().diatonic();
              int up = Math.floorMod(step.ordinal() - top, 7);
              int diatonic = Math.min(HIGHEST, top + (up == 0 ? 7 : up));
              int alter = BarDraft.alterInForce(bar(), events().subList(0, at.event()), diatonic);
              List<Head> heads = new ArrayList<>(e.heads());
              heads.add(Head.of(BarDraft.pitch(diatonic, alter)));
              return go(at).change(x -> x.withHeads(heads));
            })
        .orElse(this);
  }

  /** Raises (1) or lowers (-1) the top note of what is selected by a semitone, on its letter. */
  public Draft alter(int by) {
    return change(e -> Figures.topHead(e, p -> Figures.altered(p, p.alter() + by)));
  }

  /** Takes the accidental of the top note away. */
  public Draft natural() {
    return change(e -> Figures.topHead(e, p -> Figures.altered(p, 0)));
  }

  /** Moves what is selected by letters of the key. */
  public Draft step(int steps) {
    return change(e -> Figures.moved(e, steps, bar().key()));
  }

  /** Moves what is selected by octaves. */
  public Draft octave(int octaves) {
    return change(e -> Figures.transposed(e, new Interval(7 * octaves, 12 * octaves)));
  }

  /** Moves what is selected by an interval, keeping every distance. */
  public Draft transpose(Interval by) {
    return change(e -> Figures.transposed(e, by));
  }

  /** Takes away what is selected; the note before becomes current. */
  public Draft delete() {
    List<Place> places = selection();
    if (places.isEmpty()) {
      return removeEmptyBar();
    }
    List<Bar> bars = new ArrayList<>(page.bars());
    for (int i = places.size() - 1; i >= 0; i--) {
      Place p = places.get(i);
      Bar bar = bars.get(p.bar());
      List<Event> all = new ArrayList<>(BarDraft.events(bar, voice(bar)));
      all.remove(p.event());
      bars.set(p.bar(), BarDraft.with(bar, voice(bar), all));
    }
    Place first = places.get(0);
    return withBars(bars).go(new Place(first.bar(), first.event() - 1));
  }

  private Draft removeEmptyBar() {
    return bar().events().isEmpty() && page.bars().size() > 1 ? bars().delete() : left();
  }

  // ---- bars ------------------------------------------------------------------------------------

  /** What is done with whole bars. */
  public BarEdits bars() {
    return new BarEdits(this);
  }

  /** Changes this bar. */
  Draft bar(UnaryOperator<Bar> edit) {
    List<Bar> bars = new ArrayList<>(page.bars());
    bars.set(at.bar(), edit.apply(bar()));
    return withBars(bars);
  }

  // ---- the page --------------------------------------------------------------------------------

  private Draft withEvents(List<Event> events) {
    return bar(b -> BarDraft.with(b, voice(b), events));
  }

  Draft withBars(List<Bar> bars) {
    boolean sameCount = bars.size() == page.bars().size();
    return withScore(sameCount ? page.withBars(bars).laidOut() : renumbered(bars));
  }

  Draft withScore(Score other) {
    return new Draft(other, at, pen, anchor);
  }

  /** Bar numbers from 1, a pick-up being 0. */
  Score renumbered(List<Bar> bars) {
    Bar first = bars.get(0);
    boolean pickup = bars.size() > 1 && first.length().compareTo(first.time().barLength()) < 0;
    int number = pickup ? 0 : startNumber(first);
    List<Bar> numbered = new ArrayList<>();
    for (Bar bar : bars) {
      numbered.add(BarDraft.withNumber(bar, number++));
    }
    return page.withBars(numbered).laidOut();
  }

  private static int startNumber(Bar first) {
    boolean digits = first.number().matches("\\d{1,6}");
    return digits ? Math.max(1, Integer.parseInt(first.number())) : 1;
  }
}
