package fret.score;

import fret.pitch.Interval;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * One part as it is written, for one player on one stave.
 *
 * @param transposition from the pitches of the heads to the sound
 */
public record Score(
    String title, String composer, String partName, Interval transposition, List<Bar> bars) {
  public Score {
    Objects.requireNonNull(title);
    Objects.requireNonNull(composer);
    Objects.requireNonNull(partName);
    Objects.requireNonNull(transposition);
    bars = List.copyOf(bars);
  }

  /** All events in order of bar and onset. */
  public List<Event> events() {
    return bars.stream().flatMap(b -> b.events().stream()).toList();
  }

  /** Onset after the last bar. */
  public Fraction end() {
    return bars.isEmpty() ? Fraction.ZERO : bars.get(bars.size() - 1).end();
  }

  /** The bar in which an onset lies; the last bar for onsets after the end. */
  public Bar barAt(Fraction onset) {
    int low = 0;
    int high = bars.size() - 1;
    while (low < high) {
      int mid = (low + high + 1) >>> 1;
      if (bars.get(mid).start().compareTo(onset) <= 0) {
        low = mid;
      } else {
        high = mid - 1;
      }
    }
    return bars.get(low);
  }

  /** The bar with an index, which in an excerpt does not start at 0. */
  public Bar bar(int index) {
    return bars.get(index - bars.get(0).index());
  }

  /** The bar after one of this part's bars; empty after the last. */
  public Optional<Bar> after(Bar bar) {
    int next = bar.index() - bars.get(0).index() + 1;
    return next < bars.size() ? Optional.of(bars.get(next)) : Optional.empty();
  }

  /** The first bar with a printed number. */
  public Optional<Bar> barNumbered(String number) {
    return bars.stream().filter(b -> b.number().equals(number)).findFirst();
  }

  public Score withTransposition(Interval other) {
    return new Score(title, composer, partName, other, bars);
  }

  /**
   * The same bars one after the other, with indices and onsets to match. A first bar shorter than
   * its metre is a pick-up and lies before onset 0.
   */
  public Score laidOut() {
    List<Bar> laid = new ArrayList<>();
    Fraction at = Fraction.ZERO;
    for (Bar bar : bars) {
      boolean pickup =
          laid.isEmpty() && bars.size() > 1 && bar.length().compareTo(bar.time().barLength()) < 0;
      at = pickup ? bar.length().negate() : at;
      laid.add(bar.at(laid.size(), at));
      at = at.add(bar.length());
    }
    return withBars(laid);
  }

  public Score withBars(List<Bar> other) {
    return new Score(title, composer, partName, transposition, other);
  }

  /** The part with something else in place of each event. */
  public Score withEach(BiFunction<Bar, Event, Event> change) {
    return withBars(
        bars.stream()
            .map(b -> b.withEvents(b.events().stream().map(e -> change.apply(b, e)).toList()))
            .toList());
  }

  /** The same where something is said of the notes of a bar; other bars stay as they are. */
  public Score withEach(Set<NoteKey> said, BiFunction<Bar, Event, Event> change) {
    Set<Integer> here = new HashSet<>();
    said.forEach(k -> here.add(k.barIndex()));
    return said.isEmpty()
        ? this
        : withEach((b, e) -> here.contains(b.index()) ? change.apply(b, e) : e);
  }

  /** The part with every note some octaves higher or lower. */
  public Score movedByOctaves(int octaves) {
    if (octaves == 0) {
      return this;
    }
    Interval by = new Interval(7 * octaves, 12 * octaves);
    return withEach(
        (b, e) ->
            e.withHeads(e.heads().stream().map(h -> h.withPitch(h.pitch().plus(by))).toList()));
  }

  public Score withTitle(String other) {
    return new Score(other, composer, partName, transposition, bars);
  }

  /**
   * The bars from one printed number to another, both included. Clef, key, metre and dynamics in
   * force come along; notes tied in from before start anew. Bars keep their index in the part.
   *
   * @throws IllegalArgumentException if a number is not in the part or the range is upside down
   */
  public Score range(String fromBar, String toBar) {
    Bar from =
        barNumbered(fromBar).orElseThrow(() -> new IllegalArgumentException("no bar " + fromBar));
    Bar to = barNumbered(toBar).orElseThrow(() -> new IllegalArgumentException("no bar " + toBar));
    if (from.index() > to.index()) {
      throw new IllegalArgumentException("bar " + fromBar + " comes after bar " + toBar);
    }
    List<Bar> cut = new ArrayList<>();
    for (int i = from.index(); i <= to.index(); i++) {
      Bar bar = bars.get(i);
      boolean first = i == from.index();
      List<Event> events =
          first ? bar.events().stream().map(Score::untiedFromBefore).toList() : bar.events();
      List<Direction> directions = new ArrayList<>(bar.directions());
      if (first) {
        carriedDirections(from).forEach(d -> directions.add(0, d));
      }
      cut.add(
          new Bar(
              i,
              bar.number(),
              bar.start(),
              bar.length(),
              bar.time(),
              bar.key(),
              bar.clef(),
              bar.clefChanges(),
              events,
              directions,
              bar.repeatStart(),
              bar.repeatEnd(),
              bar.endings(),
              bar.line()));
    }
    return new Score(title, composer, partName, transposition, cut);
  }

  private static Event untiedFromBefore(Event event) {
    return event.withHeads(
        event.heads().stream().map(h -> h.withTies(h.tieStart(), false)).toList());
  }

  /** The dynamic, the way of playing, the octave line and the mode that hold from before. */
  private List<Direction> carriedDirections(Bar from) {
    Direction dynamic = null;
    Direction plucked = null;
    Direction octave = null;
    Direction mode = null;
    for (Bar bar : bars.subList(0, from.index())) {
      for (Direction d : bar.directions()) {
        switch (d.kind()) {
          case DYNAMIC -> dynamic = d;
          case PLUCKED -> plucked = d;
          case BOWED -> plucked = null;
          case OCTAVE_LINE -> octave = d;
          case OCTAVE_LINE_END -> octave = null;
          case MODE -> mode = d;
          default -> {}
        }
      }
    }
    boolean dynamicHere =
        from.directions().stream()
            .anyMatch(d -> d.kind() == Direction.Kind.DYNAMIC && d.onset().equals(from.start()));
    List<Direction> carried = new ArrayList<>();
    for (Direction d : new Direction[] {dynamicHere ? null : dynamic, plucked, octave, mode}) {
      if (d != null) {
        carried.add(new Direction(from.start(), d.kind(), d.text(), d.number()));
      }
    }
    return carried;
  }
}
