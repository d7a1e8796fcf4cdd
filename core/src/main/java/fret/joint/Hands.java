package fret.joint;

import fret.bowing.HandAt;
import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What a fingering gives the bow, moment by moment. */
public final class Hands {
  private Hands() {}

  /** One entry for every moment of the passage. */
  public static List<HandAt> of(ResolvedPassage passage, Fingering fingering) {
    Set<Integer> shifts = new HashSet<>();
    fingering.shifts().forEach(s -> shifts.add(s.toSlice()));
    List<HandAt> all = new ArrayList<>();
    for (Slice slice : passage.slices()) {
      all.add(at(slice, fingering, shifts.contains(slice.index())));
    }
    return all;
  }

  private static HandAt at(Slice slice, Fingering fingering, boolean shift) {
    List<Integer> sounding = new ArrayList<>(slice.starting());
    sounding.addAll(slice.held());
    List<Integer> strings = new ArrayList<>();
    Set<Integer> fingers = new HashSet<>();
    int stopped = 0;
    for (int note : sounding) {
      Optional<NoteFinger> place = fingering.notes().get(note);
      if (place.isPresent()) {
        strings.add(place.get().string());
        int rank = place.get().finger().rank();
        if (rank > 0) {
          fingers.add(rank);
        }
        stopped = Math.max(stopped, place.get().semitone());
      }
    }
    return strings.isEmpty() ? HandAt.UNKNOWN : new HandAt(strings, stopped, shift, fingers);
  }
}
