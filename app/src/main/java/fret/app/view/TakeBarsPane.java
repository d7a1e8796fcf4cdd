package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.viewmodel.TakesModel;
import fret.app.viewmodel.TakesModel.Checked;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.session.TakePace;
import fret.take.Expected;
import fret.take.HeardNote;
import fret.take.TakeReport;
import fret.take.TempoLine.BarTempo;
import fret.tempo.Beat;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.scene.control.Label;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** A take bar by bar, and another one beside it. */
final class TakeBarsPane extends Cards {
  /**
   * A bar of the take.
   *
   * @param at its index among the expected bars
   */
  private record Row(
      int at, String number, String tempo, String percent, String cents, String level) {}

  private final Studio studio;
  private final TakesModel model;
  private final TableView<Row> table = table("take-bars");
  private final TableView<Row> other = table("take-bars-beside");
  private final Label name = Parts.line("", "strong");
  private final Label otherName = Parts.line("", "strong");
  private final Label paces = Parts.label("", "quiet");
  private final Label otherPaces = Parts.label("", "quiet");
  private final VBox second;

  TakeBarsPane(Studio studio, TakesModel model) {
    this.studio = studio;
    this.model = model;
    VBox first = Parts.card("", name, paces, table);
    second = Parts.card("", otherName, otherPaces, other);
    HBox.setHgrow(first, Priority.ALWAYS);
    HBox.setHgrow(second, Priority.ALWAYS);
    getChildren().addAll(first, second);
    model.checkedProperty().addListener(o -> show());
    model.besideProperty().addListener(o -> show());
    show();
  }

  private TableView<Row> table(String id) {
    TableView<Row> t = new TableView<>();
    t.setId(id);
    t.setColumnResizePolicy(TableView.CONSTRAINED_RESIZE_POLICY_FLEX_LAST_COLUMN);
    column(t, "bar", Row::number);
    column(t, "tempo", Row::tempo);
    column(t, "percent", Row::percent);
    column(t, "cents", Row::cents);
    column(t, "level", Row::level);
    t.getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, a, row) -> {
              if (row != null) {
                select(row);
              }
            });
    VBox.setVgrow(t, Priority.ALWAYS);
    return t;
  }

  private static void column(TableView<Row> t, String id, Function<Row, String> value) {
    TableColumn<Row, String> c = new TableColumn<>(Sentences.of("take.column." + id));
    c.setCellValueFactory(r -> new ReadOnlyStringWrapper(value.apply(r.getValue())));
    c.setSortable(false);
    t.getColumns().add(c);
  }

  private void select(Row row) {
    model
        .checkedProperty()
        .get()
        .ifPresent(
            c ->
                c.report().expected().moments().stream()
                    .filter(m -> m.bar() == row.at())
                    .findFirst()
                    .ifPresent(m -> studio.selectSlice(m.slice())));
  }

  private void show() {
    fill(model.checkedProperty().get(), table, name, paces);
    Optional<Checked> beside = model.besideProperty().get();
    second.setVisible(beside.isPresent());
    second.setManaged(beside.isPresent());
    fill(beside, other, otherName, otherPaces);
  }

  private void fill(Optional<Checked> checked, TableView<Row> into, Label title, Label values) {
    title.setText(checked.map(c -> TakesView.name(c.take())).orElse(""));
    into.getItems().clear();
    values.setText("");
    if (checked.isEmpty() || studio.shown() == null) {
      return;
    }
    TakeReport r = checked.get().report();
    double target = studio.shown().passage().settings().target().perMinute();
    values.setText(
        TakePace.of(studio.shown().resolved(), r).stream()
            .filter(p -> !new Beat(p.length()).displayName().equals("bar"))
            .map(
                p ->
                    Sentences.of(
                        "take.pace",
                        Sentences.of("beat." + new Beat(p.length()).displayName()),
                        Words.shown("%.0f", target * p.times())))
            .collect(Collectors.joining(", ")));
    List<Row> rows = new ArrayList<>();
    for (BarTempo b : r.tempo().bars()) {
      Expected.Span span = r.expected().bars().get(b.bar());
      double[] cents = inBar(r, b.bar(), n -> n.pitch().isTold() ? r.cents(n) : Double.NaN);
      double[] level = inBar(r, b.bar(), HeardNote::levelDb);
      rows.add(
          new Row(
              b.bar(),
              span.number(),
              Words.shown("%.1f", target * b.times()),
              Words.shown("%+.1f", b.percent()),
              cents.length == 0 ? "" : Words.shown("%.0f", spread(cents)),
              level.length == 0 ? "" : Words.shown("%.0f", middle(level))));
    }
    into.getItems().setAll(rows);
  }

  private static double[] inBar(TakeReport r, int bar, Function<HeardNote, Double> value) {
    return r.heard().notes().stream()
        .filter(n -> r.expected().moments().get(n.moment()).bar() == bar)
        .mapToDouble(value::apply)
        .filter(x -> !Double.isNaN(x))
        .sorted()
        .toArray();
  }

  private static double middle(double[] sorted) {
    return sorted[sorted.length / 2];
  }

  /** Root mean square. */
  private static double spread(double[] values) {
    double sum = 0;
    for (double v : values) {
      sum += v * v;
    }
    return Math.sqrt(sum / values.length);
  }
}
