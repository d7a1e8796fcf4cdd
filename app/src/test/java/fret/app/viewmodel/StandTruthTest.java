package fret.app.viewmodel;

import static org.assertj.core.api.Assertions.assertThat;

import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.plan.Part;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The journal has what was played, and the list what was judged. */
class StandTruthTest {
  @TempDir Path dir;
  private Room room;
  private PracticeModel practice;
  private Instant now = Instant.parse("2026-03-03T09:00:00Z");

  @BeforeEach
  void open() {
    room = new Room(dir.resolve("library.sqlite"));
    practice = new PracticeModel(room.studio, () -> now);
    room.open(0);
    room.studio.plans().ensure();
    room.settle();
    practice.restart();
    room.settle();
  }

  @AfterEach
  void close() {
    room.close();
  }

  private void after(int seconds) {
    now = now.plusSeconds(seconds);
  }

  private void play(int seconds) {
    practice.stand().plays(true);
    after(seconds);
    practice.stand().plays(false);
  }

  private void judge(Verdict v) {
    practice.stand().judge(v, Breakage.NONE);
    practice.judged();
    room.settle();
  }

  private JournalEntry last() {
    return room.studio.journal().get(room.studio.journal().size() - 1);
  }

  private int show(DrillKind kind) {
    for (int i = 0; i < practice.items().size(); i++) {
      if (practice.items().get(i).drill() == kind && practice.items().get(i).kind() != Kind.BREAK) {
        practice.show(i);
        room.settle();
        return i;
      }
    }
    throw new AssertionError(kind + " is not asked today");
  }

  /** 608 s were once stored for an item of 42 s: dialogs, other areas, a walk to the kitchen. */
  @Test
  void onlyWhatIsPlayedIsPlayedAndLongGapsAreNoTimeAtTheStand() {
    show(DrillKind.STRAIGHT);
    after(300);
    play(10);
    after(5);
    judge(Verdict.CLEAN);
    assertThat(last().seconds()).isEqualTo(10);
    assertThat(last().atStand()).as("from the first play on").isEqualTo(15);
    after(500);
    play(8);
    after(2);
    judge(Verdict.NEARLY);
    assertThat(last().seconds()).isEqualTo(8);
    assertThat(last().atStand()).as("the gap is out").isEqualTo(10);
    after(20);
    play(8);
    judge(Verdict.CLEAN);
    assertThat(last().atStand()).as("a short one is in").isEqualTo(28);
  }

  /** A verdict without a play was once 9 s clean. */
  @Test
  void aVerdictWithoutAPlayIsATryWithoutTime() {
    show(DrillKind.STRAIGHT);
    after(9);
    judge(Verdict.CLEAN);
    assertThat(last().verdict()).isEqualTo(Verdict.CLEAN);
    assertThat(last().seconds()).isZero();
    assertThat(last().atStand()).isZero();
    assertThat(last().cold()).isFalse();
  }

  /** The plays of a set share its time, to the second. */
  @Test
  void aSetHasItsTimeOnce() {
    show(DrillKind.STRAIGHT);
    play(10);
    after(6);
    play(10);
    after(6);
    play(11);
    practice.stand().judge(Verdict.CLEAN, Breakage.NONE, 3);
    room.settle();
    List<JournalEntry> three = room.studio.journal();
    assertThat(three.stream().mapToInt(JournalEntry::seconds).sum()).isEqualTo(31);
    assertThat(three.stream().mapToInt(JournalEntry::atStand).sum()).isEqualTo(43);
  }

  /** The audition is cold: the first play of a passage in a day is kept apart. */
  @Test
  void theFirstPlayOfAPassageIsItsColdTry() {
    show(DrillKind.WARM_UP);
    play(60);
    judge(Verdict.CLEAN);
    assertThat(last().cold()).as("a warm-up is not").isFalse();
    show(DrillKind.STRAIGHT);
    play(10);
    judge(Verdict.MISSED);
    assertThat(last().cold()).isTrue();
    play(10);
    judge(Verdict.CLEAN);
    assertThat(last().cold()).isFalse();
  }

  @Test
  void anItemIsTickedOffByWhatWasJudgedAndUntickedWithIt() {
    int at = show(DrillKind.STRAIGHT);
    Item item = practice.items().get(at);
    for (int i = 0; i < 3; i++) {
      assertThat(practice.isDone(at)).isFalse();
      play(10);
      judge(Verdict.CLEAN);
    }
    assertThat(practice.isDone(at)).as("three clean ones close its level").isTrue();
    practice.stand().takeBack();
    practice.judged();
    room.settle();
    assertThat(practice.isDone(at)).isFalse();
    for (int i = 2; i < item.plays(); i++) {
      play(10);
      judge(Verdict.NEARLY);
    }
    assertThat(practice.isDone(at)).as("as many plays as were planned").isTrue();
  }

  /** A warm-up of five parts was once over with one verdict after six seconds. */
  @Test
  void aWarmUpIsDoneWhenAllItsPartsAre() {
    int at = show(DrillKind.WARM_UP);
    int parts = practice.stand().onProperty().get().drill().parts().size();
    assertThat(parts).isGreaterThan(2);
    for (int i = 0; i < parts; i++) {
      assertThat(practice.isDone(at)).isFalse();
      play(6);
      judge(Verdict.CLEAN);
    }
    assertThat(practice.isDone(at)).isTrue();
  }

  /** What is new is read once; each chunk is judged by a key, the time is the section's. */
  @Test
  void aFirstReadingIsJudgedChunkByChunk() {
    int at = show(DrillKind.FIRST_READING);
    Item section = practice.items().get(at);
    assertThat(Part.of(section.unit()).isReading()).isTrue();
    int steps = practice.stand().steps();
    assertThat(steps).isPositive();
    play(20);
    for (int i = 0; i < steps; i++) {
      assertThat(practice.isDone(at)).isFalse();
      assertThat(practice.stand().stepTitle()).isPresent();
      judge(i == 0 ? Verdict.CLEAN : Verdict.NEARLY);
    }
    assertThat(practice.isDone(at)).isTrue();
    List<JournalEntry> read = room.studio.journal();
    assertThat(read).allMatch(e -> e.drill() == DrillKind.FIRST_READING);
    assertThat(read.stream().mapToInt(JournalEntry::seconds).sum()).isEqualTo(20);
    assertThat(read.get(0).chunkId()).isEqualTo(section.unit());
    assertThat(read.stream().map(JournalEntry::chunkId).distinct().count())
        .isGreaterThan(steps - 1L);
    practice.stand().takeBack();
    room.settle();
    assertThat(practice.stand().stepTitle()).as("the last one is asked again").isPresent();
  }
}
