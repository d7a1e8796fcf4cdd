package fret.app.view;

import fret.app.widget.Look;
import javafx.css.PseudoClass;
import javafx.event.ActionEvent;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;

/**
 * The strip with its reasons: beside it where the window is wide, below it otherwise, and in a
 * drawer over it where there is room for one of both only. The strip takes most of the room and
 * grows with the window.
 */
final class Composition extends Region {
  private static final double WIDE = 1500;
  private static final double BESIDE = 372;
  private static final double GAP = 10;
  private static final double SHARE = 0.62;
  private static final double LEAST_SHARE = 0.5;

  /** Height in which a stave and the area's own lane are whole with any part. */
  private static final double WHOLE_STRIP = 366;

  private static final long SETTLES_NS = 700_000_000;
  private static final double LEAST_BELOW = 190;
  private static final double LEAST_STRIP = 150;

  /** A strip that is lower than this has no reasons below it, but a drawer. */
  private static final double READABLE_STRIP = 290;

  private static final double DRAWER = 0.72;
  private static final PseudoClass AS_DRAWER = PseudoClass.getPseudoClass("drawer");

  private final Look look;
  private final Region head;
  private final Region strip;
  private final Region reasons;
  private final Region tabs;
  private boolean stripOnly;
  private boolean reasonsFirst;
  private boolean isOpen;
  private double share = SHARE;
  private double asked;
  private long dealt;
  private double dealtWidth;
  private double dealtHeight;
  private Runnable onHead = () -> {};

  /**
   * @param head a line over the strip
   * @param tabs what of the reasons is seen while their drawer is closed; pressed, they open it
   */
  Composition(Look look, Region head, Region strip, Region reasons, Region tabs) {
    this.look = look;
    this.head = head;
    this.strip = strip;
    this.reasons = reasons;
    this.tabs = tabs;
    setPadding(new Insets(8, 16, 10, 16));
    getChildren().addAll(head, strip, reasons);
    reasons.setMinHeight(0);
    sceneProperty().addListener(o -> dealt = System.nanoTime());
    reasons.getStyleClass().add("reasons");
    tabs.addEventHandler(
        ActionEvent.ACTION,
        e -> {
          dealt = System.nanoTime();
          open(getScene() != null);
        });
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
    open(first);
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

  /** The line over the strip, wherever it stands. */
  Region head() {
    return head;
  }

  /** The line over the strip stands elsewhere, and leaves its room; or here again. */
  void lendHead(boolean lent) {
    getChildren().remove(head);
    if (!lent) {
      getChildren().add(0, head);
    }
    requestLayout();
  }

  private boolean hasHead() {
    return head.getParent() == this;
  }

  /** What is done when the line over the strip may have another width. */
  void setOnHead(Runnable handler) {
    onHead = handler;
  }

  private void open(boolean is) {
    isOpen = is;
    requestLayout();
  }

  /** Opens the drawer, or closes it; nothing where there is none. */
  void toggle() {
    open(!isOpen);
  }

  /** Closes the drawer; false where none is open. */
  boolean close() {
    boolean had = isOpen && isDrawer();
    open(false);
    return had;
  }

  private boolean isWide() {
    return getScene() != null && getScene().getWidth() >= WIDE;
  }

  private double letters() {
    return look.lettersProperty().get();
  }

  private boolean isDrawer() {
    return !stripOnly && !isWide() && below() - LEAST_BELOW * letters() - GAP < READABLE_STRIP;
  }

  /** Height below the head. */
  private double below() {
    double width = getWidth() - getInsets().getLeft() - getInsets().getRight();
    double used = getInsets().getTop() + (hasHead() ? headHeight(width) + GAP : 0);
    return getHeight() - used - getInsets().getBottom();
  }

  private double headHeight(double width) {
    return snapSizeY(head.prefHeight(width));
  }

  @Override
  protected void layoutChildren() {
    Insets in = getInsets();
    double left = in.getLeft();
    double width = getWidth() - left - in.getRight();
    if (hasHead()) {
      put(head, left, in.getTop(), width, headHeight(width));
      onHead.run();
    }
    double height = below();
    double top = getHeight() - in.getBottom() - height;
    boolean drawer = isDrawer();
    reasons.pseudoClassStateChanged(AS_DRAWER, drawer);
    reasons.setClip(null);
    if (stripOnly) {
      put(strip, left, top, width, height);
    } else if (isWide()) {
      double beside = reasonsFirst ? width * SHARE : BESIDE * letters();
      put(strip, left, top, width - beside - GAP, height);
      put(reasons, left + width - beside, top, beside, height);
    } else if (drawer) {
      layDrawer(left, top, width, height);
    } else {
      double most = height - GAP - LEAST_BELOW * letters();
      double usual = Math.max(160, Math.min(most, upperShare(width, height)));
      double upper = snapSizeY(reasonsFirst ? Math.min(LEAST_STRIP, height / 4) : usual);
      put(strip, left, top, width, upper);
      put(reasons, left, top + upper + GAP, width, height - upper - GAP);
    }
  }

  /**
   * Height of the strip over the reasons. Reasons that ask for more get it, up to half of all; it
   * is not taken back before another tab is pressed, so that the music stands still.
   */
  private double upperShare(double width, double height) {
    double usual = height * share;
    if (share < SHARE || reasonsFirst) {
      return usual;
    }
    if (dealtWidth != width || dealtHeight != height) {
      dealt = System.nanoTime();
    }
    dealtWidth = width;
    dealtHeight = height;
    double now = reasons.prefHeight(width);
    // What is new has its height after some layouts only.
    asked = System.nanoTime() - dealt < SETTLES_NS ? now : Math.max(asked, now);
    double least = Math.max(height * LEAST_SHARE, WHOLE_STRIP * letters());
    return Math.min(usual, Math.max(least, height - GAP - asked));
  }

  /** Closed, its tabs alone are seen under the strip; open, it lies over the strip's lower part. */
  private void layDrawer(double left, double top, double width, double height) {
    double closed = snapSizeY(tabs.prefHeight(width)) + GAP;
    put(strip, left, top, width, height - closed);
    double seen = isOpen ? Math.max(closed, height * DRAWER) : closed;
    put(reasons, left, top + height - seen, width, seen);
    reasons.setClip(new Rectangle(width, seen));
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
