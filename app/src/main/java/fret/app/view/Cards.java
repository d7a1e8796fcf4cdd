package fret.app.view;

import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.layout.HBox;

/** Cards side by side; where they would be cut off, as beside the strip, one under the other. */
class Cards extends HBox {
  private static final double GAP = 12;
  private static final double LEAST_BESIDE = 700;

  /** No card but the last takes more than this part of the height. */
  private static final double SHARE = 0.4;

  /** How much of the height that no card asks for goes to the first one. */
  private static final double FIRST_OF_SPARE = 0.7;

  private final double leastBeside;

  Cards() {
    this(GAP, LEAST_BESIDE);
  }

  /**
   * @param leastBeside width from which on the cards stand side by side
   */
  Cards(double gap, double leastBeside, Node... cards) {
    super(gap, cards);
    this.leastBeside = leastBeside;
  }

  @Override
  public Orientation getContentBias() {
    return Orientation.HORIZONTAL;
  }

  @Override
  protected double computePrefHeight(double width) {
    return width < 0 || width >= leastBeside ? super.computePrefHeight(width) : stacked(width);
  }

  /** Height of all cards one under the other. */
  private double stacked(double width) {
    Insets in = getInsets();
    double inner = width - in.getLeft() - in.getRight();
    double sum = in.getTop() + in.getBottom() + (getManagedChildren().size() - 1) * getSpacing();
    for (Node card : getManagedChildren()) {
      sum += snapSizeY(card.prefHeight(inner));
    }
    return sum;
  }

  @Override
  protected void layoutChildren() {
    if (getWidth() >= leastBeside) {
      super.layoutChildren();
      return;
    }
    Insets in = getInsets();
    double width = snapSizeX(getWidth() - in.getLeft() - in.getRight());
    double bottom = getHeight() - in.getBottom();
    double top = in.getTop();
    List<Node> cards = getManagedChildren();
    boolean fits = stacked(getWidth()) <= getHeight() + 1;
    double most = fits ? getHeight() : getHeight() * SHARE;
    // What is to be read in the first card wraps, and so wants more than it says.
    double spare = fits ? FIRST_OF_SPARE * (getHeight() - stacked(getWidth())) : 0;
    for (int i = 0; i < cards.size(); i++) {
      double wanted = cards.get(i).prefHeight(width) + (i == 0 ? spare : 0);
      double height = i == cards.size() - 1 ? bottom - top : Math.min(most, snapSizeY(wanted));
      cards.get(i).resizeRelocate(snapPositionX(in.getLeft()), snapPositionY(top), width, height);
      top += height + getSpacing();
    }
  }

  @Override
  protected double computeMinWidth(double height) {
    return 0;
  }
}
