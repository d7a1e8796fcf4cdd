package fret.care;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Objects;
import java.util.Set;

/**
 * How far one part of the body has come since it hurt. While it hurts it waits; then come days of
 * light work, days without what loads it much, and at last everything. Each step takes as many days
 * without pain as it hurt (common practice, no source).
 *
 * @param much the most of what was said
 * @param last day on which it hurt or was said to hurt still
 * @param again whether it hurt twice within a week: it rests for one
 * @param good days since then on which the player said that nothing hurt
 * @param today the day that it is looked at
 * @param where tries that hurt it, as passage and chunk
 */
public record Recovery(
    BodyPart part,
    HowMuch much,
    LocalDate last,
    boolean again,
    int good,
    LocalDate today,
    Set<Where> where) {
  /** What was played when it hurt. */
  public record Where(long passageId, String chunkId) {}

  /** What is done again. */
  public enum Step {
    WAITS(0),
    LIGHT(1.0 / 3),
    MORE(2.0 / 3),
    ALL(1);

    private final double share;

    Step(double share) {
      this.share = share;
    }

    /** How much of the day's minutes may be practised. */
    public double share() {
      return share;
    }
  }

  /** Days of rest after it hurt twice within a week (common practice, no source). */
  static final int REST_DAYS = 7;

  public Recovery {
    Objects.requireNonNull(part);
    Objects.requireNonNull(much);
    where = Set.copyOf(where);
  }

  /** The step of today: no further than the player's answers. */
  public Step step() {
    return step(good);
  }

  private Step step(int days) {
    return days <= 0
        ? Step.WAITS
        : days <= much.days() ? Step.LIGHT : days <= 2 * much.days() ? Step.MORE : Step.ALL;
  }

  /** The step of a later day, if from tomorrow on nothing hurts: the earliest that there can be. */
  public Step on(LocalDate day) {
    if (!day.isAfter(today)) {
      return step();
    }
    LocalDate rested = again ? last.plusDays(REST_DAYS - 1) : today;
    LocalDate from = rested.isAfter(today) ? rested : today;
    return step(good + (int) Math.max(0, ChronoUnit.DAYS.between(from, day)));
  }

  /** Whether it rests whatever is said meanwhile. */
  public boolean isResting() {
    return again && today.isBefore(last.plusDays(REST_DAYS));
  }

  /** Whether everything is played again. */
  public boolean isOver() {
    return step() == Step.ALL;
  }

  /** The first day on which something may be practised that loads it so much. */
  public LocalDate opens(int load) {
    Step needed = load >= Strain.MUCH ? Step.ALL : load == Strain.SOME ? Step.MORE : Step.WAITS;
    LocalDate day = today;
    while (on(day).compareTo(needed) < 0) {
      day = day.plusDays(1);
    }
    return day;
  }
}
