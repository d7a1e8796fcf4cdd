package fret.proof;

import fret.base.Said;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;

/** Figures that differ in one note from those around them. */
final class Figures extends Check {
  Figures(Check.Of of) {
    super(of);
  }

  @Override
  void look() {
    figures();
  }

  /** A beat that repeats the one before but for one note may be a slip. */
  private void figures() {
    Map<Fraction, List<Event>> beats = new HashMap<>();
    List<Fraction> order = new ArrayList<>();
    for (Event e : notes) {
      Bar bar = page.barAt(e.onset());
      Fraction group = bar.start();
      for (Fraction start : bar.time().groupStarts()) {
        Fraction at = bar.start().add(start);
        group = at.compareTo(e.onset()) <= 0 ? at : group;
      }
      if (!beats.containsKey(group)) {
        order.add(group);
      }
      beats.computeIfAbsent(group, g -> new ArrayList<>()).add(e);
    }
    for (int i = 1; i + 1 < order.size(); i++) {
      List<Event> before = beats.get(order.get(i - 1));
      List<Event> here = beats.get(order.get(i));
      List<Event> after = beats.get(order.get(i + 1));
      oddOneOut(before, here)
          .filter(n -> oddOneOut(before, after).isEmpty() && same(before, after))
          .ifPresent(n -> differs(here.get(n), before.get(n)));
    }
  }

  private void differs(Event odd, Event model) {
    add(
        Finding.Kind.FIGURE_DIFFERS,
        odd,
        Said.of("proof.figure", top(odd), top(model)),
        Said.of("proof.make", top(model)),
        Edits.event(page, odd, x -> x.withHeads(model.heads())));
  }

  private static boolean same(List<Event> a, List<Event> b) {
    return a.size() == b.size() && unlike(a, b).isEmpty();
  }

  private static Optional<Integer> oddOneOut(List<Event> a, List<Event> b) {
    if (a.size() != b.size() || a.size() < 3) {
      return Optional.empty();
    }
    List<Integer> unlike = unlike(a, b);
    return unlike.size() == 1 ? Optional.of(unlike.get(0)) : Optional.empty();
  }

  private static List<Integer> unlike(List<Event> a, List<Event> b) {
    List<Integer> unlike = new ArrayList<>();
    for (int i = 0; i < a.size(); i++) {
      boolean rhythm = a.get(i).value().equals(b.get(i).value());
      boolean pitch =
          a.get(i).heads().stream()
              .map(Head::pitch)
              .toList()
              .equals(b.get(i).heads().stream().map(Head::pitch).toList());
      if (!rhythm || !pitch) {
        unlike.add(i);
      }
    }
    return unlike;
  }
}
