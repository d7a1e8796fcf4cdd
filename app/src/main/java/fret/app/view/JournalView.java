package fret.app.view;

import fret.app.command.Action;
import fret.app.viewmodel.JournalModel;
import fret.app.viewmodel.Studio;
import fret.app.widget.ClimbLine;
import fret.app.widget.StripView;
import fret.app.words.Days;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.shelf.Planning;
import fret.tempo.Ladder;
import fret.tempo.Level;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.beans.binding.Bindings;
import javafx.beans.binding.BooleanBinding;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.collections.ListChangeListener;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Journal: the passage shaded by what breaks, the days over it, every try to look up and mend. */
final class JournalView extends VBox implements AreaView {
  private static final int DAYS_SHOWN = 14;

  /** In a window as low as this the tries have more room than the days. */
  private static final double LOW = 680;

  private static final int BREAKS_SHOWN = 4;

  private static final double LEAST_TABLE = 240;

  private final Studio studio;
  private final JournalModel model;
  private final Areas.Room room;
  private final TableView<JournalEntry> table = new TableView<>();
  private final TextField find = new TextField();
  private final ComboBox<Verdict> verdict = new ComboBox<>();
  private final ComboBox<Breakage> broke = new ComboBox<>();
  private final TextField note = new TextField();
  private final FlowPane days = new FlowPane(10, 4);
  private final FlowPane breaks = new FlowPane(12, 4);
  private final StripView strip;
  private final Label shadedBy = Parts.label("", "quiet");
  private final JournalFilter filter;
  private final ClimbLine climb;
  private final Label lead = Parts.label("", "lead");
  private boolean showing;
  private boolean seen;

  JournalView(Areas.Room room) {
    this.room = room;
    this.studio = room.studio();
    this.model = new JournalModel(studio);
    this.filter = new JournalFilter(studio, model, this::show);
    this.climb = new ClimbLine(room.look(), true);
    climb.setId("journal-climb");
    climb.setMinHeight(110);
    climb.setPrefHeight(110);
    this.strip = StripView.small(room.look(), 7);
    strip.setId("journal-strip");
    strip.setPrefHeight(196);
    strip.setMinHeight(170);
    table.setId("journal");
    table.setColumnResizePolicy(TableView.CONSTRAINED_RESIZE_POLICY_FLEX_LAST_COLUMN);
    table.setPlaceholder(Parts.label(Sentences.of("journal.nothing-yet"), "quiet"));
    column("journal.day", 95, e -> Days.of(e.date(), studio.today()));
    column("journal.passage", 150, e -> studio.title(e.passageId()));
    column("journal.chunk", 130, model::chunkName);
    column("journal.drill", 105, e -> Sentences.of("drill." + e.drill().id()));
    column("journal.tempo", 110, JournalView::tempo);
    column("journal.time", 60, e -> time(e.seconds()));
    column("journal.verdict", 95, JournalView::verdict);
    column("journal.what-broke", 110, JournalView::broken);
    column("journal.note", 120, JournalEntry::note);
    table.widthProperty().addListener(o -> Platform.runLater(this::fitColumns));
    table.getSelectionModel().selectedItemProperty().addListener(o -> showPicked());
    VBox.setVgrow(table, Priority.ALWAYS);
    find.setId("journal-find");
    find.setPromptText(Sentences.of("journal.find"));
    find.textProperty().addListener(o -> show());
    HBox.setHgrow(find, Priority.ALWAYS);
    VBox card =
        Parts.card(
            "",
            Parts.row(10, Parts.line(Sentences.of("journal.tries-the"), "card-title"), find),
            filterRow(),
            climb,
            table,
            mendRow());
    VBox.setVgrow(card, Priority.ALWAYS);
    VBox page = Parts.page(lead, breaks, shadedBy, strip, days, card);
    card.setMinHeight(LEAST_TABLE);
    ScrollPane all = Parts.scroll(page);
    all.setFitToHeight(true); // It scrolls only where large letters leave it no room.
    getChildren().add(all);
    studio.journal().addListener((ListChangeListener<JournalEntry>) c -> change());
    studio.shownProperty().addListener(o -> change());
    studio.plans().plannedProperty().addListener(o -> change());
  }

  @Override
  public void shown() {
    seen = true;
    studio.plans().ensure();
    show();
  }

  @Override
  public void left() {
    seen = false;
  }

  /** Made anew when it is looked at, not behind another area. */
  private void change() {
    if (seen) {
      show();
    }
  }

  private static String time(int seconds) {
    return String.format(Locale.ROOT, "%d:%02d", seconds / 60, seconds % 60);
  }

  private static String broken(JournalEntry e) {
    return e.breakage() == Breakage.NONE ? "" : Sentences.of("broke." + e.breakage());
  }

  /** Which tries are shown, and the record as a file. */
  private Node filterRow() {
    filter
        .node()
        .getChildren()
        .addAll(
            Parts.button(Sentences.of("journal.save"), "journal-save", this::export, "small"),
            Parts.button(Sentences.of("journal.json"), "journal-json", this::exportJson, "small"),
            Parts.button(Sentences.of("journal.bring-in"), "journal-in", this::bringIn, "small"));
    return filter.node();
  }

  /** Mends the try that is picked. */
  private FlowPane mendRow() {
    verdict.getItems().setAll(Verdict.values());
    verdict.setConverter(Parts.named(v -> v == null ? "" : Sentences.of("verdict." + v)));
    verdict.setId("mend-verdict");
    broke.getItems().setAll(Breakage.values());
    broke.setConverter(Parts.named(b -> b == null ? "" : Sentences.of("broke." + b)));
    broke.setId("mend-broke");
    note.setId("mend-note");
    note.setPromptText(Sentences.of("journal.note"));
    note.setPrefColumnCount(18);
    verdict.setOnAction(e -> mend());
    broke.setOnAction(e -> mend());
    Parts.onCommit(note, this::mend);
    Button gone =
        Parts.button(Sentences.of("journal.remove"), "journal-remove", this::remove, "small");
    BooleanBinding none = table.getSelectionModel().selectedItemProperty().isNull();
    Label of = Parts.line("", "quiet");
    of.textProperty()
        .bind(
            Bindings.when(none)
                .then(Sentences.of("journal.pick"))
                .otherwise(Sentences.of("journal.mend")));
    for (Node n : List.of(verdict, broke, note, gone)) {
      n.visibleProperty().bind(none.not());
      n.managedProperty().bind(none.not());
    }
    return Parts.flow(
        8,
        of,
        verdict,
        broke,
        note,
        gone,
        Parts.button(Sentences.of("journal.undo"), "journal-undo", studio::undo, "small"),
        Parts.button(Sentences.of("journal.add"), "journal-add", this::addByHand, "small"));
  }

  private Optional<JournalEntry> picked() {
    return Optional.ofNullable(table.getSelectionModel().getSelectedItem());
  }

  private void showPicked() {
    showing = true;
    verdict.setValue(picked().map(JournalEntry::verdict).orElse(null));
    broke.setValue(picked().map(JournalEntry::breakage).orElse(null));
    note.setText(picked().map(JournalEntry::note).orElse(""));
    showing = false;
  }

  private void mend() {
    if (!showing && picked().isPresent() && verdict.getValue() != null) {
      JournalEntry e = picked().get();
      JournalEntry made =
          e.judged(verdict.getValue(), broke.getValue() == null ? e.breakage() : broke.getValue())
              .noted(note.getText().strip());
      if (!made.equals(e)) {
        model.correct(e, made);
      }
    }
  }

  private void remove() {
    picked().ifPresent(model::remove);
  }

  private void addByHand() {
    if (!model.addByHand()) {
      studio.tell(Sentences.of("journal.open-first"));
    }
  }

  private void export() {
    studio
        .paper()
        .csv(model.table(studio::title), bytes -> room.main().files().save("journal.csv", bytes));
  }

  private void exportJson() {
    studio
        .paper()
        .json(model.table(studio::title), bytes -> room.main().files().save("journal.json", bytes));
  }

  private void bringIn() {
    FileDesk files = room.main().files();
    files
        .ask(Sentences.of("journal.bring-in"), FileDesk.Sort.TABLE)
        .ifPresent(
            f ->
                files
                    .bytes(f, FileDesk.Sort.TABLE)
                    .ifPresent(bytes -> model.bringIn(f.getName(), bytes)));
  }

  /** Tempo over the days of what is chosen: a chunk, or a passage by its slowest one. */
  private void showClimb() {
    Planning p = studio.plans().plannedProperty().get();
    Optional<Planning.Entry> entry =
        p == null
            ? Optional.empty()
            : filter
                .passage()
                .flatMap(
                    x ->
                        p.all(x.id()).stream()
                            .filter(e -> filter.chunk().map(e::has).orElse(true))
                            .findFirst());
    climb.setVisible(entry.isPresent());
    climb.setManaged(entry.isPresent());
    entry.ifPresent(e -> climb.show(Climbs.of(studio, p, e, Optional.empty(), filter.chunk())));
  }

  private void column(String id, double width, Function<JournalEntry, String> text) {
    TableColumn<JournalEntry, String> column = new TableColumn<>(Sentences.of(id));
    column.setId(id);
    column.setPrefWidth(width);
    column.setCellValueFactory(c -> new ReadOnlyStringWrapper(text.apply(c.getValue())));
    column.setSortable(false);
    table.getColumns().add(column);
  }

  /** A narrow table leaves out how long and with which drill rather than cut every word. */
  private void fitColumns() {
    boolean narrow = table.getWidth() < 880;
    for (TableColumn<JournalEntry, ?> column : table.getColumns()) {
      boolean less =
          column.getId().equals("journal.time") || column.getId().equals("journal.drill");
      column.setVisible(!narrow || !less);
    }
  }

  private void show() {
    filter.show();
    showClimb();
    List<JournalEntry> newest =
        new ArrayList<>(model.found(find.getText(), filter.filter(), studio::title));
    java.util.Collections.reverse(newest);
    if (!newest.equals(table.getItems())) {
      table.getItems().setAll(newest);
    }
    showLead();
    showDays();
    showBreaks();
    showStrip();
  }

  private void showLead() {
    List<JournalEntry> all = studio.journal();
    long clean = all.stream().filter(e -> e.verdict() == Verdict.CLEAN).count();
    long count = all.stream().map(JournalEntry::date).distinct().count();
    if (all.isEmpty()) {
      lead.setText(Sentences.of("journal.the-record"));
      return;
    }
    String told =
        Sentences.of(
            count == 1 ? "journal.lead.day" : "journal.lead",
            all.size(),
            count,
            all.stream().mapToInt(JournalEntry::seconds).sum() / 60,
            all.stream().mapToInt(JournalEntry::atStand).sum() / 60,
            Math.round(100.0 * clean / all.size()));
    List<JournalEntry> cold = all.stream().filter(JournalEntry::cold).toList();
    long sure = cold.stream().filter(e -> e.verdict() == Verdict.CLEAN).count();
    String first = cold.isEmpty() ? "" : " " + Sentences.of("journal.cold", cold.size(), sure);
    lead.setText(told + first);
  }

  /** The first play of its passage that day is told apart. */
  private static String verdict(JournalEntry e) {
    String verdict = Sentences.of("verdict." + e.verdict());
    return e.cold() ? Sentences.of("journal.cold-try", verdict) : verdict;
  }

  private void showDays() {
    Map<LocalDate, Integer> seconds = new TreeMap<>(java.util.Comparator.reverseOrder());
    studio.journal().forEach(e -> seconds.merge(e.date(), e.atStand(), Integer::sum));
    days.getChildren().clear();
    int most = seconds.values().stream().mapToInt(Integer::intValue).max().orElse(1);
    seconds.entrySet().stream()
        .limit(getHeight() < LOW ? DAYS_SHOWN / 2 : DAYS_SHOWN)
        .forEach(
            day -> {
              ProgressBar bar = new ProgressBar(day.getValue() / (double) Math.max(1, most));
              bar.setPrefWidth(48);
              long minutes = Math.max(1, day.getValue() / 60);
              bar.setAccessibleText(
                  Sentences.of("journal.on-day", Days.of(day.getKey(), studio.today()), minutes));
              Label name = Parts.line(Days.of(day.getKey(), studio.today()), "quiet");
              Label figure = Parts.line(String.valueOf(minutes), "figure");
              figure.setMinWidth(Region.USE_PREF_SIZE);
              days.getChildren().add(Parts.row(5, name, bar, figure));
            });
  }

  /** What broke most in the open passage, with its cure. */
  private void showBreaks() {
    breaks.getChildren().clear();
    model.mostBroken().stream()
        .limit(BREAKS_SHOWN)
        .forEach(
            b ->
                breaks
                    .getChildren()
                    .add(
                        Parts.line(
                            Sentences.of(
                                "journal.broke",
                                b.times(),
                                Sentences.of("broke." + b.what()),
                                Sentences.of("broke." + b.what() + ".cure")),
                            "plain")));
  }

  private void showStrip() {
    boolean any = studio.shown() != null;
    strip.setVisible(any);
    strip.setManaged(any);
    shadedBy.setText(any ? Sentences.of("journal.shaded") : "");
    if (any) {
      strip.show(StripView.Music.of(studio.shown().resolved(), List.of()));
      List<JournalModel.Weak> weak = model.weakBars();
      strip.showStretches(
          weak.stream().map(w -> new StripView.Stretch(w.from(), w.to(), w.label())).toList());
      // Where it breaks comes first, not the first bars.
      weak.stream().findFirst().ifPresent(w -> strip.bring(w.from()));
    }
  }

  @Override
  public Node node() {
    return this;
  }

  @Override
  public List<Action> actions() {
    return List.of(
        Action.of("journal-remove", "journal", Action.key(KeyCode.DELETE), this::remove),
        Action.of("journal-add", "journal", Action.key(KeyCode.A), this::addByHand));
  }

  private static String tempo(JournalEntry e) {
    Level level = Level.at(Math.max(1, e.perMinute()));
    return e.perMinute() == 0
        ? ""
        : e.counted()
            .map(b -> Words.level(new Ladder(b, List.of(level)), level))
            .orElse(level.text());
  }
}
