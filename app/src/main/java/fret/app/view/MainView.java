package fret.app.view;

import fret.app.command.Shortcut;
import fret.app.viewmodel.PracticeModel;
import fret.app.viewmodel.Studio;
import fret.app.widget.MusicFont;
import fret.app.widget.StripView;
import fret.base.Problem;
import fret.instrument.Finger;
import fret.journal.Verdict;
import fret.sound.ClickPlayer;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;

/** The window: areas at the side, the open passage above, messages below. */
public final class MainView extends BorderPane {
  private static final long LARGEST_FILE = 40_000_000;

  private final Studio studio;
  private final Runnable demo;
  private final Map<Area, Node> areas = new EnumMap<>(Area.class);
  private final Map<Area, Button> buttons = new EnumMap<>(Area.class);
  private final StackPane centre = new StackPane();
  private final VBox errorBox = new VBox(4);
  private final LeftHandView leftHand;
  private final PartView part;
  private final PractiseView practise;
  private final GridPane help = new GridPane();
  private Area current = Area.SHELF;

  public MainView(
      Studio studio, PracticeModel practice, ClickPlayer player, MusicFont font, Runnable demo) {
    this.studio = studio;
    this.demo = demo;
    getStyleClass().add("fret");
    leftHand = new LeftHandView(studio, font);
    part = new PartView(studio, font);
    practise = new PractiseView(studio, practice, player, font);
    areas.put(Area.SHELF, new ShelfView(studio, this));
    areas.put(Area.PART, part);
    areas.put(Area.LEFT_HAND, leftHand);
    areas.put(Area.PLAN, new PlanView(studio));
    areas.put(Area.PRACTISE, practise);
    areas.put(Area.JOURNAL, new JournalView(studio));
    setLeft(side());
    setTop(new VBox(header(), errorBox));
    setBottom(status());
    fillHelp();
    setCenter(centre);
    centre.getStyleClass().add("centre");
    addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    setOnDragOver(
        e -> {
          if (e.getDragboard().hasFiles()) {
            e.acceptTransferModes(TransferMode.COPY);
          }
        });
    setOnDragDropped(
        e -> e.getDragboard().getFiles().stream().findFirst().ifPresent(this::openFile));
    studio.errorProperty().addListener(o -> showError());
    go(Area.SHELF);
  }

  private VBox side() {
    VBox side = new VBox(4);
    side.getStyleClass().add("side");
    side.getChildren().add(Parts.line("Fret", "brand"));
    for (Area area : Area.values()) {
      Button b =
          Parts.button(
              "",
              "area-" + area.name().toLowerCase(Locale.ROOT).replace('_', '-'),
              () -> go(area),
              "area");
      b.setGraphic(
          new VBox(
              1,
              Parts.line(area.title(), "area-title"),
              Parts.line(area.question(), "area-question")));
      b.setAccessibleText(area.title() + ": " + area.question());
      b.setMaxWidth(Double.MAX_VALUE);
      buttons.put(area, b);
      side.getChildren().add(b);
    }
    side.getChildren().add(Parts.spring());
    side.getChildren().add(Parts.button("All keys (F1)", "help", this::toggleHelp, "link"));
    return side;
  }

  private HBox header() {
    Label title = Parts.line("No passage open", "passage-title");
    Label facts = Parts.line("", "quiet");
    studio
        .benchProperty()
        .addListener(
            (o, a, b) -> {
              if (b != null) {
                var s = b.passage().settings();
                title.setText(s.title());
                facts.setText(
                    s.instrument().displayName()
                        + ", "
                        + s.target().beat().displayName()
                        + " = "
                        + Math.round(s.target().perMinute()));
              }
            });
    HBox box =
        Parts.row(
            14,
            title,
            facts,
            Parts.spring(),
            Parts.button("Undo", "undo", studio::undo),
            Parts.button("Redo", "redo", studio::redo));
    box.getStyleClass().add("header");
    return box;
  }

  private HBox status() {
    Label message = Parts.line("", "quiet");
    message.setId("message");
    message.textProperty().bind(studio.messageProperty());
    Label working = Parts.line("", "quiet");
    studio
        .pendingProperty()
        .addListener((o, a, n) -> working.setText(n.intValue() > 0 ? "working..." : ""));
    HBox box = Parts.row(10, message, Parts.spring(), working);
    box.getStyleClass().add("status");
    return box;
  }

  private void showError() {
    Problem p = studio.errorProperty().get();
    errorBox.getChildren().clear();
    if (p != null) {
      HBox row =
          Parts.row(
              12,
              Parts.label(p.toString(), "error-text"),
              Parts.spring(),
              Parts.button("Close", "close-error", studio::dismissError));
      row.getStyleClass().add("error");
      row.setId("error");
      errorBox.getChildren().add(row);
    }
  }

  /** Shows an area by its name, such as {@code LEFT_HAND}. */
  public void goTo(String area) {
    go(Area.valueOf(area));
  }

  void go(Area area) {
    current = area;
    centre.getChildren().setAll(areas.get(area));
    buttons.forEach(
        (a, b) ->
            b.pseudoClassStateChanged(javafx.css.PseudoClass.getPseudoClass("current"), a == area));
    if (area == Area.LEFT_HAND) {
      leftHand.strip().requestFocus();
    } else if (area == Area.PART) {
      part.strip().requestFocus();
    } else {
      centre.requestFocus();
    }
  }

  private void fillHelp() {
    help.getStyleClass().add("help");
    help.setHgap(24);
    help.setVgap(4);
    int column = 0;
    int row = 0;
    String place = "";
    for (Shortcut s : Shortcut.values()) {
      if (!s.place().equals(place)) {
        place = s.place();
        if (row > 12) {
          column += 2;
          row = 0;
        }
        help.add(Parts.line(place, "card-title"), column, row++);
      }
      help.add(Parts.line(s.keys().getDisplayText(), "figure"), column, row);
      help.add(Parts.line(s.text()), column + 1, row++);
    }
  }

  private void toggleHelp() {
    if (!centre.getChildren().remove(help)) {
      centre.getChildren().add(help);
    }
  }

  /** Asks for a file and opens it. */
  void chooseFile() {
    FileChooser chooser = new FileChooser();
    chooser.setTitle("Open a MusicXML file");
    chooser
        .getExtensionFilters()
        .add(new FileChooser.ExtensionFilter("MusicXML", "*.musicxml", "*.xml", "*.mxl"));
    File file = chooser.showOpenDialog(getScene().getWindow());
    if (file != null) {
      openFile(file);
    }
  }

  /** Asks where to, and saves the file with the fingering written into it. */
  void saveCopy() {
    if (studio.bench() == null) {
      return;
    }
    FileChooser chooser = new FileChooser();
    chooser.setTitle("Save a copy with the fingering");
    chooser.setInitialFileName(studio.bench().passage().settings().title() + ".musicxml");
    File file = chooser.showSaveDialog(getScene().getWindow());
    if (file != null) {
      saveTo(file);
    }
  }

  /** Saves the open passage with its fingering to a file. */
  public void saveTo(File file) {
    studio.export(
        bytes -> {
          try {
            Files.write(file.toPath(), bytes);
            studio.tell("Saved " + file.getName());
          } catch (IOException e) {
            studio.report(
                new Problem(
                    file.getName(), "The file cannot be written there.", "Choose another folder."));
          }
        });
  }

  /** Reads a file into the library. */
  public void openFile(File file) {
    try {
      byte[] bytes =
          file.length() > LARGEST_FILE
              ? new byte[(int) LARGEST_FILE + 1]
              : Files.readAllBytes(file.toPath());
      studio.importFile(file.getName(), bytes);
      go(Area.LEFT_HAND);
    } catch (IOException e) {
      studio.importFile(file.getName(), new byte[0]);
    }
  }

  void loadDemo() {
    demo.run();
  }

  private StripView strip() {
    return current == Area.PART ? part.strip() : leftHand.strip();
  }

  private void key(KeyEvent e) {
    boolean typing = e.getTarget() instanceof TextInputControl;
    for (Shortcut s : Shortcut.values()) {
      boolean plain = !e.isShortcutDown() && !e.isAltDown() && !e.getCode().isFunctionKey();
      if (s.keys().match(e) && !(typing && plain) && run(s)) {
        e.consume();
        return;
      }
    }
  }

  private boolean run(Shortcut s) {
    boolean strip = current == Area.LEFT_HAND || current == Area.PART;
    boolean here =
        switch (s.place()) {
          case "Strip" -> strip;
          case "Left hand" -> current == Area.LEFT_HAND;
          case "Practise" -> current == Area.PRACTISE;
          default -> true;
        };
    if (!here) {
      return false;
    }
    switch (s) {
      case HELP -> toggleHelp();
      case OPEN -> chooseFile();
      case SAVE -> saveCopy();
      case UNDO -> studio.undo();
      case REDO -> studio.redo();
      case AREA_1, AREA_2, AREA_3, AREA_4, AREA_5, AREA_6 ->
          go(Area.values()[s.ordinal() - Shortcut.AREA_1.ordinal()]);
      case ZOOM_IN -> strip().zoom(1.12);
      case ZOOM_OUT -> strip().zoom(1 / 1.12);
      case NEXT_NOTE -> studio.select(studio.selectedProperty().get() + 1);
      case PREVIOUS_NOTE -> studio.select(studio.selectedProperty().get() - 1);
      case NEXT_BAR -> studio.selectBar(1);
      case PREVIOUS_BAR -> studio.selectBar(-1);
      case FINGER_0 -> studio.pinFinger(Finger.OPEN);
      case FINGER_1 -> studio.pinFinger(Finger.FIRST);
      case FINGER_2 -> studio.pinFinger(Finger.SECOND);
      case FINGER_3 -> studio.pinFinger(Finger.THIRD);
      case FINGER_4 -> studio.pinFinger(Finger.FOURTH);
      case FINGER_T -> studio.pinFinger(Finger.THUMB);
      case STRING_UP -> studio.pinString(-1);
      case STRING_DOWN -> studio.pinString(1);
      case UNPIN -> studio.unpin();
      case ADOPT -> studio.adopt(studio.bench().fingering());
      case DIGITS -> studio.toggleDigits();
      case START_STOP -> practise.toggle();
      case CLEAN -> practise.judge(Verdict.CLEAN);
      case NEARLY -> practise.judge(Verdict.NEARLY);
      case MISSED -> practise.judge(Verdict.MISSED);
      case HURTS -> practise.judge(Verdict.HURTS);
      case NEXT_ITEM -> practise.nextItem();
      case SUBDIVIDE -> practise.nextSubdivision();
    }
    return true;
  }
}
