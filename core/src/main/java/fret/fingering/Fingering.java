package fret.fingering;

import fret.base.Problem;
import fret.player.EffortKind;
import fret.search.Explanation;
import java.util.List;
import java.util.Optional;

/**
 * A whole fingering with its reasons.
 *
 * @param notes one entry per sounding note; empty where it cannot be played
 * @param explanation its effort, which sums to {@link #effort}
 * @param layerOfSlice index into the explanation's layers for each slice; -1 where unplayable
 * @param alike what was given up so that figures that come back are fingered alike
 * @param releases held notes that end early, in order of time
 */
public record Fingering(
    List<Optional<NoteFinger>> notes,
    List<Shift> shifts,
    Explanation explanation,
    List<Integer> layerOfSlice,
    List<Problem> problems,
    Likeness alike,
    List<Release> releases) {
  /**
   * Figures that come back and are fingered alike.
   *
   * @param figures how many there are
   * @param overFree effort that the freest fingering would spare, 0 or more
   */
  public record Likeness(int figures, double overFree) {
    public static final Likeness NONE = new Likeness(0, 0);
  }

  public Fingering {
    notes = List.copyOf(notes);
    shifts = List.copyOf(shifts);
    layerOfSlice = List.copyOf(layerOfSlice);
    problems = List.copyOf(problems);
    releases = List.copyOf(releases);
  }

  /** The moment at which a held note is let go; empty when it sounds as long as it is written. */
  public Optional<Release> release(int note) {
    return releases.stream().filter(r -> r.note() == note).findFirst();
  }

  /** The same places but for some notes; its reasons and shifts are those of before. */
  public Fingering withNotes(List<Optional<NoteFinger>> other) {
    return new Fingering(other, shifts, explanation, layerOfSlice, problems, alike, releases);
  }

  Fingering withShifts(List<Shift> other) {
    return new Fingering(notes, other, explanation, layerOfSlice, problems, alike, releases);
  }

  public double effort() {
    return explanation.effort();
  }

  /** The effort of the hand alone, without what it costs that figures are fingered unlike. */
  public double handEffort() {
    return effort() - explanation.effortOf(EffortKind.UNLIKE.id());
  }

  /** The reasons at one moment; empty where it cannot be played. */
  public List<Explanation.Share> reasonsAt(int slice) {
    int layer = layerOfSlice.get(slice);
    return layer < 0 ? List.of() : explanation.at(layer);
  }

  /** How many notes stand on another string or finger than in the other fingering. */
  public int notesUnlike(Fingering other) {
    int count = 0;
    for (int i = 0; i < notes.size(); i++) {
      Optional<NoteFinger> a = notes.get(i);
      Optional<NoteFinger> b = other.notes.get(i);
      boolean same =
          a.isPresent() && b.isPresent() ? a.get().samePlace(b.get()) : a.isEmpty() == b.isEmpty();
      count += same ? 0 : 1;
    }
    return count;
  }
}
