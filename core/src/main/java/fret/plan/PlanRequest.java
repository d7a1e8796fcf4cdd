package fret.plan;

import fret.drill.Chunk;
import fret.journal.JournalEntry;
import fret.score.Score;
import fret.tempo.Ladder;
import fret.tempo.Tempo;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What a plan is made from.
 *
 * @param target target tempo; the ladder counts its beat
 * @param readyDate last day of the plan
 * @param minutesPerDay 5 to 600
 * @param journal what was done so far, oldest first
 * @param bowDrills notated length in whole notes of a chunk's drill of the bow, by its id; chunks
 *     without one are left out
 * @param held ids of chunks that wait: they hurt, or stretch while something hurts
 */
public record PlanRequest(
    long passageId,
    Score score,
    List<Chunk> chunks,
    Tempo target,
    Ladder ladder,
    LocalDate from,
    LocalDate readyDate,
    int minutesPerDay,
    Gate.Settings gate,
    List<JournalEntry> journal,
    Map<String, Double> bowDrills,
    Set<String> held) {
  public PlanRequest {
    bowDrills = Map.copyOf(bowDrills);
    held = Set.copyOf(held);
    chunks = List.copyOf(chunks);
    journal = List.copyOf(journal);
    if (minutesPerDay < 5 || minutesPerDay > 600) {
      throw new IllegalArgumentException(minutesPerDay + " minutes a day are outside 5 to 600");
    }
  }

  PlanRequest withMinutes(int minutes) {
    return new PlanRequest(
        passageId, score, chunks, target, ladder, from, readyDate, minutes, gate, journal,
        bowDrills, held);
  }

  PlanRequest until(LocalDate ready) {
    return new PlanRequest(
        passageId,
        score,
        chunks,
        target,
        ladder,
        from,
        ready,
        minutesPerDay,
        gate,
        journal,
        bowDrills,
        held);
  }
}
