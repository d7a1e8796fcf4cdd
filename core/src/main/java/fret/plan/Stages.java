package fret.plan;

import fret.base.Said;
import fret.drill.Approach;
import fret.drill.DrillKind;
import fret.journal.Cure;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import fret.tempo.Level;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What one unit asks for in a visit: whole stages, the last of which may be cut. */
final class Stages {
  /** Seconds between two plays, count-in included (common practice, no source). */
  static final double PAUSE_S = 6;

  /** Why a set comes once more. */
  static final String AGAIN = "plan.why.again";

  /** Fewer plays than that are no practice (common practice, no source). */
  static final int FEWEST_PLAYS = 3;

  private final PlanRequest.Rules rules;
  private final StretchDose dose;

  Stages(PlanRequest.Rules rules, StretchDose dose) {
    this.rules = rules;
    this.dose = dose;
  }

  /** Minutes of some plays, to a hundredth and never below. */
  static double minutes(double plays, double secondsEach) {
    return Math.ceil(plays * (secondsEach + PAUSE_S) / 60 * 100 - 1e-6) / 100;
  }

  static int whole(double plays) {
    return (int) Math.ceil(plays - 1e-9);
  }

  static double minutes(List<Stage> stages) {
    double sum = 0;
    for (Stage s : stages) {
      sum += s.minutes();
    }
    return sum;
  }

  /** Most levels that a unit may close on a day. */
  static int mostLevels(Standing s, LocalDate day, PlanRequest.Climb climb) {
    if (climb == PlanRequest.Climb.WHOLE_LADDER || s.unit.approach().isByLevels()) {
      return s.ladder.size();
    }
    LocalDate end = day.isAfter(s.goal.ready()) ? s.goal.audition() : s.goal.ready();
    long days = Math.max(1, ChronoUnit.DAYS.between(day, end) + 1);
    int left = s.levelsLeft() + s.closedToday();
    return (int) Math.max(1, (left + days - 1) / days);
  }

  /**
   * Work at the open level, and at the next ones where as many may be closed today.
   *
   * @param most minutes there are
   * @param drills whether a drill may come before straight work
   * @param cut whether the last stage may be cut
   * @return empty where nothing whole fits
   */
  List<Stage> climbing(Standing s, LocalDate day, double most, boolean drills, boolean cut) {
    if (s.unit.approach().isByLevels()) {
      return byLevels(s, day, most, cut);
    }
    List<Stage> all = new ArrayList<>();
    if (drills) {
      before(s, day).ifPresent(all::add);
    }
    double left = most - minutes(all);
    int levels = mostLevels(s, day, rules.climb()) - s.closedToday();
    int closed = s.closed();
    int plays = asked(s.visitPlays());
    boolean closes = plays >= s.playsLeft() - 1e-9;
    boolean any = false;
    for (int n = 0; n < levels && closed < s.ladder.size(); n++) {
      Level level = s.ladder.levels().get(closed);
      double each = s.ladder.seconds(s.unit.length(), level.perMinute());
      int fit = minutes(plays, each) <= left + Visit.EPS ? plays : cutTo(each, left, plays, cut);
      if (fit == 0) {
        break;
      }
      any = true;
      all.add(straight(s, closed, fit, fit < plays, fit == plays && closes));
      left -= minutes(fit, each);
      if (fit < plays || !closes) {
        break;
      }
      closed++;
      plays = closed < s.ladder.size() ? asked(s.playsAt(closed)) : 0;
      closes = closed < s.ladder.size() && plays >= s.playsAt(closed) - 1e-9;
    }
    return any ? all : List.of();
  }

  /** What a stage asks for: never more than the player wants of it in a visit. */
  private int asked(double plays) {
    int all = whole(plays);
    return rules.mostPlays() == 0 ? all : Math.min(all, Math.max(FEWEST_PLAYS, rules.mostPlays()));
  }

  private static double asks(Standing s) {
    return s.playsLeft() - 1e-9;
  }

  private Stage straight(Standing s, int level, int plays, boolean isCut, boolean closes) {
    Level l = s.ladder.levels().get(level);
    double each = s.ladder.seconds(s.unit.length(), l.perMinute());
    Said why = Said.of("plan.why.level", level + 1, s.ladder.size());
    return new Stage(s, item(s, DrillKind.STRAIGHT, l, plays, each, why), isCut, closes);
  }

  /** Plays to which a stage is cut; 0 where it must not be or too few fit. */
  private static int cutTo(double secondsEach, double room, int plays, boolean cut) {
    if (!cut || plays <= FEWEST_PLAYS) {
      return 0;
    }
    int fit = fitting(secondsEach, room);
    return fit >= FEWEST_PLAYS ? Math.min(fit, plays) : 0;
  }

  private static int fitting(double secondsEach, double room) {
    int plays = (int) Math.floor((room * 60 + 1e-6) / (secondsEach + PAUSE_S));
    while (plays > 0 && minutes(plays, secondsEach) > room + Visit.EPS) {
      plays--;
    }
    return Math.max(0, plays);
  }

  // ---- level by level ------------------------------------------------------------------------

  /** Straight once, rhythms, straight to the gate, as many levels as there are minutes for. */
  private List<Stage> byLevels(Standing s, LocalDate day, double most, boolean cut) {
    List<Stage> all = new ArrayList<>();
    boolean rhythms =
        s.unit.parts().containsKey(DrillKind.RHYTHMS)
            && s.mayHaveRhythms(day)
            && !s.drilledToday(DrillKind.RHYTHMS);
    double left = most;
    for (int level = s.closed(); level < s.ladder.size(); level++) {
      double asks = level == s.closed() ? s.visitPlays() : s.playsAt(level);
      List<Stage> one = level(s, level, asked(asks), asked(asks) >= asks - 1e-9, rhythms);
      double takes = minutes(one);
      if (takes > left + Visit.EPS) {
        break;
      }
      all.addAll(one);
      left -= takes;
      if (!one.get(one.size() - 1).closes()) {
        break;
      }
    }
    if (all.isEmpty()) { // Not even one level fits: what fits of its straight work, the rest later.
      Level open = s.open();
      double each = s.ladder.seconds(s.unit.length(), open.perMinute());
      int plays = asked(s.visitPlays());
      int fit = minutes(plays, each) <= most + Visit.EPS ? plays : cutTo(each, most, plays, cut);
      return fit == 0
          ? List.of()
          : List.of(straight(s, s.closed(), fit, fit < plays, fit >= asks(s)));
    }
    return all;
  }

  private List<Stage> level(Standing s, int which, int plays, boolean closes, boolean rhythms) {
    if (!rhythms) {
      Stage alone = straight(s, which, plays, false, closes);
      boolean asked = s.unit.parts().containsKey(DrillKind.RHYTHMS);
      return List.of(asked ? alone.because(Said.of("plan.why.rhythms-rest")) : alone);
    }
    Level level = s.ladder.levels().get(which);
    double each = s.ladder.seconds(s.unit.length(), level.perMinute());
    Said why = Said.of("plan.why.wished");
    List<Double> parts = s.unit.parts().get(DrillKind.RHYTHMS);
    int patterns = whole(parts.size() * s.chanceAt(which).plays(1));
    return List.of(
        stage(s, DrillKind.STRAIGHT, level, 1, each, why),
        stage(s, DrillKind.RHYTHMS, level, patterns, mean(s, parts, level), why),
        straight(s, which, plays, false, closes));
  }

  // ---- what comes before ---------------------------------------------------------------------

  /** The drill that comes before straight work today, if any. */
  private Optional<Stage> before(Standing s, LocalDate day) {
    Optional<Stage> wished = wished(s, day);
    if (wished.isPresent()) {
      return wished;
    }
    boolean asPlanned = s.unit.approach() == Approach.AS_PLANNED;
    boolean isLong = s.unit.kind() != Unit.Kind.JOIN; // A join is a few notes.
    if (asPlanned && isLong && s.isNew() && s.unit.parts().containsKey(DrillKind.ADD_A_NOTE)) {
      return some(drill(s, DrillKind.ADD_A_NOTE, Visit.LONGEST_MIN, Said.of("plan.why.new")));
    }
    boolean stretch = s.unit.parts().containsKey(DrillKind.STRETCH) && dose.left(day) > 0;
    if (stretch && !s.drilledToday(DrillKind.STRETCH) && s.visitsToday() == 0) {
      Stage made = drill(s, DrillKind.STRETCH, dose.left(day), Said.of("plan.why.stretch"));
      if (made.plays() > 0) {
        return Optional.of(made);
      }
    }
    boolean rhythms = s.unit.parts().containsKey(DrillKind.RHYTHMS) && s.mayHaveRhythms(day);
    if (asPlanned && s.isStalled() && rhythms && !s.drilledToday(DrillKind.RHYTHMS)) {
      return some(
          drill(s, DrillKind.RHYTHMS, Visit.LONGEST_MIN, Said.of("plan.why.rhythms", s.visits())));
    }
    if (s.visitsToday() > 0) {
      return Optional.empty();
    }
    if (s.breaks().isPresent() && !s.isAtTarget()) {
      DrillKind cure = Cure.of(s.breaks().get()).orElseThrow();
      Said broke = Said.of("broke." + s.breaks().get());
      return some(drill(s, cure, cure.minutes(), Said.of("plan.why.broke", broke)));
    }
    return s.visitsInAll() % 2 == 1 ? turn(s) : Optional.empty();
  }

  private static Optional<Stage> some(Stage made) {
    return Optional.of(made).filter(m -> m.plays() > 0);
  }

  /** What the player wants before straight work, from the first day; once a day. */
  private static Optional<Stage> wished(Standing s, LocalDate day) {
    DrillKind kind =
        switch (s.unit.approach()) {
          case RHYTHMS -> DrillKind.RHYTHMS;
          case ADD_A_NOTE -> DrillKind.ADD_A_NOTE;
          default -> DrillKind.STRAIGHT;
        };
    boolean may =
        kind != DrillKind.STRAIGHT
            && s.unit.parts().containsKey(kind)
            && !s.drilledToday(kind)
            && (kind != DrillKind.RHYTHMS || s.mayHaveRhythms(day));
    return may
        ? some(drill(s, kind, Visit.LONGEST_MIN, Said.of("plan.why.wished")))
        : Optional.empty();
  }

  /** Every other visit begins with a drill: the hand, the bow and the ear take turns. */
  private static Optional<Stage> turn(Standing s) {
    boolean chords = s.unit.parts().containsKey(DrillKind.CHORD_BUILD);
    DrillKind ear = chords ? DrillKind.CHORD_BUILD : DrillKind.CHECKS;
    DrillKind kind = List.of(DrillKind.SHIFT, DrillKind.BOW, ear).get(s.visitsInAll() / 2 % 3);
    String why =
        switch (kind) {
          case SHIFT -> "plan.why.shift";
          case BOW -> "plan.why.bow";
          default -> "plan.why.ear";
        };
    return s.unit.parts().containsKey(kind)
        ? some(drill(s, kind, kind.minutes(), Said.of(why)))
        : Optional.empty();
  }

  private static double mean(Standing s, List<Double> parts, Level level) {
    return parts.stream()
        .mapToDouble(p -> s.ladder.seconds(p, level.perMinute()))
        .average()
        .orElse(0);
  }

  /** Each part once clean, or as much of it as its dose is; without plays where none fits. */
  private static Stage drill(Standing s, DrillKind kind, double dose, Said why) {
    List<Double> parts = s.unit.parts().get(kind);
    Level level = s.open();
    double each = mean(s, parts, level);
    int plays = whole(parts.size() * s.chanceAt(s.closed()).plays(1));
    int fit = minutes(plays, each) <= dose + Visit.EPS ? plays : fitting(each, dose);
    return stage(s, kind, level, fit, each, why);
  }

  // ---- what is known -------------------------------------------------------------------------

  /** One more set at the level closed last: sure before faster; empty where none is closed. */
  static Optional<Stage> again(Standing s, int closed, double most) {
    if (closed == 0) {
      return Optional.empty();
    }
    Level level = s.ladder.levels().get(closed - 1);
    double each = s.ladder.seconds(s.unit.length(), level.perMinute());
    int plays = whole(s.playsAgain(closed - 1));
    return minutes(plays, each) > most + Visit.EPS
        ? Optional.empty()
        : Optional.of(stage(s, DrillKind.STRAIGHT, level, plays, each, Said.of(AGAIN)));
  }

  /** One clean play of what stands at its target. */
  static Optional<Stage> upkeep(Standing s, double most, Said why) {
    Level top = s.ladder.top();
    double each = s.ladder.seconds(s.unit.length(), top.perMinute());
    int plays = whole(s.chanceAt(s.ladder.size() - 1).plays(1));
    int fit = minutes(plays, each) <= most + Visit.EPS ? plays : 1;
    return minutes(fit, each) > most + Visit.EPS
        ? Optional.empty()
        : Optional.of(stage(s, DrillKind.STRAIGHT, top, fit, each, why));
  }

  /** What went well at its first reading, once more at its target. */
  static Optional<Stage> secondReading(Standing s, double most) {
    Level top = s.ladder.top();
    double each = s.ladder.seconds(s.unit.length(), top.perMinute());
    return minutes(1, each) > most + Visit.EPS
        ? Optional.empty()
        : Optional.of(
            stage(s, DrillKind.FIRST_READING, top, 1, each, Said.of("plan.why.read-again")));
  }

  private static Stage stage(
      Standing s, DrillKind drill, Level level, int plays, double each, Said why) {
    return new Stage(s, item(s, drill, level, plays, each, why), false, false);
  }

  private static Item item(
      Standing s, DrillKind drill, Level level, int plays, double each, Said why) {
    return new Item(
        s.unit.kind() == Unit.Kind.JOIN ? Kind.JOIN : Kind.CHUNK,
        s.goal.passageId(),
        s.unit.id(),
        drill,
        level,
        plays,
        minutes(plays, each),
        1,
        0,
        why);
  }
}
