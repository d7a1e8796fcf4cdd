package fret.fingering;

import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.score.ResolvedPassage;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * The finger that guides the hand between two double stops: one that stays on its string. The
 * player chooses among them; otherwise the one on the lowest note does.
 */
public final class GuideFingers {
  private GuideFingers() {}

  /** The fingers that can guide into a moment; fewer than two leave no choice. */
  public static List<Finger> at(
      ResolvedPassage passage, Instrument on, Fingering fingering, int slice) {
    return ChordStep.into(passage, on, fingering, slice)
        .map(c -> c.guides().stream().map(ChordStep.Move::finger).toList())
        .orElse(List.of());
  }

  /**
   * The fingering with its shifts told by the fingers that guide them.
   *
   * @param chosen the finger that the player chose, by a note of the double stop that is reached
   */
  public static Fingering guided(
      ResolvedPassage passage, Instrument on, Fingering fingering, Map<Integer, Finger> chosen) {
    List<Shift> shifts = new ArrayList<>();
    for (Shift s : fingering.shifts()) {
      List<Finger> guides = s.isOnHeldNote() ? List.of() : at(passage, on, fingering, s.toSlice());
      shifts.add(
          guides.size() < 2
              ? s
              : by(passage, on, fingering, s, wanted(passage, s, guides, chosen)));
    }
    return shifts.equals(fingering.shifts()) ? fingering : fingering.withShifts(shifts);
  }

  private static Finger wanted(
      ResolvedPassage passage, Shift s, List<Finger> guides, Map<Integer, Finger> chosen) {
    return passage.slices().get(s.toSlice()).starting().stream()
        .map(chosen::get)
        .filter(Objects::nonNull)
        .filter(guides::contains)
        .findFirst()
        .orElse(guides.get(0));
  }

  private static Shift by(
      ResolvedPassage passage, Instrument on, Fingering fingering, Shift s, Finger finger) {
    Optional<NoteFinger> left = under(passage, fingering, s.toSlice() - 1, finger);
    Optional<NoteFinger> reached = under(passage, fingering, s.toSlice(), finger);
    return left.isEmpty() || reached.isEmpty()
        ? s
        : new ShiftGuides(passage, on).along(s, left.get().last(), reached.get());
  }

  private static Optional<NoteFinger> under(
      ResolvedPassage passage, Fingering fingering, int slice, Finger finger) {
    return passage.slices().get(slice).starting().stream()
        .flatMap(n -> fingering.notes().get(n).stream())
        .filter(n -> n.lastFinger() == finger)
        .findFirst();
  }
}
