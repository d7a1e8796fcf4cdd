package fret.engraving;

import java.util.Arrays;

/** The highest and lowest ink along the strip, so that marks can be set clear of it. */
final class Skyline {
  private static final double CELL = 0.25;

  private final double highest;
  private final double lowest;
  private double[] top = new double[1024];
  private double[] bottom = new double[1024];

  /** Of a stave with what stands on it. */
  Skyline() {
    this(0, 4);
  }

  /**
   * @param highest y where there is no ink, seen from above; {@code lowest} from below
   */
  Skyline(double highest, double lowest) {
    this.highest = highest;
    this.lowest = lowest;
    Arrays.fill(top, highest);
    Arrays.fill(bottom, lowest);
  }

  void add(double left, double right, double upper, double lower) {
    int from = cell(left);
    int to = cell(right);
    grow(to);
    for (int i = from; i <= to; i++) {
      top[i] = Math.min(top[i], upper);
      bottom[i] = Math.max(bottom[i], lower);
    }
  }

  void add(Primitive p) {
    if (p instanceof Primitive.Curve c) {
      for (int i = 0; i <= 16; i++) {
        double x = c.x1() + (c.x2() - c.x1()) * i / 16;
        double y = c.yAt(i / 16.0);
        add(x - 0.1, x + (c.x2() - c.x1()) / 16, y - 0.1, y + 0.1);
      }
    } else if (p instanceof Primitive.Beam b && b.x2() > b.x1()) {
      for (int i = 0; i < 8; i++) {
        double x = b.x1() + (b.x2() - b.x1()) * i / 8;
        double y = b.y1() + (b.y2() - b.y1()) * (i + 0.5) / 8;
        add(x, x + (b.x2() - b.x1()) / 8, y - 0.35, y + 0.35);
      }
    } else {
      add(p.left(), p.right(), p.top(), p.bottom());
    }
  }

  double topOver(double left, double right) {
    double best = highest;
    grow(cell(right));
    for (int i = cell(left); i <= cell(right); i++) {
      best = Math.min(best, top[i]);
    }
    return best;
  }

  double bottomOver(double left, double right) {
    double best = lowest;
    grow(cell(right));
    for (int i = cell(left); i <= cell(right); i++) {
      best = Math.max(best, bottom[i]);
    }
    return best;
  }

  private static int cell(double x) {
    return Math.max(0, (int) Math.floor(x / CELL));
  }

  private void grow(int index) {
    if (index < top.length) {
      return;
    }
    int old = top.length;
    int size = Math.max(index + 1, old * 2);
    top = Arrays.copyOf(top, size);
    bottom = Arrays.copyOf(bottom, size);
    Arrays.fill(top, old, size, highest);
    Arrays.fill(bottom, old, size, lowest);
  }
}
