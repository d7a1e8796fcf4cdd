package fret.app.view;

import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.search.Explanation;
import fret.search.WeightRange;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import javafx.animation.PauseTransition;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.util.Duration;

/**
 * Every weight on a slider, with what it does on this passage and how firm it is.
 *
 * @param <K> a kind of effort
 */
final class WeightRows<K extends Enum<K>> extends GridPane {
  /** Weight of a kind that the preset does not weigh, at one step of its slider. */
  private static final double STEP = 0.1;

  private record Row(Label name, Slider slider, Label weight, Label effect, Label range) {}

  private final Map<K, Row> rows = new LinkedHashMap<>();
  private final ToDoubleFunction<K> usual;
  private boolean narrow;
  private boolean showing;

  /**
   * @param words before the kind's id, for what is told of it
   * @param usual the preset's own weight
   * @param weigh takes a weight that the player gives
   * @param idPrefix before the kind's id, for the sliders
   */
  WeightRows(
      List<K> kinds,
      Function<K, String> idOf,
      String words,
      ToDoubleFunction<K> usual,
      BiConsumer<K, Double> weigh,
      String idPrefix) {
    this.usual = usual;
    setHgap(10);
    setVgap(3);
    // Room for the scroll bar beside the numbers.
    setPadding(new Insets(0, 14, 0, 0));
    for (K kind : kinds) {
      rows.put(kind, row(kind, idPrefix + idOf.apply(kind), words + idOf.apply(kind), weigh));
    }
    layOut();
  }

  /** Puts what a weight does under its slider, where there is little room, or beside it. */
  void setNarrow(boolean now) {
    if (now != narrow) {
      narrow = now;
      layOut();
    }
  }

  private void layOut() {
    getChildren().clear();
    int line = 0;
    for (Row row : rows.values()) {
      row.name().setMinWidth(narrow ? 120 : 150);
      row.name().setWrapText(narrow);
      row.name().setMinHeight(Region.USE_PREF_SIZE);
      row.effect().setMinWidth(narrow ? Region.USE_COMPUTED_SIZE : 170);
      addRow(line++, row.name(), row.slider(), row.weight());
      if (narrow) {
        FlowPane under = Parts.flow(8, row.effect(), row.range());
        under.setPrefWrapLength(300);
        add(under, 0, line++, 3, 1);
      } else {
        add(row.effect(), 3, line - 1);
        add(row.range(), 4, line - 1);
      }
    }
  }

  private Row row(K kind, String id, String words, BiConsumer<K, Double> weigh) {
    Slider slider = new Slider(0, 3, 1);
    slider.setPrefWidth(110);
    slider.setMinWidth(90);
    slider.setId(id);
    String called = Sentences.of(words);
    slider.setAccessibleText(Sentences.of("cares.weight", called));
    slider.setBlockIncrement(0.25);
    PauseTransition pause = new PauseTransition(Duration.millis(180));
    pause.setOnFinished(e -> weigh.accept(kind, weightAt(kind, slider.getValue())));
    slider
        .valueProperty()
        .addListener(
            (o, before, now) -> {
              if (!showing) {
                rows.get(kind).weight().setText(times(kind, weightAt(kind, now.doubleValue())));
                pause.playFromStart();
              }
            });
    Label name = Parts.line(called, "plain");
    Sentences.find(words + ".about").ifPresent(about -> name.setTooltip(new Tooltip(about)));
    name.setPrefWidth(222);
    Row row =
        new Row(
            name,
            slider,
            Parts.line("", "figure"),
            Parts.line("", "quiet"),
            Parts.line("", "quiet"));
    row.weight().setMinWidth(Region.USE_PREF_SIZE);
    row.range().setMinWidth(Region.USE_PREF_SIZE);
    return row;
  }

  /** In the middle third of the slider stands the preset's weight; a square law above it. */
  private double weightAt(K kind, double slider) {
    double own = usual.applyAsDouble(kind);
    return own > 0 ? own * slider * slider : STEP * Math.max(0, slider - 1);
  }

  private double sliderAt(K kind, double weight) {
    double own = usual.applyAsDouble(kind);
    return own > 0 ? Math.sqrt(weight / own) : 1 + weight / STEP;
  }

  /**
   * Shows weights and what they do.
   *
   * @param shares one for each kind, in the kinds' order
   */
  void show(ToDoubleFunction<K> weights, List<Explanation.Share> shares) {
    showing = true;
    int at = 0;
    for (Map.Entry<K, Row> e : rows.entrySet()) {
      Explanation.Share s = shares.get(at++);
      double weight = weights.applyAsDouble(e.getKey());
      e.getValue().slider().setValue(sliderAt(e.getKey(), weight));
      e.getValue().weight().setText(times(e.getKey(), weight));
      e.getValue().effect().setText(effect(s));
    }
    showing = false;
  }

  private static String effect(Explanation.Share s) {
    return s.quantity() == 0
        ? Sentences.of("cares.does-not")
        : Sentences.of(
            "cares.effect",
            Words.one(s.quantity()),
            s.unit().equals("1/s") ? Sentences.of("cares.per-s") : s.unit(),
            Words.shown("%.2f", s.effort()));
  }

  /** A weight against the preset's own. */
  private String times(K kind, double weight) {
    double own = usual.applyAsDouble(kind);
    boolean same = Math.abs(weight - own) < 1e-9;
    return same
        ? Sentences.of("weight.as")
        : Sentences.of("weight.times", Words.one(own > 0 ? weight / own : weight / STEP));
  }

  /** Shows between which weights what stands stays the best. */
  void showRanges(Map<K, WeightRange> found) {
    rows.forEach(
        (kind, row) -> {
          WeightRange r = found.get(kind);
          row.range().setText(r == null ? "" : holds(kind, r));
        });
  }

  private String holds(K kind, WeightRange r) {
    double unit = usual.applyAsDouble(kind) > 0 ? usual.applyAsDouble(kind) : STEP;
    String least = Words.one(r.least() / unit);
    return Double.isInfinite(r.most())
        ? Sentences.of("range.up", least)
        : Sentences.of("range.between", least, Words.one(r.most() / unit));
  }
}
