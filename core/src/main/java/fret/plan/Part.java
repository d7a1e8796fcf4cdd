package fret.plan;

import fret.base.Said;
import fret.drill.DrillKind;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * What is played at a time of a unit or of a run-through: all of it, or one of its equally long
 * parts where one play is longer than a visit or a day.
 *
 * @param unit id of the whole
 * @param part which of the parts, from 1
 * @param of how many parts there are; 1 for the whole
 */
public record Part(String unit, int part, int of) {
  private static final Pattern ID = Pattern.compile("(.+):([1-9]\\d?)of([1-9]\\d?)");

  public Part {
    Objects.requireNonNull(unit);
    if (part < 1 || part > of) {
      throw new IllegalArgumentException("part " + part + " of " + of);
    }
  }

  /** What an id of the plan or of the record means. */
  public static Part of(String id) {
    Matcher m = ID.matcher(id);
    boolean parted = m.matches() && Integer.parseInt(m.group(2)) <= Integer.parseInt(m.group(3));
    return parted
        ? new Part(m.group(1), Integer.parseInt(m.group(2)), Integer.parseInt(m.group(3)))
        : new Part(id, 1, 1);
  }

  /** Id under which it is planned and kept. */
  public String id() {
    return idIn(unit);
  }

  private String idIn(String whole) {
    return of == 1 ? whole : whole + ":" + part + "of" + of;
  }

  /** Whether it is a run-through, or a part of one. */
  public boolean isRun() {
    return isOrStarts(PracticePlan.WHOLE);
  }

  /** Whether it is a section of a first reading. */
  public boolean isReading() {
    return isOrStarts(PracticePlan.READING);
  }

  /** Whether it is of the whole, not of a unit. */
  public boolean isRound() {
    return isRun() || isReading();
  }

  private boolean isOrStarts(String name) {
    return unit.equals(name) || unit.startsWith(name + "-");
  }

  public boolean isWhole() {
    return of == 1;
  }

  /** Whether the whole ends with it. */
  public boolean isLast() {
    return part == of;
  }

  /** How much of the whole is played when it ends, from above 0 to 1. */
  double end() {
    return (double) part / of;
  }

  /** Why it is no run-through in one go. */
  Said told() {
    return Said.of("plan.why.run-part", part, of);
  }

  /**
   * The units in place of one: its parts where a visit does not hold the fewest plays of it at some
   * level of the ladder.
   *
   * @param secondsEach of a play at the slowest level
   */
  public static Stream<Unit> fitting(Unit u, double secondsEach) {
    double most = Visit.LONGEST_MIN * 60 / Stages.FEWEST_PLAYS - Stages.PAUSE_S - 1;
    int parts = (int) Math.ceil(secondsEach / most - 1e-9);
    if (parts <= 1) {
      return Stream.of(u);
    }
    Map<DrillKind, List<Double>> straight = Map.of(DrillKind.STRAIGHT, List.of(u.length() / parts));
    return IntStream.rangeClosed(1, parts)
        .mapToObj(i -> new Part(u.id(), i, parts))
        .map(
            p ->
                new Unit(
                    p.id(),
                    u.kind(),
                    u.ids().stream().map(p::idIn).collect(Collectors.toCollection(TreeSet::new)),
                    straight,
                    u.difficulty(),
                    u.opens(),
                    u.approach(),
                    u.ladder()));
  }
}
