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
  private final KeySignature key;
  private final Clef clef;
  private final List<Bar> bars = new ArrayList<>();
  private List<Event> events = new ArrayList<>();
  private List<Direction> directions = new ArrayList<>();
  private Fraction start = Fraction.ZERO;
  private Fraction at = Fraction.ZERO;

  public LineBuilder(TimeSignature time, KeySignature key, Clef clef) {
    this.time = time;
    this.key = key;
    this.clef = clef;
  }

  /** Adds a note, chord (several pitches) or rest (no pitch) of a length in whole notes. */
  public LineBuilder add(Fraction length, Pitch... pitches) {
    return add(length, List.of(pitches).stream().map(Head::of).toList(), Signs.PLAIN);
  }

  /** Adds heads with their signs. Where the length needs several values or bars, they are tied. */
  public LineBuilder add(Fraction length, List<Head> heads, Signs signs) {
    Fraction left = length;
    boolean first = true;
    while (left.signum() > 0) {
      Fraction room = time.barLength().subtract(at.subtract(start));
      Fraction piece = largestValue(fret.base.Fractions.min(left, room));
      left = left.subtract(piece);
      boolean tiedFrom = !first;
      boolean tiedOn = left.signum() > 0;
      NoteValue value = NoteValue.ofLength(piece).orElse(new NoteValue(256, 0));
      List<Head> tied = heads.stream().map(h -> h.withTies(tiedOn, tiedFrom)).toList();
      events.add(
          new Event(
              "1", at, piece, value, tied, Event.Grace.NONE, false, first ? signs : Signs.PLAIN));
      at = at.add(piece);
      first = false;
      if (at.subtract(start).equals(time.barLength())) {
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
    Fraction room = time.barLength().subtract(at.subtract(start));
    boolean whole = like.duration().compareTo(room) <= 0 || like.signs().tuplet().isPresent();
    if (!whole) {
      return add(like.duration(), like.heads(), like.signs());
    }
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
    if (at.subtract(start).compareTo(time.barLength()) >= 0) {
      closeBar();
    }
    return this;
  }

  /** Time filled in the bar so far. */
  public Fraction inBar() {
    return at.subtract(start);
  }

  /** Something that stands beside the next note: a word, a dynamic, a hairpin or its end. */
  public LineBuilder say(Direction.Kind kind, String text) {
    directions.add(new Direction(at, kind, text, 0));
    return this;
  }

  /** Fills the bar with rests and closes it; nothing happens at a bar's start. */
  public LineBuilder fillBar() {
    if (at.equals(start)) {
      return this;
    }
    return add(time.barLength().subtract(at.subtract(start)));
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
    if (NoteValue.ofLength(length).isPresent()) {
      return length;
    }
    Fraction best = Fraction.of(1, 256);
    for (int denominator = 1; denominator <= 256; denominator *= 2) {
      for (int dots = 1; dots >= 0; dots--) {
        Fraction value = new NoteValue(denominator, dots).length();
        if (value.compareTo(length) <= 0 && value.compareTo(best) > 0) {
          best = value;
        }
      }
    }
    return fret.base.Fractions.min(best, length);
  }

  private void closeBar() {
    bars.add(
        new Bar(
            bars.size(),
            String.valueOf(bars.size() + 1),
            start,
            at.subtract(start),
            time,
            key,
            clef,
            List.of(),
            events,
            directions,
            false,
            false,
            List.of(),
            Bar.Line.PLAIN));
    events = new ArrayList<>();
    directions = new ArrayList<>();
    start = at;
  }
}
