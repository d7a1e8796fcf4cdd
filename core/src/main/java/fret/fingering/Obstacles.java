package fret.fingering;

import fret.base.Problem;
import fret.base.Said;
import fret.instrument.Instrument;
import fret.instrument.Tuning;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.List;

/** Tells what cannot be played, where, why, and what can be played instead. */
final class Obstacles {
  private final FingeringTask task;
  private final Instrument instrument;

  Obstacles(FingeringTask task) {
    this.task = task;
    this.instrument = task.hand().instrument();
  }

  Problem againstStretch(Slice slice) {
    return Problem.atBar(
        bar(slice),
        Said.of("obstacle.stretch", names(slice.starting())),
        Said.of("obstacle.stretch.do"));
  }

  String bar(Slice slice) {
    return task.passage().notes().get(slice.starting().get(0)).bar();
  }

  private Said names(List<Integer> notes) {
    return notes.stream()
        .map(n -> Said.words(pitch(n)))
        .reduce((a, b) -> Said.of("and", a, b))
        .orElse(Said.NOTHING);
  }

  private String pitch(int note) {
    return task.passage().notes().get(note).pitch().toString();
  }

  Problem againstPin(Slice slice) {
    return Problem.atBar(
        bar(slice), Said.of("obstacle.pin", names(slice.starting())), Said.of("obstacle.pin.do"));
  }

  Problem unplayable(Slice slice) {
    ResolvedPassage passage = task.passage();
    List<Integer> all = new ArrayList<>(slice.held());
    all.addAll(slice.starting());
    int lowest = instrument.open(instrument.stringCount()).midi() - instrument.extension();
    for (int note : slice.starting()) {
      SoundingNote n = passage.notes().get(note);
      if (n.pitch().midi() < lowest) {
        return Problem.atBar(
            bar(slice),
            Said.of(
                "obstacle.low",
                n.pitch(),
                instrument.type().displayName(),
                instrument.open(instrument.stringCount())),
            Tuning.reaching(instrument.type(), n.pitch()).isEmpty()
                ? Said.of("obstacle.low.do")
                : Said.of("obstacle.low.strings"));
      }
      if (n.pitch().midi() > instrument.open(1).midi() + instrument.highestSemitone()) {
        return Problem.atBar(
            bar(slice), Said.of("obstacle.high", n.pitch()), Said.of("obstacle.high.do"));
      }
    }
    return all.size() == 1
        ? Problem.atBar(
            bar(slice), Said.of("obstacle.marked", names(all)), Said.of("obstacle.marked.do"))
        : Problem.atBar(bar(slice), Said.of("obstacle.wide", names(all)), nearestWay(all));
  }

  /**
   * What of a chord that is too wide can be played: without one note, or one part after another.
   */
  private Said nearestWay(List<Integer> chord) {
    List<Integer> upward = new ArrayList<>(chord);
    upward.sort(
        (a, b) ->
            task.passage().notes().get(a).pitch().compareTo(task.passage().notes().get(b).pitch()));
    HandStates states = new HandStates(task);
    Said ways = null;
    if (upward.size() > 2) {
      for (int leftOut : upward) {
        List<Integer> rest = upward.stream().filter(n -> n != leftOut).toList();
        if (states.canSound(rest)) {
          String pitch = pitch(leftOut);
          ways =
              ways == null
                  ? Said.of("obstacle.leave", pitch)
                  : Said.of("obstacle.or-leave", ways, pitch);
        }
      }
      for (int cut = upward.size() - 1; cut >= 1; cut--) {
        List<Integer> low = upward.subList(0, cut);
        List<Integer> high = upward.subList(cut, upward.size());
        if (states.canSound(low) && states.canSound(high)) {
          ways =
              ways == null
                  ? Said.of("obstacle.roll", names(low), names(high))
                  : Said.of("obstacle.or-roll", ways, names(low), names(high));
          break;
        }
      }
    }
    return ways == null ? Said.of("obstacle.divide") : Said.of("obstacle.way", ways);
  }

  Problem handCannotStay(Slice slice) {
    return Problem.atBar(
        bar(slice), Said.of("obstacle.stay", names(slice.starting())), Said.of("obstacle.stay.do"));
  }

  Problem cannotBeHeld(Slice slice) {
    return Problem.atBar(
        bar(slice), Said.of("obstacle.held", names(slice.starting())), Said.of("obstacle.held.do"));
  }
}
