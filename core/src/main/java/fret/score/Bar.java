package fret.score;

import fret.pitch.Clef;
import fret.pitch.KeySignature;
import java.util.List;
import java.util.Objects;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * One written bar with everything in force in it.
 *
 * @param index 0 for the first written bar
 * @param number as printed
 * @param start onset of its start
 * @param length time it really takes, which differs from the metre's in pick-ups and partial bars
 * @param clef in force at its start
 * @param clefChanges later clefs within the bar
 * @param events in order of onset; grace notes stand before their main note
 * @param endings numbers of the ending bracket it lies under, empty for none
 */
public record Bar(
    int index,
    String number,
    Fraction start,
    Fraction length,
    TimeSignature time,
    KeySignature key,
    Clef clef,
    List<ClefChange> clefChanges,
    List<Event> events,
    List<Direction> directions,
    boolean repeatStart,
    boolean repeatEnd,
    List<Integer> endings,
    Line line) {
  /** A clef change within a bar. */
  public record ClefChange(Fraction onset, Clef clef) {}

  /** Bar line at the end. */
  public enum Line {
    PLAIN,
    DOUBLE,
    FINAL
  }

  public Bar {
    Objects.requireNonNull(number);
    Objects.requireNonNull(start);
    Objects.requireNonNull(length);
    clefChanges = List.copyOf(clefChanges);
    events = List.copyOf(events);
    directions = List.copyOf(directions);
    endings = List.copyOf(endings);
  }

  public Fraction end() {
    return start.add(length);
  }

  /** Where an onset stands in the bar, in whole notes; a pick-up stands at the bar's end. */
  public Fraction placeOf(Fraction onset) {
    Fraction lead = start.signum() < 0 ? time.barLength().subtract(length) : Fraction.ZERO;
    Fraction at = onset.subtract(start);
    return lead.signum() > 0 ? at.add(lead) : at;
  }

  /** The clef in force at an onset. */
  public Clef clefAt(Fraction onset) {
    Clef found = clef;
    for (ClefChange change : clefChanges) {
      if (change.onset().compareTo(onset) <= 0) {
        found = change.clef();
      }
    }
    return found;
  }

  /** This bar at another place: everything in it moves along. */
  public Bar at(int newIndex, Fraction newStart) {
    Fraction by = newStart.subtract(start);
    if (newIndex == index && by.signum() == 0) {
      return this;
    }
    return new Bar(
        newIndex,
        number,
        newStart,
        length,
        time,
        key,
        clef,
        clefChanges.stream().map(c -> new ClefChange(c.onset().add(by), c.clef())).toList(),
        events.stream().map(e -> e.withOnset(e.onset().add(by))).toList(),
        directions.stream()
            .map(d -> new Direction(d.onset().add(by), d.kind(), d.text(), d.number()))
            .toList(),
        repeatStart,
        repeatEnd,
        endings,
        line);
  }

  /** This bar as if it were the first one, so that bars of different places can be compared. */
  public Bar atStart() {
    return at(0, Fraction.ZERO);
  }

  public Bar withEvents(List<Event> other) {
    return new Bar(
        index,
        number,
        start,
        length,
        time,
        key,
        clef,
        clefChanges,
        other,
        directions,
        repeatStart,
        repeatEnd,
        endings,
        line);
  }

  public Bar withDirections(List<Direction> other) {
    return new Bar(
        index,
        number,
        start,
        length,
        time,
        key,
        clef,
        clefChanges,
        events,
        other,
        repeatStart,
        repeatEnd,
        endings,
        line);
  }

  /** The same bar between other repeat signs and under other endings. */
  public Bar withRepeats(boolean starts, boolean ends, List<Integer> otherEndings) {
    return new Bar(
        index,
        number,
        start,
        length,
        time,
        key,
        clef,
        clefChanges,
        events,
        directions,
        starts,
        ends,
        otherEndings,
        line);
  }

  /** The same bar of another length. */
  public Bar lasting(Fraction other) {
    return new Bar(
        index,
        number,
        start,
        other,
        time,
        key,
        clef,
        clefChanges,
        events,
        directions,
        repeatStart,
        repeatEnd,
        endings,
        line);
  }

  public Bar withLine(Line other) {
    return new Bar(
        index,
        number,
        start,
        length,
        time,
        key,
        clef,
        clefChanges,
        events,
        directions,
        repeatStart,
        repeatEnd,
        endings,
        other);
  }
}
