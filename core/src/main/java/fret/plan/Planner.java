package fret.plan;

import fret.drill.Chunk;
import fret.drill.DrillKind;
import fret.drill.Drills;
import fret.journal.Progress;
import fret.tempo.Ladder;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * Spreads the climb of every chunk over the days. Deterministic.
 *
 * <p>Each day the chunks that have climbed least come first. An item is one chunk at one level: the
 * clean tries that close it, one try in three lost, and a pause of a few seconds between tries. A
 * chunk climbs at most one level a day; where there are days enough it stays on each level for two
 * or three days, so that it is sure before it is faster. Rhythm drills take the place of the first
 * straight item of a chunk on at most three days a week; a chunk's first day starts by adding
 * notes.
 */
public final class Planner {
  /** Id of a run-through of the whole passage. */
  public static final String WHOLE = "whole";

  private static final DateTimeFormatter DATE =
      DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);
  private static final int LEVELS_A_DAY = 1;
  private static final int SLOWEST_PACE = 3;
  private static final double SHARE_FOR_CLIMBING = 0.75;
  private static final Set<DayOfWeek> RHYTHM_DAYS =
      Set.of(DayOfWeek.MONDAY, DayOfWeek.WEDNESDAY, DayOfWeek.FRIDAY);
  private static final double PAUSE_S = 6;
  private static final double LOST_TRIES = 1.5;

  private final PlanRequest request;
  private final Ladder ladder;
  private final int daysPerLevel;
  private final Map<String, Integer> level = new HashMap<>();
  private final Map<String, Integer> daysOnLevel = new HashMap<>();
  private final Map<String, Map<DrillKind, Double>> wholeNotes = new HashMap<>();

  private Planner(PlanRequest request, int daysPerLevel) {
    this.request = request;
    this.daysPerLevel = daysPerLevel;
    this.ladder = request.ladder();
    for (Chunk chunk : request.chunks()) {
      Progress progress =
          Progress.of(
              request.journal(), request.passageId(), chunk.id(), request.gate().cleanNeeded());
      int closed = progress.closedTempo().orElse(0);
      level.put(chunk.id(), (int) ladder.levels().stream().filter(l -> l <= closed).count());
      Map<DrillKind, Double> lengths = new EnumMap<>(DrillKind.class);
      for (DrillKind kind : DrillKind.OF_CHUNKS) {
        lengths.put(kind, Drills.length(request.score(), chunk, kind).doubleValue());
      }
      if (request.bowDrills().containsKey(chunk.id())) {
        lengths.put(DrillKind.BOW, request.bowDrills().get(chunk.id()));
      }
      wholeNotes.put(chunk.id(), lengths);
    }
  }

  /** Makes the plan. */
  public static PracticePlan plan(PlanRequest request) {
    PracticePlan plan = atPace(request);
    return plan.feasible() ? plan : new PracticePlan(plan.days(), false, remedy(request));
  }

  /** The plan at the most patient pace that fits. */
  private static PracticePlan atPace(PlanRequest request) {
    long days = ChronoUnit.DAYS.between(request.from(), request.readyDate()) + 1;
    int patient = (int) (SHARE_FOR_CLIMBING * days / Math.max(1, request.ladder().levels().size()));
    for (int pace = Math.min(SLOWEST_PACE, patient); pace > 1; pace--) {
      PracticePlan plan = new Planner(request, pace).run();
      if (plan.feasible()) {
        return plan;
      }
    }
    return new Planner(request, 1).run();
  }

  private PracticePlan run() {
    List<PracticePlan.Day> days = new ArrayList<>();
    for (LocalDate date = request.from();
        !date.isAfter(request.readyDate());
        date = date.plusDays(1)) {
      days.add(day(date));
    }
    boolean feasible =
        request.chunks().stream()
            .filter(c -> !request.held().contains(c.id()))
            .allMatch(c -> level.get(c.id()) >= ladder.levels().size());
    LocalDate last =
        days.stream()
            .filter(d -> d.items().stream().anyMatch(i -> !i.chunk().equals(WHOLE)))
            .map(PracticePlan.Day::date)
            .reduce((a, b) -> b)
            .orElse(request.from());
    long spare = ChronoUnit.DAYS.between(last, request.readyDate());
    String advice =
        "Every chunk reaches "
            + ladder.target()
            + " by "
            + DATE.format(last)
            + (spare > 0
                ? ", " + spare + (spare == 1 ? " day" : " days") + " before the ready date."
                : ", the ready date.")
            + waiting();
    return new PracticePlan(days, feasible, advice);
  }

  private String waiting() {
    int count = request.held().size();
    return count == 0
        ? ""
        : " "
            + count
            + (count == 1 ? " chunk waits" : " chunks wait")
            + " until you say that nothing hurts any more.";
  }

  private PracticePlan.Day day(LocalDate date) {
    List<PracticePlan.Item> items = new ArrayList<>();
    double left = request.minutesPerDay();
    boolean rhythms = RHYTHM_DAYS.contains(date.getDayOfWeek());
    Map<String, Integer> today = new HashMap<>();
    boolean placed = true;
    while (placed) {
      placed = false;
      for (Chunk chunk : byNeed(today)) {
        PracticePlan.Item item = item(chunk, rhythms, today.getOrDefault(chunk.id(), 0));
        if (item.minutes() <= left) {
          items.add(item);
          left -= item.minutes();
          today.merge(chunk.id(), 1, Integer::sum);
          climb(chunk.id());
          placed = true;
          break;
        }
      }
    }
    if (level.values().stream().allMatch(l -> l >= ladder.levels().size())) {
      addRunThroughs(items, left);
    }
    double minutes = items.stream().mapToDouble(PracticePlan.Item::minutes).sum();
    return new PracticePlan.Day(date, (int) Math.ceil(minutes - 1e-9), items);
  }

  private void climb(String chunk) {
    if (daysOnLevel.merge(chunk, 1, Integer::sum) >= daysPerLevel) {
      level.merge(chunk, 1, Integer::sum);
      daysOnLevel.put(chunk, 0);
    }
  }

  private List<Chunk> byNeed(Map<String, Integer> today) {
    return request.chunks().stream()
        .filter(c -> !request.held().contains(c.id()))
        .filter(c -> level.get(c.id()) < ladder.levels().size())
        .filter(c -> today.getOrDefault(c.id(), 0) < LEVELS_A_DAY)
        .sorted(
            Comparator.<Chunk>comparingInt(c -> level.get(c.id())).thenComparing(c -> !c.isSpot()))
        .toList();
  }

  private PracticePlan.Item item(Chunk chunk, boolean rhythms, int doneToday) {
    int at = level.get(chunk.id());
    int perMinute = ladder.levels().get(at);
    DrillKind kind = DrillKind.STRAIGHT;
    String why = "level " + (at + 1) + " of " + ladder.levels().size();
    int before = daysOnLevel.getOrDefault(chunk.id(), 0);
    if (before > 0) {
      why = "again on level " + (at + 1) + ": sure before faster";
    }
    if (doneToday == 0 && at == 0 && before == 0) {
      kind = DrillKind.ADD_A_NOTE;
      why = "a new chunk is built note by note";
    } else if (doneToday == 0 && rhythms) {
      kind = DrillKind.RHYTHMS;
      why = "rhythms today, at most three days a week";
    } else if (doneToday == 0
        && before == 1
        && wholeNotes.get(chunk.id()).containsKey(DrillKind.BOW)) {
      kind = DrillKind.BOW;
      why = "what the bow has to learn here";
    }
    return new PracticePlan.Item(chunk.id(), kind, perMinute, minutes(chunk, kind, perMinute), why);
  }

  /** Minutes to close a level: tries times notated length at the tempo, with a pause after each. */
  private double minutes(Chunk chunk, DrillKind kind, int perMinute) {
    double wholeMs = request.target().at(perMinute).wholeNoteMs();
    double tries =
        kind == DrillKind.STRAIGHT ? request.gate().cleanNeeded() * LOST_TRIES : LOST_TRIES;
    double seconds = tries * (wholeNotes.get(chunk.id()).get(kind) * wholeMs / 1000 + PAUSE_S);
    return Math.max(0.5, Math.round(seconds / 6) / 10.0);
  }

  private void addRunThroughs(List<PracticePlan.Item> items, double left) {
    double wholeNotesAll =
        request.score().end().subtract(request.score().bars().get(0).start()).doubleValue();
    double each =
        Math.max(
            0.5,
            Math.round((wholeNotesAll * request.target().wholeNoteMs() / 1000 + 30) / 6) / 10.0);
    for (int i = 0; i < 2 && each <= left; i++) {
      items.add(
          new PracticePlan.Item(
              WHOLE,
              DrillKind.STRAIGHT,
              ladder.target(),
              each,
              "a run-through from beginning to end"));
      left -= each;
    }
  }

  /** Says what would make it fit: more minutes, or a later date. */
  private static String remedy(PlanRequest request) {
    StringBuilder text =
        new StringBuilder("It does not fit by ")
            .append(request.readyDate())
            .append(" with ")
            .append(request.minutesPerDay())
            .append(" minutes a day. ")
            .append(new Planner(request, 1).waiting().trim())
            .append(request.held().isEmpty() ? "" : " ");
    for (int minutes = request.minutesPerDay() + 5; minutes <= 240; minutes += 5) {
      if (new Planner(request.withMinutes(minutes), 1).run().feasible()) {
        return text.append(minutes).append(" minutes a day would do.").toString();
      }
    }
    for (int days = 1; days <= 180; days++) {
      LocalDate later = request.readyDate().plusDays(days);
      if (new Planner(request.until(later), 1).run().feasible()) {
        return text.append(
                "More minutes alone do not help, as a chunk climbs one level a day: it would be ready on ")
            .append(DATE.format(later))
            .append('.')
            .toString();
      }
    }
    return text.append("Ask for fewer bars, or a slower target.").toString();
  }
}
