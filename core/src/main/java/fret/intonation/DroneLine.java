package fret.intonation;

import fret.harmony.Chord;
import fret.harmony.Harmony;
import fret.harmony.Key;
import fret.pitch.Pitch;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * What a drone under a passage sounds: its own pedal where it has one, else the root of the chord,
 * else the key's tonic, low on the instrument.
 *
 * @param spans each from its moment on, where the drone changes
 */
public record DroneLine(List<Span> spans) {
  /**
   * A stretch with one tone.
   *
   * @param slice moment of the passage at which it begins
   */
  public record Span(int slice, Fraction onset, Pitch pitch, double hertz) {}

  public DroneLine {
    spans = List.copyOf(spans);
  }

  public static DroneLine of(ResolvedPassage passage, Tuned tuned) {
    Map<Integer, List<Slice>> bars = new TreeMap<>();
    for (Slice s : passage.slices()) {
      bars.computeIfAbsent(bar(passage, s), b -> new ArrayList<>()).add(s);
    }
    List<Span> spans = new ArrayList<>();
    for (List<Slice> bar : bars.values()) {
      Optional<Integer> pedal = pedal(passage, tuned, bar);
      for (Slice s : bar) {
        Pitch pitch = low(tuned, name(passage, tuned, bar, s, pedal));
        boolean same = !spans.isEmpty() && spans.get(spans.size() - 1).pitch().equals(pitch);
        if (!same) {
          Optional<Key> key = tuned.harmony().keyAt(bar(passage, s));
          double cents = new PurePlaces(tuned.strings(), key, false).cents(pitch);
          double hertz = tuned.strings().hertz(pitch, cents);
          spans.add(new Span(s.index(), s.onset(), pitch, hertz));
        }
      }
    }
    return new DroneLine(spans);
  }

  private static int bar(ResolvedPassage passage, Slice s) {
    return passage.notes().get(s.starting().get(0)).key().barIndex();
  }

  /** What sounds at a moment; the passage has one. */
  public Span at(int slice) {
    Span last = spans.get(0);
    for (Span s : spans) {
      last = s.slice() <= slice ? s : last;
    }
    return last;
  }

  /** The pitch class to which a whole bar comes back every other note; empty for none. */
  private static Optional<Integer> pedal(ResolvedPassage passage, Tuned tuned, List<Slice> bar) {
    Optional<Integer> asked =
        bar.stream()
            .flatMap(s -> s.starting().stream())
            .flatMap(i -> tuned.notes().get(i).stream())
            .flatMap(p -> p.checks().stream())
            .filter(c -> c.kind() == Check.Kind.PEDAL)
            .map(c -> Math.floorMod(c.against().midi(), 12))
            .findFirst();
    return asked.filter(
        p -> {
          long times =
              bar.stream()
                  .filter(
                      s ->
                          s.starting().stream()
                              .map(i -> passage.notes().get(i).pitch().midi())
                              .anyMatch(midi -> Math.floorMod(midi, 12) == p))
                  .count();
          return 2 * times >= bar.size() - 1;
        });
  }

  private static String name(
      ResolvedPassage passage, Tuned tuned, List<Slice> bar, Slice slice, Optional<Integer> pedal) {
    Key key = tuned.harmony().keyAt(bar(passage, slice)).orElse(new Key(0, false));
    int root =
        pedal.orElseGet(
            () ->
                tuned
                    .harmony()
                    .at(slice.onset())
                    .flatMap(Harmony.ChordSpan::chord)
                    .map(Chord::root)
                    .orElse(key.tonic()));
    // As the page spells it where it stands there: F# rather than Gb.
    return bar.stream()
        .flatMap(x -> x.starting().stream())
        .map(n -> passage.notes().get(n).pitch())
        .filter(p -> Math.floorMod(p.midi(), 12) == root)
        .map(p -> p.name().replaceAll("-?\\d+$", ""))
        .findFirst()
        .orElse(key.nameOf(root));
  }

  /** The lowest note of a name that the instrument has. */
  private static Pitch low(Tuned tuned, String name) {
    var on = tuned.strings().instrument();
    int lowest = on.open(on.stringCount()).midi();
    int octave = 0;
    Pitch pitch = Pitch.parse(name + octave);
    while (pitch.midi() < lowest) {
      octave++;
      pitch = Pitch.parse(name + octave);
    }
    return pitch;
  }
}
