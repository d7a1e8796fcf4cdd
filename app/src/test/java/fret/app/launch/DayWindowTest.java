package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.viewmodel.Skipped;
import fret.drill.DrillKind;
import fret.engraving.Page;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.passage.Passage;
import fret.shelf.Planning;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import javafx.scene.control.Label;
import javafx.scene.control.TableView;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;

/** What belongs to a day beside its sets: leaving out, a word, one thing to judge by, paper. */
class DayWindowTest extends RealWindow {
  @TempDir Path files;

  @Start
  void start(Stage stage) throws Exception {
    show(stage);
    setsAreOverAtOnce();
  }

  /** Two passages are enough. */
  @Override
  void prepare() {
    while (library.passages().size() > 2) {
      library.remove(library.passages().get(2).id());
    }
  }

  private void begin(FxRobot robot) throws Exception {
    robot.type(KeyCode.F2);
    until(() -> studio.plans().plannedProperty().get() != null && !studio.isBehind());
    robot.interact(() -> robot.lookup("#start-session").queryButton().fire());
    until(() -> practice.stand().onProperty().get() != null && !studio.isBehind());
  }

  private void next(FxRobot robot) throws Exception {
    robot.type(KeyCode.DOWN);
    until(() -> practice.stand().onProperty().get() != null && !studio.isBehind());
  }

  @Test
  void oneThingIsJudgedAloneAndWhatIsLeftOutHasAReason(FxRobot robot) throws Exception {
    begin(robot);
    next(robot);
    String chunk = practice.stand().onProperty().get().chunkIds().get(0);
    robot.push(KeyCode.SHIFT, KeyCode.T);
    until(() -> practice.stand().onProperty().get().drill().kind() == DrillKind.FOCUS_TUNE);
    assertThat(robot.lookup("#focus-on").queryAs(Label.class).isVisible()).isTrue();
    int before = studio.journal().size();
    robot.type(KeyCode.SPACE);
    robot.type(KeyCode.C);
    until(() -> studio.journal().size() > before && !studio.isBehind());
    JournalEntry e = studio.journal().get(studio.journal().size() - 1);
    assertThat(e.drill()).isEqualTo(DrillKind.FOCUS_TUNE);
    assertThat(e.chunkId()).isEqualTo(chunk);
    // A word to it, in the field that a key opens.
    robot.type(KeyCode.E);
    robot.write("flat at the top").type(KeyCode.ENTER);
    until(
        () ->
            studio.journal().get(studio.journal().size() - 1).note().equals("flat at the top")
                && !studio.isBehind());
    // K goes back to what was there; J and a reason leave it out.
    robot.type(KeyCode.K);
    until(() -> practice.stand().onProperty().get().drill().kind() != DrillKind.FOCUS_TUNE);
    robot.type(KeyCode.J);
    robot.interact(() -> robot.lookup("#skip-tired").queryButton().fire());
    until(() -> !studio.preferences().skipped().isEmpty() && !studio.isBehind());
    assertThat(studio.preferences().skipped().get(0).why()).isEqualTo(Skipped.Why.TIRED);
    assertThat(fret.app.viewmodel.DaySummary.of(studio)).anyMatch(t -> t.contains("tired"));
  }

  @Test
  void theDayIsPrintedAndPassagesArePutAwayAndCopied(FxRobot robot) throws Exception {
    begin(robot);
    AtomicReference<byte[]> pdf = new AtomicReference<>();
    robot.interact(() -> studio.todaySheet().make(Page.Paper.A4, pdf::set));
    until(() -> pdf.get() != null);
    try (PDDocument page = Loader.loadPDF(pdf.get())) {
      assertThat(page.getNumberOfPages()).as("pages of a full day").isEqualTo(1);
      String text = new PDFTextStripper().getText(page);
      assertThat(text).contains(studio.passages().get(0).settings().title());
    }
    Passage first = studio.passages().get(0);
    robot.interact(() -> studio.duplicate(first));
    until(() -> studio.passages().size() == 3 && !studio.isBehind());
    Passage copy = studio.passages().get(2);
    assertThat(copy.id()).isNotEqualTo(first.id());
    assertThat(copy.marks().size()).isEqualTo(first.marks().size());
    robot.interact(() -> studio.putAway(first, true));
    until(() -> !planned().passages().contains(first.id()) && !studio.isBehind());
    robot.interact(() -> studio.putAway(first, false));
    until(() -> planned().passages().contains(first.id()) && !studio.isBehind());
    // An excerpt with a target of its own has a climb of its own.
    robot.interact(() -> studio.open(first));
    until(() -> studio.shown().passage().id() == first.id() && !studio.isBehind());
    robot.interact(
        () ->
            studio.decide(s -> new fret.session.ChunkDecisions(s).excerpt(0, 7, "opening", 60, 0)));
    until(() -> planned().all(first.id()).size() == 2 && !studio.isBehind());
    assertThat(planned().all(first.id()).get(1).ladder().target()).isEqualTo(60);
  }

  private Planning planned() {
    return studio.plans().plannedProperty().get();
  }

  @Test
  void theRecordIsFilteredAndComesBackFromAFile(FxRobot robot) throws Exception {
    robot.type(KeyCode.F10);
    until(() -> robot.lookup("#journal").tryQuery().isPresent() && !studio.isBehind());
    TableView<JournalEntry> table = robot.lookup("#journal").queryTableView();
    int all = table.getItems().size();
    robot.interact(
        () ->
            robot
                .lookup("#filter-verdict")
                .<java.util.Optional<Verdict>>queryComboBox()
                .setValue(java.util.Optional.of(Verdict.CLEAN)));
    until(() -> table.getItems().size() < all);
    assertThat(table.getItems()).allMatch(e -> e.verdict() == Verdict.CLEAN);

    var model = new fret.app.viewmodel.JournalModel(studio);
    AtomicReference<byte[]> json = new AtomicReference<>();
    robot.interact(
        () ->
            studio
                .paper()
                .json(
                    model.table(
                        id ->
                            studio.passages().stream()
                                .filter(p -> p.id() == id)
                                .map(p -> p.settings().title())
                                .findFirst()
                                .orElse("")),
                    json::set));
    until(() -> json.get() != null);
    int tries = studio.journal().size();
    List<JournalEntry> last = List.of(studio.journal().get(tries - 1));
    robot.interact(() -> studio.tries().remove(last));
    until(() -> studio.journal().size() == tries - 1 && !studio.isBehind());
    robot.interact(() -> model.bringIn("record.json", json.get()));
    until(() -> studio.journal().size() == tries && !studio.isBehind());
    robot.interact(studio::undo);
    until(() -> studio.journal().size() == tries - 1 && !studio.isBehind());
    Path file = files.resolve("plan.csv");
    robot.interact(
        () -> studio.paper().planFile(false, bytes -> studio.paper().write(file, bytes)));
    until(() -> Files.exists(file));
  }
}
