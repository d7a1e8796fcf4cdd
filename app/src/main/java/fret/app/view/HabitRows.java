package fret.app.view;

import fret.app.viewmodel.StrokeDecisions;
import fret.app.words.Sentences;
import fret.base.Said;
import fret.bowing.BowHabit;
import fret.bowing.BowHabits;
import fret.bowing.HabitFigures;
import fret.instrument.Instrument;
import fret.session.Session;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/** Where players use the bow differently: a choice each, with what it comes to in this passage. */
final class HabitRows extends FlowPane {
  private static final double WIDTH = 200;

  private static final List<Double> SHARES =
      IntStream.rangeClosed(5, 15).mapToObj(tenth -> tenth / 10.0).toList();

  private final StrokeDecisions decisions;
  private final Map<BowHabit, ComboBox<BowHabit.Way>> choices = new EnumMap<>(BowHabit.class);
  private final Map<BowHabit, Label> figures = new EnumMap<>(BowHabit.class);
  private final FlowPane strings = new FlowPane(10, 6);
  private boolean showing;

  HabitRows(StrokeDecisions decisions) {
    super(16, 10);
    this.decisions = decisions;
    for (BowHabit habit : BowHabit.values()) {
      getChildren().add(row(habit));
    }
    strings.setId("bow-strings");
    getChildren().add(sized(new VBox(2, Parts.line(Sentences.of("habit.strings")), strings)));
  }

  private VBox row(BowHabit habit) {
    ComboBox<BowHabit.Way> choice = new ComboBox<>();
    choice.getItems().setAll(habit.ways());
    choice.setConverter(Parts.named(w -> Sentences.of("habit." + habit + "." + w)));
    choice.setAccessibleText(Sentences.of("habit." + habit));
    choice.setId("habit-" + habit);
    choice.setOnAction(
        e -> {
          if (!showing) {
            choose(habit, choice.getValue());
          }
        });
    choice.setPrefWidth(WIDTH);
    Label figure = Parts.label("", "quiet");
    choices.put(habit, choice);
    figures.put(habit, figure);
    return sized(new VBox(2, Parts.line(Sentences.of("habit." + habit)), choice, figure));
  }

  /** Another choice before all others. */
  void addFirst(String name, Node choice) {
    getChildren().add(0, sized(new VBox(2, Parts.line(name), choice)));
  }

  private static VBox sized(VBox row) {
    row.setPrefWidth(WIDTH);
    row.setMinWidth(WIDTH);
    return row;
  }

  private void choose(BowHabit habit, BowHabit.Way way) {
    decisions.change(
        Said.of("habit.set", Said.of("habit." + habit), Said.of("habit." + habit + "." + way)),
        b -> b.withHabits(b.habits().with(habit, way)));
  }

  void show(Session s) {
    showing = true;
    BowHabits habits = s.passage().settings().bow().habits();
    HabitFigures told = new HabitFigures(s.bowing(), s.bowTask());
    for (BowHabit habit : BowHabit.values()) {
      choices.get(habit).setValue(habits.way(habit));
      figures.get(habit).setText(Sentences.of(told.of(habit)));
    }
    Instrument on = s.bowTask().instrument();
    strings.getChildren().clear();
    for (int string = on.stringCount(); string >= 1; string--) {
      strings.getChildren().add(share(string, on.stringNames(List.of(string)), habits));
    }
    showing = false;
  }

  private Node share(int string, String name, BowHabits habits) {
    ComboBox<Double> share = new ComboBox<>();
    share.getItems().setAll(SHARES);
    share.setConverter(Parts.named(v -> Sentences.of("habit.share", Math.round(100 * v))));
    share.setValue(habits.share(string));
    share.setAccessibleText(Sentences.of("habit.share.long", name));
    share.setOnAction(
        e ->
            decisions.change(
                Said.of("habit.share.set", name, Math.round(100 * share.getValue())),
                b -> b.withHabits(b.habits().withString(string, share.getValue()))));
    return Parts.row(4, Parts.line(name), share);
  }
}
