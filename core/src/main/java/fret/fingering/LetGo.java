package fret.fingering;

import fret.mark.LengthWish;
import fret.score.Event;
import fret.score.ResolvedPassage;
import fret.score.Signs;
import fret.score.Slice;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Which notes of another voice go on sounding. A held note binds its finger only while the bow can
 * sound it: two neighbouring strings at a time, three or four for the moment at which a chord
 * starts. What was let go never comes back (common practice, no source).
 */
final class LetGo {
  /** What the hand lets go although the bow could keep it weighs so much more (from memory). */
  private static final double BY_HAND = 8;

  /** A string that a new note takes although another would do (from memory). */
  private static final double SAME_STRING = 3;

  /** The highest voice is missed most (from memory). */
  private static final double TOP_VOICE = 2;

  /** A note under a hold or a tenuto asks for its length (from memory). */
  private static final double MARKED = 4;

  private static final int MOST_VARIANTS = 4;

  private final Map<Integer, LengthWish> lengths;

  private LetGo(Map<Integer, LengthWish> lengths) {
    this.lengths = lengths;
  }

  /** A finger that is to take a note over keeps it for its whole length. */
  static LetGo of(FingeringTask task) {
    Map<Integer, LengthWish> lengths = new HashMap<>(task.wishes().lengths());
    for (NoteRule rule : task.rules()) {
      if (rule.replacedBy().isPresent()) {
        lengths.put(rule.note(), LengthWish.FULL);
      }
    }
    task.fixed().values().stream()
        .filter(f -> f.replaced().isPresent())
        .forEach(f -> lengths.put(f.note(), LengthWish.FULL));
    return new LetGo(lengths);
  }

  /** The held notes that may go on at a moment, one list for each way; at most five. */
  List<List<Integer>> kept(Slice slice, HandStates.Heed heed) {
    List<Integer> held = slice.held();
    if (held.isEmpty()) {
      return List.of(List.of());
    }
    List<Integer> asked = new ArrayList<>();
    List<Integer> free = new ArrayList<>();
    for (int note : held) {
      LengthWish wish = heed == HandStates.Heed.NOTHING ? null : lengths.get(note);
      if (wish == LengthWish.FULL) {
        asked.add(note);
      } else if (wish == null) {
        free.add(note);
      }
    }
    if (!slice.bowed()) {
      List<Integer> ringing = new ArrayList<>(asked);
      ringing.addAll(free);
      return ringing.equals(asked) ? List.of(asked) : List.of(ringing, asked);
    }
    List<List<Integer>> ways = new ArrayList<>(List.of(asked));
    boolean room = slice.starting().size() + asked.size() < 2;
    for (int i = 0; room && i < Math.min(MOST_VARIANTS, free.size()); i++) {
      List<Integer> one = new ArrayList<>(asked);
      one.add(free.get(i));
      ways.add(one);
    }
    return ways;
  }

  /** What each held note has still to lose at a moment. */
  static List<Double> worth(ResolvedPassage passage, Slice slice) {
    List<Double> all = new ArrayList<>();
    for (int i : slice.held()) {
      SoundingNote note = passage.notes().get(i);
      double left = note.end().subtract(slice.onset()).divide(note.duration()).doubleValue();
      all.add(left * (isMarked(passage, note) ? MARKED : 1));
    }
    return all;
  }

  private static boolean isMarked(ResolvedPassage passage, SoundingNote note) {
    for (Event e : passage.score().bar(note.key().barIndex()).events()) {
      if (e.onset().equals(note.key().onset()) && e.voice().equals(note.voice())) {
        return e.signs().articulations().contains(Signs.Articulation.TENUTO) || e.signs().fermata();
      }
    }
    return false;
  }

  /** The share of their length that notes lose on the way to a hand, weighed by who lets go. */
  static double lost(HandState from, HandState to) {
    List<Integer> held = to.moment().slice().held();
    double sum = 0;
    for (int i = 0; i < held.size(); i++) {
      HandState.Touch ended = touch(from, held.get(i));
      if (ended != null && touch(to, held.get(i)) == null) {
        double voice = ended.equals(top(from)) && from.touches().size() > 1 ? TOP_VOICE : 1;
        sum += voice * to.moment().heldWorth().get(i) * factor(ended, to);
      }
    }
    return sum;
  }

  /** Whether the bow, and not the hand, ends a note that does not go on. */
  static boolean isByBow(HandState.Touch ended, HandState to) {
    return factor(ended, to) < BY_HAND;
  }

  private static double factor(HandState.Touch ended, HandState to) {
    int strings = 0;
    int nearest = Integer.MAX_VALUE;
    for (HandState.Touch t : to.touches()) {
      strings++;
      nearest = Math.min(nearest, Math.abs(t.string() - ended.string()));
    }
    if (nearest == 0) {
      return SAME_STRING;
    }
    return strings == 1 && nearest == 1 ? BY_HAND : 1;
  }

  static HandState.Touch touch(HandState state, int note) {
    for (HandState.Touch t : state.touches()) {
      if (t.note() == note) {
        return t;
      }
    }
    return null;
  }

  private static HandState.Touch top(HandState state) {
    HandState.Touch top = null;
    for (HandState.Touch t : state.touches()) {
      top = top == null || t.string() < top.string() ? t : top;
    }
    return top;
  }
}
