package fret.proof;

import fret.base.Said;
import fret.score.Event;
import fret.score.Head;
import fret.score.Score;
import java.util.List;
import java.util.Optional;

/** Ties that meet nothing, and slurs that may be ties. */
final class TiesAndSlurs extends Check {
  TiesAndSlurs(Check.Of of) {
    super(of);
  }

  @Override
  void look() {
    ties();
    slursOverOnePitch();
  }

  private Optional<Event> next(Event e) {
    return notes.stream()
        .filter(n -> n.onset().equals(e.end()) && n.voice().equals(e.voice()))
        .findFirst();
  }

  private void ties() {
    for (Event e : notes) {
      for (Head h : e.heads()) {
        if (!h.tieStart()) {
          continue;
        }
        Optional<Event> after = next(e);
        boolean meets =
            after
                .map(a -> a.heads().stream().anyMatch(x -> x.pitch().equals(h.pitch())))
                .orElse(false);
        if (!meets) {
          add(
              Finding.Kind.TIE_OR_SLUR,
              e,
              Said.of("proof.tie", h.pitch()),
              Said.of(after.isPresent() ? "proof.make-slur" : "proof.no-tie"),
              slurInstead(e, after));
        }
      }
    }
  }

  private Score slurInstead(Event e, Optional<Event> after) {
    Score untied =
        Edits.event(
            page,
            e,
            x -> {
              Event free =
                  x.withHeads(x.heads().stream().map(h -> h.withTies(false, h.tieStop())).toList());
              return after.isPresent()
                  ? free.withSigns(free.signs().withSlurs(List.of(1), free.signs().slurStops()))
                  : free;
            });
    return after
        .map(
            a ->
                Edits.event(
                    untied,
                    a,
                    x -> {
                      List<Head> heads =
                          x.heads().stream().map(h -> h.withTies(h.tieStart(), false)).toList();
                      return x.withHeads(heads)
                          .withSigns(x.signs().withSlurs(x.signs().slurStarts(), List.of(1)));
                    }))
        .orElse(untied);
  }

  /** A slur over two notes of one pitch, and nothing else, is usually a tie. */
  private void slursOverOnePitch() {
    for (Event e : notes) {
      Optional<Event> after = next(e);
      boolean slur =
          e.heads().size() == 1
              && e.signs().slurStarts().size() == 1
              && after.isPresent()
              && after.get().heads().size() == 1
              && after.get().signs().slurStops().equals(e.signs().slurStarts());
      boolean plain =
          slur
              && e.signs().articulations().isEmpty()
              && after.get().signs().articulations().isEmpty();
      if (plain && top(e).equals(top(after.get()))) {
        Event second = after.get();
        Score first =
            Edits.event(
                page,
                e,
                x ->
                    tied(x, true).withSigns(x.signs().withSlurs(List.of(), x.signs().slurStops())));
        add(
            Finding.Kind.TIE_OR_SLUR,
            e,
            Said.of("proof.twice", top(e)),
            Said.of("proof.make-tie"),
            Edits.event(
                first,
                second,
                x ->
                    tied(x, false)
                        .withSigns(x.signs().withSlurs(x.signs().slurStarts(), List.of()))));
      }
    }
  }

  private static Event tied(Event e, boolean start) {
    return e.withHeads(
        e.heads().stream()
            .map(h -> h.withTies(start || h.tieStart(), !start || h.tieStop()))
            .toList());
  }
}
