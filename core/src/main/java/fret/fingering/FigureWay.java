package fret.fingering;

import fret.instrument.Finger;
import java.util.ArrayList;
import java.util.List;

/**
 * How a figure that comes back is fingered at one of its places: what must be the same for two
 * places to be alike.
 *
 * @param presses of each moment, by note
 */
record FigureWay(List<List<Press>> presses) {
  /**
   * How a finger plays a note of a figure.
   *
   * @param after the finger that takes the note over, or the same
   * @param string 0 where the figure comes at other pitches
   */
  record Press(Finger finger, Finger after, boolean harmonic, int string) {}

  FigureWay {
    presses = presses.stream().map(List::copyOf).toList();
  }

  static FigureWay of(List<HandState> states, Figures.Figure figure, int start) {
    return new FigureWay(
        states.subList(start, start + figure.length()).stream()
            .map(s -> of(s, figure.samePitch()))
            .toList());
  }

  /** What is the same in two places: the fingers, and at the same pitch the strings too. */
  static List<Press> of(HandState state, boolean samePitch) {
    List<Press> form = new ArrayList<>();
    for (HandState.Touch t : state.touches()) {
      if (!t.held()) {
        Finger after = state.handsOver() ? state.out().lead().finger() : t.finger();
        form.add(new Press(t.finger(), after, t.harmonic(), samePitch ? t.string() : 0));
      }
    }
    return form;
  }

  List<Integer> strings() {
    return presses.stream().flatMap(List::stream).map(Press::string).toList();
  }
}
