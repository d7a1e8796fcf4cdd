package fret.shelf;

import fret.drill.Chunk;
import fret.drill.Chunker;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.plan.Gate;
import fret.plan.PlanRequest;
import fret.plan.Planner;
import fret.plan.PracticePlan;
import fret.session.BowSpots;
import fret.session.Session;
import fret.tempo.Ladder;
import fret.tempo.Tempo;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * The plan of a passage with what it was made from.
 *
 * @param held ids of chunks that wait because something hurts
 */
public record Planning(
    List<Chunk> chunks, Ladder ladder, PracticePlan plan, Audition audition, Set<String> held) {
  /** How the levels of a ladder are chosen. */
  public enum LadderKind {
    EVEN_STEPS("even steps"),
    METRONOME("metronome numbers");

    private final String displayName;

    LadderKind(String displayName) {
      this.displayName = displayName;
    }

    public String displayName() {
      return displayName;
    }
  }

  /**
   * What the player set.
   *
   * @param ladderStart first level; 0 for half the target
   * @param painLifted id of the newest try at which the player said that nothing hurts any more
   */
  public record Habits(Gate.Settings gate, LadderKind ladder, int ladderStart, long painLifted) {}

  /** Plans an open passage. */
  public static Planning of(
      Session session,
      Optional<Audition> audition,
      List<JournalEntry> journal,
      LocalDate today,
      Habits habits) {
    Audition used =
        audition.orElseGet(
            () ->
                new Audition(
                    0, "No audition set: four weeks", today.plusDays(28), today.plusDays(21), 30));
    List<Chunk> chunks =
        Chunker.chunks(session.resolved(), session.fingering(), session.passage().marks());
    Tempo target = session.passage().settings().target();
    Ladder ladder = ladder((int) Math.round(target.perMinute()), habits);
    Set<String> held = held(session, chunks, journal, habits);
    LocalDate last = used.readyDate().isBefore(today) ? today : used.readyDate();
    PlanRequest request =
        new PlanRequest(
            session.passage().id(),
            session.score(),
            chunks,
            target,
            ladder,
            today,
            last,
            used.minutesPerDay(),
            habits.gate(),
            journal,
            BowSpots.lengths(session, chunks),
            held);
    return new Planning(chunks, ladder, Planner.plan(request), used, held);
  }

  private static Ladder ladder(int target, Habits habits) {
    boolean ownStart = habits.ladderStart() > 0 && habits.ladderStart() < target;
    return habits.ladder() == LadderKind.METRONOME
        ? Ladder.onMetronome(target)
        : ownStart ? Ladder.between(habits.ladderStart(), target) : Ladder.toTarget(target);
  }

  /** After pain the chunk itself waits, and all stretches of the passage with it. */
  private static Set<String> held(
      Session session, List<Chunk> chunks, List<JournalEntry> journal, Habits habits) {
    List<JournalEntry> painful =
        journal.stream()
            .filter(e -> e.passageId() == session.passage().id())
            .filter(e -> e.verdict() == Verdict.HURTS && e.id() > habits.painLifted())
            .toList();
    if (painful.isEmpty()) {
      return Set.of();
    }
    Set<String> held =
        new TreeSet<>(Chunker.withStretch(session.resolved(), session.fingering(), chunks));
    painful.forEach(e -> held.add(e.chunkId()));
    held.retainAll(chunks.stream().map(Chunk::id).toList());
    return held;
  }
}
