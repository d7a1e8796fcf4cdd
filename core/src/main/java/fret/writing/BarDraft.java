package fret.writing;

import fret.base.Fractions;
import fret.pitch.Clef;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.pitch.Step;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import fret.score.NoteValue;
import fret.score.Signs;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;

/** One bar as it is being written: events of a voice one after the other. */
final class BarDraft {
  private BarDraft() {}

  static Bar empty(int number, TimeSignature time, KeySignature key, Clef clef) {
    return new Bar(
        0,
        String.valueOf(number),
        Fraction.ZERO,
        time.barLength(),
        time,
        key,
        clef,
        List.of(),
        List.of(),
        List.of(),
        false,
        false,
        List.of(),
        Bar.Line.PLAIN);
  }

  /** The events of a voice, in order. */
  static List<Event> events(Bar bar, String voice) {
    return bar.events().stream().filter(e -> e.voice().equals(voice)).toList();
  }

  /** What the events of a voice take together. */
  static Fraction content(List<Event> events) {
    Fraction sum = Fraction.ZERO;
    for (Event e : events) {
      sum = sum.add(e.duration());
    }
    return sum;
  }

  /** The length that a bar should have: its metre's, or that of a pick-up or part of a bar. */
  static Fraction declared(Bar bar) {
    return Fractions.min(bar.length(), bar.time().barLength());
  }

  static boolean isFull(Bar bar, String voice) {
    return content(events(bar, voice)).compareTo(declared(bar)) >= 0;
  }

  /**
   * The bar with other events in a voice, laid one after the other. It grows where they need more
   * room than it has; dynamics and words stay at their moment.
   */
  static Bar with(Bar bar, String voice, List<Event> events) {
    List<Event> laid = new ArrayList<>();
    Fraction at = bar.start();
    for (Event e : events) {
      laid.add(e.withOnset(at));
      at = at.add(e.duration());
    }
    Fraction length = Fractions.max(declared(bar), at.subtract(bar.start()));
    bar.events().stream().filter(e -> !e.voice().equals(voice)).forEach(laid::add);
    laid.sort(Comparator.comparing(Event::onset)); // Stable: grace notes stay before their note.
    Fraction end = bar.start().add(length);
    List<Direction> directions =
        bar.directions().stream().filter(d -> d.onset().compareTo(end) <= 0).toList();
    return remade(bar, length, bar.time(), bar.key(), bar.clef(), laid, directions);
  }

  static Bar withKey(Bar bar, KeySignature key) {
    return remade(bar, bar.length(), bar.time(), key, bar.clef(), bar.events(), bar.directions());
  }

  static Bar withClef(Bar bar, Clef clef, List<Bar.ClefChange> changes) {
    return new Bar(
        bar.index(),
        bar.number(),
        bar.start(),
        bar.length(),
        bar.time(),
        bar.key(),
        clef,
        changes,
        bar.events(),
        bar.directions(),
        bar.repeatStart(),
        bar.repeatEnd(),
        bar.endings(),
        bar.line());
  }

  /** The bar in another metre; a full bar takes its length, and so does one with less in it. */
  static Bar withTime(Bar bar, TimeSignature time) {
    Fraction length = Fractions.max(time.barLength(), longest(bar));
    return remade(bar, length, time, bar.key(), bar.clef(), bar.events(), bar.directions());
  }

  static Bar withLength(Bar bar, Fraction length) {
    return remade(bar, length, bar.time(), bar.key(), bar.clef(), bar.events(), bar.directions());
  }

  static Bar withNumber(Bar bar, int number) {
    return new Bar(
        bar.index(),
        String.valueOf(number),
        bar.start(),
        bar.length(),
        bar.time(),
        bar.key(),
        bar.clef(),
        bar.clefChanges(),
        bar.events(),
        bar.directions(),
        bar.repeatStart(),
        bar.repeatEnd(),
        bar.endings(),
        bar.line());
  }

  static Bar withRepeat(Bar bar, boolean start, boolean end) {
    return new Bar(
        bar.index(),
        bar.number(),
        bar.start(),
        bar.length(),
        bar.time(),
        bar.key(),
        bar.clef(),
        bar.clefChanges(),
        bar.events(),
        bar.directions(),
        start,
        end,
        bar.endings(),
        bar.line());
  }

  /** Length of the fullest voice. */
  static Fraction longest(Bar bar) {
    Fraction longest = Fraction.ZERO;
    for (Event e : bar.events()) {
      longest = Fractions.max(longest, e.end().subtract(bar.start()));
    }
    return longest;
  }

  private static Bar remade(
      Bar bar,
      Fraction length,
      TimeSignature time,
      KeySignature key,
      Clef clef,
      List<Event> events,
      List<Direction> directions) {
    return new Bar(
        bar.index(),
        bar.number(),
        bar.start(),
        length,
        time,
        key,
        clef,
        bar.clefChanges(),
        events,
        directions,
        bar.repeatStart(),
        bar.repeatEnd(),
        bar.endings(),
        bar.line());
  }

  /**
   * The alteration that a letter has without a new sign: as last written on that place in the bar,
   * else as the key says.
   */
  static int alterInForce(Bar bar, List<Event> before, int diatonic) {
    int alter = bar.key().alterOf(Step.of(diatonic));
    for (Event e : before) {
      for (Head h : e.heads()) {
        alter = h.pitch().diatonic() == diatonic ? h.pitch().alter() : alter;
      }
    }
    return alter;
  }

  static Pitch pitch(int diatonic, int alter) {
    return new Pitch(Step.of(diatonic), alter, Math.floorDiv(diatonic, 7));
  }

  /** An event with another written value; tuplets keep their ratio. */
  static Event withValue(Event e, NoteValue value) {
    Signs.Tuplet t = e.signs().tuplet();
    Fraction length = value.length().multiply(Fraction.of(t.normal(), t.actual()));
    return new Event(
        e.voice(),
        e.onset(),
        e.isGrace() ? Fraction.ZERO : length,
        value,
        e.heads(),
        e.grace(),
        e.cue(),
        e.signs());
  }
}
