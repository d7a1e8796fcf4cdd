package fret.app.view;

import fret.app.words.Sentences;
import fret.app.words.Words;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;

/** A reason in words, with how much it weighs as a short bar; the figures when asked for. */
final class ReasonRow extends HBox {
  /** A bar of this many px is an easy shift to the neighbouring position. */
  private static final double ONE = 22;

  private static final double LONGEST = 58;
  private static final double SHORTEST = 3;

  /**
   * @param quantity what is counted, with its unit
   * @param effort how much it weighs; below 0 for what is gained
   * @param figures whether they are seen
   */
  ReasonRow(String words, String quantity, double effort, ReadOnlyBooleanProperty figures) {
    super(8);
    setAlignment(Pos.CENTER_LEFT);
    Label text = Parts.whole(words, "plain");
    text.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(text, Priority.ALWAYS);
    StackPane scale = scale(effort);
    Label counted = Parts.line(quantity, "figure");
    Label weight = Parts.line(Words.shown(effort < 0 ? "%+.2f" : "%.2f", effort), "effort");
    for (Label l : new Label[] {counted, weight}) {
      l.setMinWidth(Region.USE_PREF_SIZE);
      l.visibleProperty().bind(figures);
      l.managedProperty().bind(figures);
    }
    String all = Sentences.of("reason.figures", quantity, weight.getText());
    Tooltip.install(this, new Tooltip(all));
    setAccessibleText(words + ", " + all);
    getChildren().addAll(text, counted, scale, weight);
  }

  /** Effort as a short bar: its length tells how much, its ink whether it is gained. */
  static StackPane scale(double effort) {
    Region bar = new Region();
    bar.getStyleClass().add(effort < 0 ? "gain-bar" : "reason-bar");
    double length = Math.max(SHORTEST, Math.min(LONGEST, Math.abs(effort) * ONE));
    bar.setMaxSize(length, 7);
    bar.setMinSize(length, 7);
    StackPane scale = new StackPane(bar);
    scale.setMinWidth(LONGEST);
    StackPane.setAlignment(bar, Pos.CENTER_LEFT);
    return scale;
  }
}
