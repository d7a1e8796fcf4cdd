package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.base.Said;
import fret.drill.Chunk;
import fret.drill.Frame;
import fret.journal.JournalEntry;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.TimeSignature;
import fret.session.ChunkDecisions;
import fret.session.Learning;
import fret.shelf.Planning;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.File;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import javax.imageio.ImageIO;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

/** The first days with a photo alone: frames, a plan, sets and verdicts; the notes come later. */
class PhotoFirstWindowTest extends RealWindow {
  private static final int DAYS = 2;

  @TempDir Path photos;
  private final StandingClock moved = new StandingClock();

  @Start
  void start(Stage stage) throws Exception {
    clock = moved;
    show(stage);
    setsAreOverAtOnce();
  }

  @Override
  void prepare() {
    while (!library.passages().isEmpty()) {
      library.remove(library.passages().get(0).id());
    }
  }

  /** A page with four lines ruled on it. */
  private File photo() throws Exception {
    BufferedImage page = new BufferedImage(900, 1200, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = page.createGraphics();
    g.setColor(new Color(245, 240, 228));
    g.fillRect(0, 0, 900, 1200);
    g.setColor(Color.DARK_GRAY);
    for (int line = 0; line < 4; line++) {
      for (int i = 0; i < 5; i++) {
        g.drawLine(60, 150 + 250 * line + 12 * i, 840, 150 + 250 * line + 12 * i);
      }
    }
    g.dispose();
    File file = photos.resolve("lonely page.png").toFile();
    ImageIO.write(page, "png", file);
    return file;
  }

  private List<Frame> frames() {
    return ChunkDecisions.frames(studio.session());
  }

  private void type(FxRobot robot, String field, String text) throws Exception {
    robot.interact(
        () -> {
          TextField f = robot.lookup(field).queryAs(TextField.class);
          f.requestFocus();
          f.setText(text);
          f.fireEvent(new javafx.event.ActionEvent());
        });
    until(() -> !studio.isBehind());
  }

  private Set<String> recorded() {
    return studio.journal().stream().map(JournalEntry::chunkId).collect(Collectors.toSet());
  }

  @Test
  void theFirstDaysArePractisedFromAPhotoAndTheNotesComeLater(FxRobot robot) throws Exception {
    File photo = photo();
    robot.interact(() -> main.openFile(photo));
    until(() -> studio.shown() != null && !studio.isBehind());
    Node page = robot.lookup("#page-picture").query();
    until(() -> page.getScene() != null && page.getLayoutBounds().getWidth() > 100);
    // One frame is drawn with the mouse, one set by key.
    robot.drag(robot.offset(page, -250, -60)).dropTo(robot.offset(page, 200, 20));
    until(() -> frames().size() == 1 && !studio.isBehind());
    type(robot, "#frame-bars", "2");
    type(robot, "#frame-target", "90");
    robot.interact(() -> robot.lookup("#frame-add").queryButton().fire());
    until(() -> frames().size() == 2 && !studio.isBehind());
    assertThat(frames().get(0).perMinute()).isEqualTo(90);
    assertThat(frames().get(1).fromBar()).isEqualTo(3);
    double left = frames().get(1).box().left();
    robot.type(KeyCode.RIGHT);
    until(() -> frames().get(1).box().left() > left && !studio.isBehind());

    LocalDate first = studio.today();
    for (int day = 0; day < DAYS; day++) {
      LocalDate today = first.plusDays(day);
      robot.type(KeyCode.F2);
      until(() -> planned(today) && robot.lookup("#start-session").tryQuery().isPresent());
      robot.interact(() -> robot.lookup("#start-session").queryButton().fire());
      practise(robot);
      moved.forward(Duration.ofDays(1));
    }
    assertThat(studio.journal().stream().map(JournalEntry::date).distinct()).hasSize(DAYS);
    assertThat(recorded()).contains("frame-1", "frame-2");

    // The first two bars are written: they are the frame, and its record is theirs.
    robot.interact(() -> studio.writePage(Said.of("page.new"), written()));
    until(() -> !studio.isBehind());
    List<Chunk> chunks = Learning.chunks(studio.shown());
    assertThat(chunks).extracting(Chunk::id).contains("frame-1");
  }

  private boolean planned(LocalDate day) {
    Planning p = studio.plans().plannedProperty().get();
    return p != null && p.today().equals(day) && !studio.isBehind();
  }

  /** Every frame of the day once through: a set of three plays, judged by one key. */
  private void practise(FxRobot robot) throws Exception {
    for (int i = 0; i < practice.items().size(); i++) {
      int at = i;
      until(() -> practice.indexProperty().get() == at && !studio.isBehind());
      Item item = practice.items().get(i);
      if (item.kind() == Kind.CHUNK) {
        until(() -> practice.stand().onProperty().get() != null);
        assertThat(practice.stand().onProperty().get().frames()).hasSize(1);
        int before = studio.journal().size();
        robot.type(KeyCode.SPACE);
        robot.type(KeyCode.C);
        until(() -> studio.journal().size() > before);
      }
      if (i + 1 < practice.items().size()) {
        robot.type(KeyCode.DOWN);
      }
    }
  }

  private static Score written() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (String note : "G4 A4 B4 C5 D5 C5 B4 A4".split(" ")) {
      line.add(Fraction.of(1, 4), Pitch.parse(note));
    }
    return line.build("lonely page", Interval.UNISON);
  }
}
