package fret.app.viewmodel;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.words.Sentences;
import fret.app.work.Computing.Rank;
import fret.base.Said;
import fret.drill.DrillKind;
import fret.instrument.Finger;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.mark.FingerLayer;
import fret.mark.FingerMark;
import fret.passage.Passage;
import fret.shelf.StoreFailure;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Collection;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Decisions that overtake each other: every thread stands still until it is told to go on. */
class InterleavingTest {
  @TempDir Path dir;
  private Room room;
  private Studio studio;

  @BeforeEach
  void open() {
    room = new Room(dir.resolve("library.sqlite"));
    studio = room.studio;
    room.open(0);
  }

  @AfterEach
  void close() {
    room.close();
  }

  private void pin(int note, Finger finger) {
    studio.select(note);
    studio.decisions().pinFinger(finger);
  }

  private Passage inLibrary(int index) {
    return room.library.passages().get(index);
  }

  private Collection<FingerMark> stored(int index) {
    return inLibrary(index).marks().of(FingerLayer.PINNED).values();
  }

  private Optional<FingerMark> storedAt(int note) {
    var key = studio.shown().resolved().notes().get(note).key();
    return inLibrary(0).marks().at(FingerLayer.PINNED, key);
  }

  @Test
  void aPinIsStoredWhileSomethingLongIsComputed() {
    pin(3, Finger.FOURTH);
    room.storing.all(); // The computing thread does not move at all.
    assertThat(stored(0)).hasSize(1);
    assertThat(studio.finish()).isTrue();
  }

  @Test
  void whatIsDecidedWhileAnotherPassageOpensBelongsToTheOneThatIsShown() {
    Passage other = inLibrary(1);
    studio.open(room.passage(1));
    pin(3, Finger.FOURTH);
    new LeftHandModel(studio).adopt();
    room.computing.step();
    pin(5, Finger.SECOND);
    room.settle();
    assertThat(studio.shown().passage().id()).isEqualTo(other.id());
    assertThat(inLibrary(1)).isEqualTo(other);
    assertThat(stored(0)).hasSize(2);
    assertThat(inLibrary(0).marks().of(FingerLayer.ADOPTED)).hasSize(8);
  }

  @Test
  void aPassageThatDoesNotOpenLeavesTheOneBeforeWithItsNameAndItsDecisions() {
    room.library.remove(room.passage(1).id());
    studio.open(room.passage(1));
    pin(3, Finger.FOURTH);
    room.settle();
    assertThat(Sentences.of(studio.errorProperty().get())).contains("not in the library");
    assertThat(studio.session().passage().id()).isEqualTo(room.passage(0).id());
    pin(5, Finger.SECOND);
    room.settle();
    assertThat(stored(0)).hasSize(2);
  }

  @Test
  void aFileBroughtInAgainNeverLandsInAnotherPassage() {
    byte[] other = Room.bytes("C5 D5 E5 F5");
    Passage before = inLibrary(1);
    for (int steps = 0; steps < 6; steps++) {
      room.open(0);
      studio.bringInAgain("again.musicxml", other);
      for (int i = 0; i < steps; i++) {
        room.computing.step();
        room.window.step();
        room.storing.step();
      }
      studio.open(room.passage(1));
      room.settle();
      assertThat(inLibrary(1)).as("switched after " + steps).isEqualTo(before);
      assertThat(studio.shown().resolved().notes()).hasSize(10);
    }
  }

  @Test
  void aSourceBroughtInAgainKeepsItsKindAndGoesBack() {
    byte[] tune =
        "X:1\nT:Tune\nM:4/4\nL:1/8\nK:C\nB c d e f g a b|\n".getBytes(StandardCharsets.UTF_8);
    pin(3, Finger.FOURTH);
    studio.bringInAgain("tune.abc", tune);
    room.settle();
    assertThat(studio.shown().passage().sourceName()).isEqualTo("tune.abc");
    assertThat(stored(0)).hasSize(1);
    room.open(1);
    room.open(0);
    assertThat(studio.shown().page().title()).isEqualTo("Tune");
    studio.undo();
    room.settle();
    assertThat(studio.shown().page().title()).isEqualTo("B4");
    assertThat(studio.shown().passage().sourceName()).isEqualTo("up.musicxml");
    studio.redo();
    room.settle();
    assertThat(studio.shown().page().title()).isEqualTo("Tune");
  }

  @Test
  void anUndoThatCannotReadTheFormerFileHoldsUpNoDecisionAfterIt() {
    studio.bringInAgain("up.musicxml", Room.bytes(Room.UP));
    room.settle();
    room.library.failSources();
    studio.undo();
    room.settle();
    assertThat(studio.errorProperty().get()).isNotNull();
    pin(3, Finger.FOURTH);
    room.settle();
    assertThat(storedAt(3)).isPresent();
    room.library.mend();
    studio.undo();
    studio.undo();
    room.settle();
    assertThat(storedAt(3)).isEmpty();
  }

  @Test
  void anUndoDroppedForAnotherFileHoldsUpNoDecisionAfterIt() {
    studio.bringInAgain("up.musicxml", Room.bytes(Room.UP));
    room.settle();
    studio.undo();
    studio.importFile("nothing.musicxml", new byte[] {1});
    room.settle();
    pin(3, Finger.FOURTH);
    room.settle();
    assertThat(storedAt(3)).isPresent();
  }

  @Test
  void anUndoFollowedAtOnceByAPinLosesNeither() {
    pin(3, Finger.FOURTH);
    pin(5, Finger.SECOND);
    studio.undo();
    pin(6, Finger.THIRD);
    assertThat(studio.session().passage().marks().of(FingerLayer.PINNED)).hasSize(2);
    room.settle();
    assertThat(stored(0)).hasSize(2);
    assertThat(storedAt(6)).isPresent();
    assertThat(storedAt(5)).isEmpty();
    assertThat(studio.shown().passage()).isEqualTo(inLibrary(0));
  }

  @Test
  void aPassageOpenedAgainBeforeItsDecisionsAreStoredStillHasThem() {
    pin(3, Finger.FOURTH);
    studio.open(room.passage(1));
    room.computing.all();
    room.window.all();
    studio.open(room.passage(0));
    room.window.all();
    assertThat(studio.session().passage().marks().of(FingerLayer.PINNED)).hasSize(1);
    pin(5, Finger.SECOND);
    room.settle();
    assertThat(stored(0)).hasSize(2);
  }

  /** Two windows pin a note each: the one that comes late is told, and then sees both. */
  @Test
  void twoWindowsDoNotOverwriteEachOther() {
    try (Room second = room.another()) {
      second.open(0);
      pin(3, Finger.FOURTH);
      room.settle();
      second.studio.select(5);
      second.studio.decisions().pinFinger(Finger.SECOND);
      second.settle();
      assertThat(Sentences.of(second.studio.errorProperty().get()))
          .contains(Sentences.of("store.refused"));
      assertThat(second.studio.shown().passage()).isEqualTo(inLibrary(0));
      second.studio.select(5);
      second.studio.decisions().pinFinger(Finger.SECOND);
      second.settle();
      assertThat(stored(0)).hasSize(2);
    }
  }

  @Test
  void aFullDiskIsToldAndEverythingWaitsForRoom() {
    room.library.fail(StoreFailure.Cause.DISK_FULL);
    for (int note = 0; note < 4; note++) {
      pin(note, Finger.FOURTH);
    }
    room.settle();
    assertThat(stored(0)).isEmpty();
    assertThat(studio.troubleProperty().get().orElseThrow().failure().why())
        .isEqualTo(StoreFailure.Cause.DISK_FULL);
    assertThat(studio.finish()).as("closing says that not everything is stored").isFalse();
    studio.goOn();
    room.library.mend();
    studio.storeAgain();
    room.settle();
    assertThat(stored(0)).hasSize(4);
    assertThat(studio.troubleProperty().get()).isEmpty();
  }

  @Test
  void whatIsGivenUpIsShownAsItIsStored() {
    pin(2, Finger.FOURTH);
    room.settle();
    room.library.fail(StoreFailure.Cause.READ_ONLY);
    pin(3, Finger.FOURTH);
    pin(4, Finger.SECOND);
    room.settle();
    room.library.mend();
    studio.giveUpUnstored();
    room.settle();
    assertThat(studio.shown().passage()).isEqualTo(inLibrary(0));
    assertThat(stored(0)).hasSize(1);
    pin(5, Finger.SECOND);
    room.settle();
    assertThat(stored(0)).hasSize(2);
  }

  @Test
  void aVerdictIsNotStoredOnTheInterfaceThread() {
    studio
        .tries()
        .add(
            new JournalEntry(
                0,
                room.passage(0).id(),
                studio.today(),
                "bars-1-1",
                DrillKind.STRAIGHT,
                60,
                60,
                30,
                Verdict.CLEAN,
                Breakage.NONE,
                ""));
    assertThat(room.library.journal()).isEmpty();
    room.settle();
    assertThat(room.library.journal()).hasSize(1);
    assertThat(studio.journal()).hasSize(1);
    assertThat(studio.shown().isAdopted()).as("filing something adopts nothing").isFalse();
  }

  @Test
  void anErrorWhileComputingLeavesTheProgramUsable() {
    studio.run(
        "broken",
        Rank.OPENING,
        token -> {
          throw new StackOverflowError();
        },
        x -> {});
    pin(3, Finger.FOURTH);
    room.settle();
    assertThat(Sentences.of(studio.errorProperty().get())).contains("went wrong inside Fret");
    assertThat(studio.isBehind()).isFalse();
    assertThat(stored(0)).hasSize(1);
  }

  @Test
  void typedNotesAndPinsInTurnAreAllKept() {
    var file = studio.shown().page();
    studio.writePage(Said.words("Write"), Room.line(Room.UP + " C6"));
    pin(3, Finger.FOURTH);
    studio.writePage(Said.words("Write"), Room.line(Room.UP + " C6 D6"));
    room.settle();
    assertThat(stored(0)).hasSize(1);
    assertThat(studio.shown().resolved().notes()).hasSize(10);
    for (int i = 0; i < 3; i++) {
      studio.undo();
      room.settle();
    }
    assertThat(studio.shown().page()).isEqualTo(file);
    assertThat(stored(0)).isEmpty();
    assertThat(room.library.load(room.passage(0).id()).orElseThrow().page()).isEmpty();
  }

  @Test
  void whatStandsBeforeClosingStandsAfterOpening() {
    pin(3, Finger.FOURTH);
    pin(6, Finger.SECOND);
    studio.decisions().pinString(1);
    room.settle();
    var before = studio.shown().fingering();
    try (Room later = room.another()) {
      later.open(0);
      assertThat(later.studio.shown().fingering()).isEqualTo(before);
    }
  }
}
