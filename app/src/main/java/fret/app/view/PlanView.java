package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.drill.Chunk;
import fret.plan.PracticePlan;
import fret.shelf.Audition;
import fret.shelf.Planning;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Plan: chunks, ladder and days. */
final class PlanView extends VBox implements AreaView {
  @Override
  public Node node() {
    return this;
  }

  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
  private static final DateTimeFormatter SHORT_DATE =
      DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);
  private final Studio studio;
  private final Label advice = Parts.label("", "lead");
  private final HBox ladder = new HBox(6);
  private final VBox chunks = new VBox(4);
  private final GridPane days = new GridPane();
  private final Spinner<Integer> minutes = new Spinner<>(5, 600, 30, 5);
  private final javafx.scene.control.DatePicker auditionDate =
      new javafx.scene.control.DatePicker();
  private final javafx.scene.control.DatePicker readyDate = new javafx.scene.control.DatePicker();
  private final ComboBox<Planning.LadderKind> ladderKind = new ComboBox<>();
  private final Spinner<Integer> ladderStart = new Spinner<>(0, 400, 0, 5);
  private final TextField name = new TextField();
  private boolean showing;

  PlanView(Studio studio) {
    this.studio = studio;
    minutes.setPrefWidth(90);
    minutes.setEditable(true);
    minutes.setId("minutes");
    minutes
        .valueProperty()
        .addListener(
            o -> {
              Planning p = studio.plans().plannedProperty().get();
              if (!showing && p != null && p.audition().id() != 0) {
                Audition a = p.audition();
                studio
                    .plans()
                    .saveAudition(
                        new Audition(
                            a.id(), a.name(), a.date(), a.readyDate(), minutes.getValue()));
              }
            });
    auditionDate.setId("audition-date");
    readyDate.setId("ready-date");
    auditionDate
        .valueProperty()
        .addListener(
            o -> {
              java.time.LocalDate date = auditionDate.getValue();
              if (date != null && !date.isBefore(studio.today())) {
                save(
                    a ->
                        new Audition(
                            a.id(),
                            a.name(),
                            date,
                            fret.plan.ReadyDate.of(studio.today(), date),
                            a.minutesPerDay()));
              }
            });
    readyDate
        .valueProperty()
        .addListener(
            o -> {
              java.time.LocalDate date = readyDate.getValue();
              if (date != null) {
                save(
                    a ->
                        new Audition(
                            a.id(),
                            a.name(),
                            a.date(),
                            date.isAfter(a.date()) ? a.date() : date,
                            a.minutesPerDay()));
              }
            });
    dated(auditionDate);
    dated(readyDate);
    advice.setId("advice");
    ladderKind.getItems().setAll(Planning.LadderKind.values());
    ladderKind.setConverter(Parts.named(Planning.LadderKind::displayName));
    ladderKind.setId("ladder-kind");
    ladderKind.setAccessibleText("How the levels are chosen");
    ladderKind.setOnAction(e -> saveLadder());
    ladderStart.setId("ladder-start");
    ladderStart.setPrefWidth(80);
    ladderStart.setAccessibleText("First level of the ladder; 0 for half the target");
    ladderStart.valueProperty().addListener(o -> saveLadder());
    name.setId("audition-name");
    name.setPrefWidth(330);
    Parts.onCommit(
        name,
        () -> {
          if (!name.getText().isBlank()) {
            save(
                a ->
                    new Audition(
                        a.id(), name.getText().trim(), a.date(), a.readyDate(), a.minutesPerDay()));
          }
        });
    days.setHgap(12);
    days.setVgap(6);
    ScrollPane calendar = new ScrollPane(days);
    calendar.setFitToWidth(true);
    calendar.getStyleClass().add("plain-scroll");
    VBox.setVgrow(calendar, Priority.ALWAYS);
    VBox left = Parts.card("Chunks", chunks);
    left.setPrefWidth(400);
    left.setMinWidth(320);
    VBox right = Parts.card("Day by day", calendar);
    HBox.setHgrow(right, Priority.ALWAYS);
    HBox cards = new HBox(16, left, right);
    VBox.setVgrow(cards, Priority.ALWAYS);
    VBox page =
        Parts.page(
            advice,
            Parts.row(
                12,
                Parts.line("Ladder", "section"),
                ladder,
                Parts.spring(),
                Parts.line("from", "quiet"),
                ladderStart,
                Parts.line("in", "quiet"),
                ladderKind),
            Parts.row(
                12,
                Parts.line("For", "section"),
                name,
                Parts.spring(),
                Parts.line("on", "quiet"),
                auditionDate,
                Parts.line("Ready by", "quiet"),
                readyDate,
                Parts.line("Minutes a day", "quiet"),
                minutes),
            cards);
    VBox.setVgrow(page, Priority.ALWAYS);
    getChildren().add(page);
    studio.plans().plannedProperty().addListener(o -> show());
  }

  private void save(java.util.function.UnaryOperator<Audition> edit) {
    Planning p = studio.plans().plannedProperty().get();
    if (!showing && p != null && p.audition().id() != 0) {
      Audition after = edit.apply(p.audition());
      if (!after.equals(p.audition())) {
        studio.plans().saveAudition(after);
      }
    }
  }

  /** Dates are written with the month's name, so that no two countries read them differently. */
  private static void dated(javafx.scene.control.DatePicker picker) {
    picker.setConverter(new javafx.util.converter.LocalDateStringConverter(SHORT_DATE, SHORT_DATE));
    picker.setPrefWidth(140);
  }

  private void saveLadder() {
    if (!showing) {
      Planning.Habits h = studio.plans().habits();
      studio
          .plans()
          .saveHabits(
              new Planning.Habits(
                  h.gate(), ladderKind.getValue(), ladderStart.getValue(), h.painLifted()));
    }
  }

  private void show() {
    Planning p = studio.plans().plannedProperty().get();
    if (p == null) {
      return;
    }
    showing = true;
    minutes.getValueFactory().setValue(p.audition().minutesPerDay());
    auditionDate.setValue(p.audition().date());
    readyDate.setValue(p.audition().readyDate());
    name.setText(p.audition().name());
    name.setDisable(p.audition().id() == 0);
    ladderKind.setValue(studio.plans().habits().ladder());
    ladderStart.getValueFactory().setValue(studio.plans().habits().ladderStart());
    ladderStart.setDisable(studio.plans().habits().ladder() == Planning.LadderKind.METRONOME);
    showing = false;
    advice.setText((p.plan().feasible() ? "" : "Honestly: ") + p.plan().advice());
    ladder.getChildren().clear();
    for (int level : p.ladder().levels()) {
      ladder.getChildren().add(Parts.line(String.valueOf(level), "rung"));
    }
    chunks.getChildren().clear();
    for (Chunk c : p.chunks()) {
      chunks
          .getChildren()
          .add(
              Parts.row(
                  8,
                  fixed(
                      Parts.line(
                          (c.id().startsWith("spot") ? "shift, " : "")
                              + c.label().toLowerCase(Locale.ROOT),
                          "strong")),
                  Parts.line(p.held().contains(c.id()) ? "waits: it hurt" : c.why(), "quiet"),
                  Parts.spring(),
                  fixed(Parts.line(c.noteCount() + " notes", "quiet"))));
    }
    days.getChildren().clear();
    int row = 0;
    for (PracticePlan.Day day : p.plan().days()) {
      if (row > 40) {
        break;
      }
      boolean today = day.date().equals(studio.today());
      days.addRow(
          row++,
          fixed(Parts.line(today ? "Today" : DAY.format(day.date()), today ? "strong" : "quiet")),
          fixed(Parts.line(day.minutes() + " min", "figure")),
          Parts.label(items(p, day), today ? "strong" : "plain"));
    }
  }

  private static Label fixed(Label label) {
    label.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
    javafx.scene.layout.GridPane.setValignment(label, javafx.geometry.VPos.TOP);
    return label;
  }

  private static String items(Planning p, PracticePlan.Day day) {
    StringBuilder text = new StringBuilder();
    for (PracticePlan.Item item : day.items()) {
      Optional<Chunk> chunk =
          p.chunks().stream().filter(c -> c.id().equals(item.chunk())).findFirst();
      String name =
          chunk
              .map(
                  c ->
                      (c.id().startsWith("spot") ? "shift " : "")
                          + c.label().toLowerCase(Locale.ROOT))
              .orElse("run-through");
      text.append(text.length() == 0 ? "" : "  ·  ")
          .append(name)
          .append(' ')
          .append(item.drill().displayName().toLowerCase(Locale.ROOT))
          .append(' ')
          .append(item.perMinute());
    }
    return text.length() == 0 ? "rest" : text.toString();
  }
}
