package fret.score;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Builds a one-voice part note by note, cutting it into bars and tying over bar lines. Used for
 * drills and exercises.
 */
public final class LineBuilder {
  private final TimeSignature time;
  private final TupletGroup tuplet = new TupletGroup();
  private String number = "";
  private String nextNumber = "";
  private final List<Bar> bars = new ArrayList<>();
  private List<Event> events = new ArrayList<>();
  private List<Direction> directions = new ArrayList<>();
  private List<Bar.ClefChange> clefChanges = new ArrayList<>();
  private KeySignature key;
  private KeySignature nextKey;
  private Clef clef;
  private Clef nextClef;
  private Fraction start = Fraction.ZERO;
  private Fraction at = Fraction.ZERO;

  public LineBuilder(TimeSignature time, KeySignature key, Clef clef) {
    this.time = time;
    this.key = key;
    this.nextKey = key;
    this.clef = clef;
    this.nextClef = clef;
  }

  /** An exercise in common time about a note of a part, under its clef, key and bar number. */
  public static LineBuilder about(Score part, NoteKey note) {
    Bar bar = part.bar(note.barIndex());
    return new LineBuilder(TimeSignature.COMMON_TIME, bar.key(), bar.clefAt(note.onset()))
        .numbered(bar.number());
  }

  /** What begins from here on stands in bars of a number; without one they are counted from 1. */
  public LineBuilder numbered(String printed) {
    nextNumber = printed;
    if (at.equals(start)) {
      number = printed;
    }
    return this;
  }

  /**
   * The first bar begins at a place within it, as a pick-up does; nothing was added yet.
   *
   * @param place in whole notes from the start of a full bar, below its length
   */
  public LineBuilder pickUp(Fraction place) {
    if (place.signum() > 0 && bars.isEmpty() && events.isEmpty()) {
      start = place.subtract(time.barLength());
      at = start;
    }
    return this;
  }

  /** The clef and the key of what follows; a key counts from the next bar line on. */
  public LineBuilder under(Clef otherClef, KeySignature otherKey) {
    if (!otherClef.equals(nextClef)) {
      if (at.equals(start)) {
        clef = otherClef;
      } else {
        clefChanges.add(new Bar.ClefChange(at, otherClef));
      }
      nextClef = otherClef;
    }
    nextKey = otherKey;
    if (at.equals(start)) {
      key = otherKey;
    }
    return this;
  }

  /** Where the line stands in its bar, in whole notes; in a pick-up from the full bar's start. */
  private Fraction place() {
    return start.signum() < 0 ? time.barLength().add(at) : at.subtract(start);
  }

  private Fraction room() {
    return time.barLength().subtract(place());
  }

  /** Adds a note, chord (several pitches) or rest (no pitch) of a length in whole notes. */
  public LineBuilder add(Fraction length, Pitch... pitches) {
    return add(length, List.of(pitches).stream().map(Head::of).toList(), Signs.PLAIN);
  }

  /**
   * Adds heads with their signs. Where the length needs several values or bars, they are tied; one
   * of thirds, fifths or sevenths is written in a tuplet, which rests fill up where the next note
   * does not.
   */
  public LineBuilder add(Fraction length, List<Head> heads, Signs signs) {
    if (heads.isEmpty()) {
      return rest(length);
    }
    if (TupletGroup.isPlain(length)) {
      endTuplet();
    }
    Fraction left = length;
    boolean first = true;
    while (left.signum() > 0) {
      Fraction piece = largestValue(fret.base.Fractions.min(left, room()));
      left = left.subtract(piece);
      boolean tiedFrom = !first;
      boolean tiedOn = left.signum() > 0;
      List<Head> tied = heads.stream().map(h -> h.withTies(tiedOn, tiedFrom)).toList();
      append(piece, tied, first ? signs : Signs.PLAIN);
      first = false;
      if (room().signum() == 0) {
        closeBar();
      }
    }
    return this;
  }

  private void append(Fraction length, List<Head> heads, Signs signs) {
    NoteValue value = NoteValue.ofLength(TupletGroup.written(length)).orElse(new NoteValue(256, 0));
    Signs in = signs.withTuplet(tuplet.take(place(), length));
    events.add(new Event("1", at, length, value, heads, Event.Grace.NONE, false, in));
    at = at.add(length);
  }

  /** Rests for what an open tuplet lacks. */
  private void endTuplet() {
    silence(fret.base.Fractions.min(tuplet.missing(place()), room()));
  }

  /** Rests within a tuplet. */
  private void silence(Fraction length) {
    Fraction left = length;
    while (left.signum() > 0) {
      Fraction piece = largestValue(left);
      append(piece, List.of(), Signs.PLAIN);
      left = left.subtract(piece);
    }
    if (length.signum() > 0 && room().signum() == 0) {
      closeBar();
    }
  }

  private LineBuilder rest(Fraction length) {
    Fraction left = length;
    while (left.signum() > 0) {
      Fraction here = fret.base.Fractions.min(left, room());
      boolean within = !TupletGroup.isPlain(place());
      if (within || !TupletGroup.isPlain(here)) {
        Fraction missing = tuplet.missing(place());
        boolean fills = missing.signum() > 0 && missing.compareTo(here) < 0;
        Fraction piece = fills ? missing : here;
        silence(piece);
        left = left.subtract(piece);
        continue;
      }
      for (Fraction piece : new RestValues(time).between(place(), place().add(here))) {
        boolean wholeBar = piece.equals(time.barLength()) && place().signum() == 0;
        NoteValue whole = new NoteValue(1, 0);
        NoteValue value = wholeBar ? whole : NoteValue.ofLength(piece).orElse(whole);
        events.add(
            new Event("1", at, piece, value, List.of(), Event.Grace.NONE, false, Signs.PLAIN));
        at = at.add(piece);
      }
      left = left.subtract(here);
      if (room().signum() == 0) {
        closeBar();
      }
    }
    return this;
  }

  /**
   * Adds a written event as it is, with its value, ties and tuplet. Where it would cross a bar line
   * it is cut and tied.
   */
  public LineBuilder add(Event like) {
    Fraction room = room();
    boolean whole = like.duration().compareTo(room) <= 0 || like.signs().tuplet().isPresent();
    if (!whole) {
      return add(like.duration(), like.heads(), like.signs());
    }
    tuplet.take(place(), like.duration());
    events.add(
        new Event(
            "1",
            at,
            like.duration(),
            like.value(),
            like.heads(),
            Event.Grace.NONE,
            false,
            like.signs()));
    at = at.add(like.duration());
    if (room().signum() <= 0) {
      closeBar();
    }
    return this;
  }

  /** Place in the bar, from the start of a full bar. */
  public Fraction inBar() {
    return place();
  }

  /** Something that stands beside the next note: a word, a dynamic, a hairpin or its end. */
  public LineBuilder say(Direction.Kind kind, String text) {
    directions.add(new Direction(at, kind, text, 0));
    return this;
  }

  /** The same as something else says it. */
  public LineBuilder say(Direction like) {
    directions.add(new Direction(at, like.kind(), like.text(), like.number()));
    return this;
  }

  /** Fills the bar with rests and closes it; nothing happens at a bar's start. */
  public LineBuilder fillBar() {
    if (at.equals(start)) {
      return this;
    }
    return rest(room());
  }

  /** The part so far; the last bar ends where its notes end. */
  public Score build(String title, Interval transposition) {
    if (!at.equals(start)) {
      closeBar();
    }
    endOpenLines();
    List<Bar> all = new ArrayList<>(bars);
    if (!all.isEmpty()) {
      all.set(all.size() - 1, all.get(all.size() - 1).withLine(Bar.Line.FINAL));
    }
    return new Score(title, "", "", transposition, all);
  }

  /** What was said at the very end belongs to the last bar. */
  private void endOpenLines() {
    if (!directions.isEmpty() && !bars.isEmpty()) {
      Bar last = bars.get(bars.size() - 1);
      List<Direction> all = new ArrayList<>(last.directions());
      all.addAll(directions);
      bars.set(bars.size() - 1, last.withDirections(all));
    }
  }

  private static Fraction largestValue(Fraction length) {
    Fraction written = TupletGroup.written(length);
    if (NoteValue.ofLength(written).isPresent()) {
      return length;
    }
    Fraction best = Fraction.of(1, 256);
    for (int denominator = 1; denominator <= 256; denominator *= 2) {
      for (int dots = 1; dots >= 0; dots--) {
        Fraction value = new NoteValue(denominator, dots).length();
        if (value.compareTo(written) <= 0 && value.compareTo(best) > 0) {
          best = value;
        }
      }
    }
    return fret.base.Fractions.min(TupletGroup.sounding(best, length), length);
  }

  private void closeBar() {
    bars.add(
        new Bar(
            bars.size(),
            number.isEmpty() ? String.valueOf(bars.size() + 1) : number,
            start,
            at.subtract(start),
            time,
            key,
            clef,
            clefChanges,
            events,
            directions,
            false,
            false,
            List.of(),
            Bar.Line.PLAIN));
    events = new ArrayList<>();
    directions = new ArrayList<>();
    clefChanges = new ArrayList<>();
    start = at;
    key = nextKey;
    clef = nextClef;
    number = nextNumber;
  }
}
