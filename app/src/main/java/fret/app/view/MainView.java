package fret.app.view;

import fret.app.command.Shortcut;
import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.PaperModel;
import fret.app.viewmodel.PracticeModel;
import fret.app.viewmodel.Studio;
import fret.app.viewmodel.WritingModel;
import fret.app.widget.Inks;
import fret.app.widget.Look;
import fret.app.widget.StripView;
import fret.app.words.Sentences;
import fret.app.work.Storing;
import fret.base.Problem;
import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import fret.journal.Verdict;
import fret.mark.Wish;
import fret.passage.ScoreReader.PartChoice;
import fret.passage.Setup;
import fret.pitch.KeySignature;
import fret.score.Signs;
import fret.score.TimeSignature;
import fret.shelf.StoreFailure;
import fret.writing.Draft;
import fret.writing.Writing;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;

/** The window: areas at the side, the open passage above, messages below. */
public final class MainView extends BorderPane {
  private static final long LARGEST_FILE = 40_000_000;

  private final Studio studio;
  private final Runnable demo;
  private final Look look;
  private final Map<Area, Node> areas = new EnumMap<>(Area.class);
  private final Map<Area, Button> buttons = new EnumMap<>(Area.class);
  private final StackPane centre = new StackPane();
  private final VBox errorBox = new VBox(4);
  private final LeftHandModel leftHandModel;
  private final LeftHandView leftHand;
  private final PartView part;
  private final WritingModel writing;
  private final PractiseView practise;
  private final ShelfView shelf;
  private final KeysPage help = new KeysPage();
  private Area current = Area.SHELF;

  public MainView(
      Studio studio, PracticeModel practice, Devices devices, Look look, Runnable demo) {
    this.studio = studio;
    this.demo = demo;
    this.look = look;
    getStyleClass().add("fret");
    leftHandModel = new LeftHandModel(studio);
    leftHand =
        new LeftHandView(
            studio,
            leftHandModel,
            look,
            (slice, title, drill) -> {
              practice.putOnStand(slice, title, drill);
              go(Area.PRACTISE);
            });
    writing = new WritingModel(studio, devices.notes(), devices.keyboard());
    part = new PartView(studio, writing, look, this::chooseAgain);
    practise = new PractiseView(studio, practice, devices.click(), look);
    shelf = new ShelfView(studio, this);
    areas.put(Area.SHELF, shelf);
    areas.put(Area.PART, part);
    areas.put(Area.LEFT_HAND, leftHand);
    areas.put(Area.PLAN, new PlanView(studio));
    areas.put(Area.PRACTISE, practise);
    areas.put(Area.JOURNAL, new JournalView(studio));
    setLeft(side());
    setTop(new VBox(header(), errorBox));
    setBottom(status());
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
    studio.troubleProperty().addListener(o -> showError());
    studio.preferences().darkProperty().addListener(o -> paintTheme());
    studio
        .shownProperty()
        .addListener(
            (o, before, now) -> {
              if (before == null && centre.lookup("#to-shelf") != null) {
                go(current);
              }
            });
    paintTheme();
    go(Area.SHELF);
  }

  private void paintTheme() {
    boolean dark = studio.preferences().darkProperty().get();
    look.inksProperty().set(dark ? Inks.DARK : Inks.LIGHT);
    pseudoClassStateChanged(PseudoClass.getPseudoClass("dark"), dark);
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
        .shownProperty()
        .addListener(
            (o, a, b) -> {
              if (b != null) {
                var s = b.passage().settings();
                title.setText(s.title());
                facts.setText(
                    s.setup().instrument().displayName()
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
    errorBox.getChildren().clear();
    studio.troubleProperty().get().ifPresent(t -> errorBox.getChildren().add(trouble(t)));
    Problem p = studio.errorProperty().get();
    if (p != null) {
      errorBox
          .getChildren()
          .add(
              error(
                  p.toString(),
                  "error",
                  Parts.button("Close", "close-error", studio::dismissError)));
    }
  }

  private HBox trouble(Storing.Trouble t) {
    StoreFailure.Cause why = t.failure().why();
    String text =
        Sentences.of("store." + why)
            + " "
            + Sentences.of(t.waiting() == 1 ? "store.last" : "store.some")
            + " "
            + Sentences.of(why == StoreFailure.Cause.GONE ? "store.do.GONE" : "store.do");
    return error(
        text,
        "not-stored",
        Parts.button(Sentences.of("store.again"), "store-again", studio::storeAgain),
        Parts.button(Sentences.of("store.give-up"), "store-give-up", studio::giveUpUnstored));
  }

  private static HBox error(String text, String id, Node... buttons) {
    HBox row = Parts.row(12, Parts.label(text, "error-text"), Parts.spring());
    row.getChildren().addAll(buttons);
    row.getStyleClass().add("error");
    row.setId(id);
    return row;
  }

  /** What the left hand is looked at with. */
  public LeftHandModel leftHand() {
    return leftHandModel;
  }

  /** Shows an area by its name, such as {@code LEFT_HAND}. */
  public void goTo(String area) {
    go(Area.valueOf(area));
  }

  void go(Area area) {
    current = area;
    boolean needsPassage = area != Area.SHELF && area != Area.JOURNAL;
    boolean nothing = needsPassage && studio.session() == null;
    centre.getChildren().setAll(nothing ? nothingOpen() : areas.get(area));
    if (area == Area.SHELF) {
      shelf.refresh();
    }
    buttons.forEach(
        (a, b) -> b.pseudoClassStateChanged(PseudoClass.getPseudoClass("current"), a == area));
    leftHandModel.setComparing(area == Area.LEFT_HAND);
    if (area == Area.LEFT_HAND) {
      leftHand.strip().requestFocus();
    } else if (area == Area.PART) {
      part.strip().requestFocus();
    } else {
      centre.requestFocus();
    }
  }

  private Node nothingOpen() {
    return Parts.empty(
        "No passage is open.",
        Parts.button("Choose one on the Shelf", "to-shelf", () -> go(Area.SHELF), "primary"),
        Parts.button("Open a file", "empty-open", this::chooseFile));
  }

  private void toggleHelp() {
    if (!centre.getChildren().remove(help)) {
      help.fill(current == Area.PART && writing.isWriting());
      centre.getChildren().add(help);
    }
  }

  /** Asks for a file and opens it. */
  void chooseFile() {
    ask("Open a part").ifPresent(this::openFile);
  }

  /** Asks where to, and saves the file with the fingering written into it. */
  void saveCopy() {
    if (studio.shown() == null) {
      return;
    }
    FileChooser chooser = new FileChooser();
    chooser.setTitle("Save a copy with the fingering");
    chooser.setInitialFileName(studio.shown().passage().settings().title() + ".musicxml");
    File file = chooser.showSaveDialog(getScene().getWindow());
    if (file != null) {
      saveTo(file);
    }
  }

  /** Saves a file to print, to show or to hear. */
  public void savePaper(PaperModel.Kind kind, File file) {
    part.paper().save(kind, file);
  }

  /** Keeps a photo or scan of the page beside the open passage. */
  public void takePicture(File file) {
    part.paper().take(file);
  }

  /** Saves the open passage with its fingering to a file. */
  public void saveTo(File file) {
    studio.paper().export(bytes -> part.paper().write(file, bytes));
  }

  /** Reads a file into the library. */
  public void openFile(File file) {
    bytes(file)
        .ifPresent(
            bytes -> {
              studio.preferences().remember(file.getAbsolutePath());
              studio.parts(file.getName(), bytes, parts -> open(file.getName(), bytes, parts));
            });
  }

  /** Opens the text on the clipboard as a tune. */
  private void pasteTune() {
    String text = Clipboard.getSystemClipboard().getString();
    if (text == null || text.isBlank()) {
      studio.report(new Problem("", "There is no text on the clipboard.", "Copy an ABC tune."));
    } else {
      studio.importFile("pasted.abc", text.getBytes(StandardCharsets.UTF_8));
      go(Area.PART);
    }
  }

  private void open(String name, byte[] bytes, List<PartChoice> parts) {
    if (parts.size() == 1) {
      studio.importFile(name, bytes);
      go(Area.PART);
    } else {
      centre
          .getChildren()
          .setAll(new PickPart(studio, look, name, bytes, parts, () -> go(Area.PART)));
    }
  }

  /** What a file holds; one that is too large is not read, and one that cannot be read is told. */
  private Optional<byte[]> bytes(File file) {
    try {
      if (file.length() > LARGEST_FILE) {
        studio.report(
            new Problem(
                file.getName(),
                "The file is larger than " + LARGEST_FILE / 1_000_000 + " MB.",
                "Export only the part you play."));
        return Optional.empty();
      }
      return Optional.of(Files.readAllBytes(file.toPath()));
    } catch (IOException e) {
      studio.report(
          new Problem(
              file.getName(), "The file cannot be read.", "Check that it is there and yours."));
      return Optional.empty();
    }
  }

  private void chooseAgain() {
    if (studio.shown() != null) {
      ask("Bring the file in again")
          .ifPresent(f -> bytes(f).ifPresent(b -> studio.bringInAgain(f.getName(), b)));
    }
  }

  private Optional<File> ask(String title) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle(title);
    chooser
        .getExtensionFilters()
        .add(
            new FileChooser.ExtensionFilter(
                "MusicXML, MIDI, ABC", "*.musicxml", "*.xml", "*.mxl", "*.mid", "*.midi", "*.abc"));
    return Optional.ofNullable(chooser.showOpenDialog(getScene().getWindow()));
  }

  /** Starts a page for an instrument, ready to be written on. */
  public void newPage(InstrumentType type) {
    studio.startPage(
        Draft.emptyPage(
            "Untitled", TimeSignature.COMMON_TIME, KeySignature.NONE, Writing.usualClef(type)),
        Setup.usual(type));
    writing.startWhenOpen();
    go(Area.PART);
  }

  void loadDemo() {
    demo.run();
  }

  private StripView strip() {
    return current == Area.PART ? part.strip() : leftHand.strip();
  }

  private void key(KeyEvent e) {
    boolean typing = e.getTarget() instanceof TextInputControl;
    boolean write = current == Area.PART && writing.isWriting();
    if (write && !typing) {
      for (Shortcut s : Shortcut.in("Writing")) {
        if (s.keys().match(e) && part.type(s)) {
          e.consume();
          return;
        }
      }
    }
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
          case "Strip" -> strip && !(writing.isWriting() && current == Area.PART);
          case "Part" -> current == Area.PART && !writing.isWriting();
          case "Writing" -> false;
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
      case DARK -> studio.preferences().toggleDark();
      case FOLD -> strip().foldLane();
      case ZOOM_IN -> strip().zoom(1.12);
      case ZOOM_OUT -> strip().zoom(1 / 1.12);
      case NEXT_NOTE -> studio.select(studio.selectedProperty().get() + 1);
      case PREVIOUS_NOTE -> studio.select(studio.selectedProperty().get() - 1);
      case NEXT_BAR -> studio.selectBar(1);
      case PREVIOUS_BAR -> studio.selectBar(-1);
      case FINGER_0 -> studio.decisions().pinFinger(Finger.OPEN);
      case FINGER_1 -> studio.decisions().pinFinger(Finger.FIRST);
      case FINGER_2 -> studio.decisions().pinFinger(Finger.SECOND);
      case FINGER_3 -> studio.decisions().pinFinger(Finger.THIRD);
      case FINGER_4 -> studio.decisions().pinFinger(Finger.FOURTH);
      case FINGER_T -> studio.decisions().pinFinger(Finger.THUMB);
      case STRING_UP -> studio.decisions().pinString(-1);
      case STRING_DOWN -> studio.decisions().pinString(1);
      case UNPIN -> studio.decisions().unpin();
      case ADOPT -> leftHandModel.adopt();
      case EXTEND_RIGHT -> leftHandModel.extend(1);
      case EXTEND_LEFT -> leftHandModel.extend(-1);
      case STOP_TRYING -> leftHandModel.stopTrying();
      case SHOW_NOTE -> leftHand.show(LeftHandView.Tab.NOTE);
      case SHOW_SHIFTS -> leftHand.show(LeftHandView.Tab.SHIFTS);
      case SHOW_CROSSINGS -> leftHand.show(LeftHandView.Tab.CROSSINGS);
      case SHOW_FINGERINGS -> leftHand.show(LeftHandView.Tab.FINGERINGS);
      case SHOW_CARES -> leftHand.show(LeftHandView.Tab.CARES);
      case VIBRATO -> leftHandModel.toggleVibrato();
      case WISH_STRING -> leftHandModel.wish(Wish.Kind.ON_STRING);
      case WISH_POSITION -> leftHandModel.wish(Wish.Kind.POSITION);
      case WISH_STAYS -> leftHandModel.wish(Wish.Kind.IN_POSITION);
      case WISH_NO_OPEN -> leftHandModel.wish(Wish.Kind.NO_OPEN);
      case WISH_NO_FOURTH -> leftHandModel.wish(Wish.Kind.NO_LONG_FOURTH);
      case WISH_PRINTED -> leftHandModel.wish(Wish.Kind.AS_PRINTED);
      case NOT_FINGER -> leftHandModel.wish(Wish.Kind.NOT_FINGER);
      case NOT_STRING -> leftHandModel.wish(Wish.Kind.NOT_STRING);
      case EXCHANGE -> leftHandModel.exchange();
      case DIGITS -> studio.decisions().toggleDigits();
      case DOWN_BOW -> studio.decisions().markBow(Signs.Bow.DOWN);
      case UP_BOW -> studio.decisions().markBow(Signs.Bow.UP);
      case START_STOP -> practise.toggle();
      case CLEAN -> practise.judge(Verdict.CLEAN);
      case NEARLY -> practise.judge(Verdict.NEARLY);
      case MISSED -> practise.judge(Verdict.MISSED);
      case HURTS -> practise.judge(Verdict.HURTS);
      case NEXT_ITEM -> practise.nextItem();
      case SUBDIVIDE -> practise.nextSubdivision();
      case WRITE -> part.write();
      case PASTE_TUNE -> pasteTune();
      default -> throw new IllegalArgumentException("no handler for " + s);
    }
    return true;
  }
}
