package fret.writing;

import fret.score.Bar;
import fret.score.Event;
import fret.score.NoteValue;
import fret.score.Score;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * A way in which a bar that is too long for its metre fits again.
 *
 * @param after the page with it
 */
public record BarCure(Kind kind, Draft after) {
  /** What is done, the likeliest first. */
  public enum Kind {
    /** The last notes become a tuplet. */
    TUPLET,
    /** The last note becomes shorter. */
    SHORTEN,
    /** What is too much goes into the next bar, over a tie where a note is cut. */
    CARRY
  }

  /** Notes that are played in the time of fewer. */
  private static final int[][] RATIOS = {{3, 2}, {5, 4}, {6, 4}, {7, 4}};

  /**
   * How much the bar at the pen is too long, in whole notes; below 0 for what is missing in a bar
   * that something is written in, else 0.
   */
  public static Fraction over(Draft d) {
    List<Event> events = d.events();
    return events.isEmpty()
        ? Fraction.ZERO
        : BarDraft.content(events).subtract(BarDraft.declared(d.bar()));
  }

  /** The cures of the bar at the pen; none where it fits. */
  public static List<BarCure> of(Draft d) {
    Fraction over = over(d);
    List<BarCure> all = new ArrayList<>();
    if (over.signum() > 0) {
      tuplet(d, over).ifPresent(x -> all.add(new BarCure(Kind.TUPLET, x)));
      shorter(d, over).ifPresent(x -> all.add(new BarCure(Kind.SHORTEN, x)));
      carried(d).ifPresent(x -> all.add(new BarCure(Kind.CARRY, x)));
    }
    return all;
  }

  private static Optional<Draft> shorter(Draft d, Fraction over) {
    List<Event> all = new ArrayList<>(d.events());
    int last = all.size() - 1;
    Event e = all.get(last);
    Optional<NoteValue> value =
        e.isGrace() || e.signs().tuplet().isPresent() || e.duration().compareTo(over) <= 0
            ? Optional.empty()
            : NoteValue.ofLength(e.duration().subtract(over));
    return value.map(
        v -> {
          all.set(last, BarDraft.withValue(e, v));
          return with(d, all);
        });
  }

  private static Optional<Draft> tuplet(Draft d, Fraction over) {
    List<Event> all = d.events();
    for (int[] ratio : RATIOS) {
      int from = all.size() - ratio[0];
      if (from >= 0 && isTuplet(all.subList(from, all.size()), ratio, over)) {
        List<Event> made = new ArrayList<>(all);
        for (int i = 0; i < ratio[0]; i++) {
          Event e = all.get(from + i);
          Signs.Tuplet sign = new Signs.Tuplet(ratio[0], ratio[1], i == 0, i == ratio[0] - 1);
          made.set(
              from + i, BarDraft.withValue(e.withSigns(e.signs().withTuplet(sign)), e.value()));
        }
        return Optional.of(with(d, made));
      }
    }
    return Optional.empty();
  }

  /** Whether alike notes are as much too long as they would be shorter in a tuplet. */
  private static boolean isTuplet(List<Event> notes, int[] ratio, Fraction over) {
    NoteValue value = notes.get(0).value();
    boolean alike =
        notes.stream()
            .allMatch(
                e -> !e.isGrace() && !e.signs().tuplet().isPresent() && e.value().equals(value));
    return alike && value.length().multiply(Fraction.of(ratio[0] - ratio[1])).equals(over);
  }

  /** Into the next bar where that is empty or not there, else all the bars behind move. */
  private static Optional<Draft> carried(Draft d) {
    int at = d.at().bar();
    List<Bar> bars = d.page().bars();
    boolean isNextFree = at + 1 == bars.size() || bars.get(at + 1).events().isEmpty();
    String voice = Draft.voice(d.bar());
    Score laid;
    if (isNextFree) {
      int to = Math.min(at + 2, bars.size());
      laid = Rebar.between(d.page(), at, to, voice);
    } else {
      laid = Rebar.from(d.page(), at, voice);
    }
    if (laid.equals(d.page())) {
      return Optional.empty();
    }
    Draft after = d.withScore(d.renumbered(laid.bars()));
    return BarDraft.isFull(after.page().bars().get(at), voice)
            && BarDraft.content(Draft.events(after.page(), at))
                    .compareTo(BarDraft.declared(after.page().bars().get(at)))
                == 0
        ? Optional.of(end(after, at + 1))
        : Optional.empty();
  }

  private static Draft with(Draft d, List<Event> events) {
    Draft made = d.bar(b -> BarDraft.with(b, Draft.voice(b), events));
    return end(made, d.at().bar());
  }

  /** At the last note of a bar. */
  private static Draft end(Draft d, int bar) {
    int at = Math.min(bar, d.page().bars().size() - 1);
    return d.go(new Draft.Place(at, Draft.events(d.page(), at).size() - 1));
  }
}
