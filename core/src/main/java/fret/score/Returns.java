package fret.score;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Stretches of two bars or more that come back, at the same pitch or transposed, with what the page
 * has otherwise than the first time: a player who learns them as the same stumbles there.
 *
 * @param firstBar index of the first bar of the stretch; {@code otherBar} of where it comes back
 * @param bars how many bars it lasts, 2 or more
 * @param semitones by which it is transposed, up positive
 * @param differences what is marked otherwise, by bars from its start
 */
public record Returns(
    int firstBar, int otherBar, int bars, int semitones, List<Difference> differences) {
  private static final int FEWEST = 2;

  /** What is marked otherwise. */
  public enum Marked {
    SLURS,
    ARTICULATION,
    DYNAMICS
  }

  /**
   * A bar that is marked otherwise.
   *
   * @param bar from the start of the stretch, from 0
   */
  public record Difference(int bar, Marked what) {}

  /** The notes of a bar from its lowest first note, with their rhythm. */
  private record Form(List<Object> notes, int base) {}

  public Returns {
    differences = List.copyOf(differences);
  }

  /** All of a passage, each stretch as long as it can be. */
  public static List<Returns> of(ResolvedPassage passage) {
    List<Bar> bars = passage.score().bars();
    List<Optional<Form>> forms = forms(passage);
    List<Returns> all = new ArrayList<>();
    Set<Integer> taken = new java.util.HashSet<>();
    for (int a = 0; a < bars.size(); a++) {
      for (int b = a + FEWEST; b < bars.size(); b++) {
        int length = taken.contains(b) ? 0 : length(forms, a, b);
        if (length >= FEWEST) {
          int up = forms.get(b).orElseThrow().base() - forms.get(a).orElseThrow().base();
          all.add(new Returns(a, b, length, up, differences(passage, a, b, length)));
          for (int k = 0; k < length; k++) {
            taken.add(b + k);
          }
        }
      }
    }
    return all;
  }

  /**
   * Bars that go on alike, by the same transposition; the first stretch does not reach the other.
   */
  private static int length(List<Optional<Form>> forms, int a, int b) {
    int length = 0;
    while (b + length < forms.size() && a + length < b) {
      Optional<Form> one = forms.get(a + length);
      Optional<Form> other = forms.get(b + length);
      boolean alike =
          one.isPresent()
              && other.isPresent()
              && one.get().notes().equals(other.get().notes())
              && other.get().base() - one.get().base()
                  == forms.get(b).orElseThrow().base() - forms.get(a).orElseThrow().base();
      if (!alike) {
        break;
      }
      length++;
    }
    return length;
  }

  private static List<Optional<Form>> forms(ResolvedPassage passage) {
    int first = passage.score().bars().get(0).index();
    Map<Integer, List<Object>> notes = new HashMap<>();
    Map<Integer, Integer> bases = new HashMap<>();
    for (Slice s : passage.slices()) {
      SoundingNote low = passage.notes().get(s.starting().get(0));
      int bar = low.key().barIndex() - first;
      bases.putIfAbsent(bar, low.pitch().midi());
      List<Object> into = notes.computeIfAbsent(bar, i -> new ArrayList<>());
      into.add(s.onset().subtract(passage.score().bars().get(bar).start()));
      into.add(s.duration());
      into.add(s.grace());
      for (int n : s.starting()) {
        into.add(passage.notes().get(n).pitch().midi() - bases.get(bar));
      }
    }
    List<Optional<Form>> forms = new ArrayList<>();
    for (int i = 0; i < passage.score().bars().size(); i++) {
      int bar = i;
      forms.add(Optional.ofNullable(notes.get(i)).map(n -> new Form(n, bases.get(bar))));
    }
    return forms;
  }

  private static List<Difference> differences(ResolvedPassage passage, int a, int b, int length) {
    List<Difference> all = new ArrayList<>();
    for (int i = 0; i < length; i++) {
      Bar one = passage.score().bars().get(a + i);
      Bar other = passage.score().bars().get(b + i);
      for (Marked what : EnumSet.allOf(Marked.class)) {
        if (!Objects.equals(marks(one, what), marks(other, what))) {
          all.add(new Difference(i, what));
        }
      }
    }
    return all;
  }

  private static List<Object> marks(Bar bar, Marked what) {
    List<Object> all = new ArrayList<>();
    for (Event e : what == Marked.DYNAMICS ? List.<Event>of() : bar.events()) {
      if (what == Marked.SLURS) {
        all.add(e.signs().slurStarts().size());
        all.add(e.signs().slurStops().size());
      } else {
        all.add(e.signs().articulations());
      }
    }
    for (Direction d : what == Marked.DYNAMICS ? bar.directions() : List.<Direction>of()) {
      boolean loudness =
          switch (d.kind()) {
            case DYNAMIC, CRESCENDO, DIMINUENDO -> true;
            default -> false;
          };
      if (loudness) {
        Fraction place = d.onset().subtract(bar.start());
        all.add(List.of(d.kind(), d.text(), place));
      }
    }
    return all;
  }
}
