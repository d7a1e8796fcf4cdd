package fret.drill;

import fret.base.Fractions;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.score.Bar;
import fret.score.Event;
import fret.score.NoteValue;
import fret.score.Score;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * A chunk on the picture of the page: it can be practised before any note is written.
 *
 * @param id under which the record knows it, also when it has notes
 * @param name the player's own; empty for none
 * @param page of the picture, from 0
 * @param fromBar printed number of its first bar, 1 or more
 * @param beats in it, by the metre's lower number
 * @param perMinute target in the passage's beat; 0 for that of the passage
 */
public record Frame(
    String id,
    String name,
    int page,
    Box box,
    int fromBar,
    int beats,
    TimeSignature metre,
    double perMinute) {
  private static final int MOST_BEATS = 2000;

  /** Where on the page, as shares of its width and height from the upper left corner. */
  public record Box(double left, double top, double width, double height) {
    public Box {
      boolean in = left >= 0 && top >= 0 && left + width <= 1.0001 && top + height <= 1.0001;
      if (!in || !(width > 0) || !(height > 0)) {
        throw new IllegalArgumentException("frame outside the page");
      }
    }
  }

  public Frame {
    Objects.requireNonNull(id);
    Objects.requireNonNull(name);
    Objects.requireNonNull(box);
    Objects.requireNonNull(metre);
    if (page < 0 || fromBar < 1) {
      throw new IllegalArgumentException("page " + page + ", bar " + fromBar);
    }
    if (beats < 1 || beats > MOST_BEATS) {
      throw new IllegalArgumentException(beats + " beats are outside 1 to " + MOST_BEATS);
    }
    if (!(perMinute >= 0) || !(perMinute <= 1000)) {
      throw new IllegalArgumentException("tempo " + perMinute + " is outside 0 to 1000");
    }
  }

  /** Bars in it, the last one begun. */
  public int bars() {
    return (beats + metre.beats() - 1) / metre.beats();
  }

  /** Printed number of its last bar. */
  public int toBar() {
    return fromBar + bars() - 1;
  }

  /** Written length in whole notes. */
  public Fraction length() {
    return metre.unit().multiply(beats);
  }

  public Frame named(String other) {
    return new Frame(id, other, page, box, fromBar, beats, metre, perMinute);
  }

  public Frame at(Box other) {
    return new Frame(id, name, page, other, fromBar, beats, metre, perMinute);
  }

  public Frame withBars(int from, int otherBeats, TimeSignature otherMetre) {
    return new Frame(id, name, page, box, from, otherBeats, otherMetre, perMinute);
  }

  public Frame withTarget(double other) {
    return new Frame(id, name, page, box, fromBar, beats, metre, other);
  }

  /** Its bars without a note, to count and to click. */
  public Score silent() {
    return silent(List.of(this));
  }

  /** The bars of frames, one after the other. */
  public static Score silent(List<Frame> frames) {
    List<Bar> bars = new ArrayList<>();
    Fraction at = Fraction.ZERO;
    for (Frame f : frames) {
      Fraction end = at.add(f.length());
      for (int i = 0; i < f.bars(); i++) {
        Fraction length = Fractions.min(end.subtract(at), f.metre.barLength());
        bars.add(f.bar(bars.size(), f.fromBar + i, at, length));
        at = at.add(length);
      }
    }
    return new Score("", "", "", Interval.UNISON, bars);
  }

  private Bar bar(int index, int number, Fraction start, Fraction length) {
    List<Event> rests = new ArrayList<>();
    NoteValue unit = new NoteValue(metre.beatType(), 0);
    for (Fraction at = Fraction.ZERO; at.compareTo(length) < 0; at = at.add(metre.unit())) {
      rests.add(Event.of(start.add(at), unit, List.of()));
    }
    return new Bar(
        index,
        String.valueOf(number),
        start,
        length,
        metre,
        KeySignature.NONE,
        Clef.TREBLE,
        List.of(),
        rests,
        List.of(),
        false,
        false,
        List.of(),
        Bar.Line.PLAIN);
  }
}
