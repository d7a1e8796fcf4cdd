package fret.app.view;

import fret.app.words.Sentences;
import fret.base.Leanings;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.Predicate;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.TilePane;
import javafx.scene.text.TextAlignment;

/**
 * Habits, each a scale between two ends in words; in the middle it is as the preset has it.
 *
 * @param <H> the habits
 */
final class LeaningRows<H extends Enum<H>> extends TilePane {
  private static final double END = 118;
  private static final double SCALE = 84;
  private static final String LEANT = "leant";

  private record Row(HBox node, Slider scale, Label first, Label second) {}

  private final Map<H, Row> rows = new LinkedHashMap<>();
  private boolean showing;

  /**
   * @param words before a habit's name, for its two ends
   * @param lean takes how many steps a habit leans to its second end
   */
  LeaningRows(List<H> habits, String words, BiConsumer<H, Integer> lean) {
    super(18, 3);
    setPrefColumns(1);
    setTileAlignment(Pos.CENTER_LEFT);
    for (H habit : habits) {
      rows.put(habit, row(habit, words + habit, lean));
    }
  }

  private Row row(H habit, String words, BiConsumer<H, Integer> lean) {
    Slider scale = new Slider(-Leanings.MOST, Leanings.MOST, 0);
    scale.setId("lean-" + words.replace('.', '-').toLowerCase(Locale.ROOT));
    scale.setMajorTickUnit(1);
    scale.setMinorTickCount(0);
    scale.setBlockIncrement(1);
    scale.setSnapToTicks(true);
    scale.setShowTickMarks(true);
    scale.setPrefWidth(SCALE);
    scale.setMinWidth(SCALE);
    String first = Sentences.of(words + ".first");
    String second = Sentences.of(words + ".second");
    scale.setAccessibleText(Sentences.of("habits.scale", first, second));
    Label low = Parts.whole(first, "plain");
    Label high = Parts.whole(second, "plain");
    low.setPrefWidth(END);
    low.setAlignment(Pos.CENTER_RIGHT);
    low.setTextAlignment(TextAlignment.RIGHT);
    high.setPrefWidth(END);
    HBox node = Parts.row(8, low, scale, high);
    node.setMinWidth(Region.USE_PREF_SIZE);
    Row made = new Row(node, scale, low, high);
    // Told once it rests on a step, and not while it is dragged over others.
    scale
        .valueProperty()
        .addListener(
            o -> {
              int step = (int) Math.round(scale.getValue());
              if (!showing && !scale.isValueChanging() && step == scale.getValue()) {
                mark(made, step);
                lean.accept(habit, step);
              }
            });
    scale
        .valueChangingProperty()
        .addListener(
            (o, before, now) -> {
              if (!now && !showing) {
                int step = (int) Math.round(scale.getValue());
                mark(made, step);
                lean.accept(habit, step);
              }
            });
    return made;
  }

  /** The end that is leant to is said in bold. */
  private static void mark(Row row, int step) {
    leant(row.first(), step < 0);
    leant(row.second(), step > 0);
  }

  private static void leant(Label end, boolean is) {
    end.getStyleClass().remove(LEANT);
    if (is) {
      end.getStyleClass().add(LEANT);
    }
  }

  /**
   * Shows how far each leans.
   *
   * @param has which of them this instrument's players have
   */
  void show(Leanings<H> leanings, Predicate<H> has) {
    showing = true;
    getChildren().clear();
    rows.forEach(
        (habit, row) -> {
          if (has.test(habit)) {
            getChildren().add(row.node());
          }
          row.scale().setValue(leanings.of(habit));
          mark(row, leanings.of(habit));
        });
    showing = false;
  }
}
