package fret.app.view;

import fret.app.viewmodel.Climbs;
import fret.app.viewmodel.Studio;
import fret.app.widget.ClimbLine;
import fret.app.widget.WeeksView;
import fret.app.words.Days;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.drill.Chunk;
import fret.plan.PracticePlan;
import fret.session.BounceSwitch;
import fret.shelf.Audition;
import fret.shelf.Planning;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Plan: chunks, ladder and days. */
final class PlanView extends VBox implements AreaView {
  @Override
  public Node node() {
    return this;
  }

  private static final DateTimeFormatter SHORT_DATE =
      DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);
  private final Studio studio;
  private final Label advice = Parts.label("", "lead");
  private final HBox ladder = new HBox(6);
  private final VBox chunks = new VBox(4);
  private final VBox day = new VBox(5);
  private final Label dayTitle = Parts.line("", "card-title");
  private final WeeksView weeks;
  private final ClimbLine climb;
  private int picked;
  private final Spinner<Integer> minutes = new Spinner<>(5, 600, 30, 5);
  private final javafx.scene.control.DatePicker auditionDate =
      new javafx.scene.control.DatePicker();
  private final javafx.scene.control.DatePicker readyDate = new javafx.scene.control.DatePicker();
  private final ComboBox<Planning.LadderKind> ladderKind = new ComboBox<>();
  private final Spinner<Integer> ladderStart = new Spinner<>(0, 400, 0, 5);
  private final TextField name = new TextField();
  private boolean showing;

  PlanView(Areas.Room room) {
    this.studio = room.studio();
    weeks = new WeeksView(room.look());
    climb = new ClimbLine(room.look(), true);
    weeks.setOnPick(this::showDay);
    weeks.setId("weeks");
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
    ladderKind.setAccessibleText(Sentences.of("plan.how-the"));
    ladderKind.setOnAction(e -> saveLadder());
    ladderStart.setId("ladder-start");
    ladderStart.setPrefWidth(80);
    ladderStart.setAccessibleText(Sentences.of("plan.first-level"));
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
    VBox.setVgrow(weeks, Priority.ALWAYS);
    weeks.setPrefHeight(240);
    day.setId("day-items");
    VBox left = Parts.card("", dayTitle, Parts.scroll(day));
    left.setPrefWidth(440);
    HBox.setHgrow(left, Priority.ALWAYS);
    VBox right =
        Parts.card(
            "",
            Parts.row(10, Parts.line(Sentences.of("plan.the-climb"), "card-title"), ladder),
            climb,
            Parts.scroll(chunks));
    right.setPrefWidth(440);
    HBox.setHgrow(right, Priority.ALWAYS);
    HBox cards = new HBox(16, left, right);
    cards.setPrefHeight(290);
    cards.setMinHeight(200);
    VBox page =
        Parts.page(
            advice,
            new FlowPane(
                16,
                8,
                Parts.row(8, Parts.line(Sentences.of("plan.for"), "section"), name),
                Parts.row(8, Parts.line(Sentences.of("plan.on"), "quiet"), auditionDate),
                Parts.row(8, Parts.line(Sentences.of("plan.ready-by"), "quiet"), readyDate),
                Parts.row(8, Parts.line(Sentences.of("plan.minutes-a"), "quiet"), minutes)),
            weeks,
            cards,
            Parts.row(
                12,
                Parts.line(Sentences.of("plan.ladder"), "quiet"),
                ladderKind,
                Parts.line(Sentences.of("plan.from"), "quiet"),
                ladderStart,
                Parts.line(Sentences.of("plan.0-is"), "quiet")));
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

  private static String told(BounceSwitch b) {
    return Sentences.of("plan.bounce-from", Sentences.of("stroke." + b.kind().id()), b.perMinute());
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
    if (p == null || studio.shown() == null) {
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
    advice.setText(
        p.plan().feasible() ? p.plan().advice() : Sentences.of("plan.honestly", p.plan().advice()));
    ladder.getChildren().clear();
    List<BounceSwitch> switches = new ArrayList<>(BounceSwitch.of(studio.shown()));
    for (int level : p.ladder().levels()) {
      while (!switches.isEmpty() && switches.get(0).perMinute() <= level) {
        ladder.getChildren().add(Parts.line(told(switches.remove(0)), "hand"));
      }
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
                          c.isSpot()
                              ? Sentences.of("plan.spot", c.label().toLowerCase(Locale.ROOT))
                              : c.label().toLowerCase(Locale.ROOT),
                          "strong")),
                  Parts.line(
                      p.held().contains(c.id()) ? Sentences.of("plan.waits-it") : c.why(), "quiet"),
                  Parts.spring(),
                  fixed(Parts.line(Sentences.of("plan.notes", c.noteCount()), "quiet"))));
    }
    List<WeeksView.Day> drawn = new ArrayList<>();
    for (PracticePlan.Day d : p.plan().days()) {
      drawn.add(
          new WeeksView.Day(
              d.date(),
              d.items().stream()
                  .map(i -> new WeeksView.Piece(i.minutes(), pattern(p, i)))
                  .toList()));
    }
    weeks.show(drawn, p.audition().minutesPerDay(), studio.today());
    climb.show(climb(p));
    showDay(Math.min(picked, Math.max(0, drawn.size() - 1)));
  }

  /** Chunks of bars filled, shifts in lines, run-throughs hollow. */
  private static int pattern(Planning p, PracticePlan.Item item) {
    Optional<Chunk> chunk = chunk(p, item);
    return chunk.isEmpty() ? 2 : chunk.get().isSpot() ? 1 : 0;
  }

  private static Optional<Chunk> chunk(Planning p, PracticePlan.Item item) {
    return p.chunks().stream().filter(c -> c.id().equals(item.chunk())).findFirst();
  }

  private ClimbLine.Climb climb(Planning p) {
    List<ClimbLine.Point> done = new ArrayList<>();
    Climbs.cleanByDay(studio.journal(), studio.session().passage().id())
        .forEach((day, tempo) -> done.add(new ClimbLine.Point(day, tempo)));
    List<ClimbLine.Point> planned = new ArrayList<>();
    for (PracticePlan.Day d : p.plan().days()) {
      d.items().stream()
          .mapToInt(PracticePlan.Item::perMinute)
          .max()
          .ifPresent(t -> planned.add(new ClimbLine.Point(d.date(), t)));
    }
    return new ClimbLine.Climb(
        done,
        planned,
        p.ladder().start(),
        p.ladder().levels().get(p.ladder().levels().size() - 1),
        studio.today(),
        p.audition().readyDate());
  }

  /** A day opens to its items. */
  private void showDay(int index) {
    Planning p = studio.plans().plannedProperty().get();
    picked = index;
    day.getChildren().clear();
    if (p == null || index >= p.plan().days().size()) {
      dayTitle.setText("");
      return;
    }
    PracticePlan.Day d = p.plan().days().get(index);
    String name = Days.of(d.date(), studio.today());
    dayTitle.setText(
        Character.toUpperCase(name.charAt(0)) + name.substring(1) + ", " + d.minutes() + " min");
    weeks.setAccessibleText(dayTitle.getText());
    for (PracticePlan.Item item : d.items()) {
      String what =
          chunk(p, item)
              .map(
                  c ->
                      c.isSpot()
                          ? Sentences.of("plan.spot.head", c.label().toLowerCase(Locale.ROOT))
                          : c.label().toLowerCase(Locale.ROOT))
              .orElse("Run-through");
      day.getChildren()
          .add(
              Parts.row(
                  8,
                  Parts.line(Character.toUpperCase(what.charAt(0)) + what.substring(1), "strong"),
                  Parts.line(
                      item.drill().displayName().toLowerCase(Locale.ROOT)
                          + " at "
                          + item.perMinute(),
                      "plain"),
                  Parts.spring(),
                  Parts.line(Words.one(item.minutes()) + " min", "figure")));
    }
  }

  private static Label fixed(Label label) {
    label.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
    javafx.scene.layout.GridPane.setValignment(label, javafx.geometry.VPos.TOP);
    return label;
  }
}
