package fret.fingering;

import fret.instrument.Finger;
import fret.mark.Wish;
import fret.score.ResolvedPassage;
import fret.score.SoundingNote;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/** Turns wishes for stretches of notes into rules for single notes and moments. */
public final class WishRules {
  /** From this length on a fourth finger holds a long note (common practice, from memory). */
  private static final double LONG_MS = 500;

  private final ResolvedPassage passage;
  private final TempoMap tempo;
  private final List<NoteRule> rules = new ArrayList<>();
  private final Set<Integer> still = new TreeSet<>();

  private WishRules(ResolvedPassage passage, TempoMap tempo) {
    this.passage = passage;
    this.tempo = tempo;
  }

  /**
   * The rules of a passage. A wish whose first or last note is not there is left out.
   *
   * @param pins rules of single notes
   * @param vibrato indices of the notes for which vibrato is wanted
   */
  public static Wishes of(
      ResolvedPassage passage,
      TempoMap tempo,
      List<NoteRule> pins,
      List<Wish> wishes,
      Set<Integer> vibrato) {
    WishRules made = new WishRules(passage, tempo);
    Map<Object, Integer> index = new HashMap<>();
    for (int i = 0; i < passage.notes().size(); i++) {
      index.put(passage.notes().get(i).key(), i);
    }
    for (Wish wish : wishes) {
      Integer from = index.get(wish.from());
      Integer to = index.get(wish.to());
      if (from != null && to != null) {
        made.add(wish, Math.min(from, to), Math.max(from, to));
      }
    }
    return new Wishes(pins, made.rules, made.still, vibrato);
  }

  private void add(Wish wish, int from, int to) {
    int firstSlice = passage.notes().get(from).slice();
    for (int i = from; i <= to; i++) {
      SoundingNote note = passage.notes().get(i);
      switch (wish.kind()) {
        case ON_STRING -> rules.add(NoteRule.onString(i, wish.value()));
        case POSITION -> rules.add(NoteRule.inPosition(i, wish.value()));
        case NO_OPEN -> rules.add(NoteRule.without(i, Finger.OPEN));
        case NO_LONG_FOURTH -> {
          if (tempo.durationMs(note.onset(), note.end()) >= LONG_MS) {
            rules.add(NoteRule.without(i, Finger.FOURTH));
          }
        }
        case AS_PRINTED -> printed(i, note);
        case NOT_FINGER -> rules.add(NoteRule.without(i, Finger.values()[wish.value() - 1]));
        case NOT_STRING -> rules.add(new NoteRule(i, Optional.empty(), wish.value(), true));
        case IN_POSITION -> {
          if (note.slice() > firstSlice) {
            still.add(note.slice());
          }
        }
      }
    }
  }

  private void printed(int index, SoundingNote note) {
    Optional<Finger> finger = note.startingFinger();
    if (finger.isPresent() || note.printedString() > 0) {
      rules.add(
          new NoteRule(
              index, finger, note.replacingFinger(), note.printedString(), 0, false, false));
    }
  }
}
