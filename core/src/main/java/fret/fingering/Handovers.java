package fret.fingering;

import fret.instrument.Finger;
import fret.score.ResolvedPassage;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The hands that put another finger on a single note while it sounds, and so move behind it (common
 * practice, no source).
 */
final class Handovers {
  /** A note at least this long leaves time to replace its finger (from memory). */
  private static final double LONG_ENOUGH_S = 0.75;

  private final ResolvedPassage passage;
  private final NotePlaces places;

  Handovers(ResolvedPassage passage, NotePlaces places) {
    this.passage = passage;
    this.places = places;
  }

  /** The hands of a moment and those that replace a finger; only the latter where that is asked. */
  List<HandState> with(TimedSlice moment, List<HandState> plain, HandStates.Heed heed) {
    if (moment.slice().starting().size() != 1 || !moment.slice().held().isEmpty()) {
      return startingAsAsked(moment, plain, heed);
    }
    int note = moment.slice().starting().get(0);
    Optional<Finger> asked = places.replacement(note, heed);
    if (moment.slice().grace() > 0 || asked.isEmpty() && !isFit(moment, note)) {
      return plain;
    }
    List<HandState> all = new ArrayList<>(asked.isPresent() ? List.of() : plain);
    for (HandState first : plain) {
      for (HandState second : plain) {
        boolean wanted = asked.map(f -> f == second.lead().finger()).orElse(isEasy(first, second));
        if (wanted && isReplacement(first, second)) {
          all.add(first.handingOverTo(second));
        }
      }
    }
    return all;
  }

  /** In a chord the finger that is to take over comes later: it does not start its note. */
  private List<HandState> startingAsAsked(
      TimedSlice moment, List<HandState> plain, HandStates.Heed heed) {
    Map<Integer, Finger> later = new HashMap<>();
    for (int note : moment.slice().starting()) {
      places.replacement(note, heed).ifPresent(f -> later.put(note, f));
    }
    if (later.isEmpty()) {
      return plain;
    }
    return plain.stream()
        .filter(
            s ->
                s.touches().stream().noneMatch(t -> !t.held() && t.finger() == later.get(t.note())))
        .toList();
  }

  private boolean isFit(TimedSlice moment, int note) {
    return moment.seconds() >= LONG_ENOUGH_S && passage.notes().get(note).auxiliaries().isEmpty();
  }

  private static boolean isEasy(HandState first, HandState second) {
    return isEasy(first) && isEasy(second);
  }

  private static boolean isEasy(HandState hand) {
    return hand.grip().strain() == 0 && !hand.shape().isExtended();
  }

  private static boolean isReplacement(HandState first, HandState second) {
    HandState.Touch a = first.lead();
    HandState.Touch b = second.lead();
    boolean pressed = !a.isOpen() && !b.isOpen() && !a.harmonic() && !b.harmonic();
    return pressed
        && a.string() == b.string()
        && a.semitone() == b.semitone()
        && a.finger() != b.finger()
        && first.base() != second.base();
  }
}
