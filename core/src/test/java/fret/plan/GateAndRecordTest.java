package fret.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Progress;
import fret.journal.Verdict;
import fret.tempo.Ladder;
import fret.tempo.Level;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Moving up and down the ladder, what the record proves, and when to be ready. */
class GateAndRecordTest {
  private static final Ladder LADDER = Ladder.toTarget(120);

  private static Gate at(int perMinute) {
    return Gate.at(LADDER, Gate.Settings.USUAL, Level.at(perMinute));
  }

  private static Gate play(Gate gate, String verdicts) {
    Gate now = gate;
    for (char c : verdicts.toCharArray()) {
      now =
          now.after(
              switch (c) {
                case 'c' -> Verdict.CLEAN;
                case 'n' -> Verdict.NEARLY;
                case 'm' -> Verdict.MISSED;
                default -> Verdict.HURTS;
              });
    }
    return now;
  }

  /** 60 to 120 by 10; three clean tries in a row move up (common practice, a setting). */
  @ParameterizedTest
  @CsvSource({
    "c, 80, 1",
    "cc, 80, 2",
    "ccc, 90, 0",
    "ccn, 80, 0",
    "ccncc, 80, 2",
    "m, 70, 0",
    "ccm, 70, 0",
    "cccccc, 100, 0",
  })
  void cleanTriesMoveUpAndAMissGoesDown(String verdicts, int tempo, int row) {
    Gate gate = play(at(80), verdicts);
    assertThat(gate.perMinute()).isEqualTo(tempo);
    assertThat(gate.cleanInRow()).isEqualTo(row);
    assertThat(gate.stopped()).isFalse();
  }

  @Test
  void habitsPainAndTheTop() {
    Gate.Settings patient = new Gate.Settings(2, false);
    assertThat(play(Gate.at(LADDER, patient, Level.at(80)), "m").perMinute()).isEqualTo(80);
    assertThat(play(Gate.at(LADDER, patient, Level.at(80)), "cc").perMinute()).isEqualTo(90);
    assertThat(play(Gate.at(LADDER, patient, Level.at(80)), "h").stopped()).isTrue();
    assertThat(play(Gate.at(LADDER, patient, Level.at(120)), "cc").stopped())
        .as("the top is closed")
        .isTrue();
    assertThat(play(at(60), "m").perMinute())
        .as("nothing lies below the first level")
        .isEqualTo(60);
    assertThatThrownBy(() -> new Gate.Settings(0, true))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void changedHabitsCountFromTheNextTryOn() {
    Gate two = play(at(80), "cc");
    assertThat(two.perMinute()).isEqualTo(80);
    Gate quick = two.with(new Gate.Settings(1, true));
    assertThat(quick.cleanInRow()).isEqualTo(2);
    assertThat(quick.after(Verdict.CLEAN).perMinute()).isGreaterThan(80);
    assertThat(two.after(Verdict.HURTS).with(new Gate.Settings(1, true)).stopped()).isTrue();
  }

  /** From 80 to 90 in the three clean tries that close 80; a miss is a step back. */
  @ParameterizedTest
  @CsvSource({
    "c, 83.5, 1",
    "cc, 87, 2",
    "ccc, 90, 0",
    "cccc, 93.5, 1",
    "cn, 83.5, 0",
    "ccm, 83.5, 0",
    "m, 76.5, 0",
    "mmmmmmmmmmmm, 60, 0",
  })
  void inSmallStepsEveryCleanTryIsALittleFaster(String verdicts, double tempo, int row) {
    Gate gate = play(at(80).inSmallSteps(), verdicts);
    assertThat(gate.perMinute()).isEqualTo(tempo);
    assertThat(gate.cleanInRow()).isEqualTo(row);
  }

  /** Each level is closed on the way, and the top like any other. */
  @Test
  void smallStepsCloseTheLevelsThatTheyPass() {
    List<JournalEntry> played = new ArrayList<>();
    Gate gate = at(60).inSmallSteps();
    while (!gate.stopped() && played.size() < 100) {
      played.add(entry(played.size() + 1, gate.perMinute(), Verdict.CLEAN));
      gate = gate.after(Verdict.CLEAN);
    }
    assertThat(played).as("three for each of seven levels").hasSize(21);
    Progress all = Progress.of(played, 7, "bars-1-2", LADDER, 3);
    assertThat(all.isAtTarget()).isTrue();
    assertThat(all.closings()).hasSize(7);
    Progress some = Progress.of(played.subList(0, 5), 7, "bars-1-2", LADDER, 3);
    assertThat(some.closedTempo()).contains(60.0);
  }

  @Test
  void aSlowLineHasNoSmallSteps() {
    Ladder slow = Ladder.ofRungs(52, 4);
    Gate gate = Gate.at(slow, Gate.Settings.USUAL, slow.levels().get(0)).inSmallSteps();
    assertThat(gate.smallSteps()).isFalse();
    assertThat(play(gate, "ccc").level()).isEqualTo(slow.levels().get(1));
  }

  private static JournalEntry entry(long id, double tempo, Verdict verdict) {
    return new JournalEntry(
        id,
        7,
        LocalDate.of(2026, 3, 3),
        "bars-1-2",
        DrillKind.STRAIGHT,
        tempo,
        tempo,
        30,
        verdict,
        Breakage.NONE,
        "");
  }

  private static List<JournalEntry> journal(String tries) {
    List<JournalEntry> all = new ArrayList<>();
    int tempo = 60;
    for (String word : tries.split(" ")) {
      if (Character.isDigit(word.charAt(0))) {
        tempo = Integer.parseInt(word);
        continue;
      }
      Verdict verdict =
          word.equals("c") ? Verdict.CLEAN : word.equals("m") ? Verdict.MISSED : Verdict.HURTS;
      all.add(entry(all.size() + 1L, tempo, verdict));
    }
    return all;
  }

  @ParameterizedTest
  @CsvSource({
    "60 c c, 0",
    "60 c c c, 60",
    "60 c c c 70 c c c, 70",
    "60 c c m c, 0",
    // a faster try counts for the level below it
    "60 c c 70 c, 60",
    // tries that grow faster close the level of the slowest
    "60 c 62 c 65 c, 60",
    "60 c 70 c c c, 70",
    "60 c 70 c m c, 0",
    // what broke where it had been sure is open again
    "60 c c c 70 c c c m, 60",
    // one clean try does not close the level below
    "50 c 60 c c c m, 0",
    "60 c c c 70 c c c 60 m, 0",
  })
  void theRecordProvesATempo(String tries, int closed) {
    Progress p = Progress.of(journal(tries), 7, "bars-1-2", LADDER, 3);
    assertThat(p.closedTempo().orElse(0.0)).isEqualTo(closed);
    assertThat(Progress.of(journal(tries), 8, "bars-1-2", LADDER, 3).closedTempo()).isEmpty();
    assertThat(Progress.of(journal(tries), 7, "bars-3-4", LADDER, 3).tries()).isZero();
  }

  /** Only straight tries close a level: three clean tries of another drill leave it open. */
  @Test
  void otherDrillsCloseNothing() {
    List<JournalEntry> rhythms = new ArrayList<>();
    for (JournalEntry e : journal("60 c c c")) {
      rhythms.add(
          new JournalEntry(
              e.id(),
              7,
              e.date(),
              e.chunkId(),
              DrillKind.RHYTHMS,
              60,
              60,
              30,
              Verdict.CLEAN,
              Breakage.NONE,
              ""));
    }
    assertThat(Progress.of(rhythms, 7, "bars-1-2", LADDER, 3).closed()).isZero();
    assertThat(Progress.of(journal("60 c c c"), 7, "bars-1-2", LADDER, 3).closed()).isEqualTo(1);
  }

  /** A try of a chunk counts for those that are like it; a quicker one for all levels below it. */
  @Test
  void triesCountForWhatIsAlikeAndForWhatIsSlower() {
    Progress p = Progress.of(journal("95 c c c"), 7, List.of("bars-9", "bars-1-2"), LADDER, 3);
    assertThat(p.closedTempo()).contains(90.0);
    assertThat(p.closed()).isEqualTo(4);
    assertThat(p.plays()).isEqualTo(3);
  }

  /** 52 in 4/4: 208, 104, 52, 13, off, and on again to check. */
  @Test
  void rungsOfASlowLineAreClimbedOneAfterTheOther() {
    Ladder slow = Ladder.ofRungs(52, 4);
    assertThat(slow.levels().stream().map(Level::clicks))
        .containsExactly(208.0, 104.0, 52.0, 13.0, 0.0, 52.0);
    assertThat(slow.tempos()).containsOnly(52.0);
    assertThat(slow.isSlow()).isTrue();
    List<JournalEntry> tries = new ArrayList<>();
    for (double clicks : new double[] {208, 104, 52, 13, 0, 52}) {
      for (int i = 0; i < 3; i++) {
        tries.add(clicked(tries.size(), clicks, Verdict.CLEAN));
      }
      Progress p = Progress.of(tries, 7, "bars-1-2", slow, 3);
      assertThat(p.closed()).isEqualTo(tries.size() / 3);
    }
    assertThat(Progress.of(tries, 7, "bars-1-2", slow, 3).isAtTarget()).isTrue();
    tries.add(clicked(99, 13, Verdict.MISSED));
    assertThat(Progress.of(tries, 7, "bars-1-2", slow, 3).closed()).isEqualTo(3);
    Gate gate = Gate.at(slow, Gate.Settings.USUAL, slow.levels().get(2));
    assertThat(play(gate, "ccc").level().clicks()).isEqualTo(13);
    assertThat(play(gate, "ccc").perMinute()).isEqualTo(52);
    assertThat(play(gate, "ccccccccc").level()).isEqualTo(slow.top());
    assertThat(play(gate, "ccccccccc").stopped()).isFalse();
    assertThat(play(gate, "cccccccccccc").stopped()).isTrue();
  }

  private static JournalEntry clicked(int id, double clicks, Verdict verdict) {
    return new JournalEntry(
        id,
        7,
        LocalDate.of(2026, 3, 3),
        "bars-1-2",
        DrillKind.STRAIGHT,
        52,
        clicks,
        30,
        verdict,
        Breakage.NONE,
        "");
  }

  @Test
  void painIsRemembered() {
    assertThat(Progress.of(journal("60 c h"), 7, "bars-1-2", LADDER, 3).hurt()).isTrue();
    assertThat(Progress.of(journal("60 h c"), 7, "bars-1-2", LADDER, 3).hurt()).isFalse();
  }

  /** Three weeks before, or a quarter of the days left when nearer than twelve weeks. */
  @ParameterizedTest
  @CsvSource({
    "2026-01-01, 2026-06-01, 2026-05-11",
    "2026-03-01, 2026-05-24, 2026-05-03",
    "2026-03-01, 2026-05-23, 2026-05-03",
    "2026-03-01, 2026-03-11, 2026-03-09",
    "2026-03-01, 2026-03-04, 2026-03-04",
    "2026-03-01, 2026-03-01, 2026-03-01",
  })
  void theReadyDateLiesBefore(LocalDate today, LocalDate audition, LocalDate ready) {
    assertThat(ReadyDate.of(today, audition)).isEqualTo(ready);
  }

  @Test
  void aDateThatIsOverIsRefused() {
    LocalDate today = LocalDate.of(2026, 3, 1);
    assertThatThrownBy(() -> ReadyDate.of(today, today.minusDays(1)))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("2026-02-28");
  }
}
