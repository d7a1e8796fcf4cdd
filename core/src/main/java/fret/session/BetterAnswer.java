package fret.session;

import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.fingering.Standing;
import fret.search.Token;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * A stretch of an adopted fingering for which the program would now propose another that takes less
 * effort. What was adopted stays until the player takes it.
 *
 * @param fromNote first note that would be played otherwise, {@code toNote} the last
 * @param gain effort that the whole takes less with it, above 0
 * @param whole what would stand
 */
public record BetterAnswer(int fromNote, int toNote, double gain, Fingering whole) {
  /** Less is not worth asking about (from memory). */
  private static final double LEAST_GAIN = 0.25;

  /** Notes alike between two stretches that make them one. */
  private static final int SAME_BETWEEN = 3;

  /** All of a passage, the greatest gain first; none where nothing was adopted. */
  static List<BetterAnswer> of(Session s, Token token) {
    if (!s.isAdopted()) {
      return List.of();
    }
    Fingering stands = s.fingering();
    Standing standing = s.computed().standing();
    Fingering now = standing.with(standing.decided().withoutAdopted(), token).fingering();
    List<BetterAnswer> found = new ArrayList<>();
    for (int[] run : unlike(stands, now)) {
      token.check();
      List<Optional<NoteFinger>> notes = new ArrayList<>(stands.notes());
      for (int i = run[0]; i <= run[1]; i++) {
        notes.set(i, now.notes().get(i));
      }
      Fingering whole = s.adopted(stands.withNotes(notes), token);
      double gain = stands.effort() - whole.effort();
      if (gain >= LEAST_GAIN) {
        found.add(new BetterAnswer(run[0], run[1], gain, whole));
      }
    }
    found.sort(Comparator.comparingDouble(BetterAnswer::gain).reversed());
    return found;
  }

  private static List<int[]> unlike(Fingering a, Fingering b) {
    List<int[]> runs = new ArrayList<>();
    for (int i = 0; i < a.notes().size(); i++) {
      Optional<NoteFinger> one = a.notes().get(i);
      Optional<NoteFinger> other = b.notes().get(i);
      boolean differs = one.isPresent() && other.isPresent() && !one.get().samePlace(other.get());
      int[] last = runs.isEmpty() ? null : runs.get(runs.size() - 1);
      if (differs && last != null && i - last[1] <= SAME_BETWEEN + 1) {
        last[1] = i;
      } else if (differs) {
        runs.add(new int[] {i, i});
      }
    }
    return runs;
  }
}
