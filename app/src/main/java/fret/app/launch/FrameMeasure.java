package fret.app.launch;

import fret.app.view.MainView;
import fret.app.viewmodel.Studio;
import fret.passage.Setup;
import fret.score.Bar;
import fret.score.Score;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import javafx.animation.AnimationTimer;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.ScrollEvent;
import javafx.stage.Stage;

/** Measures frames while scrolling and zooming a long part, and keystrokes while writing. */
final class FrameMeasure {
  private static final int FRAMES = 300;
  private static final int KEYS = 120;
  private static final int SETTLED_FRAMES = 40;

  private final Stage stage;
  private final MainView main;
  private final Studio studio;

  FrameMeasure(Stage stage, MainView main, Studio studio) {
    this.stage = stage;
    this.main = main;
    this.studio = studio;
  }

  /** Prints the figures, then calls back. */
  void run(Runnable done) {
    studio.open(studio.passages().get(0));
    whenQuiet(
        () ->
            load(
                1000,
                () ->
                    frames(
                        "scroll, 1000 bars",
                        false,
                        () -> frames("zoom, 1000 bars", true, () -> load(200, () -> keys(done))))));
  }

  private void load(int bars, Runnable then) {
    List<Bar> all = new ArrayList<>();
    List<Bar> demo = studio.session().page().bars();
    for (int i = 0; i < bars; i++) {
      all.add(demo.get(i % Math.min(7, demo.size())));
    }
    Score page = studio.session().page().withBars(all).laidOut();
    studio.startPage(page, Setup.usual(fret.instrument.InstrumentType.VIOLIN));
    main.go("part");
    whenQuiet(then);
  }

  private void whenQuiet(Runnable then) {
    new AnimationTimer() {
      private int frames;

      @Override
      public void handle(long now) {
        frames = !studio.isBehind() ? frames + 1 : 0;
        if (frames > SETTLED_FRAMES) {
          stop();
          then.run();
        }
      }
    }.start();
  }

  private void frames(String what, boolean zoom, Runnable then) {
    Scene scene = stage.getScene();
    var strip = scene.lookup("#part-strip");
    new AnimationTimer() {
      private final double[] gaps = new double[FRAMES];
      private final double[] work = new double[FRAMES];
      private int frame = -1;
      private long last;

      @Override
      public void handle(long now) {
        if (frame >= 0) {
          gaps[frame] = (now - last) / 1e6;
        }
        last = now;
        frame++;
        if (frame == FRAMES) {
          stop();
          print(what + ", work on the interface thread", work);
          print(what + ", frame to frame", gaps);
          then.run();
          return;
        }
        long start = System.nanoTime();
        double delta = zoom ? (frame / 15 % 2 == 0 ? 40 : -40) : -160;
        strip.fireEvent(
            new ScrollEvent(
                ScrollEvent.SCROLL,
                300,
                60,
                300,
                60,
                false,
                zoom,
                false,
                false,
                true,
                false,
                0,
                delta,
                0,
                delta,
                ScrollEvent.HorizontalTextScrollUnits.NONE,
                0,
                ScrollEvent.VerticalTextScrollUnits.NONE,
                0,
                0,
                null));
        work[frame] = (System.nanoTime() - start) / 1e6;
      }
    }.start();
  }

  /** From the key to the end of the pulse that shows it. */
  private void keys(Runnable done) {
    main.fireEvent(key(KeyCode.W));
    KeyCode[] letters = {KeyCode.A, KeyCode.B, KeyCode.G, KeyCode.BACK_SPACE};
    Scene scene = stage.getScene();
    new AnimationTimer() {
      private final double[] times = new double[KEYS];
      private int count = -20;
      private long start;
      private int wait;
      private boolean open;

      {
        scene.addPostLayoutPulseListener(
            () -> {
              if (open) {
                open = false;
                if (count >= 0 && count < KEYS) {
                  times[count] = (System.nanoTime() - start) / 1e6;
                }
                count++;
              }
            });
      }

      @Override
      public void handle(long now) {
        if (count >= KEYS) {
          stop();
          print("keystroke, 200 bars", times);
          whenQuiet(done);
        } else if (!open && wait++ % 6 == 0) {
          start = System.nanoTime();
          open = true;
          main.fireEvent(key(letters[Math.floorMod(count, letters.length)]));
        }
      }
    }.start();
  }

  private static KeyEvent key(KeyCode code) {
    return new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, false, false, false, false);
  }

  private static void print(String what, double[] ms) {
    double[] sorted = ms.clone();
    Arrays.sort(sorted);
    System.out.printf(
        Locale.ROOT,
        "%s: median %.1f ms, 95%% %.1f ms, longest %.1f ms of %d%n",
        what,
        sorted[sorted.length / 2],
        sorted[sorted.length * 95 / 100],
        sorted[sorted.length - 1],
        sorted.length);
  }
}
