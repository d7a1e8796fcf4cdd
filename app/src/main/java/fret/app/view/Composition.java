package fret.app.view;

import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.layout.Region;

/**
 * The strip with its reasons: beside it where the window is wide, below it otherwise. The strip
 * takes most of the room and grows with the window.
 */
final class Composition extends Region {
  private static final double WIDE = 1500;
  private static final double BESIDE = 372;
  private static final double GAP = 10;
  private static final double SHARE = 0.62;
  private static final double LEAST_BELOW = 190;

  private final Region head;
  private final Region strip;
  private final Region reasons;
  private boolean stripOnly;

  /**
   * @param head a line over the strip
   */
  Composition(Region head, Region strip, Region reasons) {
    this.head = head;
    this.strip = strip;
    this.reasons = reasons;
    setPadding(new Insets(8, 16, 10, 16));
    getChildren().addAll(head, strip, reasons);
    reasons.setMinHeight(0);
  }

  /** Gives the strip everything, as while writing; or the reasons their room again. */
  void setStripOnly(boolean alone) {
    stripOnly = alone;
    reasons.setVisible(!alone);
    requestLayout();
  }

  private boolean isWide() {
    return getScene() != null && getScene().getWidth() >= WIDE;
  }

  @Override
  protected void layoutChildren() {
    Insets in = getInsets();
    double left = in.getLeft();
    double width = getWidth() - left - in.getRight();
    double top = in.getTop();
    double headHeight = snapSizeY(head.prefHeight(width));
    put(head, left, top, width, headHeight);
    top += headHeight + GAP;
    double height = getHeight() - top - in.getBottom();
    if (stripOnly) {
      put(strip, left, top, width, height);
    } else if (isWide()) {
      put(strip, left, top, width - BESIDE - GAP, height);
      put(reasons, left + width - BESIDE, top, BESIDE, height);
    } else {
      double most = height - GAP - LEAST_BELOW;
      double upper = snapSizeY(Math.max(160, Math.min(most, height * SHARE)));
      put(strip, left, top, width, upper);
      put(reasons, left, top + upper + GAP, width, height - upper - GAP);
    }
  }

  private void put(Node node, double x, double y, double width, double height) {
    node.resizeRelocate(snapPositionX(x), snapPositionY(y), snapSizeX(width), snapSizeY(height));
  }

  @Override
  protected double computePrefHeight(double width) {
    return 640;
  }

  @Override
  protected double computePrefWidth(double height) {
    return 900;
  }
}
