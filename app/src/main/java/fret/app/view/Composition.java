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
  private static final double LEAST_STRIP = 150;

  private final Region head;
  private final Region strip;
  private final Region reasons;
  private boolean stripOnly;
  private boolean reasonsFirst;
  private double share = SHARE;

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

  /** Gives the reasons most of the room, as for a picture that is read; or the strip again. */
  void setReasonsFirst(boolean first) {
    reasonsFirst = first;
    requestLayout();
  }

  /** Gives the strip another share of the height where it stands over the reasons. */
  void setShare(double other) {
    share = other;
    requestLayout();
  }

  /** Gives the strip its usual share. */
  void usualShare() {
    setShare(SHARE);
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
      double beside = reasonsFirst ? width * SHARE : BESIDE;
      put(strip, left, top, width - beside - GAP, height);
      put(reasons, left + width - beside, top, beside, height);
    } else {
      double most = height - GAP - LEAST_BELOW;
      double usual = Math.max(160, Math.min(most, height * share));
      double upper = snapSizeY(reasonsFirst ? Math.min(LEAST_STRIP, height / 4) : usual);
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
