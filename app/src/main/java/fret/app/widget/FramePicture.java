package fret.app.widget;

import fret.engraving.Primitive.Text.Style;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.image.Image;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.text.TextAlignment;

/**
 * A page with frames on it. A frame is drawn by dragging, picked by a click, and moved by the arrow
 * keys; with Shift they change its size.
 */
public final class FramePicture extends Painted implements OwnKeys {
  /** A frame as it is drawn; places are shares of the page. */
  public record Shown(String id, String label, double left, double top, double w, double h) {
    Shown in(double otherLeft, double otherTop, double otherW, double otherH) {
      double width = Math.max(LEAST, Math.min(1, otherW));
      double height = Math.max(LEAST, Math.min(1, otherH));
      double x = Math.max(0, Math.min(1 - width, otherLeft));
      double y = Math.max(0, Math.min(1 - height, otherTop));
      return new Shown(id, label, x, y, width, height);
    }
  }

  /** Smaller drags are clicks, as shares of the page. */
  private static final double LEAST = 0.015;

  private static final double STEP = 0.01;

  private Image image;
  private List<Shown> frames = List.of();
  private String picked = "";
  private double fromX;
  private double fromY;
  private Shown dragged;
  private Consumer<Shown> onDraw = s -> {};
  private Consumer<Shown> onChange = s -> {};
  private Consumer<String> onPick = s -> {};

  public FramePicture(Look look) {
    super(look);
    setFocusTraversable(true);
    addEventHandler(MouseEvent.MOUSE_PRESSED, this::press);
    addEventHandler(MouseEvent.MOUSE_DRAGGED, this::drag);
    addEventHandler(MouseEvent.MOUSE_RELEASED, e -> release());
    addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    focusedProperty().addListener(o -> paint());
  }

  /** Called with a new frame. */
  public void setOnDraw(Consumer<Shown> handler) {
    onDraw = Objects.requireNonNull(handler);
  }

  /** Called with a frame that was moved. */
  public void setOnChange(Consumer<Shown> handler) {
    onChange = Objects.requireNonNull(handler);
  }

  /** Called with the id of a frame that was picked; empty for none. */
  public void setOnPick(Consumer<String> handler) {
    onPick = Objects.requireNonNull(handler);
  }

  /** As if a frame had been drawn; places are shares of the page. */
  public void draw(double left, double top, double w, double h) {
    onDraw.accept(new Shown("", "", left, top, w, h));
  }

  public void showPage(Image page) {
    image = page;
    paint();
  }

  public void showFrames(List<Shown> shown, String pickedId) {
    frames = List.copyOf(shown);
    picked = pickedId;
    paint();
  }

  private void press(MouseEvent e) {
    requestFocus();
    fromX = e.getX() / getWidth();
    fromY = e.getY() / getHeight();
    dragged = null;
    e.consume();
  }

  private void drag(MouseEvent e) {
    double x = Math.max(0, Math.min(1, e.getX() / getWidth()));
    double y = Math.max(0, Math.min(1, e.getY() / getHeight()));
    dragged =
        new Shown(
            "",
            "",
            Math.min(x, fromX),
            Math.min(y, fromY),
            Math.abs(x - fromX),
            Math.abs(y - fromY));
    paint();
    e.consume();
  }

  private void release() {
    Shown made = dragged;
    dragged = null;
    if (made != null && made.w() > LEAST && made.h() > LEAST) {
      onDraw.accept(made);
    } else {
      onPick.accept(at(fromX, fromY).map(Shown::id).orElse(""));
    }
    paint();
  }

  /** The smallest frame at a place. */
  private Optional<Shown> at(double x, double y) {
    return frames.stream()
        .filter(f -> x >= f.left() && x <= f.left() + f.w() && y >= f.top() && y <= f.top() + f.h())
        .min((a, b) -> Double.compare(a.w() * a.h(), b.w() * b.h()));
  }

  @Override
  public boolean takes(KeyEvent e) {
    return e.getCode().isArrowKey() && frames.stream().anyMatch(x -> x.id().equals(picked));
  }

  private void key(KeyEvent e) {
    Optional<Shown> f = frames.stream().filter(x -> x.id().equals(picked)).findFirst();
    double dx = e.getCode() == KeyCode.LEFT ? -STEP : e.getCode() == KeyCode.RIGHT ? STEP : 0;
    double dy = e.getCode() == KeyCode.UP ? -STEP : e.getCode() == KeyCode.DOWN ? STEP : 0;
    if (f.isEmpty() || dx == 0 && dy == 0) {
      return;
    }
    Shown s = f.get();
    onChange.accept(
        e.isShiftDown()
            ? s.in(s.left(), s.top(), s.w() + dx, s.h() + dy)
            : s.in(s.left() + dx, s.top() + dy, s.w(), s.h()));
    e.consume();
  }

  @Override
  void paint() {
    double w = getWidth();
    double h = getHeight();
    GraphicsContext g = canvas.getGraphicsContext2D();
    g.clearRect(0, 0, w, h);
    if (image == null) {
      return;
    }
    g.drawImage(image, 0, 0, w, h);
    g.setFont(MusicFont.textFont(Style.BOLD, 12 * letters()));
    g.setTextAlign(TextAlignment.LEFT);
    g.setTextBaseline(VPos.CENTER);
    for (Shown f : frames) {
      paint(g, f, f.id().equals(picked));
    }
    if (dragged != null) {
      paint(g, dragged, true);
    }
  }

  /** The page is a photo: frames are drawn in the ink of light paper, on a light edge. */
  private void paint(GraphicsContext g, Shown f, boolean strong) {
    double x = f.left() * getWidth();
    double y = f.top() * getHeight();
    double w = f.w() * getWidth();
    double h = f.h() * getHeight();
    Inks ink = Inks.LIGHT;
    g.setLineWidth(strong ? 6 : 4);
    g.setStroke(ink.paper());
    g.strokeRect(x, y, w, h);
    g.setLineWidth(strong ? 3 : 1.5);
    g.setStroke(ink.time());
    g.setLineDashes(strong && isFocused() ? new double[] {8, 4} : new double[0]);
    g.strokeRect(x, y, w, h);
    g.setLineDashes();
    if (!f.label().isEmpty()) {
      double wide = 7.0 * f.label().length() + 10;
      g.setFill(ink.time());
      g.fillRect(x, y, wide, 18);
      g.setFill(ink.paper());
      g.fillText(f.label(), x + 5, y + 9);
    }
  }
}
