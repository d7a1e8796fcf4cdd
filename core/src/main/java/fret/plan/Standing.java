package fret.plan;

import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.Chance;
import fret.journal.Cure;
import fret.journal.JournalEntry;
import fret.journal.Progress;
import fret.tempo.Ladder;
import fret.tempo.Level;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Where one unit stands as the days of a plan go by: at first by the record, then as expected. */
final class Standing {
  /** Days after which what stands at its target comes back (common practice, no source). */
  private static final int[] GAPS = {2, 4, 8, 14};

  private static final int STALLED_VISITS = 3;
  private static final int WEEK = 7;

  final Goal goal;
  final Unit unit;
  final Ladder ladder;
  private final int place;
  private final Progress progress;
  private final int cleanNeeded;
  private final Chance[] chances;
  private final double[] fitted;
  private int closed;
  private double played;
  private int visits;
  private int visitsInAll;
  private int upkeep;
  private int readings;
  private Optional<LocalDate> last;
  private final Optional<Breakage> breaks;
  private final List<LocalDate> rhythms = new ArrayList<>();

  // What one day has seen so far.
  private int visitsToday;
  private int closedToday;
  private final Set<DrillKind> drilledToday = new HashSet<>();

  /**
   * @param place of the unit among those of its goal
   * @param fitted plays of each level in place of those expected of the chance; null for none
   */
  Standing(Goal goal, int place, List<JournalEntry> journal, int cleanNeeded, double[] fitted) {
    Unit unit = goal.units().get(place);
    this.place = place;
    this.fitted = fitted;
    this.goal = goal;
    this.unit = unit;
    this.ladder = goal.ladder(unit);
    this.cleanNeeded = cleanNeeded;
    progress = Progress.of(journal, goal.passageId(), unit.ids(), ladder, cleanNeeded);
    chances = new Chance[ladder.size()];
    closed = progress.closed();
    visits = progress.visitsSinceClosing();
    visitsInAll = progress.tries() == 0 ? 0 : Math.max(1, visits + progress.closings().size());
    last = progress.lastDay();
    breaks =
        progress.breaks().filter(b -> Cure.of(b).filter(unit.parts()::containsKey).isPresent());
    rhythms.addAll(progress.daysOf(DrillKind.RHYTHMS));
    upkeep = isAtTarget() ? daysAtTarget() : 0;
    readings = progress.cleanReadings();
  }

  /** Its place among the units of its goal. */
  int place() {
    return place;
  }

  /** Whether it went well at its first reading, and waits for the second one. */
  boolean isHalfRead() {
    return readings == 1 && !isAtTarget();
  }

  /** Days of the record on which it was played after it was closed. */
  private int daysAtTarget() {
    List<Progress.Closing> all = progress.closings();
    LocalDate since = all.get(all.size() - 1).date();
    return (int) progress.daysOf(DrillKind.STRAIGHT).stream().filter(d -> d.isAfter(since)).count();
  }

  boolean isAtTarget() {
    return closed >= ladder.size();
  }

  /** What breaks in it by the record, and the drill against it. */
  Optional<Breakage> breaks() {
    return breaks;
  }

  boolean isNew() {
    return visitsInAll == 0;
  }

  /** Whether it was new this morning. */
  boolean wasNew() {
    return visitsInAll - visitsToday <= 0;
  }

  int cleanNeeded() {
    return cleanNeeded;
  }

  int closed() {
    return closed;
  }

  int levelsLeft() {
    return ladder.size() - closed;
  }

  int visitsInAll() {
    return visitsInAll;
  }

  /** The level that is to be closed next; the top when all are. */
  Level open() {
    return ladder.levels().get(Math.min(closed, ladder.size() - 1));
  }

  /** The level closed last; the first when none is. */
  Level sure() {
    return ladder.levels().get(Math.max(0, closed - 1));
  }

  Chance chanceAt(int level) {
    int at = Math.max(0, Math.min(level, ladder.size() - 1));
    chances[at] = chances[at] == null ? progress.chanceAt(at) : chances[at];
    return chances[at];
  }

  /** Expected plays that the open level still asks for, at least one. */
  double playsLeft() {
    if (fitted != null && !isAtTarget()) {
      return Math.max(1, playsAt(closed) - played);
    }
    Chance p = chanceAt(closed);
    int row = closed == progress.closed() && played == 0 ? progress.cleanInRow() : 0;
    double all = p.plays(cleanNeeded) - (row == 0 ? 0 : p.plays(row));
    return Math.max(1, all - played);
  }

  /**
   * Plays that a visit asks for. Where a level is fitted to take longer than its tries so far say,
   * the day asks for no more of it, and the level stays open.
   */
  double visitPlays() {
    return fitted == null || isAtTarget()
        ? playsLeft()
        : Math.max(1, Math.min(playsLeft(), chanceAt(closed).plays(cleanNeeded)));
  }

  /** Expected plays that a level asks for. */
  double playsAt(int level) {
    boolean known = fitted != null && level < fitted.length && fitted[level] > 0;
    return known ? fitted[level] : chanceAt(level).plays(cleanNeeded);
  }

  /** Expected plays to be clean often enough once more at a level that is closed. */
  double playsAgain(int level) {
    return chanceAt(level).plays(cleanNeeded);
  }

  /** Days since it was last played; a week for what is new. */
  int gap(LocalDate day) {
    return last.map(l -> (int) Math.max(0, ChronoUnit.DAYS.between(l, day))).orElse(WEEK);
  }

  int daysSince(LocalDate day) {
    return last.map(l -> (int) ChronoUnit.DAYS.between(l, day)).orElse(-1);
  }

  boolean upkeepIsDue(LocalDate day) {
    return isAtTarget() && gap(day) >= upkeepGap();
  }

  /** Whether it may come back early, so that not everything is due on the same day. */
  boolean upkeepMayCome(LocalDate day) {
    return isAtTarget() && 2 * gap(day) >= upkeepGap();
  }

  int upkeepGap() {
    return GAPS[Math.min(upkeep, GAPS.length - 1)];
  }

  /** Visits have not closed the level: something else is to be tried. */
  boolean isStalled() {
    return visits >= STALLED_VISITS;
  }

  int visits() {
    return visits;
  }

  private static long within(List<LocalDate> days, LocalDate day) {
    return days.stream().filter(d -> d.isAfter(day.minusDays(WEEK)) && d.isBefore(day)).count();
  }

  boolean mayHaveRhythms(LocalDate day) {
    return within(rhythms, day) < 3;
  }

  // ---- a day ---------------------------------------------------------------------------------

  void startDay() {
    visitsToday = 0;
    closedToday = 0;
    drilledToday.clear();
  }

  int visitsToday() {
    return visitsToday;
  }

  int closedToday() {
    return closedToday;
  }

  boolean drilledToday(DrillKind kind) {
    return drilledToday.contains(kind);
  }

  /** As if the items of a visit had gone as expected. */
  void practise(List<PracticePlan.Item> items, LocalDate day) {
    visitsToday++;
    visits++;
    visitsInAll++;
    boolean stood = isAtTarget();
    last = Optional.of(day);
    for (PracticePlan.Item i : items) {
      drilledToday.add(i.drill());
      if (i.drill() == DrillKind.RHYTHMS && !rhythms.contains(day)) {
        rhythms.add(day);
      } else if (i.drill() == DrillKind.FIRST_READING) {
        readings++;
        closed = ladder.size();
      } else if (i.drill() == DrillKind.STRAIGHT && !stood) {
        straight(i);
      }
    }
    upkeep += stood ? 1 : 0;
  }

  /** It was played within the whole; at its target that keeps it up. */
  void runThrough(LocalDate day) {
    last = Optional.of(day);
    upkeep += isAtTarget() ? 1 : 0;
  }

  private void straight(PracticePlan.Item i) {
    if (isAtTarget()) {
      return;
    }
    if (!i.level().equals(open())) {
      // By the law of practice every play brings the next level nearer.
      played += fitted == null ? 0 : i.plays();
      return;
    }
    if (i.plays() >= playsLeft() - 1e-9) {
      closed++;
      closedToday++;
      played = 0;
      visits = 0;
      upkeep = 0;
    } else {
      played += i.plays();
    }
  }
}
