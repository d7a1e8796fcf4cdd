package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.words.Days;
import fret.app.words.Sentences;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.passage.Passage;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.collections.ListChangeListener;
import javafx.scene.Node;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Journal: what was practised, at which tempo, and how it went. */
final class JournalView extends VBox implements AreaView {
  @Override
  public Node node() {
    return this;
  }

  private static final List<String> NARROW_WITHOUT =
      List.of(Sentences.of("journal.time"), Sentences.of("journal.drill"));

  private final Studio studio;
  private final TableView<JournalEntry> table = new TableView<>();
  private final VBox minutes = new VBox(4);
  private final javafx.scene.control.Label lead = Parts.label("", "lead");

  JournalView(Studio studio) {
    this.studio = studio;
    table.setId("journal");
    table.setColumnResizePolicy(TableView.CONSTRAINED_RESIZE_POLICY_FLEX_LAST_COLUMN);
    table.setPlaceholder(Parts.label(Sentences.of("journal.nothing-yet"), "quiet"));
    column(Sentences.of("journal.day"), 95, e -> Days.of(e.date(), studio.today()));
    column(Sentences.of("journal.passage"), 150, e -> title(e.passageId()));
    column(Sentences.of("journal.chunk"), 110, e -> e.chunkId().replace('-', ' '));
    column(Sentences.of("journal.drill"), 105, e -> e.drill().displayName());
    column(Sentences.of("journal.tempo"), 65, e -> String.valueOf(e.perMinute()));
    column(
        Sentences.of("journal.time"),
        65,
        e -> String.format(Locale.ROOT, "%d:%02d", e.seconds() / 60, e.seconds() % 60));
    column(Sentences.of("journal.verdict"), 80, e -> e.verdict().displayName());
    column(
        Sentences.of("journal.what-broke"),
        110,
        e -> e.breakage() == fret.journal.Breakage.NONE ? "" : e.breakage().displayName());
    table.widthProperty().addListener(o -> Platform.runLater(this::fitColumns));
    VBox.setVgrow(table, Priority.ALWAYS);
    VBox left = Parts.card(Sentences.of("journal.tries-the"), table);
    HBox.setHgrow(left, Priority.ALWAYS);
    VBox right = Parts.card(Sentences.of("journal.minutes-a"), minutes);
    right.setMinWidth(270);
    HBox cards = new HBox(16, left, right);
    VBox.setVgrow(cards, Priority.ALWAYS);
    VBox page = Parts.page(lead, cards);
    VBox.setVgrow(page, Priority.ALWAYS);
    getChildren().add(page);
    studio.journal().addListener((ListChangeListener<JournalEntry>) c -> show());
    show();
  }

  private void column(String name, double width, Function<JournalEntry, String> text) {
    TableColumn<JournalEntry, String> column = new TableColumn<>(name);
    column.setPrefWidth(width);
    column.setCellValueFactory(c -> new ReadOnlyStringWrapper(text.apply(c.getValue())));
    column.setSortable(false);
    table.getColumns().add(column);
  }

  /** A narrow table leaves out how long and with which drill rather than cut every word. */
  private void fitColumns() {
    boolean narrow = table.getWidth() < 720;
    for (TableColumn<JournalEntry, ?> column : table.getColumns()) {
      column.setVisible(!narrow || !NARROW_WITHOUT.contains(column.getText()));
    }
  }

  private String title(long passage) {
    return studio.passages().stream()
        .filter(p -> p.id() == passage)
        .map(Passage::settings)
        .map(Passage.Settings::title)
        .findFirst()
        .orElse("");
  }

  private void show() {
    List<JournalEntry> newest = new ArrayList<>(studio.journal());
    java.util.Collections.reverse(newest);
    table.getItems().setAll(newest);
    Map<LocalDate, Integer> seconds = new TreeMap<>(java.util.Comparator.reverseOrder());
    newest.forEach(e -> seconds.merge(e.date(), e.seconds(), Integer::sum));
    minutes.getChildren().clear();
    int most = seconds.values().stream().mapToInt(Integer::intValue).max().orElse(1);
    int shown = 0;
    for (Map.Entry<LocalDate, Integer> day : seconds.entrySet()) {
      if (shown++ >= 21) {
        break;
      }
      ProgressBar bar = new ProgressBar(day.getValue() / (double) Math.max(1, most));
      bar.setPrefWidth(120);
      bar.setAccessibleText(
          Days.of(day.getKey(), studio.today()) + ": " + day.getValue() / 60 + " minutes");
      minutes
          .getChildren()
          .add(
              Parts.row(
                  8,
                  dayLabel(day.getKey()),
                  bar,
                  Parts.line(String.valueOf(Math.max(1, day.getValue() / 60)), "figure")));
    }
    long clean = newest.stream().filter(e -> e.verdict() == Verdict.CLEAN).count();
    int total = newest.stream().mapToInt(JournalEntry::seconds).sum() / 60;
    lead.setText(
        newest.isEmpty()
            ? Sentences.of("journal.the-record")
            : Sentences.of(
                "journal.lead",
                newest.size(),
                seconds.size(),
                total,
                Math.round(100.0 * clean / newest.size())));
  }

  private javafx.scene.control.Label dayLabel(LocalDate day) {
    var label = Parts.line(Days.of(day, studio.today()), "quiet");
    label.setMinWidth(86);
    return label;
  }
}
