package fret.fingering;

import fret.base.Problem;
import fret.instrument.Instrument;
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
        "What is asked of this stretch does not suit "
            + names(slice.starting())
            + ", or a pin on it; that note is fingered without it.",
        "Take the pin off, or end the stretch before it.");
  }

  String bar(Slice slice) {
    return task.passage().notes().get(slice.starting().get(0)).bar();
  }

  private String names(List<Integer> notes) {
    List<String> names =
        notes.stream().map(n -> task.passage().notes().get(n).pitch().toString()).toList();
    return String.join(" and ", names);
  }

  Problem againstPin(Slice slice) {
    return Problem.atBar(
        bar(slice),
        "The finger or string asked for cannot play "
            + names(slice.starting())
            + "; it is fingered without it.",
        "Choose another finger or string there.");
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
            n.pitch()
                + " lies below the lowest string of the "
                + instrument.type().displayName()
                + " ("
                + instrument.open(instrument.stringCount())
                + ").",
            "Check the clef and the instrument, or leave the note out.");
      }
      if (n.pitch().midi() > instrument.open(1).midi() + instrument.highestSemitone()) {
        return Problem.atBar(
            bar(slice),
            n.pitch() + " lies beyond the end of the fingerboard.",
            "Check the clef and the octave line, or play it as a harmonic.");
      }
    }
    String what =
        all.size() == 1
            ? names(all) + " cannot be played as marked."
            : names(all) + " cannot be held by one hand on neighbouring strings.";
    return Problem.atBar(
        bar(slice), what, all.size() == 1 ? "Check the harmonic sign." : nearestWay(all));
  }

  /**
   * What of a chord that is too wide can be played: without one note, or one part after another.
   */
  private String nearestWay(List<Integer> chord) {
    List<Integer> upward = new ArrayList<>(chord);
    upward.sort(
        (a, b) ->
            task.passage().notes().get(a).pitch().compareTo(task.passage().notes().get(b).pitch()));
    HandStates states = new HandStates(task);
    List<String> ways = new ArrayList<>();
    if (upward.size() > 2) {
      for (int leftOut : upward) {
        List<Integer> rest = upward.stream().filter(n -> n != leftOut).toList();
        if (states.canSound(rest)) {
          ways.add("leave out " + task.passage().notes().get(leftOut).pitch());
        }
      }
      for (int cut = upward.size() - 1; cut >= 1; cut--) {
        List<Integer> low = upward.subList(0, cut);
        List<Integer> high = upward.subList(cut, upward.size());
        if (states.canSound(low) && states.canSound(high)) {
          ways.add("roll it: " + names(low) + ", then " + names(high));
          break;
        }
      }
    }
    if (ways.isEmpty()) {
      ways.add("play one note after the other, or divide it");
    }
    String all = String.join("; or ", ways);
    return Character.toUpperCase(all.charAt(0)) + all.substring(1) + ".";
  }

  Problem handCannotStay(Slice slice) {
    return Problem.atBar(
        bar(slice),
        "The hand cannot stay in position there and reach "
            + names(slice.starting())
            + " as it is decided; it moves.",
        "Take the pin off, or shorten the stretch that stays in position.");
  }

  Problem cannotBeHeld(Slice slice) {
    return Problem.atBar(
        bar(slice),
        "The held note cannot be kept down under " + names(slice.starting()) + ".",
        "Let it go early, or play one of the voices.");
  }
}
