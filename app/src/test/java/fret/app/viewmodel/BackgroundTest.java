package fret.app.viewmodel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.inOrder;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import fret.plan.Gate;
import fret.shelf.Library;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;

/** Work off the interface thread, and what is stored through it. */
class BackgroundTest {
  private final List<Throwable> failures = Collections.synchronizedList(new ArrayList<>());
  private Background background;

  @BeforeEach
  void startToolkit() throws Exception {
    FxToolkit.registerPrimaryStage();
    background = onFx(() -> new Background(failures::add));
  }

  private static <T> T onFx(Callable<T> work) throws Exception {
    return WaitForAsyncUtils.asyncFx(work).get(20, TimeUnit.SECONDS);
  }

  private void untilIdle() throws Exception {
    WaitForAsyncUtils.waitFor(
        20, TimeUnit.SECONDS, () -> onFx(() -> background.pendingProperty().get() == 0));
  }

  @Test
  void workIsDoneInOrderAndPublishedOnTheInterfaceThread() throws Exception {
    List<String> done = Collections.synchronizedList(new ArrayList<>());
    onFx(
        () -> {
          for (String name : List.of("one", "two", "three")) {
            background.always(
                () -> name,
                n ->
                    done.add(n + (javafx.application.Platform.isFxApplicationThread() ? "" : "!")));
          }
          return null;
        });
    untilIdle();
    assertThat(done).containsExactly("one", "two", "three");
  }

  @Test
  void whatWasOvertakenIsDropped() throws Exception {
    List<String> done = Collections.synchronizedList(new ArrayList<>());
    onFx(
        () -> {
          background.run(() -> "old", () -> false, done::add);
          background.run(() -> "new", () -> true, done::add);
          return null;
        });
    untilIdle();
    assertThat(done).containsExactly("new");
  }

  @Test
  void aFailureIsTold() throws Exception {
    onFx(
        () -> {
          background.always(
              () -> {
                throw new IllegalStateException("no room");
              },
              r -> {});
          return null;
        });
    untilIdle();
    assertThat(failures).hasSize(1);
    assertThat(failures.get(0)).isInstanceOf(IllegalStateException.class).hasMessage("no room");
  }

  /** The window is closed while something is computed: what was decided is stored all the same. */
  @Test
  void atTheEndEverythingDecidedIsStoredAndTheRestLeftOut() throws Exception {
    List<String> stored = Collections.synchronizedList(new ArrayList<>());
    CountDownLatch started = new CountDownLatch(1);
    CountDownLatch closing = new CountDownLatch(1);
    onFx(
        () -> {
          background.run(
              () -> {
                started.countDown();
                return closing.await(20, TimeUnit.SECONDS);
              },
              () -> true,
              r -> {});
          background.run(() -> stored.add("computed"), () -> true, r -> {});
          background.always(() -> stored.add("pin"), r -> {});
          return null;
        });
    assertThat(started.await(20, TimeUnit.SECONDS)).isTrue();
    Thread end = new Thread(background::finish);
    end.start();
    WaitForAsyncUtils.waitFor(
        20, TimeUnit.SECONDS, () -> end.getState() == Thread.State.TIMED_WAITING);
    closing.countDown();
    end.join(20_000);
    assertThat(stored).containsExactly("pin");
  }

  /** What is still on its way to the window when it closes asks for nothing more. */
  @Test
  void afterTheEndNothingIsRunAndNothingFails() throws Exception {
    List<String> done = Collections.synchronizedList(new ArrayList<>());
    onFx(
        () -> {
          background.always(() -> "stored", done::add);
          background.finish();
          background.run(() -> "late", () -> true, done::add);
          return null;
        });
    untilIdle();
    assertThat(done).isEmpty();
    assertThat(failures).isEmpty();
  }

  @Test
  void preferencesCountAtOnceAndAreStoredInOrder() throws Exception {
    Library library = mock(Library.class);
    when(library.setting(anyString())).thenReturn(Optional.empty());
    when(library.setting("theme")).thenReturn(Optional.of("dark"));
    when(library.setting("recentFiles")).thenReturn(Optional.of("a.xml\nb.xml"));
    Preferences preferences = onFx(() -> new Preferences(library, background));
    assertThat(preferences.darkProperty().get()).isTrue();
    assertThat(preferences.isHeard()).isTrue();
    assertThat(preferences.habits().gate()).isEqualTo(Gate.Settings.USUAL);
    onFx(
        () -> {
          preferences.toggleDark();
          preferences.setHeard(false);
          preferences.remember("b.xml");
          preferences.remember("c.xml");
          preferences.putHabits(
              new Planning.Habits(
                  new Gate.Settings(5, true), Planning.LadderKind.EVEN_STEPS, 40, 7));
          return null;
        });
    assertThat(preferences.darkProperty().get()).isFalse();
    assertThat(preferences.isHeard()).isFalse();
    assertThat(preferences.recentFiles()).containsExactly("c.xml", "b.xml", "a.xml");
    assertThat(preferences.habits().gate().cleanNeeded()).isEqualTo(5);
    assertThat(preferences.habits().ladderStart()).isEqualTo(40);
    assertThat(preferences.habits().painLifted()).isEqualTo(7);
    background.finish();
    var stored = inOrder(library);
    stored.verify(library).putSetting("theme", "light");
    stored.verify(library).putSetting("typedHeard", "false");
    stored.verify(library).putSetting("recentFiles", "b.xml\na.xml");
    stored.verify(library).putSetting("recentFiles", "c.xml\nb.xml\na.xml");
    stored.verify(library).putSetting("cleanNeeded", "5");
  }

  @Test
  void onlyTheLastFilesAreRemembered() throws Exception {
    Library library = mock(Library.class);
    when(library.setting(anyString())).thenReturn(Optional.empty());
    Preferences preferences = onFx(() -> new Preferences(library, background));
    onFx(
        () -> {
          for (int i = 1; i <= 9; i++) {
            preferences.remember(i + ".xml");
          }
          return null;
        });
    assertThat(preferences.recentFiles())
        .containsExactly("9.xml", "8.xml", "7.xml", "6.xml", "5.xml", "4.xml");
  }
}
