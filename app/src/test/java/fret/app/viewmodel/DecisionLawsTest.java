package fret.app.viewmodel;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.Finger;
import fret.mark.Reminder;
import fret.mark.ReminderLayer;
import fret.passage.Passage;
import fret.session.Decisions;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.ShrinkingMode;
import net.jqwik.api.Tuple;

/** Any sequence of decisions, undos, switches, new files and restarts, on threads by hand. */
class DecisionLawsTest {
  /** One thing that happens, and a number for it. */
  record Move(What what, int number) {}

  enum What {
    PIN,
    PIN_STRING,
    REMIND,
    UNDO,
    REDO,
    SWITCH,
    BRING_IN,
    RESTART,
    STORE,
    COMPUTE,
    WINDOW
  }

  @Provide
  Arbitrary<List<Move>> moves() {
    Arbitrary<What> what =
        Arbitraries.frequencyOf(
            Tuple.of(6, Arbitraries.of(What.PIN, What.PIN_STRING, What.REMIND)),
            Tuple.of(3, Arbitraries.of(What.UNDO, What.REDO)),
            Tuple.of(2, Arbitraries.of(What.SWITCH)),
            Tuple.of(1, Arbitraries.of(What.BRING_IN, What.RESTART)),
            Tuple.of(8, Arbitraries.of(What.STORE, What.COMPUTE, What.WINDOW)));
    return Combinators.combine(what, Arbitraries.integers().between(0, 63))
        .as(Move::new)
        .list()
        .ofMinSize(5)
        .ofMaxSize(40);
  }

  /** What a passage should be, after each of its steps, and what was taken back of it. */
  private static final class Expected {
    private final List<Passage> done = new ArrayList<>();
    private final List<Passage> undone = new ArrayList<>();

    Passage now() {
      return done.get(done.size() - 1);
    }
  }

  private Room room;
  private Map<Long, Expected> expected;

  /** Of which passage each thing done was, and each taken back: one order over both. */
  private final List<Long> order = new ArrayList<>();

  private final List<Long> undone = new ArrayList<>();

  @Property(tries = 60, shrinking = ShrinkingMode.BOUNDED)
  void everyPassageHasExactlyItsOwnDecisions(@ForAll("moves") List<Move> moves) throws Exception {
    Path file = Files.createTempDirectory("laws").resolve("library.sqlite");
    room = new Room(file);
    try {
      room.open(0);
      expected = new HashMap<>();
      order.clear();
      undone.clear();
      for (Passage p : room.studio.passages()) {
        expected.computeIfAbsent(p.id(), id -> new Expected()).done.add(p);
      }
      for (Move move : moves) {
        if (move.what() == What.RESTART) {
          check();
          room.close();
          room = new Room(file);
          room.open(move.number() % 2);
        } else {
          make(move);
        }
      }
      check();
      takeAllBack();
    } finally {
      room.close();
    }
  }

  private void make(Move move) {
    Studio studio = room.studio;
    int note = move.number() % 8;
    switch (move.what()) {
      case PIN -> {
        Finger finger = Finger.values()[1 + move.number() % 4];
        studio.decide(s -> Decisions.pin(s, note, Optional.of(finger), 0));
        decided();
      }
      case PIN_STRING -> {
        studio.decide(s -> Decisions.pin(s, note, Optional.empty(), 1 + move.number() % 2));
        decided();
      }
      case REMIND -> {
        Reminder reminder = Reminder.of(Reminder.Kind.values()[move.number() % 5]);
        studio.decide(s -> Decisions.toggle(s, ReminderLayer.REMINDER, note, reminder));
        decided();
      }
      case BRING_IN -> {
        room.settle();
        boolean first = studio.session().passage().id() == room.passage(0).id();
        studio.bringInAgain("again.musicxml", Room.bytes((first ? Room.UP : Room.DOWN) + " C5"));
        room.settle();
        decided();
      }
      case UNDO -> {
        // What was done in the other passage is shown first, and taken back the next time.
        long open = studio.session().passage().id();
        boolean taken = !order.isEmpty() && order.get(order.size() - 1) == open;
        studio.undo();
        if (taken) {
          undone.add(order.remove(order.size() - 1));
          Expected mine = expected.get(open);
          mine.undone.add(mine.done.remove(mine.done.size() - 1));
        }
        room.settle(); // Where a file comes back it is read before anything else is decided.
      }
      case REDO -> {
        long open = studio.session().passage().id();
        boolean taken = !undone.isEmpty() && undone.get(undone.size() - 1) == open;
        studio.redo();
        if (taken) {
          order.add(undone.remove(undone.size() - 1));
          Expected mine = expected.get(open);
          mine.done.add(mine.undone.remove(mine.undone.size() - 1));
        }
        room.settle();
      }
      case SWITCH -> studio.open(room.passage(move.number() % 2));
      case STORE -> room.storing.step();
      case COMPUTE -> room.computing.step();
      default -> room.window.step();
    }
  }

  private void decided() {
    Passage now = room.studio.session().passage();
    Expected mine = expected.get(now.id());
    if (!now.equals(mine.now())) {
      mine.done.add(now);
      order.add(now.id());
      undone.clear();
      expected.values().forEach(e -> e.undone.clear());
    }
  }

  private void check() {
    room.settle();
    assertThat(room.studio.errorProperty().get()).isNull();
    for (Passage stored : room.library.passages()) {
      assertThat(stored).isEqualTo(expected.get(stored.id()).now());
    }
    Passage open = room.studio.session().passage();
    assertThat(room.library.load(open.id()).orElseThrow().passage()).isEqualTo(open);
    assertThat(room.studio.shown().passage()).isEqualTo(open);
  }

  /** Undo to the start is each passage as it came, in the library too. */
  private void takeAllBack() {
    for (int left = 2 * order.size(); left > 0; left--) {
      if (room.studio.deeds().last().isEmpty()) {
        break;
      }
      room.studio.undo();
      room.settle();
    }
    assertThat(room.studio.deeds().last()).isEmpty();
    for (Expected e : expected.values()) {
      Passage first = e.done.get(0);
      assertThat(room.library.load(first.id()).orElseThrow().passage()).isEqualTo(first);
    }
  }
}
