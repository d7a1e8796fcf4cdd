package fret.app.view;

import fret.app.command.Action;
import fret.app.viewmodel.Beating;
import fret.app.viewmodel.BowModel;
import fret.app.viewmodel.Deeds;
import fret.app.viewmodel.Hearing;
import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.PaperModel;
import fret.app.viewmodel.PracticeModel;
import fret.app.viewmodel.Studio;
import fret.app.viewmodel.TakesModel;
import fret.app.viewmodel.TuningModel;
import fret.app.viewmodel.WritingModel;
import fret.app.widget.Inks;
import fret.app.widget.Look;
import fret.app.widget.StripView;
import fret.app.words.Sentences;
import fret.base.Problem;
import fret.base.Said;
import fret.instrument.InstrumentType;
import fret.lane.Lane;
import fret.lane.Lanes;
import fret.passage.ScoreReader.PartChoice;
import fret.passage.Setup;
import fret.pitch.KeySignature;
import fret.score.TimeSignature;
import fret.session.Session;
import fret.shelf.Take;
import fret.writing.Draft;
import fret.writing.Writing;
import java.io.File;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.Window;
import javafx.stage.WindowEvent;

/** The window: areas at the side, the open passage above, messages below. */
public final class MainView extends BorderPane {
  /** In px at 100 percent. */
  private static final double USUAL_LETTERS = 14;

  private final Studio studio;

  /** Opens the demo, with a tour through it or without. */
  private final Consumer<Boolean> demo;

  private final Look look;
  private final List<Area> areas;

  /** Ids of the areas whose view is made. */
  private final Set<String> furnished = new HashSet<>();

  private final StackPane centre = new StackPane();
  private final LeftHandModel leftHandModel;
  private final WritingModel writing;
  private final Tour tour;
  private final ContextMenu menu = new ContextMenu();
  private final FindPage help = new FindPage(this::everything, this::does);
  private final Rail rail;
  private final GoTo goTo;
  private final HeadLine head;
  private final List<Action> everywhere;
  private final Beating beating;
  private final TakesModel takes;
  private final FileDesk files;
  private Area current;

  public MainView(
      Studio studio, PracticeModel practice, Devices devices, Look look, Consumer<Boolean> demo) {
    this.studio = studio;
    this.demo = demo;
    this.look = look;
    this.files = new FileDesk(studio, () -> getScene().getWindow());
    getStyleClass().add("fret");
    leftHandModel = new LeftHandModel(studio);
    writing = new WritingModel(studio, devices.notes(), devices.keyboard());
    Hearing hearing = new Hearing(studio, leftHandModel, devices.passage());
    beating =
        new Beating(
            studio,
            devices.click(),
            devices.drone(),
            () ->
                current == null
                        || !current.id().equals("practise")
                        || practice.stand().gateProperty().get() == null
                    ? 0
                    : practice.stand().gateProperty().get().perMinute());
    takes =
        new TakesModel(
            studio, leftHandModel, devices.passage(), devices.microphone(), devices.sounds());
    goTo = new GoTo(studio, this::takeKeys);
    head = new HeadLine(studio, look, goTo);
    areas =
        Areas.in(
            new Areas.Room(
                studio,
                this,
                leftHandModel,
                new BowModel(studio),
                new TuningModel(studio, leftHandModel, devices.passage(), devices.drone()),
                takes,
                practice,
                writing,
                hearing,
                beating,
                devices,
                look));
    everywhere = everywhere();
    rail = new Rail(areas, studio.preferences(), this::go, this::toggleHelp);
    setLeft(rail);
    setTop(new VBox(head, new Banners(studio)));
    StatusLine status = new StatusLine(studio);
    StackPane.setAlignment(status, Pos.BOTTOM_LEFT);
    tour = new Tour(studio, this::go);
    setCenter(new StackPane(centre, status, tour));
    centre.getStyleClass().add("centre");
    new Explains().on(this);
    new Keyboard(this::actions, this::closeOver, this::takeKeys).on(this);
    setOnDragOver(
        e -> {
          if (e.getDragboard().hasFiles()) {
            e.acceptTransferModes(TransferMode.COPY);
          }
        });
    setOnDragDropped(
        e -> e.getDragboard().getFiles().stream().findFirst().ifPresent(this::openFile));
    studio.deeds().setWay(new Looking());
    studio.preferences().darkProperty().addListener(o -> paintTheme());
    studio.preferences().lettersProperty().addListener(o -> sizeLetters());
    sizeLetters();
    studio
        .shownProperty()
        .addListener(
            (o, before, now) -> {
              if (before == null && centre.lookup("#to-shelf") != null) {
                go(current.id());
              }
            });
    // After the layout that told of the width: asked for within it, another one would be dropped.
    widthProperty().addListener(o -> Platform.runLater(this::sizeLetters));
    paintTheme();
    go("shelf");
  }

  private Area area(String id) {
    return areas.stream().filter(a -> a.id().equals(id)).findFirst().orElseThrow();
  }

  /**
   * Makes what every area shows, so that none is waited for later. The first picture does not wait
   * for it; whatever may open a passage does.
   */
  public void furnish() {
    areas.forEach(this::view);
  }

  private AreaView view(Area area) {
    AreaView view = area.view().get();
    if (furnished.add(area.id())) {
      setLanes(area, view);
    }
    return view;
  }

  private PartView part() {
    return (PartView) view(area("part"));
  }

  /** Lanes stand in every strip; which of them are open is remembered for each area. */
  private void setLanes(Area area, AreaView view) {
    view.strip()
        .ifPresent(
            strip -> {
              Set<String> open = studio.preferences().openLanes(area.id(), area.lanes());
              strip.setLanes(Lanes.ALL, id -> !open.contains(id));
              strip.setOnMenu((x, y) -> showMenu(strip, x, y));
              strip.setOwnLane(area.lanes().stream().findFirst().orElse(""));
              strip.setOnFold(
                  () ->
                      studio
                          .preferences()
                          .putOpenLanes(
                              area.id(),
                              Lanes.ALL.stream()
                                  .map(Lane::id)
                                  .filter(id -> !strip.foldedLanes().contains(id))
                                  .toList()));
            });
  }

  /** What can be done in this area with what is selected: all of it by mouse too. */
  private void showMenu(StripView strip, double x, double y) {
    menu.getItems().clear();
    for (Action a : view(current).actions()) {
      // What is only looked at has its tabs.
      boolean looks = a.id().startsWith("show-");
      if (a.place().equals(current.id()) && !looks && a.when().getAsBoolean()) {
        MenuItem item =
            new MenuItem(Sentences.of("main.menu", a.words(), a.keys().getDisplayText()));
        item.setId("menu-" + a.id());
        item.setOnAction(e -> a.handler().run());
        menu.getItems().add(item);
      }
    }
    menu.show(strip, x, y);
  }

  private List<Action> everywhere() {
    List<Action> all = new ArrayList<>();
    String here = "everywhere";
    all.add(Action.of("help", here, Action.key(KeyCode.F1), this::toggleHelp));
    for (Area a : areas) {
      all.add(
          new Action(
              "area-" + a.id(),
              here,
              a.title(),
              Action.key(a.key()),
              () -> true,
              () -> go(a.id())));
    }
    all.add(Action.of("tour", here, Action.shift(KeyCode.F1), this::takeTour));
    all.add(Action.of("dark", here, Action.key(KeyCode.F12), studio.preferences()::toggleDark));
    all.add(
        Action.of(
            "letters-larger",
            here,
            new KeyCodeCombination(
                KeyCode.UP, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN),
            () -> studio.preferences().resizeLetters(true)));
    all.add(
        Action.of(
            "letters-smaller",
            here,
            new KeyCodeCombination(
                KeyCode.DOWN, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN),
            () -> studio.preferences().resizeLetters(false)));
    all.add(
        Action.of(
            "figures", here, Action.command(KeyCode.PERIOD), studio.preferences()::toggleFigures));
    all.add(Action.of("open", here, Action.command(KeyCode.O), this::chooseFile));
    all.add(Action.of("save", here, Action.command(KeyCode.S), this::saveCopy));
    all.add(Action.of("click", here, Action.command(KeyCode.K), beating::toggleClick));
    all.add(Action.of("drone", here, Action.command(KeyCode.T), beating::toggleDrone));
    all.add(
        Action.of(
            "drone-follows",
            here,
            new KeyCodeCombination(
                KeyCode.T, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN),
            beating::toggleFollowing));
    all.add(answer("answer-first", KeyCode.ENTER, 0));
    all.add(answer("answer-second", KeyCode.BACK_SPACE, 1));
    all.add(
        Action.of("cards", here, Action.command(KeyCode.J), () -> cards().toggle())
            .when(() -> view(current).node() instanceof Composition));
    all.add(Action.of("go-to", here, Action.command(KeyCode.G), goTo::open));
    all.add(Action.of("quit", here, Action.command(KeyCode.Q), this::quit));
    all.add(Action.of("undo", here, Action.command(KeyCode.Z), studio::undo));
    all.add(Action.of("redo", here, Action.command(KeyCode.Y), studio::redo));
    all.add(
        Action.of(
            "paste-tune",
            here,
            new KeyCodeCombination(
                KeyCode.V, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN),
            this::pasteTune));
    return all;
  }

  private Composition cards() {
    return (Composition) view(current).node();
  }

  /** As by the button of the window, which asks where something is not stored yet. */
  private void quit() {
    Window window = getScene().getWindow();
    window.fireEvent(new WindowEvent(window, WindowEvent.WINDOW_CLOSE_REQUEST));
  }

  private Action answer(String id, KeyCode code, int which) {
    return Action.of(id, "everywhere", Action.command(code), () -> studio.asking().answer(which))
        .when(() -> studio.asking().askedProperty().get().isPresent());
  }

  private void paintTheme() {
    boolean dark = studio.preferences().darkProperty().get();
    look.inksProperty().set(dark ? Inks.DARK : Inks.LIGHT);
    pseudoClassStateChanged(PseudoClass.getPseudoClass("dark"), dark);
  }

  /** All letters follow that of the root; pictures are told. */
  private void sizeLetters() {
    double letters = studio.preferences().lettersProperty().get() / 100.0;
    setStyle("-fx-font-size: " + USUAL_LETTERS * letters + "px;");
    look.lettersProperty().set(letters);
    rail.fit(getWidth(), letters);
  }

  /** The first moment in sight of the strip that is looked at. */
  void sees(int slice) {
    head.sees(slice);
  }

  /** Where the last thing was done is shown before it is taken back. */
  private final class Looking implements Deeds.Way {
    @Override
    public String area() {
      return current == null ? "" : current.id();
    }

    @Override
    public void show(String area, long passageId) {
      Session open = studio.session();
      if (passageId != 0 && (open == null || open.passage().id() != passageId)) {
        studio.passage(passageId).ifPresent(studio::open);
      }
      if (areas.stream().anyMatch(a -> a.id().equals(area))) {
        go(area);
      }
    }
  }

  /** What the left hand is looked at with. */
  public LeftHandModel leftHand() {
    return leftHandModel;
  }

  /** What is written on the page with. */
  public WritingModel writing() {
    return writing;
  }

  /** Ids of the areas, in order. */
  public List<String> areaIds() {
    return areas.stream().map(Area::id).toList();
  }

  /** Shows an area by its id, such as {@code left-hand}. */
  public void go(String id) {
    if (current != null) {
      furnish();
    }
    Area before = current;
    current = area(id);
    if (before != null && !before.equals(current)) {
      view(before).left();
      studio.tell("");
      studio.dismissError();
    }
    boolean nothing =
        studio.session() == null
            && switch (current.needs()) {
              case NOTHING -> false;
              case PASSAGES -> studio.passages().isEmpty();
              case OPEN -> true;
            };
    centre.getChildren().setAll(nothing ? nothingOpen() : view(current).node());
    rail.opened(current);
    head.show(current.question(), centre.getChildren().get(0));
    view(current).shown();
    takeKeys();
  }

  /** The strip has the keys, or the area where there is none. */
  private void takeKeys() {
    view(current)
        .strip()
        .filter(Node::isVisible)
        .ifPresentOrElse(StripView::requestFocus, centre::requestFocus);
  }

  private Node nothingOpen() {
    return Parts.empty(
        Sentences.of("main.no-passage-is"),
        Parts.button(Sentences.of("main.choose-one"), "to-shelf", () -> go("shelf"), "primary"),
        Parts.button(Sentences.of("main.open-a"), "empty-open", this::chooseFile));
  }

  /** What keys do now, those of the area first. */
  private List<Action> actions() {
    List<Action> all = new ArrayList<>(view(current).actions());
    all.addAll(everywhere);
    return all;
  }

  private boolean closeHelp() {
    return centre.getChildren().remove(help);
  }

  /** What lies over the area goes at Escape: the page of keys, or else the drawer of the cards. */
  private boolean closeOver() {
    if (closeHelp() || tour.leave()) {
      takeKeys();
      return true;
    }
    return view(current).node() instanceof Composition c && c.close();
  }

  private void toggleHelp() {
    if (!closeHelp()) {
      List<Action> all = new ArrayList<>(view(current).actions());
      if (view(current).hasMode()) {
        all.removeIf(a -> !a.when().getAsBoolean());
      } else {
        all.addAll(everywhere);
        all.removeIf(a -> a.place().equals(PartView.WRITING));
      }
      help.fill(all);
      centre.getChildren().add(help);
      help.focus();
    }
  }

  /** All keys there are, each once, those of an area after those that count everywhere. */
  public List<Action> keys() {
    Map<String, Action> once = new LinkedHashMap<>();
    everywhere.forEach(a -> once.put(a.place() + a.id(), a));
    areas.forEach(v -> view(v).actions().forEach(a -> once.putIfAbsent(a.place() + a.id(), a)));
    return List.copyOf(once.values());
  }

  /** What can be done anywhere, as it counts now. */
  private List<Action> everything() {
    List<Action> all = new ArrayList<>(keys());
    all.removeIf(a -> a.place().equals(PartView.WRITING) && !view(current).hasMode());
    return all;
  }

  /** Does what was found, in its area. */
  private void does(Action found) {
    closeHelp();
    boolean elsewhere =
        areas.stream().anyMatch(a -> a.id().equals(found.place()))
            && !found.place().equals(current.id());
    if (elsewhere) {
      go(found.place());
    } else {
      takeKeys();
    }
    if (found.when().getAsBoolean()) {
      found.handler().run();
    } else {
      studio.tell(Sentences.of("find.not-now", found.words()));
    }
  }

  /** Files that are asked for, read and saved. */
  FileDesk files() {
    return files;
  }

  /** Asks for a file and opens it. */
  void chooseFile() {
    files
        .ask(Sentences.of("main.open-a-part"), FileDesk.Sort.PART, FileDesk.Sort.PICTURE)
        .ifPresent(this::openFile);
  }

  /** Asks where to, and saves the file with the fingering written into it. */
  void saveCopy() {
    if (studio.shown() != null) {
      files.askWhereTo(Sentences.of("main.save-a"), files.copyName()).ifPresent(this::saveTo);
    }
  }

  /** Saves a file to print, to show or to hear. */
  public void savePaper(PaperModel.Kind kind, File file) {
    part().paper().save(kind, file);
  }

  /** Keeps a photo or scan of the page beside the open passage. */
  public void takePicture(File file) {
    part().picture().take(file);
  }

  /** Saves the open passage with its fingering to a file. */
  public void saveTo(File file) {
    studio.paper().export(bytes -> part().paper().write(file, bytes));
  }

  /** Asks for a recording of the open passage. */
  void askForTake(Take.Whose whose) {
    files
        .ask(Sentences.of("take.bring-in"), FileDesk.Sort.RECORDING)
        .ifPresent(f -> bringInTake(f, whose));
  }

  /** Keeps a recording as a take of the open passage. */
  public void bringInTake(File file, Take.Whose whose) {
    if (studio.shown() == null) {
      studio.report(
          new Problem(
              Said.words(file.getName()),
              Said.of("take.no-passage"),
              Said.of("take.no-passage.do")));
      return;
    }
    go("takes");
    files
        .bytes(file, FileDesk.Sort.RECORDING)
        .ifPresent(b -> takes.bringIn(file.getName(), b, whose));
  }

  /** The recordings of the open passage. */
  public TakesModel takes() {
    return takes;
  }

  /** Reads a file into the library; of a picture, a passage without notes is made. */
  public void openFile(File file) {
    furnish();
    if (FileDesk.Sort.PICTURE.has(file)) {
      files.bytes(file, FileDesk.Sort.PICTURE).ifPresent(b -> openPicture(file.getName(), b));
      return;
    }
    if (FileDesk.Sort.RECORDING.has(file)) {
      bringInTake(file, Take.Whose.OWN);
      return;
    }
    files
        .bytes(file, FileDesk.Sort.PART)
        .ifPresent(
            bytes -> {
              studio.preferences().remember(file.getAbsolutePath());
              studio.parts(file.getName(), bytes, parts -> open(file.getName(), bytes, parts));
            });
  }

  private void openPicture(String name, byte[] bytes) {
    studio
        .paper()
        .startFrom(
            name,
            bytes,
            () -> {
              go("part");
              part().showPicture();
            });
  }

  /** Opens the text on the clipboard as a tune. */
  private void pasteTune() {
    String text = Clipboard.getSystemClipboard().getString();
    if (text == null || text.isBlank()) {
      studio.report(Problem.of(Said.of("main.there-is"), Said.of("main.copy-an")));
    } else {
      studio.importFile("pasted.abc", text.getBytes(StandardCharsets.UTF_8));
      go("part");
    }
  }

  private void open(String name, byte[] bytes, List<PartChoice> parts) {
    if (parts.size() == 1) {
      studio.importFile(name, bytes);
      go("part");
    } else {
      centre.getChildren().setAll(new PickPart(studio, look, name, bytes, parts, () -> go("part")));
    }
  }

  /** Asks for a file that is brought in again. */
  void chooseAgain() {
    if (studio.shown() != null) {
      files
          .ask(Sentences.of("main.bring-the"), FileDesk.Sort.PART)
          .ifPresent(
              f ->
                  files
                      .bytes(f, FileDesk.Sort.PART)
                      .ifPresent(b -> studio.bringInAgain(f.getName(), b)));
    }
  }

  /** Starts a page for an instrument, ready to be written on. */
  public void newPage(InstrumentType type) {
    studio.startPage(
        Draft.emptyPage(
            Sentences.of("part.untitled"),
            TimeSignature.COMMON_TIME,
            KeySignature.NONE,
            Writing.usualClef(type)),
        Setup.usual(type));
    writing.startWhenOpen();
    go("part");
  }

  /** Five steps through the work; with nothing on the shelf they begin once the demo is there. */
  public void takeTour() {
    if (studio.passages().isEmpty()) {
      demo.accept(true);
    } else {
      tour.start();
    }
  }

  void loadDemo() {
    demo.accept(false);
  }
}
