package fret.bowing;

import fret.base.Said;
import fret.bowing.BowHabit.Way;
import fret.score.LoudnessLine;
import java.util.List;
import java.util.function.Predicate;

/** What each habit of the bow comes to in a passage, in figures. */
public final class HabitFigures {
  /** The bow stands on the string so long before it begins, in ms (from memory). */
  private static final double SET_MS = 150;

  private final Bowing bowing;
  private final BowTask task;

  public HabitFigures(Bowing bowing, BowTask task) {
    this.bowing = bowing;
    this.task = task;
  }

  /** What the way that is taken comes to. */
  public Said of(BowHabit habit) {
    Way way = task.habits().way(habit);
    String id = "habit." + habit + "." + way + ".figure";
    return switch (habit) {
      case SOUND -> Said.of(id, Math.round(task.speed().natural(LoudnessLine.FORTE)));
      case SHIFT -> Said.of(id, shiftsInside(), Math.round(BowHabits.STOPPED_MS));
      case CHORD ->
          Said.of(
              id,
              Math.round(BowHabits.TURNED_DEGREES),
              Math.round(longestChord()),
              Math.round(10 * longestChord() * Math.sin(Math.toRadians(BowHabits.TURNED_DEGREES))));
      case WIDE -> wide(id);
      case START ->
          Said.of(id, count(m -> isEntry(m)), Math.round(SET_MS), Math.round(entrySpeed()));
      case PAIR -> pair(id);
      case LAST ->
          Said.of(
              id,
              way == Way.EACH_BOW
                  ? bowing.strokes().stream().filter(s -> s.notes().size() > 1).count()
                  : count(m -> m.isBowed() && m.restMs() > 1),
              Math.round(100 * BowHabits.OVER_SHARE));
      case INNER ->
          Said.of(
              id,
              count(m -> m.isBowed() && BowHabits.isLoudInner(m, task.instrument().stringCount())));
      case ACCENT ->
          Said.of(
              id,
              count(m -> m.isBowed() && m.isAccented()),
              Math.round(100 * BowHabits.ACCENT),
              Math.round(100 / BowHabits.ACCENT));
      case PLACE ->
          Said.of(
              id,
              bowing.strokes().stream().filter(this::isPlain).count(),
              Math.round(
                  100
                      * PlaceWindow.of(
                              task.instrument().type(),
                              LoudnessLine.MEZZO_FORTE,
                              0,
                              false,
                              task.habits())
                          .middle()));
      case HAIR -> Said.of(id, bowing.strokes().stream().filter(s -> s.kind().hairFlat()).count());
    };
  }

  private boolean isPlain(Stroke s) {
    return PlaceWindow.isFor(s.kind(), s.naturalCm(), task.bow().hairCm());
  }

  private long count(Predicate<BowMoment> counts) {
    return bowing.moments().stream().filter(counts).count();
  }

  private long shiftsInside() {
    return bowing.strokes().stream()
        .flatMap(s -> s.notes().stream().skip(1))
        .filter(n -> bowing.moments().get(n.moment()).shiftInto())
        .count();
  }

  private double longestChord() {
    return bowing.strokes().stream()
        .filter(s -> s.kind() == StrokeKind.CHORD)
        .mapToDouble(Stroke::bowCm)
        .max()
        .orElse(0);
  }

  private Said wide(String id) {
    List<Crossing> all =
        Crossing.of(bowing, task.bow()).stream()
            .filter(
                c -> BowTerms.isTipped(bowing.moments().get(c.toMoment()), c.degrees(), task.bow()))
            .toList();
    double middle = all.stream().mapToDouble(Crossing::middleCm).average().orElse(0);
    double tip = all.stream().mapToDouble(Crossing::tipCm).average().orElse(0);
    return Said.of(id, all.size(), Said.tenths(middle), Said.tenths(tip));
  }

  private boolean isEntry(BowMoment m) {
    int i = m.slice().index();
    return m.isBowed() && (i == 0 || bowing.moments().get(i - 1).restMs() > SET_MS);
  }

  private double entrySpeed() {
    return bowing.moments().stream()
        .filter(this::isEntry)
        .mapToDouble(m -> task.speed().natural(m.fromLevel()))
        .average()
        .orElse(0);
  }

  /** Favouring a string turns the arm towards its plane by that share of half the angle. */
  private Said pair(String id) {
    long pairs = count(m -> m.isBowed() && m.strings().size() == 2);
    double lean = (BowHabits.FAVOURED - 0.5) * 2 * task.bow().angleDegrees() / 2;
    return Said.of(
        id,
        pairs,
        Math.round(100 * BowHabits.FAVOURED),
        Math.round(100 * (1 - BowHabits.FAVOURED)),
        Said.tenths(lean));
  }
}
