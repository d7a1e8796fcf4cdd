package fret.app.view;

import fret.app.words.Sentences;
import java.util.List;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** What the player cares about: a few habits in words, every weight behind a press. */
final class WeightsCard extends VBox {
  /** Below this width what a weight does stands under its slider. */
  private static final double NARROW = 800;

  /**
   * @param id before {@code every-weight}, of the button that shows all
   * @param every what belongs to the weights alone
   */
  WeightsCard(String id, Region habits, WeightRows<?> weights, List<Button> every) {
    super(8);
    getStyleClass().add("card");
    setMinHeight(0);
    Node few = Parts.scroll(habits);
    Node all = Parts.scroll(weights);
    StackPane pane = new StackPane(few);
    VBox.setVgrow(pane, Priority.ALWAYS);
    pane.setMinHeight(0);
    ToggleButton show = new ToggleButton(Sentences.of("cares.every"));
    show.setId(id + "every-weight");
    show.getStyleClass().addAll("button", "small");
    show.setMinWidth(Region.USE_PREF_SIZE);
    FlowPane head = Parts.flow(8, Parts.line(Sentences.of("cares.habits"), "card-title"), show);
    show.selectedProperty()
        .addListener(
            (o, before, now) -> {
              pane.getChildren().setAll(now ? all : few);
              if (now) {
                head.getChildren().addAll(every);
              } else {
                head.getChildren().removeAll(every);
              }
            });
    widthProperty()
        .addListener(o -> Platform.runLater(() -> weights.setNarrow(getWidth() < NARROW)));
    getChildren().addAll(head, pane);
  }
}
