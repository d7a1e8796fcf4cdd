package fret.plan;

import fret.drill.Approach;
import fret.drill.DrillKind;
import fret.tempo.Ladder;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * What is learned once: a chunk with all that are like it.
 *
 * @param id the chunk's, of its first occurrence
 * @param ids of every chunk that is alike; a try of one counts for all
 * @param parts notated length in whole notes of each part of each drill that it can be practised
 *     with; {@link DrillKind#STRAIGHT} is always there, with one part
 * @param difficulty 1 for the usual, above 0
 * @param opens the first day on which it may be practised: before it waits because something hurts;
 *     {@link LocalDate#MIN} where nothing does, {@link LocalDate#MAX} where no day is known
 * @param approach how the player wants it to be brought up to its tempo
 * @param ladder of its own; empty for that of its goal
 */
public record Unit(
    String id,
    Kind kind,
    Set<String> ids,
    Map<DrillKind, List<Double>> parts,
    double difficulty,
    LocalDate opens,
    Approach approach,
    Optional<Ladder> ladder) {
  /** What is learned. */
  public enum Kind {
    CHUNK,
    /** A few notes within a chunk, or one layer of it. */
    SPOT,
    /** How two chunks are joined. */
    JOIN
  }

  /** A unit that the plan brings up as it sees fit. */
  public Unit(
      String id,
      Kind kind,
      Set<String> ids,
      Map<DrillKind, List<Double>> parts,
      double difficulty,
      LocalDate opens) {
    this(id, kind, ids, parts, difficulty, opens, Approach.AS_PLANNED, Optional.empty());
  }

  public Unit {
    Objects.requireNonNull(approach);
    Objects.requireNonNull(opens);
    Objects.requireNonNull(ladder);
    Objects.requireNonNull(id);
    Objects.requireNonNull(kind);
    ids = Set.copyOf(ids);
    Map<DrillKind, List<Double>> copy = new EnumMap<>(DrillKind.class);
    parts.forEach((k, v) -> copy.put(k, List.copyOf(v)));
    parts = java.util.Collections.unmodifiableMap(copy);
    if (!parts.containsKey(DrillKind.STRAIGHT) || !(difficulty > 0)) {
      throw new IllegalArgumentException("nothing to play straight in " + id);
    }
  }

  /** A unit that need not wait. */
  public Unit(
      String id,
      Kind kind,
      Set<String> ids,
      Map<DrillKind, List<Double>> parts,
      double difficulty) {
    this(id, kind, ids, parts, difficulty, LocalDate.MIN);
  }

  /** The same, to wait until a day. */
  public Unit opens(LocalDate day) {
    return new Unit(id, kind, ids, parts, difficulty, day, approach, ladder);
  }

  /** Whether it waits on a day because something hurts. */
  public boolean waitsOn(LocalDate day) {
    return day.isBefore(opens);
  }

  /** The same, brought up to its tempo in another way. */
  public Unit with(Approach other) {
    return new Unit(id, kind, ids, parts, difficulty, opens, other, ladder);
  }

  /** The same with a ladder of its own. */
  public Unit with(Ladder other) {
    return new Unit(id, kind, ids, parts, difficulty, opens, approach, Optional.of(other));
  }

  /** The same with drills so many times as long. */
  public Unit times(double factor) {
    Map<DrillKind, List<Double>> longer = new EnumMap<>(DrillKind.class);
    parts.forEach((k, all) -> longer.put(k, all.stream().map(x -> x * factor).toList()));
    return new Unit(id, kind, ids, longer, difficulty, opens, approach, ladder);
  }

  /** Whole notes of one straight play. */
  public double length() {
    return parts.get(DrillKind.STRAIGHT).get(0);
  }
}
