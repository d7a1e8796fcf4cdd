package fret.engraving;

import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import java.util.HashMap;
import java.util.Map;

/**
 * Which accidentals are printed: those the bar's rules ask for, and those the file shows on top.
 */
final class Accidentals {
  private Accidentals() {}

  /**
   * Signs for the heads of a bar, in order of its events and heads; heads without one are left out.
   */
  static Map<Head, Head.Accidental> of(Bar bar) {
    Map<Integer, Integer> inForce = new HashMap<>();
    Map<Head, Head.Accidental> signs = new java.util.IdentityHashMap<>();
    for (Event event : bar.events()) {
      for (Head head : event.heads()) {
        Pitch pitch = head.pitch();
        int now = inForce.getOrDefault(pitch.diatonic(), bar.key().alterOf(pitch.step()));
        boolean tiedOver = head.tieStop() && event.onset().equals(bar.start());
        if (tiedOver) {
          continue; // A tie carries its accidental over the bar line, for this note only.
        }
        if (pitch.alter() != now) {
          signs.put(head, Head.Accidental.ofAlter(pitch.alter()));
          inForce.put(pitch.diatonic(), pitch.alter());
        } else if (head.accidental() != Head.Accidental.NONE) {
          signs.put(head, head.accidental());
        }
      }
    }
    return signs;
  }
}
