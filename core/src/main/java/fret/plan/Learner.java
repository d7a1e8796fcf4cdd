package fret.plan;

import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.search.Token;
import fret.tempo.Beat;
import fret.tempo.Ladder;
import fret.tempo.Level;
import fret.tempo.Tempo;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;

/**
 * A simulated player who follows the plan day by day. How a chunk grows with its plays is one of
 * several laws; every player has bad days, forgets over gaps, and finds chunks unlike each other.
 */
final class Learner {
  /** How the tempo that a chunk bears grows with its plays. */
  enum Law {
    POWER,
    EXPONENTIAL,
    /** Ever slower towards a ceiling that may lie below the target. */
    CEILING,
    /** The power law with stretches in which nothing grows. */
    PLATEAUS,
    /** Nothing for a while, then a step: never looked at when the band was made. */
    STEPS
  }

  private static final double TARGET = 120;
  private static final double SPREAD = 0.035;

  /** One chunk as this player learns it. */
  private static final class Growth {
    double start;
    double rate;
    double ceiling;
    double plays;
    List<Double> plateaus = new ArrayList<>();
    LocalDate last;
  }

  private final Random random;
  private final Law law;
  private final Map<String, Growth> growths = new HashMap<>();
  private final List<JournalEntry> journal = new ArrayList<>();
  private final Goal goal;
  private final int minutes;
  private final double restDays;

  Learner(Law law, long seed, LocalDate from) {
    this.law = law;
    this.random = new Random(seed * 31 + law.ordinal());
    this.minutes = 12 + random.nextInt(18);
    this.restDays = 0.05 + random.nextDouble() * 0.25;
    int chunks = 6 + random.nextInt(12);
    List<Unit> units = new ArrayList<>();
    for (int i = 0; i < chunks; i++) {
      double length = 2 + random.nextInt(3);
      String id = "u" + i;
      units.add(
          new Unit(
              id,
              Unit.Kind.CHUNK,
              Set.of(id),
              Map.of(DrillKind.STRAIGHT, List.of(length)),
              0.7 + 0.6 * random.nextDouble(),
              LocalDate.MIN));
      growths.put(id, growth());
    }
    this.goal =
        new Goal(
            Goal.Id.of(1),
            1,
            from.plusDays(150),
            from.plusDays(170),
            new Tempo(Beat.QUARTER, TARGET),
            Ladder.toTarget((int) TARGET),
            units,
            chunks * 3,
            0);
  }

  private Growth growth() {
    Growth g = new Growth();
    g.start = TARGET * (0.42 + 0.22 * random.nextDouble());
    g.rate =
        switch (law) {
          case POWER, PLATEAUS -> 0.17 + 0.12 * random.nextDouble();
          case EXPONENTIAL -> 30 + 50 * random.nextDouble();
          case CEILING -> 15 + 25 * random.nextDouble();
          case STEPS -> 6 + 8 * random.nextDouble();
        };
    g.ceiling =
        TARGET
            * (law == Law.CEILING
                ? 1.15 + 0.3 * random.nextDouble()
                : 1.15 + 0.3 * random.nextDouble());
    for (double at = 25 + random.nextInt(40); at < 400; at += 40 + random.nextInt(60)) {
      g.plateaus.add(at);
    }
    return g;
  }

  /** The tempo that a chunk bears after its plays. */
  private double bears(Growth g) {
    double n = g.plays;
    return switch (law) {
      case POWER -> g.start * Math.pow(1 + n / 6, g.rate);
      case EXPONENTIAL -> g.ceiling - (g.ceiling - g.start) * Math.exp(-n / g.rate);
      case CEILING -> g.start + (g.ceiling - g.start) * n / (n + g.rate);
      case PLATEAUS -> g.start * Math.pow(1 + moved(g, n) / 6, g.rate * 1.25);
      case STEPS -> g.start * (1 + 0.14 * steps(g, n));
    };
  }

  /** Steps taken so far; each next one asks for more plays than the one before. */
  private static int steps(Growth g, double n) {
    int steps = 0;
    double at = g.rate;
    while (at <= n) {
      steps++;
      at += g.rate * (1 + 0.6 * steps);
    }
    return steps;
  }

  /** Plays that counted: a plateau of fifteen plays adds nothing. */
  private static double moved(Growth g, double n) {
    double lost = 0;
    for (double at : g.plateaus) {
      lost += Math.max(0, Math.min(15, n - at));
    }
    return n - lost;
  }

  List<JournalEntry> journal() {
    return journal;
  }

  PlanRequest request(LocalDate day) {
    return new PlanRequest(
        List.of(goal), Budget.of(minutes), day, PlanRequest.Rules.USUAL, journal, List.of());
  }

  /** A day of practice as planned that morning; some days are left out. */
  void practise(LocalDate day) {
    if (random.nextDouble() < restDays) {
      return;
    }
    double form = 1 + 0.04 * random.nextGaussian();
    for (PracticePlan.Item i : Planner.first(request(day)).items()) {
      if (Part.of(i.unit()).isReading()) {
        read(i, day, form);
      } else if (i.kind() == PracticePlan.Kind.CHUNK && i.drill() != DrillKind.WARM_UP) {
        play(i, day, form);
      }
    }
  }

  /** A section of a first reading: each chunk in it once, judged by itself. */
  private void read(PracticePlan.Item item, LocalDate day, double form) {
    Part part = Part.of(item.unit());
    List<Unit> all = goal.units();
    journal.add(entry(item.unit(), item, day, Verdict.CLEAN));
    for (int i = 0; i < all.size(); i++) {
      if (i * part.of() / all.size() == part.part() - 1) {
        Growth g = growths.get(all.get(i).id());
        boolean clean = random.nextDouble() < chance(item.level(), g, form);
        Verdict v = clean ? Verdict.CLEAN : Verdict.NEARLY;
        journal.add(entry(all.get(i).id(), item, day, v));
        g.plays++;
        g.last = day;
      }
    }
  }

  private double chance(Level level, Growth g, double form) {
    return 0.97 / (1 + Math.exp((level.perMinute() / (bears(g) * form) - 1.04) / SPREAD));
  }

  private static JournalEntry entry(
      String unit, PracticePlan.Item item, LocalDate day, Verdict verdict) {
    return new JournalEntry(
        0,
        1,
        day,
        unit,
        item.drill(),
        item.level().perMinute(),
        item.level().clicks(),
        20,
        verdict,
        Breakage.NONE,
        "");
  }

  private void play(PracticePlan.Item item, LocalDate day, double form) {
    Growth g = growths.get(item.unit());
    int gap = g.last == null ? 0 : (int) ChronoUnit.DAYS.between(g.last, day);
    double forgotten = 1 - Math.min(0.07, 0.012 * Math.max(0, gap - 1));
    Level level = item.level();
    int row = 0;
    int plays = Math.max(1, item.plays());
    for (int i = 0; i < plays && row < 3; i++) {
      boolean clean = random.nextDouble() < chance(level, g, form * forgotten);
      row = clean ? row + 1 : 0;
      journal.add(entry(item.unit(), item, day, clean ? Verdict.CLEAN : Verdict.NEARLY));
      g.plays++;
      forgotten = Math.min(1, forgotten + 0.01);
    }
    g.last = day;
  }

  /** Whether the slowest chunk has closed its last level. */
  boolean isReady() {
    return goal.units().stream()
        .allMatch(
            u -> fret.journal.Progress.of(journal, 1, u.ids(), goal.ladder(), 3).isAtTarget());
  }

  long daysPractised() {
    return journal.stream().map(JournalEntry::date).distinct().count();
  }

  /** Share of all levels that is closed. */
  double closedShare() {
    double sum = 0;
    for (Unit u : goal.units()) {
      sum += fret.journal.Progress.of(journal, 1, u.ids(), goal.ladder(), 3).closed();
    }
    return sum / goal.units().size() / goal.ladder().size();
  }

  /** The forecast on a morning; empty where it is too early to tell. */
  Optional<Forecast> forecast(LocalDate day) {
    return Optional.ofNullable(Forecast.of(new AtPace(request(day), Token.NEVER)).get(goal.id()));
  }
}
