package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.logging.Handler;
import java.util.logging.Level;
import java.util.logging.LogRecord;
import java.util.logging.Logger;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBase;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

/**
 * Any keys in any order over all areas: nothing is logged as wrong. Longer walks with {@code
 * -Dfret.keys=7000}, other ones with {@code -Dfret.seed=2}.
 */
class WanderingWindowTest extends RealWindow {
  private static final int KEYS = Integer.getInteger("fret.keys", 150);
  private static final int SEED = Integer.getInteger("fret.seed", 1);

  /** Keys a batch: what they ask for is waited for between two. */
  private static final int BATCH = 25;

  private static final Logger ROOT = Logger.getLogger("");

  private final List<String> wrong = new CopyOnWriteArrayList<>();
  private final List<String> pressed = new ArrayList<>();
  private final Handler listening =
      new Handler() {
        @Override
        public void publish(LogRecord r) {
          if (r.getLevel().intValue() >= Level.WARNING.intValue()) {
            wrong.add(r.getMessage() + " " + cause(r.getThrown()));
          }
        }

        @Override
        public void flush() {}

        @Override
        public void close() {}
      };
  private Thread.UncaughtExceptionHandler before;

  private static String cause(Throwable t) {
    if (t == null) {
      return "";
    }
    StringBuilder all = new StringBuilder();
    for (Throwable x = t; x != null; x = x.getCause()) {
      all.append(x);
      for (int i = 0; i < Math.min(6, x.getStackTrace().length); i++) {
        all.append("\n  at ").append(x.getStackTrace()[i]);
      }
    }
    return all.toString();
  }

  @Start
  void start(Stage stage) throws Exception {
    show(stage);
    Thread.currentThread().setUncaughtExceptionHandler((t, e) -> wrong.add(cause(e)));
  }

  @BeforeEach
  void listen() {
    before = Thread.getDefaultUncaughtExceptionHandler();
    Thread.setDefaultUncaughtExceptionHandler((t, e) -> wrong.add(cause(e)));
    ROOT.addHandler(listening);
  }

  @AfterEach
  void listenNoMore() {
    ROOT.removeHandler(listening);
    Thread.setDefaultUncaughtExceptionHandler(before);
  }

  private void bring(FxRobot robot, String part) throws Exception {
    int had = studio.passages().size();
    byte[] file;
    try (InputStream in = WanderingWindowTest.class.getResourceAsStream(part)) {
      file = in.readAllBytes();
    }
    robot.interact(() -> studio.importFile(part.substring(1), file));
    until(() -> studio.passages().size() > had && !studio.isBehind());
  }

  @Test
  void overTheDemo(FxRobot robot) throws Exception {
    wander(robot, SEED);
  }

  @Test
  void overALongPart(FxRobot robot) throws Exception {
    bring(robot, "/the-weir.musicxml");
    wander(robot, SEED + 1000);
  }

  @Test
  void overALibraryInWhichAllElseIsPutAway(FxRobot robot) throws Exception {
    bring(robot, "/violin.musicxml");
    robot.interact(
        () ->
            List.copyOf(studio.passages()).stream()
                .limit(studio.passages().size() - 1)
                .forEach(p -> studio.putAway(p, true)));
    until(() -> !studio.isBehind());
    wander(robot, SEED + 2000);
  }

  private void wander(FxRobot robot, int seed) throws Exception {
    Random random = new Random(seed);
    for (int i = 0; i < KEYS; i += BATCH) {
      for (int k = 0; k < BATCH; k++) {
        KeyCode code = code(random);
        boolean shift = random.nextInt(4) == 0;
        boolean command = random.nextInt(9) == 0 && !opensAFile(code);
        robot.interact(() -> press(code, shift, command));
      }
      String last =
          String.join(" ", pressed.subList(Math.max(0, pressed.size() - 60), pressed.size()));
      assertThat(wrong).as("seed %d after %d keys: %s", seed, i + BATCH, last).isEmpty();
      until(() -> !studio.isBehind());
    }
    assertThat(wrong).as("seed %d", seed).isEmpty();
  }

  /** The window of the system for files would wait for somebody. */
  private static boolean opensAFile(KeyCode code) {
    return code == KeyCode.O || code == KeyCode.S || code == KeyCode.P;
  }

  private static final List<KeyCode> CODES = codes();

  private static List<KeyCode> codes() {
    List<KeyCode> all = new ArrayList<>();
    for (KeyCode c : KeyCode.values()) {
      if (c.isLetterKey()
          || c.isDigitKey() && !c.isKeypadKey()
          || c.isArrowKey() && !c.isKeypadKey()) {
        all.add(c);
        all.add(c);
      }
    }
    // Arrows are what hands do most.
    for (int i = 0; i < 6; i++) {
      all.addAll(List.of(KeyCode.LEFT, KeyCode.RIGHT, KeyCode.UP, KeyCode.DOWN));
    }
    for (int i = 1; i <= 12; i++) {
      all.add(KeyCode.valueOf("F" + i));
    }
    all.addAll(
        List.of(
            KeyCode.HOME,
            KeyCode.END,
            KeyCode.PAGE_DOWN,
            KeyCode.PAGE_UP,
            KeyCode.BACK_SPACE,
            KeyCode.DELETE,
            KeyCode.ESCAPE,
            KeyCode.ENTER,
            KeyCode.SPACE,
            KeyCode.COMMA,
            KeyCode.PERIOD,
            KeyCode.MINUS,
            KeyCode.EQUALS,
            KeyCode.PLUS,
            KeyCode.SLASH));
    return all;
  }

  private static KeyCode code(Random random) {
    return CODES.get(random.nextInt(CODES.size()));
  }

  private void press(KeyCode code, boolean shift, boolean command) {
    Scene scene = main.getScene();
    Node focus = Optional.ofNullable(scene.getFocusOwner()).orElse(main);
    boolean fires = code == KeyCode.ENTER || code == KeyCode.SPACE;
    if (fires && focus instanceof ButtonBase) {
      return;
    }
    pressed.add((command ? "Ctrl+" : "") + (shift ? "Shift+" : "") + code);
    Event.fireEvent(focus, event(KeyEvent.KEY_PRESSED, code, shift, command));
    Node now = Optional.ofNullable(scene.getFocusOwner()).orElse(main);
    if (code.isLetterKey() || code.isDigitKey()) {
      Event.fireEvent(now, event(KeyEvent.KEY_TYPED, code, shift, command));
    }
    Event.fireEvent(now, event(KeyEvent.KEY_RELEASED, code, shift, command));
  }

  private static KeyEvent event(
      javafx.event.EventType<KeyEvent> type, KeyCode code, boolean shift, boolean command) {
    boolean typed = type == KeyEvent.KEY_TYPED;
    String text = typed ? code.getName().toLowerCase(java.util.Locale.ROOT) : "";
    return new KeyEvent(
        type, text, text, typed ? KeyCode.UNDEFINED : code, shift, command, false, false);
  }
}
