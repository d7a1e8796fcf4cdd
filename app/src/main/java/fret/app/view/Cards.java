package fret.app.view;

import java.util.List;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.layout.HBox;

/** Cards side by side; where they would be cut off, as beside the strip, one under the other. */
class Cards extends HBox {
  private static final double GAP = 12;
  private static final double LEAST_BESIDE = 700;

  /** No card but the last takes more than this part of the height. */
  private static final double SHARE = 0.4;

  Cards() {
    super(GAP);
  }

  @Override
  protected void layoutChildren() {
    if (getWidth() >= LEAST_BESIDE) {
      super.layoutChildren();
      return;
    }
    Insets in = getInsets();
    double width = snapSizeX(getWidth() - in.getLeft() - in.getRight());
    double bottom = getHeight() - in.getBottom();
    double top = in.getTop();
    List<Node> cards = getManagedChildren();
    double most = getHeight() * SHARE;
    for (int i = 0; i < cards.size(); i++) {
      double height =
          i == cards.size() - 1
              ? bottom - top
              : Math.min(most, snapSizeY(cards.get(i).prefHeight(width)));
      cards.get(i).resizeRelocate(snapPositionX(in.getLeft()), snapPositionY(top), width, height);
      top += height + GAP;
    }
  }

  @Override
  protected double computeMinWidth(double height) {
    return 0;
  }
}
