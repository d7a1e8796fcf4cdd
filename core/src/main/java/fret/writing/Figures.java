package fret.writing;

import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.pitch.Step;
import fret.score.Event;
import fret.score.Head;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;

/** Copies and moves notes. */
final class Figures {
  private Figures() {}

  static Event inVoice(Event e, String voice) {
    return new Event(
        voice, e.onset(), e.duration(), e.value(), e.heads(), e.grace(), e.cue(), e.signs());
  }

  /** A figure moved by letters of the key; chromatic notes keep their distance from the key. */
  static List<Event> moved(List<Event> figure, int steps, KeySignature key) {
    return figure.stream().map(e -> moved(e, steps, key)).toList();
  }

  static Event moved(Event e, int steps, KeySignature key) {
    return heads(e, p -> moved(p, steps, key));
  }

  private static Pitch moved(Pitch p, int steps, KeySignature key) {
    int diatonic = p.diatonic() + steps;
    int octave = Math.floorDiv(diatonic, 7);
    int chromatic = p.alter() - key.alterOf(p.step());
    Step step = Step.of(diatonic);
    int alter = Math.max(-2, Math.min(2, key.alterOf(step) + chromatic));
    return octave < -1 || octave > 9 ? p : new Pitch(step, alter, octave);
  }

  static Event transposed(Event e, Interval by) {
    return heads(e, p -> isWithin(p.midi() + by.semitones()) ? p.plus(by) : p);
  }

  private static boolean isWithin(int midi) {
    return midi >= 16 && midi <= 120;
  }

  static Pitch altered(Pitch p, int alter) {
    return alter < -2 || alter > 2 ? p : new Pitch(p.step(), alter, p.octave());
  }

  private static Event heads(Event e, UnaryOperator<Pitch> edit) {
    return e.withHeads(e.heads().stream().map(h -> moved(h, edit)).toList());
  }

  /** A head elsewhere; the sign that was printed before it no longer holds. */
  private static Head moved(Head head, UnaryOperator<Pitch> edit) {
    return head.withPitch(edit.apply(head.pitch())).withAccidental(Head.Accidental.NONE);
  }

  static Event topHead(Event e, UnaryOperator<Pitch> edit) {
    if (e.isRest()) {
      return e;
    }
    List<Head> heads = new ArrayList<>(e.heads());
    int top = heads.size() - 1;
    heads.set(top, moved(heads.get(top), edit));
    return e.withHeads(heads);
  }
}
