package fret.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fret.drill.Chunk;
import fret.drill.DrillKind;
import fret.drill.Drills;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Progress;
import fret.journal.Verdict;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.LineBuilder;
import fret.score.NoteKey;
import fret.score.Score;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Ladder;
import fret.tempo.Tempo;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.IsoFields;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

class PlanTest {
  private static final LocalDate MONDAY = LocalDate.of(2026, 3, 2);

  private static Score score(int bars) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (int i = 0; i < bars * 16; i++) {
      line.add(Fraction.of(1, 16), Pitch.ofMidi(67 + i % 9, KeySignature.NONE));
    }
    return line.build("runs", Interval.UNISON);
  }

  private static List<Chunk> chunks(int bars) {
    List<Chunk> chunks = new ArrayList<>();
    for (int i = 0; i < bars; i++) {
      String bar = String.valueOf(i + 1);
      chunks.add(chunk("bars-" + bar, bar, Fraction.of(i), Fraction.of(i + 1), 16));
    }
    return chunks;
  }

  private static PlanRequest request(int bars, int days, int minutes, List<JournalEntry> journal) {
    return new PlanRequest(
        1,
        score(bars),
        chunks(bars),
        new Tempo(Beat.QUARTER, 100),
        Ladder.toTarget(100),
        MONDAY,
        MONDAY.plusDays(days),
        minutes,
        Gate.Settings.USUAL,
        journal,
        java.util.Map.of(),
        java.util.Set.of());
  }

  // common practice, no source
  @Test
  void readyThreeWeeksBeforeOrAQuarterOfTheDaysWhenNear() {
    assertThat(ReadyDate.of(MONDAY, MONDAY.plusDays(84))).isEqualTo(MONDAY.plusDays(63));
    assertThat(ReadyDate.of(MONDAY, MONDAY.plusDays(83))).isEqualTo(MONDAY.plusDays(83 - 20));
    assertThat(ReadyDate.of(MONDAY, MONDAY.plusDays(3))).isEqualTo(MONDAY.plusDays(3));
  }

  @Test
  void daysStayWithinTheirMinutesAndRhythmsWithinThreeDaysAWeek() {
    PracticePlan plan = Planner.plan(request(6, 20, 20, List.of()));
    assertThat(plan.feasible()).isTrue();
    assertThat(plan.days())
        .hasSize(21)
        .allMatch(
            d -> d.items().stream().mapToDouble(PracticePlan.Item::minutes).sum() <= 20 + 1e-9);
    Map<Integer, Long> rhythmDays =
        plan.days().stream()
            .filter(d -> d.items().stream().anyMatch(i -> i.drill() == DrillKind.RHYTHMS))
            .collect(
                Collectors.groupingBy(
                    d -> d.date().get(IsoFields.WEEK_OF_WEEK_BASED_YEAR), Collectors.counting()));
    assertThat(rhythmDays).isNotEmpty();
    assertThat(rhythmDays.values()).allMatch(n -> n <= 3);
    assertThat(plan).isEqualTo(Planner.plan(request(6, 20, 20, List.of())));
    assertThat(MONDAY.getDayOfWeek()).isEqualTo(DayOfWeek.MONDAY);
  }

  @Test
  void levelsOfAChunkOnlyRise() {
    PracticePlan plan = Planner.plan(request(3, 14, 15, List.of()));
    List<Integer> tempos =
        plan.days().stream()
            .flatMap(d -> d.items().stream())
            .filter(i -> i.chunk().equals("bars-1"))
            .map(PracticePlan.Item::perMinute)
            .toList();
    assertThat(tempos).isEqualTo(Ladder.toTarget(100).levels());
  }

  @Test
  void withDaysEnoughEachLevelIsMadeSureBeforeTheNext() {
    PracticePlan plan = Planner.plan(request(2, 40, 25, List.of()));
    List<Integer> tempos =
        plan.days().stream()
            .flatMap(d -> d.items().stream())
            .filter(i -> i.chunk().equals("bars-1"))
            .map(PracticePlan.Item::perMinute)
            .toList();
    List<Integer> thrice =
        Ladder.toTarget(100).levels().stream().flatMap(l -> List.of(l, l, l).stream()).toList();
    assertThat(tempos).isEqualTo(thrice);
    assertThat(plan.feasible()).isTrue();
  }

  @Test
  void whatHurtWaitsAndIsToldWhileTheRestGoesOn() {
    PlanRequest all = request(3, 20, 20, List.of());
    PlanRequest held =
        new PlanRequest(
            1,
            all.score(),
            all.chunks(),
            all.target(),
            all.ladder(),
            all.from(),
            all.readyDate(),
            20,
            all.gate(),
            List.of(),
            java.util.Map.of(),
            java.util.Set.of("bars-2"));
    PracticePlan plan = Planner.plan(held);
    assertThat(plan.days().stream().flatMap(d -> d.items().stream()))
        .noneMatch(i -> i.chunk().equals("bars-2"))
        .anyMatch(i -> i.chunk().equals("bars-1"));
    assertThat(plan.feasible()).isTrue();
    assertThat(plan.advice()).contains("1 chunk waits");
  }

  @Test
  void saysHonestlyWhenItDoesNotFitAndWhatWould() {
    PracticePlan tight = Planner.plan(request(20, 10, 5, List.of()));
    assertThat(tight.feasible()).isFalse();
    assertThat(tight.advice()).containsPattern("\\d+ minutes a day would do");
    int enough =
        Integer.parseInt(tight.advice().replaceAll(".* (\\d+) minutes a day would do.*", "$1"));
    assertThat(Planner.plan(request(20, 10, enough, List.of())).feasible()).isTrue();
    assertThat(Planner.plan(request(2, 1, 60, List.of())).advice()).contains("ready on");
  }

  private static JournalEntry entry(int perMinute, Verdict verdict) {
    return new JournalEntry(
        0, 1, MONDAY, "bars-1", DrillKind.STRAIGHT, perMinute, 30, verdict, Breakage.NONE, "");
  }

  @Test
  void theJournalMovesTomorrow() {
    List<JournalEntry> journal =
        List.of(entry(50, Verdict.CLEAN), entry(50, Verdict.CLEAN), entry(50, Verdict.CLEAN));
    PracticePlan plan = Planner.plan(request(1, 10, 20, journal));
    assertThat(plan.days().get(0).items().get(0).perMinute()).isEqualTo(60);
    assertThat(Progress.of(journal.subList(0, 2), 1, "bars-1", 3).closedTempo()).isEmpty();
    List<JournalEntry> broken = new ArrayList<>(journal);
    broken.add(entry(50, Verdict.MISSED));
    assertThat(Progress.of(broken, 1, "bars-1", 3).closedTempo()).isEmpty();
  }

  @Test
  void theGateMovesUpAfterCleanTriesAndBackAfterAMiss() {
    Gate gate = Gate.at(Ladder.toTarget(100), Gate.Settings.USUAL, 60);
    Gate up = gate.after(Verdict.CLEAN).after(Verdict.CLEAN).after(Verdict.CLEAN);
    assertThat(up.perMinute()).isEqualTo(70);
    assertThat(gate.after(Verdict.CLEAN).after(Verdict.NEARLY).cleanInRow()).isZero();
    assertThat(up.after(Verdict.MISSED).perMinute()).isEqualTo(60);
    assertThat(
            Gate.at(up.ladder(), new Gate.Settings(3, false), 70).after(Verdict.MISSED).perMinute())
        .isEqualTo(70);
    assertThat(gate.after(Verdict.HURTS).stopped()).isTrue();
  }

  /** common practice, no source: four notes take 8, 8, 6 and 6 sixteenths. */
  @Test
  void rhythmDrillsHaveTheirLengths() {
    Chunk four = chunk("x", "1", Fraction.ZERO, Fraction.of(1, 4), 4);
    Score drill = Drills.notation(score(1), four, DrillKind.RHYTHMS);
    List<Fraction> sounding =
        drill.events().stream()
            .filter(e -> !e.isRest())
            .map(e -> e.duration().multiply(16))
            .toList();
    int[] sums = new int[4];
    for (int i = 0; i < 16; i++) {
      sums[i / 4] += sounding.get(i).intValue();
    }
    assertThat(sums).containsExactly(8, 8, 6, 6);
    assertThat(drill.bars()).allMatch(b -> b.length().equals(b.time().barLength()));
  }

  @Test
  void addingNotesBuildsUp() {
    Chunk four = chunk("x", "1", Fraction.ZERO, Fraction.of(1, 4), 4);
    Score drill = Drills.notation(score(1), four, DrillKind.ADD_A_NOTE);
    assertThat(drill.events().stream().filter(e -> !e.isRest()).count()).isEqualTo(2 + 3 + 4);
  }

  private static Chunk chunk(String id, String bar, Fraction from, Fraction to, int notes) {
    NoteKey key = new NoteKey(0, "1", from, 0, Pitch.parse("A4"));
    return new Chunk(id, Chunk.Kind.BARS, key, key, bar, bar, from, to, notes, "");
  }

  /** A chunk that is hard for the bow has its drill of the bow; another has none. */
  @Test
  void whatIsHardForTheBowHasItsDrillInThePlan() {
    PlanRequest plain = request(2, 21, 30, List.of());
    PlanRequest hard =
        new PlanRequest(
            1,
            plain.score(),
            plain.chunks(),
            plain.target(),
            plain.ladder(),
            plain.from(),
            plain.readyDate(),
            plain.minutesPerDay(),
            plain.gate(),
            List.of(),
            java.util.Map.of("bars-1", 2.0),
            java.util.Set.of());
    List<PracticePlan.Item> items =
        Planner.plan(hard).days().stream()
            .flatMap(d -> d.items().stream())
            .filter(i -> i.drill() == DrillKind.BOW)
            .toList();
    assertThat(items).isNotEmpty().allMatch(i -> i.chunk().equals("bars-1"));
    assertThat(Planner.plan(plain).days().stream().flatMap(d -> d.items().stream()))
        .noneMatch(i -> i.drill() == DrillKind.BOW);
  }
}
