package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.widget.ClimbLine;
import fret.app.widget.Look;
import fret.app.widget.StripView;
import fret.app.words.Days;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.engraving.Page;
import fret.instrument.InstrumentType;
import fret.journal.Verdict;
import fret.passage.Passage;
import fret.plan.PracticePlan;
import fret.shelf.Audition;
import fret.shelf.Planning;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import javafx.collections.ListChangeListener;
import javafx.collections.MapChangeListener;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Shelf: the auditions and passages, and what to do first. */
final class ShelfView extends VBox implements AreaView {
  @Override
  public Node node() {
    return this;
  }

  static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

  private static final int MOST_QUESTIONS = 2;

  private final Studio studio;
  private final Look look;
  private final Map<Long, VBox> dues = new HashMap<>();
  private final MainView main;
  private boolean seen;
  private boolean stale;
  private final Label asked = Parts.label("", "lead");
  private final Label pain = PainPane.line("shelf-pain");
  private final Button start;

  ShelfView(Areas.Room room) {
    this.studio = room.studio();
    this.main = room.main();
    this.look = room.look();
    this.start =
        Parts.button(
            Sentences.of("shelf.start"),
            "start-session",
            () -> {
              room.practice().restart();
              main.go("practise");
            },
            "primary");
    studio.plans().plannedProperty().addListener(o -> change());
    studio.plans().outlookProperty().addListener(o -> change());
    studio.openings().all().addListener((MapChangeListener<Long, Object>) c -> change());
    studio.passages().addListener((ListChangeListener<Passage>) c -> change());
    studio.journal().addListener((ListChangeListener<Object>) c -> change());
    studio.messageProperty().addListener(o -> change());
    show();
  }

  /** Brings today's list up to date. */
  @Override
  public void shown() {
    seen = true;
    studio.plans().ensure();
    studio.plans().watch(this);
    if (stale) {
      show();
    }
  }

  @Override
  public void left() {
    seen = false;
    studio.plans().unwatch(this);
  }

  /** Slips are made anew when they are looked at, not behind another area. */
  private void change() {
    stale = true;
    if (seen) {
      show();
    }
  }

  /** What today asks stands on each slip. */
  private void showDue() {
    dues.forEach((id, place) -> place.getChildren().clear());
    Planning p = studio.plans().plannedProperty().get();
    Optional<PracticePlan.Day> day = p == null ? Optional.empty() : p.plan().on(studio.today());
    boolean any = day.filter(d -> !d.items().isEmpty()).isPresent();
    start.setVisible(any);
    start.setManaged(any);
    asked.setText(
        any
            ? Sentences.of("shelf.due", Math.round(day.get().minutes()))
            : Sentences.of(p == null ? "shelf.planning" : "shelf.nothing-is"));
    PainPane.show(pain, studio);
    if (!any) {
      return;
    }
    for (Map.Entry<Long, VBox> due : dues.entrySet()) {
      List<PracticePlan.Item> items = p.items(studio.today(), due.getKey());
      if (!items.isEmpty()) {
        due.getValue().getChildren().setAll(dueRow(due.getKey(), items));
      }
    }
  }

  private HBox dueRow(long passage, List<PracticePlan.Item> items) {
    int count = PracticePlan.visits(items).size();
    long minutes = (long) Math.ceil(items.stream().mapToDouble(PracticePlan.Item::minutes).sum());
    String what = Sentences.of(count == 1 ? "shelf.item" : "shelf.items", count, minutes);
    Button row =
        Parts.button(
            Sentences.of("shelf.practise-2"),
            "due-" + passage,
            () -> {
              studio.passage(passage).ifPresent(studio::open);
              main.go("practise");
            },
            "small");
    row.setAccessibleText(Sentences.of("shelf.practise", passage, what));
    return Parts.row(
        8, Parts.line(Sentences.of("shelf.today", what), "plain"), Parts.spring(), row);
  }

  private void show() {
    stale = false;
    getChildren().clear();
    dues.clear();
    VBox page = Parts.page();
    if (studio.passages().isEmpty()) {
      page.getChildren()
          .add(
              Parts.empty(
                  Sentences.of("shelf.nothing-stands"),
                  Parts.button(
                      Sentences.of("shelf.open-a"), "first-open", main::chooseFile, "primary"),
                  Parts.button(Sentences.of("shelf.look-at"), "first-demo", main::loadDemo),
                  Parts.button(Sentences.of("shelf.tour"), "first-tour", main::takeTour),
                  byHand()));
      VBox.setVgrow(page, Priority.ALWAYS);
      getChildren().add(page);
      return;
    }
    Set<Long> away = studio.preferences().away();
    List<Passage> out = studio.passages().stream().filter(p -> !away.contains(p.id())).toList();
    for (Audition a : studio.plans().auditions()) {
      page.getChildren()
          .add(audition(a, out.stream().filter(p -> p.auditionId() == a.id()).toList()));
    }
    List<Passage> loose =
        out.stream()
            .filter(
                p -> studio.plans().auditions().stream().noneMatch(a -> a.id() == p.auditionId()))
            .toList();
    if (!loose.isEmpty()) {
      page.getChildren().add(Parts.line(Sentences.of("shelf.without-a"), "section"));
      page.getChildren().add(cards(loose));
    }
    page.getChildren()
        .add(
            Parts.row(
                10,
                Parts.button(Sentences.of("shelf.open-a-file"), "shelf-open", main::chooseFile),
                byHand(),
                scale()));
    recent(page);
    away(page, studio.passages().stream().filter(p -> away.contains(p.id())).toList());
    page.getChildren()
        .add(
            0,
            Parts.row(
                14,
                start,
                asked,
                Parts.spring(),
                Parts.button(Sentences.of("today.pdf"), "today-pdf", this::saveToday, "small")));
    page.getChildren().add(1, pain);
    ScrollPane scroll = Parts.scroll(page);
    getChildren().add(scroll);
    studio.openings().read(studio.passages());
    showDue();
  }

  /** A scale, an arpeggio or thirds become a passage by their name. */
  private TextField scale() {
    TextField name = new TextField();
    name.setId("scale-name");
    name.setPrefWidth(330);
    name.setPromptText(Sentences.of("scale.ask"));
    name.setAccessibleText(Sentences.of("scale.name"));
    name.setTooltip(new Tooltip(Sentences.of("scale.name")));
    name.setOnAction(
        e -> {
          if (!name.getText().isBlank()) {
            studio.startScale(name.getText());
            name.clear();
          }
        });
    return name;
  }

  private void saveToday() {
    studio
        .todaySheet()
        .make(Page.Paper.A4, pdf -> main.files().save(Sentences.of("today.file") + ".pdf", pdf));
  }

  /** Passages that are not prepared now, to take back. */
  private void away(VBox page, List<Passage> passages) {
    FlowPane names = new FlowPane(8, 6);
    for (Passage p : passages) {
      names
          .getChildren()
          .add(
              Parts.button(
                  Sentences.of("shelf.take-back", p.settings().title()),
                  "take-back-" + p.id(),
                  () -> putAway(p, false),
                  "small"));
    }
    if (!passages.isEmpty()) {
      page.getChildren().addAll(Parts.line(Sentences.of("shelf.away"), "quiet"), names);
    }
  }

  private void putAway(Passage p, boolean is) {
    studio.putAway(p, is);
    change();
  }

  /** Files that were opened last, to open again. */
  private void recent(VBox page) {
    FlowPane files = new FlowPane(8, 6);
    for (String path : studio.preferences().recentFiles()) {
      java.io.File file = new java.io.File(path);
      files.getChildren().add(Parts.button(file.getName(), "", () -> main.openFile(file), "small"));
    }
    if (!files.getChildren().isEmpty()) {
      page.getChildren().addAll(Parts.line(Sentences.of("shelf.opened-last"), "quiet"), files);
    }
  }

  /** A new page for each instrument. */
  private HBox byHand() {
    var row = Parts.row(6, Parts.line(Sentences.of("shelf.or-write"), "quiet"));
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
                Sentences.of(
                    "shelf.event",
                    Texts.capital(Days.of(a.date(), studio.today())),
                    days,
                    Days.of(a.readyDate(), studio.today())),
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

  /** A slip: the opening, the climb, and what today asks of it. */
  private VBox card(Passage p) {
    boolean hurt =
        studio.journal().stream()
            .filter(e -> e.passageId() == p.id())
            .reduce((a, b) -> b)
            .map(e -> e.verdict() == Verdict.HURTS)
            .orElse(false);
    StripView opening = StripView.small(look, 5.5);
    opening.setMouseTransparent(true);
    opening.setFocusTraversable(false);
    opening.setPrefHeight(106);
    opening.setMinHeight(106);
    opening.setMaxHeight(106);
    Optional.ofNullable(studio.openings().all().get(p.id()))
        .ifPresent(o -> opening.show(StripView.Music.of(o, List.of())));
    ClimbLine climb = new ClimbLine(look, false);
    Optional<Planning.Entry> entry =
        Optional.ofNullable(studio.plans().plannedProperty().get()).flatMap(x -> x.of(p.id()));
    entry.ifPresent(
        e ->
            climb.show(
                Climbs.of(
                    studio,
                    studio.plans().plannedProperty().get(),
                    e,
                    Optional.ofNullable(
                        studio.plans().outlookProperty().get().forecasts().get(e.goal().id())))));
    String state = entry.map(e -> Sentences.of(Climbs.readiness(e))).orElse("");
    Button open = new Button();
    open.setGraphic(
        new VBox(
            2,
            Parts.line(p.settings().title(), "card-title"),
            Parts.line(
                p.settings().setup().instrument().displayName() + ", " + Words.tempos(p.settings()),
                "quiet"),
            Parts.line(state, "quiet")));
    open.getStyleClass().add("choice");
    open.setId("passage-" + p.id());
    open.setMaxWidth(Double.MAX_VALUE);
    open.setAccessibleText(Sentences.of("shelf.open-passage", p.settings().title(), state));
    open.setOnAction(
        e -> {
          studio.open(p);
          main.go("left-hand");
        });
    VBox asks = new VBox();
    asks.setMinHeight(30);
    dues.put(p.id(), asks);
    HBox.setHgrow(asks, Priority.ALWAYS);
    VBox slip = Parts.card("", open, opening, climb, Parts.row(6, asks, more(p)));
    slip.setPrefWidth(336);
    questions(p, slip);
    if (hurt) {
      slip.getChildren().add(Parts.line(Sentences.of("shelf.it-hurt"), "warning"));
    }
    return slip;
  }

  /** What is seldom done with a passage. */
  private MenuButton more(Passage p) {
    MenuItem copy = new MenuItem(Sentences.of("shelf.duplicate"));
    copy.setOnAction(e -> studio.duplicate(p));
    MenuItem away = new MenuItem(Sentences.of("shelf.put-away"));
    away.setOnAction(e -> putAway(p, true));
    MenuButton more = new MenuButton(Sentences.of("shelf.more"), null, copy, away);
    more.setId("more-" + p.id());
    more.getStyleClass().add("small");
    more.setMinWidth(Region.USE_PREF_SIZE);
    return more;
  }

  /** What is still open in a passage, by its bars. */
  private static void questions(Passage p, VBox slip) {
    List<String> open = new ArrayList<>();
    new TreeMap<>(p.settings().details().barNotes())
        .forEach((bar, notes) -> notes.forEach(n -> open.add(Sentences.of("shelf.open", bar, n))));
    for (String text : open.subList(0, Math.min(MOST_QUESTIONS, open.size()))) {
      slip.getChildren().add(Parts.label(text, "quiet"));
    }
    if (open.size() > MOST_QUESTIONS) {
      slip.getChildren()
          .add(Parts.line(Sentences.of("shelf.open-more", open.size() - MOST_QUESTIONS), "quiet"));
    }
  }
}
