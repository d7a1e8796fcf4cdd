package fret.app.view;

import java.util.Arrays;
import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.layout.HBox;

/** Cards side by side; where they would be cut off, as beside the strip, one under the other. */
class Cards extends HBox {
  private static final double GAP = 12;
  private static final double LEAST_BESIDE = 700;

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
    double gaps = (cards.size() - 1) * getSpacing();
    double[] heights = dealt(cards, width, bottom - top - gaps);
    for (int i = 0; i < cards.size(); i++) {
      cards
          .get(i)
          .resizeRelocate(snapPositionX(in.getLeft()), snapPositionY(top), width, heights[i]);
      top += heights[i] + getSpacing();
    }
  }

  /** Each has what it asks for; where that is too much those that ask for most give way alike. */
  private double[] dealt(List<Node> cards, double width, double room) {
    double[] wanted = new double[cards.size()];
    for (int i = 0; i < wanted.length; i++) {
      wanted[i] = snapSizeY(cards.get(i).prefHeight(width));
    }
    double most = mostEach(wanted, room);
    double[] heights = new double[wanted.length];
    for (int i = 0; i < wanted.length; i++) {
      heights[i] = Math.floor(Math.min(wanted[i], most));
    }
    return heights;
  }

  /** How much a card may have at most, so that all of them fill the room. */
  private static double mostEach(double[] wanted, double room) {
    double[] sorted = wanted.clone();
    Arrays.sort(sorted);
    double left = room;
    for (int i = 0; i < sorted.length; i++) {
      double share = left / (sorted.length - i);
      if (sorted[i] > share) {
        return share;
      }
      left -= sorted[i];
    }
    return Double.MAX_VALUE;
  }

  @Override
  protected double computeMinWidth(double height) {
    return 0;
  }
}
