package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.viewmodel.TakesModel;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.session.Session;
import fret.shelf.Take;
import fret.take.Expected;
import fret.take.Fault;
import fret.take.Fault.Kind;
import fret.take.Planting;
import fret.take.SimulatedPlayer.Style;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Spinner;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The simulated player: what it is to do wrong, and where. */
final class SimulatedPane extends Cards {
  /** A fault that was asked for, in a written bar. */
  private record Asked(Kind kind, String bar, double amount) {}

  private final Studio studio;
  private final TakesModel model;
  private final ComboBox<Kind> kind = new ComboBox<>();
  private final ComboBox<String> bar = new ComboBox<>();
  private final Spinner<Integer> amount = Parts.number(1, 500, 8, 1);
  private final Label unit = Parts.line("", "quiet");
  private final VBox asked = new VBox(4);
  private final List<Asked> faults = new ArrayList<>();
  private long seed = 1;

  SimulatedPane(Studio studio, TakesModel model, MainView main) {
    this.studio = studio;
    this.model = model;
    kind.getItems().setAll(Kind.values());
    kind.setId("simulated-kind");
    kind.setConverter(Parts.named(k -> Sentences.of("take.kind." + k)));
    kind.setAccessibleText(Sentences.of("take.simulated.kind"));
    kind.valueProperty()
        .addListener(
            (o, a, k) -> {
              amount.getValueFactory().setValue((int) Planting.usual(k));
              unit.setText(Sentences.of("take.unit." + k.unit()));
            });
    kind.setValue(Kind.RUSH);
    bar.setId("simulated-bar");
    bar.setAccessibleText(Sentences.of("take.simulated.bar"));
    bar.setPrefWidth(90);
    amount.setId("simulated-amount");
    amount.setEditable(true);
    amount.setPrefWidth(90);
    VBox card =
        Parts.card(
            Sentences.of("take.simulated"),
            Parts.whole(Sentences.of("take.simulated.why"), "quiet"),
            Parts.flow(
                8,
                kind,
                Parts.line(Sentences.of("take.simulated.in"), "quiet"),
                bar,
                amount,
                unit,
                Parts.button(
                    Sentences.of("take.simulated.add"), "simulated-add", this::add, "small"),
                Parts.button(
                    Sentences.of("take.simulated.none"), "simulated-none", this::none, "small"),
                Parts.button(
                    Sentences.of("take.simulated.play"), "simulated-play", this::play, "strong")),
            Parts.scroll(asked));
    VBox models =
        Parts.card(
            Sentences.of("take.model"),
            Parts.whole(Sentences.of("take.model.why"), "quiet"),
            Parts.button(
                Sentences.of("take.model.bring-in"),
                "take-model",
                () -> main.askForTake(Take.Whose.MODEL),
                "normal"));
    HBox.setHgrow(card, Priority.ALWAYS);
    card.setPrefWidth(560);
    models.setPrefWidth(320);
    getChildren().addAll(card, models);
    studio.shownProperty().addListener(o -> bars());
    bars();
  }

  private void bars() {
    Session s = studio.shown();
    if (s == null) {
      return;
    }
    List<String> all = s.score().bars().stream().map(b -> b.number()).distinct().toList();
    if (!bar.getItems().equals(all)) {
      bar.getItems().setAll(all);
      bar.setValue(all.get(Math.min(all.size() - 1, 1)));
      none();
    }
  }

  private void add() {
    faults.add(new Asked(kind.getValue(), bar.getValue(), amount.getValue()));
    list();
  }

  private void none() {
    faults.clear();
    list();
  }

  private void list() {
    model.inputs().setFaults(planted(List.copyOf(faults)));
    asked.getChildren().clear();
    if (faults.isEmpty()) {
      asked.getChildren().add(Parts.label(Sentences.of("take.simulated.clean"), "quiet"));
    }
    for (Asked f : faults) {
      asked
          .getChildren()
          .add(
              Parts.line(
                  Sentences.of(
                      "take.simulated.fault",
                      Sentences.of("take.kind." + f.kind()),
                      f.bar(),
                      Words.shown("%.0f", f.amount()),
                      Sentences.of("take.unit." + f.kind().unit())),
                  "plain"));
    }
  }

  private void play() {
    model.simulate(planted(List.copyOf(faults)), Style.USUAL.withSeed(seed++));
  }

  /** The faults at their places of what is expected. */
  private static Function<Expected, List<Fault>> planted(List<Asked> faults) {
    return expected -> {
      List<Fault> all = new ArrayList<>();
      for (Asked a : faults) {
        for (int b = 0; b < expected.bars().size(); b++) {
          if (expected.bars().get(b).number().equals(a.bar())) {
            Optional<Fault> there = Planting.inBar(expected, a.kind(), b, a.amount());
            there.ifPresent(all::add);
            break;
          }
        }
      }
      return all;
    };
  }
}
