package fret.app.widget;

import java.util.List;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.image.Image;

/** What a frame holds of the picture of its page, as large as the room allows. */
public final class FrameStand extends Painted {
  /** A part of a page; places are shares of it. */
  public record Part(Image page, double left, double top, double w, double h) {}

  private List<Part> parts = List.of();
  private int at;

  public FrameStand(Look look) {
    super(look);
    setMinHeight(80);
  }

  public void show(List<Part> shown) {
    parts = List.copyOf(shown);
    at = 0;
    paint();
  }

  /** Turns to one of the parts. */
  public void turnTo(int part) {
    int to = Math.max(0, Math.min(parts.size() - 1, part));
    if (to != at) {
      at = to;
      paint();
    }
  }

  public int at() {
    return at;
  }

  @Override
  void paint() {
    GraphicsContext g = canvas.getGraphicsContext2D();
    g.clearRect(0, 0, getWidth(), getHeight());
    if (parts.isEmpty() || parts.get(at).page().isError()) {
      return;
    }
    Part p = parts.get(at);
    double sw = p.w() * p.page().getWidth();
    double sh = p.h() * p.page().getHeight();
    double scale = Math.min(getWidth() / sw, getHeight() / sh);
    double w = sw * scale;
    double h = sh * scale;
    g.drawImage(
        p.page(),
        p.left() * p.page().getWidth(),
        p.top() * p.page().getHeight(),
        sw,
        sh,
        (getWidth() - w) / 2,
        (getHeight() - h) / 2,
        w,
        h);
  }
}
