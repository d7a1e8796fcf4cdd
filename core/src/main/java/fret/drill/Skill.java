package fret.drill;

import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.util.List;
import java.util.Optional;

/**
 * A skill that a passage asks for, with its preparatory exercise: a figure of scale steps that goes
 * up the key's scale (common practice, no source).
 *
 * @param figure steps over the degree at which it stands, several at once for a double stop
 * @param need what in a passage asks for it
 */
public record Skill(String id, List<List<Integer>> figure, Need need) {
  /** What in a passage asks for a skill. */
  public enum Need {
    THIRDS(3, 4),
    SIXTHS(8, 9),
    OCTAVES(12, 12),
    TRILL(0, 0),
    SHIFT(0, 0),
    SKIP(0, 0),
    FRAME(0, 0);

    private final int from;
    private final int to;

    Need(int from, int to) {
      this.from = from;
      this.to = to;
    }
  }

  /** From which width of the hand on a frame is practised: first to fourth finger, semitones. */
  private static final int FRAME = 5;

  /** The table. */
  public static final List<Skill> TABLE =
      List.of(
          new Skill("thirds", List.of(List.of(0, 2)), Need.THIRDS),
          new Skill("sixths", List.of(List.of(0, 5)), Need.SIXTHS),
          new Skill("octaves", List.of(List.of(0, 7)), Need.OCTAVES),
          new Skill("trill-pairs", single(0, 1, 0, 1, 0, 1, 0, 1), Need.TRILL),
          new Skill("shift-pairs", single(0, 2, 0, 2), Need.SHIFT),
          new Skill("skips", single(0, 7, 2, 7), Need.SKIP),
          new Skill("hand-frame", single(0, 3, 1, 3, 2, 3, 1, 3), Need.FRAME));

  public Skill {
    figure = figure.stream().map(List::copyOf).toList();
  }

  private static List<List<Integer>> single(int... steps) {
    return java.util.Arrays.stream(steps).mapToObj(List::of).toList();
  }

  /** The skills that a passage asks for, in the order of the table. */
  public static List<Skill> of(ResolvedPassage passage, Fingering fingering) {
    return TABLE.stream().filter(s -> asks(s.need, passage, fingering)).toList();
  }

  private static boolean asks(Need need, ResolvedPassage passage, Fingering fingering) {
    return switch (need) {
      case THIRDS, SIXTHS, OCTAVES ->
          passage.slices().stream().anyMatch(s -> hasInterval(passage, s, need));
      case TRILL -> passage.notes().stream().anyMatch(n -> n.trill());
      case SHIFT -> !fingering.shifts().isEmpty();
      case SKIP -> skips(passage, fingering);
      case FRAME -> frame(passage, fingering);
    };
  }

  private static boolean hasInterval(ResolvedPassage passage, Slice s, Need need) {
    for (int a : s.starting()) {
      for (int b : s.starting()) {
        int width = passage.notes().get(b).pitch().midi() - passage.notes().get(a).pitch().midi();
        if (a != b && width >= need.from && width <= need.to) {
          return true;
        }
      }
    }
    return false;
  }

  /** Whether a string lies between two notes that follow each other. */
  private static boolean skips(ResolvedPassage passage, Fingering fingering) {
    for (int i = 1; i < passage.slices().size(); i++) {
      Optional<NoteFinger> a = lowest(passage, fingering, i - 1);
      Optional<NoteFinger> b = lowest(passage, fingering, i);
      boolean chord =
          passage.slices().get(i).starting().size() > 1
              || passage.slices().get(i - 1).starting().size() > 1;
      boolean skipped =
          a.isPresent() && b.isPresent() && Math.abs(a.get().string() - b.get().string()) > 1;
      if (skipped && !chord) {
        return true;
      }
    }
    return false;
  }

  private static Optional<NoteFinger> lowest(
      ResolvedPassage passage, Fingering fingering, int slice) {
    return fingering.notes().get(passage.slices().get(slice).starting().get(0));
  }

  /** Whether first and fourth finger stand on one string within a bar, as wide as a frame. */
  private static boolean frame(ResolvedPassage passage, Fingering fingering) {
    for (int i = 1; i < passage.slices().size(); i++) {
      Optional<NoteFinger> a = lowest(passage, fingering, i - 1);
      Optional<NoteFinger> b = lowest(passage, fingering, i);
      boolean wide =
          a.isPresent()
              && b.isPresent()
              && !a.get().isOpen()
              && !b.get().isOpen()
              && a.get().string() == b.get().string()
              && Math.abs(a.get().semitone() - b.get().semitone()) >= FRAME;
      if (wide) {
        return true;
      }
    }
    return false;
  }
}
