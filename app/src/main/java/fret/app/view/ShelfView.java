package fret.app.view;

import fret.app.viewmodel.DueToday;
import fret.app.viewmodel.Studio;
import fret.instrument.InstrumentType;
import fret.passage.Passage;
import fret.shelf.Audition;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
import javafx.collections.ListChangeListener;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Shelf: the auditions and passages, and what to do first. */
final class ShelfView extends VBox implements AreaView {
  @Override
  public Node node() {
    return this;
  }

  static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

  private final Studio studio;
  private final MainView main;
  private final DueToday due;
  private final VBox today = new VBox(6);

  ShelfView(Studio studio, MainView main) {
    this.studio = studio;
    this.main = main;
    this.due = new DueToday(studio);
    due.dueProperty().addListener(o -> showDue());
    studio.passages().addListener((ListChangeListener<Passage>) c -> show());
    studio.journal().addListener((ListChangeListener<Object>) c -> show());
    studio.messageProperty().addListener(o -> show());
    show();
  }

  /** Brings today's list up to date. */
  @Override
  public void shown() {
    due.refresh();
  }

  private void showDue() {
    today.getChildren().clear();
    if (due.dueProperty().get().isEmpty()) {
      today
          .getChildren()
          .add(Parts.label("Nothing is due today. Rest, or play one through.", "quiet"));
      return;
    }
    for (DueToday.Due d : due.dueProperty().get()) {
      today.getChildren().add(dueRow(d));
    }
    today
        .getChildren()
        .add(
            Parts.label(
                due.minutes()
                    + " minutes in all. Warm up first, and rest at least every half hour.",
                "quiet"));
  }

  private Button dueRow(DueToday.Due d) {
    int count = d.day().items().size();
    String what = count + (count == 1 ? " item" : " items");
    VBox text =
        new VBox(
            2,
            Parts.line(d.passage().settings().title(), "strong"),
            Parts.line(what + ", " + d.day().minutes() + " min", "quiet"));
    if (d.held()) {
      text.getChildren().add(Parts.line("Stretches wait: it hurt", "warning"));
    }
    Button row =
        Parts.button(
            "",
            "due-" + d.passage().id(),
            () -> {
              studio.open(d.passage());
              main.go("practise");
            },
            "choice");
    row.setGraphic(text);
    row.setAccessibleText("Practise " + d.passage().settings().title() + ": " + what);
    row.setMaxWidth(Double.MAX_VALUE);
    return row;
  }

  private void show() {
    getChildren().clear();
    VBox page = Parts.page();
    if (studio.passages().isEmpty()) {
      page.getChildren()
          .add(
              Parts.empty(
                  "Nothing stands on the shelf yet.\nFret reads a part, finds fingerings, and plans the practice up to your date.",
                  Parts.button("Open a MusicXML file", "first-open", main::chooseFile, "primary"),
                  Parts.button("Look at the demo", "first-demo", main::loadDemo),
                  byHand()));
      VBox.setVgrow(page, Priority.ALWAYS);
      getChildren().add(page);
      return;
    }
    for (Audition a : studio.plans().auditions()) {
      page.getChildren()
          .add(
              audition(
                  a, studio.passages().stream().filter(p -> p.auditionId() == a.id()).toList()));
    }
    List<Passage> loose =
        studio.passages().stream()
            .filter(
                p -> studio.plans().auditions().stream().noneMatch(a -> a.id() == p.auditionId()))
            .toList();
    if (!loose.isEmpty()) {
      page.getChildren().add(Parts.line("Without a date", "section"));
      page.getChildren().add(cards(loose));
    }
    page.getChildren()
        .add(Parts.row(10, Parts.button("Open a file", "shelf-open", main::chooseFile), byHand()));
    recent(page);
    HBox.setHgrow(page, Priority.ALWAYS);
    VBox card = Parts.card("Due today", today);
    card.setId("due-today");
    card.setPrefWidth(290);
    card.setMinWidth(250);
    card.setMaxHeight(javafx.scene.layout.Region.USE_PREF_SIZE);
    HBox.setMargin(card, new Insets(16, 20, 16, 0));
    getChildren().add(new HBox(page, card));
  }

  /** Files that were opened last, to open again. */
  private void recent(VBox page) {
    FlowPane files = new FlowPane(8, 6);
    for (String path : studio.preferences().recentFiles()) {
      java.io.File file = new java.io.File(path);
      files.getChildren().add(Parts.button(file.getName(), "", () -> main.openFile(file), "small"));
    }
    if (!files.getChildren().isEmpty()) {
      page.getChildren().addAll(Parts.line("Opened last", "quiet"), files);
    }
  }

  /** A new page for each instrument. */
  private HBox byHand() {
    var row = Parts.row(6, Parts.line("or write a passage by hand:", "quiet"));
    row.setAlignment(javafx.geometry.Pos.CENTER);
    for (InstrumentType type : InstrumentType.values()) {
      row.getChildren()
          .add(
              Parts.button(
                  type.displayName(), "write-" + type.displayName(), () -> main.newPage(type)));
    }
    return row;
  }

  private VBox audition(Audition a, List<Passage> passages) {
    long days = ChronoUnit.DAYS.between(studio.today(), a.date());
    VBox box = new VBox(10);
    box.getChildren().add(Parts.line(a.name(), "title"));
    box.getChildren()
        .add(
            Parts.label(
                DATE.format(a.date())
                    + ", in "
                    + days
                    + " days. Ready by "
                    + DATE.format(a.readyDate())
                    + ". "
                    + a.minutesPerDay()
                    + " minutes a day for each passage.",
                "quiet"));
    box.getChildren().add(cards(passages));
    return box;
  }

  private FlowPane cards(List<Passage> passages) {
    FlowPane pane = new FlowPane(14, 14);
    for (Passage p : passages) {
      pane.getChildren().add(card(p));
    }
    return pane;
  }

  private Button card(Passage p) {
    int target = (int) Math.round(p.settings().target().perMinute());
    int best =
        studio.journal().stream()
            .filter(e -> e.passageId() == p.id() && e.verdict() == fret.journal.Verdict.CLEAN)
            .mapToInt(e -> e.perMinute())
            .max()
            .orElse(0);
    boolean hurt =
        studio.journal().stream()
            .filter(e -> e.passageId() == p.id())
            .reduce((a, b) -> b)
            .map(e -> e.verdict() == fret.journal.Verdict.HURTS)
            .orElse(false);
    javafx.scene.control.ProgressBar bar =
        new javafx.scene.control.ProgressBar(best / (double) target);
    bar.setPrefWidth(280);
    bar.setAccessibleText("Played clean at " + best + " of " + target);
    VBox box =
        new VBox(
            6,
            Parts.line(p.settings().title(), "card-title"),
            Parts.line(
                p.settings().setup().instrument().displayName()
                    + ", "
                    + p.settings().target().beat().displayName()
                    + " = "
                    + target,
                "quiet"),
            bar,
            Parts.line(best == 0 ? "Not practised yet" : "Clean at " + best + " so far", "quiet"));
    if (hurt) {
      box.getChildren().add(Parts.line("It hurt last time: see a teacher first", "warning"));
    }
    Button button = new Button();
    button.setGraphic(box);
    button.getStyleClass().add("passage-card");
    button.setId("passage-" + p.id());
    button.setAccessibleText("Open " + p.settings().title());
    button.setOnAction(
        e -> {
          studio.open(p);
          main.go("left-hand");
        });
    return button;
  }
}
