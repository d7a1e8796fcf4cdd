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

/**
 * What is done in a row with one unit: at most ten minutes, cut to whole plays.
 *
 * @param standing null for what is no unit, such as a run-through
 */
record Visit(Standing standing, List<Item> items) {
  /** Seconds between two plays, count-in included (common practice, no source). */
  static final double PAUSE_S = 6;

  static final double LONGEST_MIN = 10;
  private static final double SHARE_BEFORE = 0.6;

  Visit {
    items = List.copyOf(items);
  }

  /** The same, its straight work for another reason. */
  Visit because(Said why) {
    return new Visit(
        standing,
        items.stream().map(i -> i.drill() == DrillKind.STRAIGHT ? i.because(why) : i).toList());
  }

  double minutes() {
    double sum = 0;
    for (Item i : items) {
      sum += i.minutes();
    }
    return sum;
  }

  /** Minutes in which the hand stretches. */
  double stretchMinutes() {
    return minutesOf(DrillKind.STRETCH);
  }

  /** Minutes of straight work; what prepares it does not make it less worth. */
  double straightMinutes() {
    return minutesOf(DrillKind.STRAIGHT);
  }

  private double minutesOf(DrillKind kind) {
    double sum = 0;
    for (Item i : items) {
      sum += i.drill() == kind ? i.minutes() : 0;
    }
    return sum;
  }

  /** Minutes of some plays, to a hundredth and never below. */
  static double minutes(double plays, double secondsEach) {
    return Math.ceil(plays * (secondsEach + PAUSE_S) / 60 * 100 - 1e-6) / 100;
  }

  /** Most levels that a unit may close on a day. */
  static int mostLevels(Standing s, LocalDate day, PlanRequest.Climb climb) {
    if (climb == PlanRequest.Climb.WHOLE_LADDER) {
      return s.ladder.size();
    }
    LocalDate end = day.isAfter(s.goal.ready()) ? s.goal.audition() : s.goal.ready();
    long days = Math.max(1, ChronoUnit.DAYS.between(day, end) + 1);
    int left = s.levelsLeft() + s.closedToday();
    return (int) Math.max(1, (left + days - 1) / days);
  }

  /** Work at the open level; empty where the room is too small for a play. */
  static Optional<Visit> climbing(
      Standing s, LocalDate day, double room, int levels, boolean drills, StretchDose dose) {
    double most = Math.min(LONGEST_MIN, room);
    List<Item> items = new ArrayList<>();
    double straight = minutes(1, s.ladder.seconds(s.unit.length(), s.open().perMinute()));
    if (straight > most + 1e-9) {
      return Optional.empty();
    }
    if (drills) {
      before(s, day, Math.min(most * SHARE_BEFORE, most - straight), dose).ifPresent(items::add);
    }
    double left = most - items.stream().mapToDouble(Item::minutes).sum();
    int closed = s.closed();
    double plays = s.visitPlays();
    boolean closes = plays >= s.playsLeft() - 1e-9;
    for (int n = 0; n < levels && closed < s.ladder.size(); n++) {
      Level level = s.ladder.levels().get(closed);
      double each = s.ladder.seconds(s.unit.length(), level.perMinute());
      boolean whole = minutes(plays, each) <= left + 1e-9;
      double cut = whole ? plays : wholePlays(each, left);
      if (cut < 1) {
        break;
      }
      items.add(
          item(
              s,
              DrillKind.STRAIGHT,
              level,
              cut,
              each,
              Said.of("plan.why.level", closed + 1, s.ladder.size())));
      left -= minutes(cut, each);
      if (!whole || !closes) {
        break;
      }
      closed++;
      plays = s.playsAt(closed);
    }
    return items.stream().anyMatch(i -> i.drill() == DrillKind.STRAIGHT)
        ? Optional.of(new Visit(s, items))
        : Optional.empty();
  }

  /** Plays that fit, none of them cut. */
  private static double wholePlays(double secondsEach, double room) {
    double plays = Math.floor((room * 60 + 1e-6) / (secondsEach + PAUSE_S));
    while (plays >= 1 && minutes(plays, secondsEach) > room + 1e-9) {
      plays--;
    }
    return plays;
  }

  /** The drill that comes before straight work today, if any. */
  private static Optional<Item> before(Standing s, LocalDate day, double room, StretchDose dose) {
    Optional<Item> wished = wished(s, day, room);
    if (wished.isPresent()) {
      return wished;
    }
    boolean asPlanned = s.unit.approach() == Approach.AS_PLANNED;
    if (asPlanned && s.isNew() && s.unit.parts().containsKey(DrillKind.ADD_A_NOTE)) {
      return drill(s, DrillKind.ADD_A_NOTE, room, Said.of("plan.why.new"));
    }
    double stretched = Math.min(room, dose.left(day));
    boolean stretch = s.unit.parts().containsKey(DrillKind.STRETCH) && stretched > 0;
    if (stretch && !s.drilledToday(DrillKind.STRETCH) && s.visitsToday() == 0) {
      return drill(s, DrillKind.STRETCH, stretched, Said.of("plan.why.stretch"));
    }
    boolean rhythms = s.unit.parts().containsKey(DrillKind.RHYTHMS) && s.mayHaveRhythms(day);
    if (asPlanned && s.isStalled() && rhythms && !s.drilledToday(DrillKind.RHYTHMS)) {
      return drill(s, DrillKind.RHYTHMS, room, Said.of("plan.why.rhythms", s.visits()));
    }
    if (s.visitsToday() > 0) {
      return Optional.empty();
    }
    if (s.breaks().isPresent() && !s.isAtTarget()) {
      DrillKind cure = Cure.of(s.breaks().get()).orElseThrow();
      Said broke = Said.of("broke." + s.breaks().get());
      return drill(s, cure, Math.min(room, cure.minutes()), Said.of("plan.why.broke", broke));
    }
    return s.visitsInAll() % 2 == 1 ? turn(s, room) : Optional.empty();
  }

  /** What the player wants before straight work, from the first day; once a day. */
  private static Optional<Item> wished(Standing s, LocalDate day, double room) {
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
    return may ? drill(s, kind, room, Said.of("plan.why.wished")) : Optional.empty();
  }

  /** Every other visit begins with a drill: the hand, the bow and the ear take turns. */
  private static Optional<Item> turn(Standing s, double room) {
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
        ? drill(s, kind, Math.min(room, kind.minutes()), Said.of(why))
        : Optional.empty();
  }

  /** Each part once clean, as far as there is room. */
  private static Optional<Item> drill(Standing s, DrillKind kind, double room, Said why) {
    List<Double> parts = s.unit.parts().get(kind);
    Level level = s.open();
    double mean =
        parts.stream().mapToDouble(p -> s.ladder.seconds(p, level.perMinute())).average().orElse(0);
    double plays = parts.size() * s.chanceAt(s.closed()).plays(1);
    if (minutes(plays, mean) > room + 1e-9) {
      plays = wholePlays(mean, room);
    }
    return plays < 1 ? Optional.empty() : Optional.of(item(s, kind, level, plays, mean, why));
  }

  /** Once more at the level closed last: sure before faster. */
  static Optional<Visit> again(Standing s, double room) {
    double each = s.ladder.seconds(s.unit.length(), s.sure().perMinute());
    double plays = s.playsAgain();
    double most = Math.min(LONGEST_MIN, room);
    double cut = minutes(plays, each) <= most + 1e-9 ? plays : wholePlays(each, most);
    return cut < 1
        ? Optional.empty()
        : Optional.of(
            new Visit(
                s,
                List.of(
                    item(s, DrillKind.STRAIGHT, s.sure(), cut, each, Said.of("plan.why.again")))));
  }

  /** One clean play of what stands at its target. */
  static Optional<Visit> upkeep(Standing s, double room, Said why) {
    Level top = s.ladder.top();
    double each = s.ladder.seconds(s.unit.length(), top.perMinute());
    double plays = s.chanceAt(s.ladder.size() - 1).plays(1);
    double cut = minutes(plays, each) <= room + 1e-9 ? plays : 1;
    return minutes(cut, each) > Math.min(LONGEST_MIN, room) + 1e-9
        ? Optional.empty()
        : Optional.of(new Visit(s, List.of(item(s, DrillKind.STRAIGHT, top, cut, each, why))));
  }

  private static Item item(
      Standing s, DrillKind drill, Level level, double plays, double each, Said why) {
    return new Item(
        s.unit.kind() == Unit.Kind.JOIN ? Kind.JOIN : Kind.CHUNK,
        s.goal.passageId(),
        s.unit.id(),
        drill,
        level,
        plays,
        minutes(plays, each),
        1,
        why);
  }
}
