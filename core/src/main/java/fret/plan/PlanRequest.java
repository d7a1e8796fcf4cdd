package fret.plan;

import fret.journal.JournalEntry;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;

/**
 * What a plan is made from.
 *
 * @param goals every passage with a date, in the player's order
 * @param from first day
 * @param journal what was done so far, oldest first; tries of the first day count from the second
 * @param moves what the player put on other days
 */
public record PlanRequest(
    List<Goal> goals,
    Budget budget,
    LocalDate from,
    Rules rules,
    List<JournalEntry> journal,
    List<Move> moves) {
  /**
   * How the player climbs.
   *
   * @param climb how many levels a chunk may close on a day
   * @param sessions most sessions a day, 1 to 4
   * @param easing what is eased because something hurts
   * @param mostPlays most straight plays of a chunk in a visit, 3 or more; 0 where there is no most
   * @param warmUp whether a day begins with one
   */
  public record Rules(
      Gate.Settings gate, Climb climb, int sessions, Easing easing, int mostPlays, boolean warmUp) {
    public static final Rules USUAL = new Rules(Gate.Settings.USUAL, Climb.LEVEL_A_DAY, 2);

    /** Where nothing hurts. */
    public Rules(Gate.Settings gate, Climb climb, int sessions) {
      this(gate, climb, sessions, Easing.NONE);
    }

    /** As many plays as are expected, after a warm-up. */
    public Rules(Gate.Settings gate, Climb climb, int sessions, Easing easing) {
      this(gate, climb, sessions, easing, 0, true);
    }

    /** The same where other things hurt. */
    public Rules with(Easing other) {
      return new Rules(gate, climb, sessions, other, mostPlays, warmUp);
    }

    public Rules {
      Objects.requireNonNull(easing);
      Objects.requireNonNull(gate);
      Objects.requireNonNull(climb);
      if (mostPlays != 0 && mostPlays < Stages.FEWEST_PLAYS) {
        throw new IllegalArgumentException(mostPlays + " plays a visit are fewer than 3");
      }
      if (sessions < 1 || sessions > 4) {
        throw new IllegalArgumentException(sessions + " sessions a day are outside 1 to 4");
      }
    }
  }

  /** How fast the ladder is climbed. */
  public enum Climb {
    /** One level a day; more only where the days left are fewer than the levels. */
    LEVEL_A_DAY,
    /** As many levels as a visit holds. */
    WHOLE_LADDER
  }

  public PlanRequest {
    goals = List.copyOf(goals);
    journal = List.copyOf(journal);
    moves = List.copyOf(moves);
    Objects.requireNonNull(budget);
    Objects.requireNonNull(rules);
  }

  /** Whether something hurts on the first day: then more is no answer. */
  boolean isEased() {
    return rules.easing().on(from) < 1;
  }

  PlanRequest with(Budget other) {
    return new PlanRequest(goals, other, from, rules, journal, moves);
  }

  PlanRequest with(Rules other) {
    return new PlanRequest(goals, budget, from, other, journal, moves);
  }

  PlanRequest with(List<Goal> other) {
    return new PlanRequest(other, budget, from, rules, journal, moves);
  }
}
