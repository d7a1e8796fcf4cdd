package fret.app.launch;

import fret.app.view.MainView;
import fret.app.viewmodel.PaperModel;
import fret.app.viewmodel.PracticeModel;
import fret.app.viewmodel.Studio;
import fret.app.widget.FramePicture;
import fret.instrument.InstrumentType;
import fret.mark.Wish;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.function.BooleanSupplier;
import javafx.animation.AnimationTimer;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;
import javax.imageio.ImageIO;

/** Walks through the areas with the demo library and saves a picture of each. */
final class Screenshots {
  private static final int SETTLED_FRAMES = 20;

  private record Step(Runnable before, String name) {}

  private final Stage stage;
  private final Studio studio;
  private final Path folder;
  private final Deque<Step> steps = new ArrayDeque<>();

  Screenshots(Stage stage, MainView main, Studio studio, PracticeModel practice, Path folder) {
    this.stage = stage;
    this.studio = studio;
    this.folder = folder;
    steps.add(new Step(() -> main.go("shelf"), "shelf"));
    steps.add(new Step(() -> open(6, main, "part"), "part"));
    steps.add(new Step(() -> open(5, main, "left-hand"), ""));
    steps.add(new Step(() -> studio.select(6), "left-hand"));
    steps.add(new Step(() -> open(2, main, "left-hand"), ""));
    steps.add(new Step(() -> open(1, main, "left-hand"), ""));
    steps.add(new Step(() -> studio.select(9), ""));
    steps.add(new Step(main.leftHand()::exchange, "left-hand-cello"));
    steps.add(new Step(studio::undo, ""));
    steps.add(new Step(() -> main.fireEvent(press(KeyCode.S)), "left-hand-shifts"));
    steps.add(new Step(() -> open(0, main, "left-hand"), ""));
    steps.add(new Step(() -> askForAString(main), ""));
    steps.add(new Step(studio::undo, ""));
    steps.add(new Step(() -> studio.select(20), ""));
    steps.add(new Step(() -> main.fireEvent(press(KeyCode.F)), "left-hand-fingerings"));
    steps.add(new Step(() -> main.leftHand().findRanges(), ""));
    steps.add(new Step(() -> main.fireEvent(press(KeyCode.N)), ""));
    steps.add(new Step(() -> main.newPage(InstrumentType.VIOLA), ""));
    steps.add(new Step(() -> type(main), "writing"));
    steps.add(new Step(() -> main.fireEvent(press(KeyCode.F1)), ""));
    steps.add(new Step(() -> main.fireEvent(press(KeyCode.F1)), ""));
    steps.add(new Step(() -> open(4, main, "part"), ""));
    steps.add(new Step(() -> fire("#tab-chunks"), "part-chunks"));
    steps.add(new Step(studio.preferences()::toggleDark, ""));
    steps.add(new Step(() -> open(4, main, "bow-arm"), "bow-arm-dark"));
    steps.add(new Step(studio.preferences()::toggleDark, ""));
    steps.add(new Step(() -> open(1, main, "bow-arm"), ""));
    steps.add(new Step(() -> studio.select(10), "bow-arm"));
    steps.add(new Step(() -> open(5, main, "bow-arm"), ""));
    steps.add(new Step(() -> studio.select(6), ""));
    steps.add(new Step(() -> main.fireEvent(press(KeyCode.F)), "bow-arm-bowings"));
    steps.add(new Step(() -> main.fireEvent(press(KeyCode.N)), ""));
    steps.add(new Step(() -> open(1, main, "tuning"), ""));
    steps.add(new Step(() -> studio.select(10), "tuning"));
    steps.add(new Step(() -> open(1, main, "takes"), ""));
    steps.add(new Step(() -> studio.select(7), "takes"));
    steps.add(new Step(() -> main.fireEvent(press(KeyCode.O)), "takes-over"));
    steps.add(new Step(() -> open(0, main, "plan"), "plan"));
    steps.add(new Step(() -> main.go("practise"), ""));
    steps.add(new Step(practice::next, "practise"));
    steps.add(new Step(() -> main.go("journal"), "journal"));
    steps.add(new Step(() -> open(0, main, "part"), ""));
    steps.add(new Step(() -> pagePicture(main), ""));
    steps.add(new Step(() -> frame(0.115, 0.145), ""));
    steps.add(new Step(() -> frame(0.262, 0.145), "part-picture"));
    steps.add(new Step(() -> fire("#frame-practise"), "practise-photo"));
  }

  private void askForAString(MainView main) {
    main.fireEvent(press(KeyCode.N));
    studio.select(8);
    main.leftHand().extend(4);
    main.leftHand().wish(Wish.Kind.ON_STRING);
  }

  private void fire(String id) {
    ((javafx.scene.control.Button) stage.getScene().lookup(id)).fire();
  }

  /** The part's own PDF stands in for a scan. */
  private void pagePicture(MainView main) {
    studio
        .paper()
        .make(
            PaperModel.Kind.PART_PDF,
            fret.engraving.Page.Paper.A4,
            pdf -> {
              try {
                Path scan =
                    Files.createTempDirectory("scan").resolve("Lantern Dance, the page.pdf");
                Files.write(scan, pdf);
                main.openFile(scan.toFile());
              } catch (IOException e) {
                throw new UncheckedIOException(e);
              }
            });
  }

  /** A line of the page gets a frame, as by dragging. */
  private void frame(double top, double height) {
    FramePicture page = (FramePicture) stage.getScene().lookup("#page-picture");
    page.draw(0.03, top, 0.94, height);
  }

  private static KeyEvent press(KeyCode key) {
    return new KeyEvent(KeyEvent.KEY_PRESSED, "", "", key, false, false, false, false);
  }

  /** Writes a few bars by key, one of them too short and one note far off. */
  private void type(MainView main) {
    KeyCode[] keys = {
      KeyCode.DIGIT8,
      KeyCode.G,
      KeyCode.A,
      KeyCode.B,
      KeyCode.DIGIT4,
      KeyCode.D,
      KeyCode.PERIOD,
      KeyCode.G,
      KeyCode.K,
      KeyCode.DIGIT8,
      KeyCode.I,
      KeyCode.F,
      KeyCode.W,
      KeyCode.E,
      KeyCode.D,
      KeyCode.S,
      KeyCode.I,
      KeyCode.DIGIT4,
      KeyCode.C,
      KeyCode.R,
      KeyCode.D,
      KeyCode.CLOSE_BRACKET,
      KeyCode.DIGIT6,
      KeyCode.B,
      KeyCode.A,
      KeyCode.G,
      KeyCode.F,
      KeyCode.U,
      KeyCode.U,
      KeyCode.ENTER,
      KeyCode.DIGIT2,
      KeyCode.G,
      KeyCode.O
    };
    for (KeyCode key : keys) {
      main.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", key, false, false, false, false));
    }
  }

  private void open(int index, MainView main, String area) {
    studio.open(studio.passages().get(index));
    main.go(area);
  }

  /** Takes all pictures, then calls back. */
  void take(Runnable done) {
    next(done);
  }

  private void next(Runnable done) {
    Step step = steps.poll();
    if (step == null) {
      done.run();
      return;
    }
    step.before().run();
    whenSettled(
        () -> !studio.isBehind(),
        () -> {
          if (!step.name().isEmpty()) {
            save(step.name());
          }
          next(done);
        });
  }

  /** Calls back once nothing has been under way for some frames. */
  private void whenSettled(BooleanSupplier quiet, Runnable then) {
    new AnimationTimer() {
      private int frames;

      @Override
      public void handle(long now) {
        frames = quiet.getAsBoolean() ? frames + 1 : 0;
        if (frames >= SETTLED_FRAMES) {
          stop();
          javafx.application.Platform.runLater(then);
        }
      }
    }.start();
  }

  private void save(String name) {
    try {
      Files.createDirectories(folder);
      ImageIO.write(
          SwingFXUtils.fromFXImage(stage.getScene().snapshot(null), null),
          "png",
          folder.resolve(name + ".png").toFile());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
