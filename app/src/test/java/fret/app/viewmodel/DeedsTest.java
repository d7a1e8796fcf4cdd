package fret.app.viewmodel;

import static org.assertj.core.api.Assertions.assertThat;

import fret.base.Said;
import fret.drill.DrillKind;
import fret.instrument.Finger;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.mark.FingerLayer;
import fret.passage.Passage;
import fret.plan.PracticePlan;
import fret.session.Decisions;
import fret.shelf.Audition;
import fret.shelf.Deed;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.Supplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The last thing done is taken back, whatever it was, and shown first where it is elsewhere. */
class DeedsTest {
  @TempDir Path folder;
  private Room room;
  private Studio studio;
  private final List<String> looked = new ArrayList<>();
  private String area = "left-hand";

  @BeforeEach
  void open() {
    room = new Room(folder.resolve("library"));
    enter();
  }

  private void enter() {
    studio = room.studio;
    studio
        .deeds()
        .setWay(
            new Deeds.Way() {
              @Override
              public String area() {
                return area;
              }

              @Override
              public void show(String other, long passageId) {
                looked.add(other + " " + passageId);
                area = other;
                studio.passage(passageId).ifPresent(studio::open);
              }
            });
    studio.open(studio.passages().get(0));
    room.settle();
  }

  /** The program is closed and started again. */
  private void again() {
    room.close();
    open();
  }

  @AfterEach
  void close() {
    room.close();
  }

  private void pin(int note, Finger finger) {
    studio.decide(s -> Decisions.pin(s, note, Optional.of(finger), 0));
    room.settle();
  }

  private int pins() {
    return studio.session().passage().marks().of(FingerLayer.PINNED).size();
  }

  private JournalEntry entry(Verdict verdict) {
    return new JournalEntry(
        0,
        studio.session().passage().id(),
        studio.today(),
        PracticePlan.WHOLE,
        DrillKind.RUN_THROUGH,
        72,
        JournalEntry.NOT_KEPT,
        60,
        verdict,
        Breakage.NONE,
        "");
  }

  private Audition date() {
    return new Audition(0, "next", studio.today().plusDays(90), studio.today());
  }

  private void undo() {
    studio.undo();
    room.settle();
  }

  private void redo() {
    studio.redo();
    room.settle();
  }

  @Test
  void aTryASettingADateAndAPinAreTakenBackInTheirOrder() {
    studio.plans().addAudition(date(), studio.passages().get(0));
    pin(1, Finger.SECOND);
    studio.tries().add(entry(Verdict.CLEAN));
    room.settle();
    LocalDate day = studio.today().plusDays(3);
    studio.plans().saveBudget(Said.of("deed.habits"), studio.plans().budget().with(day, 7));
    Audition was = studio.plans().auditions().get(0);
    studio.plans().saveAudition(was.named("another name"));
    room.settle();
    undo();
    assertThat(studio.plans().auditions().get(0)).isEqualTo(was);
    assertThat(studio.plans().budget().on(day)).isEqualTo(7);
    undo();
    assertThat(studio.plans().budget().own()).doesNotContainKey(day);
    assertThat(studio.journal()).hasSize(1);
    undo();
    assertThat(studio.journal()).isEmpty();
    assertThat(pins()).isEqualTo(1);
    undo();
    assertThat(pins()).isZero();
    for (int i = 0; i < 4; i++) {
      redo();
    }
    assertThat(pins()).isEqualTo(1);
    assertThat(studio.journal()).hasSize(1);
    assertThat(studio.plans().budget().on(day)).isEqualTo(7);
    assertThat(studio.plans().auditions().get(0).name()).isEqualTo("another name");
  }

  /** What was done in another area is shown there before it is taken back. */
  @Test
  void whatWasDoneElsewhereIsShownFirst() {
    area = "journal";
    studio.tries().add(entry(Verdict.MISSED));
    room.settle();
    studio.tries().remove(List.of(studio.journal().get(0)));
    room.settle();
    area = "left-hand";
    undo();
    assertThat(looked).containsExactly("journal " + studio.session().passage().id());
    assertThat(studio.journal()).as("only shown so far").isEmpty();
    assertThat(studio.messageProperty().get()).contains("A try removed");
    undo();
    assertThat(studio.journal()).hasSize(1);
  }

  /** A step of a passage that is not open opens it first. */
  @Test
  void aStepOfAnotherPassageOpensIt() {
    pin(1, Finger.SECOND);
    long first = studio.session().passage().id();
    Passage other = studio.passages().get(1);
    studio.open(other);
    room.settle();
    undo();
    assertThat(studio.session().passage().id()).isEqualTo(first);
    assertThat(pins()).isEqualTo(1);
    undo();
    assertThat(pins()).isZero();
  }

  @Test
  void allOfItIsThereAfterARestart() throws Exception {
    pin(1, Finger.SECOND);
    studio.tries().add(entry(Verdict.CLEAN));
    room.settle();
    studio.tries().remove(List.of(studio.journal().get(0)));
    room.settle();
    again();
    assertThat(studio.journal()).isEmpty();
    undo();
    assertThat(studio.journal()).hasSize(1);
    undo();
    undo();
    assertThat(pins()).isZero();
    again();
    redo();
    assertThat(pins()).isEqualTo(1);
  }

  /** A try corrected after it was made comes back as it was told last. */
  @Test
  void whatWasToldSinceComesBack() {
    studio.tries().add(entry(Verdict.MISSED));
    room.settle();
    JournalEntry told = studio.journal().get(0).judged(Verdict.MISSED, Breakage.SHIFT);
    studio.tries().tell(told);
    room.settle();
    undo();
    assertThat(studio.journal()).isEmpty();
    redo();
    assertThat(studio.journal()).containsExactly(told);
  }

  /** A new date and what is for it, taken away and brought back with everything that was for it. */
  @Test
  void aDateComesBackWithItsPassages() {
    Passage p = studio.passages().get(0);
    studio.plans().addAudition(date(), p);
    room.settle();
    long made = studio.passages().get(0).auditionId();
    assertThat(studio.plans().auditions()).extracting(Audition::id).contains(made);
    studio.plans().removeAudition(studio.plans().auditionOf(studio.passages().get(0)).get());
    room.settle();
    assertThat(studio.passages().get(0).auditionId()).isZero();
    undo();
    assertThat(studio.passages().get(0).auditionId()).isEqualTo(made);
    undo();
    assertThat(studio.passages().get(0).auditionId()).isEqualTo(p.auditionId());
    assertThat(studio.plans().auditions()).extracting(Audition::id).doesNotContain(made);
  }

  /** Any order of doings: as many undos lead back to the beginning, as many redos to the end. */
  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6})
  void backAndForthAgain(long seed) throws Exception {
    Random random = new Random(seed);
    List<Runnable> ways =
        List.of(
            () -> pin(random.nextInt(4), Finger.values()[1 + random.nextInt(4)]),
            () -> studio.tries().add(entry(Verdict.values()[random.nextInt(3)])),
            () ->
                studio.journal().stream()
                    .findFirst()
                    .ifPresent(e -> studio.tries().remove(List.of(e))),
            () ->
                studio.journal().stream()
                    .findFirst()
                    .ifPresent(e -> studio.tries().correct(e, e.noted("n" + random.nextInt(99)))),
            () -> studio.setSetPlays(1 + random.nextInt(9)),
            () ->
                studio
                    .plans()
                    .saveBudget(
                        Said.of("deed.habits"),
                        studio
                            .plans()
                            .budget()
                            .with(studio.today().plusDays(random.nextInt(9)), random.nextInt(60))),
            () -> studio.putAway(studio.passages().get(1), random.nextBoolean()));
    Supplier<String> all =
        () ->
            room.passage(0).marks()
                + " "
                + studio.journal()
                + studio.plans().budget()
                + studio.preferences().setPlays()
                + studio.preferences().away();
    String before = all.get();
    for (int i = 0; i < 25; i++) {
      ways.get(random.nextInt(ways.size())).run();
      room.settle();
    }
    String after = all.get();
    int count = 0;
    for (Optional<Deed> d = studio.deeds().last(); d.isPresent(); d = studio.deeds().last()) {
      undo();
      count++;
      if (random.nextInt(6) == 0) {
        again();
      }
    }
    assertThat(all.get()).isEqualTo(before);
    for (int i = 0; i < count; i++) {
      redo();
    }
    assertThat(all.get()).isEqualTo(after);
  }
}
