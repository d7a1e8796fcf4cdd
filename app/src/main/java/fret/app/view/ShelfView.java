package fret.app.view;

import fret.app.viewmodel.ShelfOrder;
import fret.app.viewmodel.Studio;
import fret.app.words.Days;
import fret.app.words.Sentences;
import fret.engraving.Page;
import fret.instrument.InstrumentType;
import fret.passage.Passage;
import fret.plan.PracticePlan;
import fret.shelf.Audition;
import fret.shelf.Planning;
import java.io.File;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import javafx.collections.ListChangeListener;
import javafx.collections.MapChangeListener;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
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

  /** So few slips are found by eye. */
  private static final int FEW = 9;

  private final Studio studio;
  private final MainView main;
  private final ShelfSlips slips;
  private final ShelfList list;
  private final VBox head;
  private final FlowPane foot;
  private final TextField find = new TextField();
  private final ComboBox<ShelfOrder> order = new ComboBox<>();
  private boolean seen;
  private boolean stale;
  private final Label asked = Parts.label("", "lead");
  private final Label pain = PainPane.line("shelf-pain");
  private final Button start;

  ShelfView(Areas.Room room) {
    this.studio = room.studio();
    this.main = room.main();
    this.slips = new ShelfSlips(room);
    this.list = new ShelfList(slips::of, slips::width);
    VBox.setVgrow(list, Priority.ALWAYS);
    this.start =
        Parts.button(
            Sentences.of("shelf.start"),
            "start-session",
            () -> {
              room.practice().restart();
              main.go("practise");
            },
            "primary");
    find.setId("shelf-find");
    find.setPrefColumnCount(16);
    find.setPromptText(Sentences.of("shelf.find"));
    find.setAccessibleText(Sentences.of("shelf.find-name"));
    find.setTooltip(new Tooltip(Sentences.of("shelf.find-name")));
    find.textProperty().addListener(o -> show());
    Parts.onEscape(find, find::clear);
    order.setId("shelf-order");
    order.setAccessibleText(Sentences.of("shelf.order"));
    order.getItems().setAll(ShelfOrder.values());
    order.setConverter(Parts.named(ShelfOrder::words));
    order.setValue(ShelfOrder.BY_DATE);
    order.valueProperty().addListener(o -> show());
    this.head =
        new VBox(
            12,
            Parts.row(
                14,
                start,
                asked,
                Parts.spring(),
                find,
                order,
                Parts.button(Sentences.of("today.pdf"), "today-pdf", this::saveToday, "small")),
            pain);
    head.setPadding(new Insets(16, 20, 6, 20));
    this.foot =
        Parts.flow(
            10,
            Parts.button(Sentences.of("shelf.open-a-file"), "shelf-open", main::chooseFile),
            byHand(),
            scale());
    foot.setPadding(new Insets(8, 20, 30, 20)); // What was done is told under it.
    studio.plans().plannedProperty().addListener(o -> change());
    studio.plans().outlookProperty().addListener(o -> change());
    studio
        .openings()
        .all()
        .addListener((MapChangeListener<Long, Object>) c -> slips.showOpening(c.getKey()));
    studio.passages().addListener((ListChangeListener<Passage>) c -> change());
    studio.journal().addListener((ListChangeListener<Object>) c -> change());
    studio.messageProperty().addListener(o -> change());
    room.look().lettersProperty().addListener(o -> change());
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

  /** What today asks in all. */
  private void showDue() {
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
  }

  private void show() {
    stale = false;
    if (studio.passages().isEmpty()) {
      getChildren().setAll(nothing());
      return;
    }
    if (!getChildren().contains(list)) {
      getChildren().setAll(head, list, foot);
    }
    Set<Long> away = studio.preferences().away();
    List<Passage> out = studio.passages().stream().filter(p -> !away.contains(p.id())).toList();
    List<Audition> auditions = studio.plans().auditions();
    boolean many = out.size() > FEW;
    find.setVisible(many);
    find.setManaged(many);
    order.setVisible(many);
    order.setManaged(many);
    String words = many ? find.getText() : "";
    List<Passage> found = ShelfOrder.found(words, out, auditions, slips::state);
    List<Object> rows = new ArrayList<>();
    for (ShelfOrder.Group g : order.getValue().of(found, auditions, studio.journal())) {
      if (!g.passages().isEmpty() || words.isBlank()) {
        heading(g).ifPresent(rows::add);
        rows.add(g.passages());
      }
    }
    if (found.isEmpty() && !words.isBlank()) {
      rows.add(Parts.line(Sentences.of("shelf.found-none"), "quiet"));
    }
    recent().ifPresent(rows::add);
    away(studio.passages().stream().filter(p -> away.contains(p.id())).toList())
        .ifPresent(rows::add);
    slips.forget();
    list.show(rows);
    showDue();
  }

  private VBox nothing() {
    VBox page = Parts.page();
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
    return page;
  }

  /** The event and its days, or that there is none. */
  private Optional<Node> heading(ShelfOrder.Group group) {
    if (group.audition().isPresent()) {
      return Optional.of(audition(group.audition().get()));
    }
    return order.getValue() == ShelfOrder.BY_DATE
        ? Optional.of(Parts.line(Sentences.of("shelf.without-a"), "section"))
        : Optional.empty();
  }

  /** A scale, an arpeggio or thirds become a passage by their name. */
  private TextField scale() {
    TextField name = new TextField();
    name.setId("scale-name");
    name.setPrefColumnCount(24);
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
  private Optional<Node> away(List<Passage> passages) {
    List<Node> names = new ArrayList<>();
    for (Passage p : passages) {
      names.add(
          Parts.button(
              Sentences.of("shelf.take-back", p.settings().title()),
              "take-back-" + p.id(),
              () -> studio.putAway(p, false),
              "small"));
    }
    return row("shelf.away", names);
  }

  /** Files that were opened last, to open again. */
  private Optional<Node> recent() {
    List<Node> files = new ArrayList<>();
    for (String path : studio.preferences().recentFiles()) {
      File file = new File(path);
      files.add(Parts.button(file.getName(), "", () -> main.openFile(file), "small"));
    }
    return row("shelf.opened-last", files);
  }

  private static Optional<Node> row(String words, List<Node> buttons) {
    FlowPane flow = new FlowPane(8, 6);
    flow.getChildren().addAll(buttons);
    return buttons.isEmpty()
        ? Optional.empty()
        : Optional.of(new VBox(6, Parts.line(Sentences.of(words), "quiet"), flow));
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

  private VBox audition(Audition a) {
    long days = ChronoUnit.DAYS.between(studio.today(), a.date());
    return new VBox(
        10,
        Parts.line(a.name(), "title"),
        Parts.label(
            Sentences.of(
                "shelf.event",
                Texts.capital(Days.of(a.date(), studio.today())),
                days,
                Days.of(a.readyDate(), studio.today())),
            "quiet"));
  }
}
