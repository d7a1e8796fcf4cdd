package fret.session;

import fret.base.Said;
import fret.bowing.Adopted;
import fret.bowing.BowLayers;
import fret.bowing.Bowing;
import fret.fingering.Fingering;
import fret.mark.Marks;
import fret.mark.NoteLayer;
import fret.mark.Place;
import fret.mark.VibratoLayer;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Whole bowings as pure functions from a session to the change: adopted, kept beside, used again.
 */
public final class BowVersions {
  private BowVersions() {}

  /** Every stroke of a bowing becomes the player's own: directions, slurs, retakes. */
  public static Change adopt(Session s, Bowing chosen) {
    return Change.of(
        Said.of("bow.adopted"), s.passage().marks(), pinned(s, s.passage().marks(), chosen));
  }

  /** A fingering and a bowing that were found together become the player's own. */
  public static Change adoptBoth(Session s, Fingering fingering, Bowing bowing) {
    Marks hand = Decisions.adopt(s, fingering).applyTo(s.passage()).marks();
    return Change.of(Said.of("together.adopted"), s.passage().marks(), pinned(s, hand, bowing));
  }

  private static Marks pinned(Session s, Marks marks, Bowing chosen) {
    Marks after = cleared(marks, BowLayers.ADOPTED, "");
    for (Map.Entry<Integer, Adopted> a : Adopted.of(chosen, s.bowTask().passage()).entrySet()) {
      after = BowDecisions.set(s, after, BowLayers.ADOPTED, a.getKey(), Optional.of(a.getValue()));
    }
    return after;
  }

  /** The decisions that count are kept under a name, beside them, and the vibrato with them. */
  public static Change keep(Session s, String version) {
    Marks after = s.passage().marks();
    for (NoteLayer<?> layer : BowLayers.ALL) {
      after = copied(after, layer, "", version);
    }
    after = copied(after, VibratoLayer.VIBRATO, "", version);
    return Change.of(Said.of("bow.kept", version), s.passage().marks(), after);
  }

  /** A kept version counts from now on; an empty name is the page as printed. */
  public static Change use(Session s, String version) {
    Marks after = s.passage().marks();
    for (NoteLayer<?> layer : BowLayers.ALL) {
      after = version.isEmpty() ? cleared(after, layer, "") : copied(after, layer, version, "");
    }
    // A version that was kept without vibrato leaves that of now.
    boolean vibrates = s.passage().marks().versions(VibratoLayer.VIBRATO).contains(version);
    if (!version.isEmpty() && vibrates) {
      after = copied(after, VibratoLayer.VIBRATO, version, "");
    }
    Said name = version.isEmpty() ? Said.of("bow.as-printed") : Said.of("bow.used", version);
    return Change.of(name, s.passage().marks(), after);
  }

  public static Change forget(Session s, String version) {
    Marks after = s.passage().marks();
    for (NoteLayer<?> layer : BowLayers.ALL) {
      after = cleared(after, layer, version);
    }
    after = cleared(after, VibratoLayer.VIBRATO, version);
    return Change.of(Said.of("bow.forgotten", version), s.passage().marks(), after);
  }

  private static <V> Marks copied(Marks marks, NoteLayer<V> layer, String from, String to) {
    Map<Place, V> all = new HashMap<>();
    marks
        .of(layer)
        .forEach(
            (place, value) -> {
              if (place.version().equals(to)) {
                all.putIfAbsent(place, null);
              }
              if (place.version().equals(from)) {
                all.put(place.in(to), value);
              }
            });
    return marks.with(layer, all);
  }

  private static <V> Marks cleared(Marks marks, NoteLayer<V> layer, String version) {
    Map<Place, V> none = new HashMap<>();
    marks.of(layer).keySet().stream()
        .filter(p -> p.version().equals(version))
        .forEach(p -> none.put(p, null));
    return marks.with(layer, none);
  }

  /**
   * Shifts that another bowing takes the bow change from: their moments lie inside its strokes, and
   * at the beginning of one in what stands.
   */
  public static List<Integer> uncovered(Session s, Bowing other) {
    return s.fingering().shifts().stream()
        .map(shift -> shift.toSlice())
        .filter(m -> begins(s.bowing(), m) && !begins(other, m) && other.strokeAt(m).isPresent())
        .toList();
  }

  private static boolean begins(Bowing b, int moment) {
    return b.strokeAt(moment).filter(stroke -> stroke.fromMoment() == moment).isPresent();
  }

  /** Names of the versions that are kept. */
  public static List<String> versions(Session s) {
    return BowLayers.ALL.stream()
        .flatMap(l -> s.passage().marks().versions(l).stream())
        .distinct()
        .sorted()
        .toList();
  }
}
