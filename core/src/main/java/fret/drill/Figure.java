package fret.drill;

import fret.pitch.Pitch;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import fret.score.SoundingNote;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeSet;

/**
 * Notes of a page that are a scale or a broken chord, so that what the hands know of it is used.
 *
 * @param from its first moment; {@code to} its last one
 * @param tonic name of its tonic or root, such as {@code Bb}
 */
public record Figure(int from, int to, String tonic, Kind kind) {
  /** Semitones over the tonic or root; harmonic and melodic minor have a form each. */
  public enum Kind {
    MAJOR_SCALE(0, 2, 4, 5, 7, 9, 11),
    MINOR_SCALE(0, 2, 3, 5, 7, 8, 10),
    HARMONIC_MINOR_SCALE(0, 2, 3, 5, 7, 8, 11),
    MELODIC_MINOR_SCALE(0, 2, 3, 5, 7, 9, 11),
    CHROMATIC_SCALE(0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11),
    MAJOR_ARPEGGIO(0, 4, 7),
    MINOR_ARPEGGIO(0, 3, 7),
    DOMINANT_ARPEGGIO(0, 4, 7, 10),
    DIMINISHED_ARPEGGIO(0, 3, 6, 9);

    private final Set<Integer> tones;

    Kind(Integer... tones) {
      this.tones = Set.of(tones);
    }

    private boolean has(Set<Integer> all, int tonic) {
      return all.stream().allMatch(t -> tones.contains(Math.floorMod(t - tonic, 12)));
    }

    public boolean isScale() {
      return ordinal() <= CHROMATIC_SCALE.ordinal();
    }

    /** As it is told, such as {@code major scale}. */
    public String words() {
      return name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
  }

  /** Fewer notes in one direction are a turn of a melody (from memory). */
  private static final int FEWEST = 7;

  private static final int WIDEST_STEP = 3;

  /** Those of a page, in order. */
  public static List<Figure> of(ResolvedPassage passage) {
    List<Figure> all = new ArrayList<>();
    int at = 0;
    while (at < passage.slices().size()) {
      int end = run(passage, at);
      Optional<Figure> named = end - at + 1 >= FEWEST ? named(passage, at, end) : Optional.empty();
      named.ifPresent(all::add);
      at = named.isPresent() ? end : at + 1;
    }
    return all;
  }

  /** Whether a moment is one of it. */
  public boolean has(int moment) {
    return from <= moment && moment <= to;
  }

  /** As it is told, such as {@code D major scale}. */
  public String words() {
    return tonic + " " + kind.words();
  }

  private static OptionalInt midi(ResolvedPassage passage, int slice) {
    Slice s = passage.slices().get(slice);
    boolean one = s.starting().size() == 1 && s.held().isEmpty() && s.grace() == 0;
    return one
        ? OptionalInt.of(passage.notes().get(s.starting().get(0)).pitch().midi())
        : OptionalInt.empty();
  }

  /** The last moment of single notes that go one way, all by steps or all by leaps. */
  private static int run(ResolvedPassage passage, int from) {
    int way = 0;
    boolean steps = true;
    boolean leapt = false;
    int at = from;
    while (at + 1 < passage.slices().size()) {
      OptionalInt a = midi(passage, at);
      OptionalInt b = midi(passage, at + 1);
      if (a.isEmpty() || b.isEmpty() || passage.slices().get(at).restAfter().signum() > 0) {
        break;
      }
      int by = b.getAsInt() - a.getAsInt();
      boolean step = Math.abs(by) <= WIDEST_STEP && Math.abs(by) > 0 && isNextLetter(passage, at);
      if (at == from) {
        way = Integer.signum(by);
        steps = step;
      }
      boolean fits = step == steps || leapt; // From the seventh to the root it is a step.
      if (by == 0 || Integer.signum(by) != way || !fits) {
        break;
      }
      leapt = !step;
      at++;
    }
    return at;
  }

  private static SoundingNote note(ResolvedPassage passage, int slice) {
    return passage.notes().get(passage.slices().get(slice).starting().get(0));
  }

  private static boolean isNextLetter(ResolvedPassage passage, int slice) {
    Pitch a = note(passage, slice).written();
    Pitch b = note(passage, slice + 1).written();
    return Math.abs(a.diatonic() - b.diatonic()) <= 1;
  }

  private static Optional<Figure> named(ResolvedPassage passage, int from, int to) {
    Map<Integer, String> names = new java.util.LinkedHashMap<>();
    Set<Integer> tones = new TreeSet<>();
    for (int m : new int[] {from, to}) {
      put(names, note(passage, m));
    }
    for (int m = from; m <= to; m++) {
      SoundingNote n = note(passage, m);
      tones.add(Math.floorMod(n.pitch().midi(), 12));
      put(names, n);
    }
    boolean steps = isNextLetter(passage, from);
    for (Map.Entry<Integer, String> tonic : names.entrySet()) {
      for (Kind kind : Kind.values()) {
        boolean whole = tones.size() >= kind.tones.size() - (kind.isScale() ? 1 : 0);
        if (kind.isScale() == steps && whole && kind.has(tones, tonic.getKey())) {
          return Optional.of(new Figure(from, to, tonic.getValue(), kind));
        }
      }
    }
    return Optional.empty();
  }

  private static void put(Map<Integer, String> names, SoundingNote n) {
    names.putIfAbsent(
        Math.floorMod(n.pitch().midi(), 12), n.pitch().name().replaceAll("-?\\d+$", ""));
  }
}
