package fret.app.work;

import static org.assertj.core.api.Assertions.assertThat;

import fret.shelf.StoreFailure;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.Test;

class StoringTest {
  private final ByHand worker = new ByHand();
  private final ByHand publish = new ByHand();
  private final List<Storing.Trouble> troubles = new ArrayList<>();
  private final List<String> stored = new ArrayList<>();
  private final Storing storing = new Storing(worker, publish, troubles::add, n -> {});
  private boolean full;

  private void store(Object lane, String what) {
    storing.store(lane, () -> write(what), w -> {});
  }

  private String write(String what) {
    if (full) {
      throw new StoreFailure(StoreFailure.Cause.DISK_FULL, null);
    }
    stored.add(what);
    return what;
  }

  @Test
  void everythingIsStoredInOrder() {
    store(1L, "a");
    store(2L, "b");
    store(1L, "c");
    worker.all();
    assertThat(stored).containsExactly("a", "b", "c");
    assertThat(storing.waiting()).isZero();
  }

  /** What cannot be stored waits, with all behind it; other lanes go on; nothing is lost. */
  @Test
  void aFullDiskKeepsEverythingInOrderUntilThereIsRoom() {
    full = true;
    store(1L, "a");
    worker.all();
    publish.all();
    full = false;
    store(1L, "b");
    store(2L, "other");
    worker.all();
    publish.all();
    assertThat(stored).containsExactly("other");
    assertThat(troubles)
        .singleElement()
        .satisfies(
            t -> {
              assertThat(t.failure().why()).isEqualTo(StoreFailure.Cause.DISK_FULL);
              assertThat(t.lane()).isEqualTo(1L);
            });
    assertThat(storing.waiting()).isEqualTo(2);
    storing.retry();
    worker.all();
    assertThat(stored).containsExactly("other", "a", "b");
    assertThat(storing.stalled()).isEmpty();
  }

  @Test
  void whatIsGivenUpIsDroppedAndTheLaneIsFree() {
    full = true;
    store(1L, "a");
    store(1L, "b");
    worker.all();
    storing.giveUp(1L);
    full = false;
    store(1L, "c");
    worker.all();
    assertThat(stored).containsExactly("c");
  }

  /** What is given up between being stored and being answered must not count for what follows. */
  @Test
  void whatIsGivenUpIsNotAnsweredLater() {
    List<String> answered = new ArrayList<>();
    storing.store(1L, () -> write("a"), answered::add);
    storing.store(2L, () -> write("other"), answered::add);
    worker.all();
    storing.giveUp(1L);
    storing.store(1L, () -> write("b"), answered::add);
    worker.all();
    publish.all();
    assertThat(answered).containsExactly("other", "b");
  }

  /** A verdict that is told otherwise as soon as it is stored: the correction is not lost. */
  @Test
  void whatFollowsFromSomethingStoredIsStoredToo() {
    storing.store(1L, () -> write("try"), w -> store(1L, "correction"));
    worker.all();
    assertThat(storing.waiting()).isZero();
    assertThat(storing.isBehind()).as("its answer is under way").isTrue();
    publish.all();
    assertThat(storing.isBehind()).as("what followed is to be stored").isTrue();
    worker.all();
    publish.all();
    assertThat(storing.isBehind()).isFalse();
    assertThat(stored).containsExactly("try", "correction");
  }

  /** The window closes between a try and what follows from it: nothing is published any more. */
  @Test
  void theEndStoresAlsoWhatFollows() throws Exception {
    ExecutorService thread = Executors.newSingleThreadExecutor();
    Storing real = new Storing(thread, publish, t -> {}, n -> {});
    List<String> answered = new ArrayList<>();
    real.store(
        1L,
        () -> write("try"),
        w -> {
          answered.add(w);
          real.store(1L, () -> write("correction"), answered::add);
        });
    assertThat(real.finish(20_000)).isTrue();
    assertThat(stored).containsExactly("try", "correction");
    publish.all();
    assertThat(answered).as("each once").containsExactly("try", "correction");
    thread.shutdown();
  }

  @Test
  void anErrorIsAFailureLikeAnyOther() {
    storing.store(
        "x",
        () -> {
          throw new AssertionError("broken");
        },
        w -> {});
    store("y", "next");
    worker.all();
    publish.all();
    assertThat(troubles.get(0).failure().why()).isEqualTo(StoreFailure.Cause.OTHER);
    assertThat(stored).containsExactly("next");
  }

  @Test
  void theEndWaitsForWhatIsUnderWayAndNotForWhatCannotBeStored() throws Exception {
    ExecutorService thread = Executors.newSingleThreadExecutor();
    Storing real = new Storing(thread, publish, t -> {}, n -> {});
    for (int i = 0; i < 20; i++) {
      String what = "w" + i;
      real.store(
          1L,
          () -> {
            try {
              Thread.sleep(2);
            } catch (InterruptedException e) {
              Thread.currentThread().interrupt();
            }
            return stored.add(what);
          },
          w -> {});
    }
    assertThat(real.finish(20_000)).isTrue();
    assertThat(stored).hasSize(20);
    real.store(
        2L,
        () -> {
          throw new StoreFailure(StoreFailure.Cause.DISK_FULL, null);
        },
        w -> {});
    assertThat(real.finish(20_000)).isFalse();
    thread.shutdown();
  }
}
