package fret.app.viewmodel;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.words.PlanPages;
import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Progress;
import fret.journal.Verdict;
import fret.plan.PracticePlan;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import fret.plan.Unit;
import fret.shelf.Planning;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A simulated player practises by the plan for seven weeks, on a simulated clock: every evening the
 * plan, the stand, the journal and the table say the same.
 */
class SevenWeeksTest {
  private static final int DAYS = 49;
  private static final int MOST_PLAYS = 12;

  /** A clock that is moved by hand. */
  private static final class Moved extends Clock {
    private Instant now = Instant.parse("2026-03-03T09:00:00Z");

    void by(long seconds) {
      now = now.plusSeconds(seconds);
    }

    @Override
    public Instant instant() {
      return now;
    }

    @Override
    public ZoneId getZone() {
      return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
      return this;
    }
  }

  @TempDir Path dir;
  private final Moved clock = new Moved();
  private final Random random = new Random(11);
  private Room room;
  private PracticeModel practice;
  private int played;
  private int atStand;

  @Test
  void planStandJournalAndTableAgreeEveryEvening() {
    room = new Room(dir.resolve("library.sqlite"), clock);
    practice = new PracticeModel(room.studio, clock::instant);
    room.open(0);
    for (int day = 0; day < DAYS; day++) {
      morning();
      if (random.nextInt(6) > 0) {
        for (int i = 0; i < practice.items().size(); i++) {
          practise(i);
        }
        evening();
      }
      clock.by(24 * 3600 - clock.now.getEpochSecond() % (24 * 3600) + 9 * 3600);
    }
    Planning p = planned();
    assertThat(p.entries().values())
        .as("after seven weeks both stand at their targets")
        .allMatch(e -> e.readiness().atTarget() == e.readiness().all());
    room.close();
  }

  private Planning planned() {
    return room.studio.plans().plannedProperty().get();
  }

  private List<JournalEntry> today() {
    LocalDate now = room.studio.today();
    return room.studio.journal().stream().filter(e -> e.date().equals(now)).toList();
  }

  private void morning() {
    room.studio.plans().ensure();
    room.settle();
    practice.restart();
    room.settle();
    played = 0;
    atStand = 0;
    assertThat(planned().today()).isEqualTo(room.studio.today());
    PracticePlan.Day day = planned().plan().on(room.studio.today()).orElseThrow();
    assertThat(practice.items()).isEqualTo(day.items());
    assertThat(practice.isDayDone()).isFalse();
    for (Item i : day.items()) {
      isNext(i);
    }
  }

  /** What is asked for is the level that the journal leaves open, or one that it has closed. */
  private void isNext(Item i) {
    if (i.drill() == DrillKind.STRAIGHT && i.kind() != Kind.WARM_UP) {
      Planning.Entry e = planned().of(i).orElseThrow();
      Unit u =
          e.goal().units().stream().filter(x -> x.id().equals(i.unit())).findFirst().orElseThrow();
      Progress record =
          Progress.of(
              room.studio.journal().stream()
                  .filter(j -> j.date().isBefore(room.studio.today()))
                  .toList(),
              i.passageId(),
              u.ids(),
              e.ladder(i.unit()),
              3);
      int asked = e.ladder(i.unit()).levels().indexOf(i.level());
      assertThat(asked).isBetween(-1, record.closed() + 1);
    }
  }

  private void practise(int which) {
    practice.show(which);
    room.settle();
    Item item = practice.items().get(which);
    if (item.kind() == Kind.BREAK) {
      practice.done();
      room.settle();
      return;
    }
    assertThat(practice.stand().onProperty().get().passageId()).isEqualTo(item.passageId());
    clock.by(120); // A walk to the kitchen is no time at the stand.
    for (int n = 0; n < MOST_PLAYS && !practice.isDone(which); n++) {
      boolean plays = practice.stand().steps() == 0 || practice.stand().stepProperty().get() == 0;
      if (plays) {
        practice.stand().plays(true);
        clock.by(7);
        practice.stand().plays(false);
        clock.by(3);
        played += 7;
        atStand += 10;
      }
      practice.stand().judge(random.nextInt(6) > 0 ? Verdict.CLEAN : Verdict.NEARLY, Breakage.NONE);
      practice.judged();
      room.settle();
    }
    if (!practice.isDone(which)) {
      practice.done();
      room.settle();
    }
  }

  private void evening() {
    assertThat(today().stream().mapToInt(JournalEntry::seconds).sum()).isEqualTo(played);
    assertThat(today().stream().mapToInt(JournalEntry::atStand).sum())
        .isGreaterThanOrEqualTo(atStand);
    assertThat(practice.minutesLeft()).isZero();
    assertThat(practice.isDayDone()).isEqualTo(!practice.items().isEmpty());
    assertThat(today().stream().filter(JournalEntry::cold).map(JournalEntry::passageId))
        .doesNotHaveDuplicates();
    PlanPages pages = new PlanPages(planned(), room.studio::title);
    long rows =
        pages.rows().stream().filter(r -> r.get(0).equals(room.studio.today().toString())).count();
    assertThat(rows)
        .isEqualTo(planned().plan().on(room.studio.today()).orElseThrow().items().size());
  }
}
