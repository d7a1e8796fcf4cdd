package fret.app.widget;

import fret.app.words.Days;
import fret.engraving.Primitive.Text.Style;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.VPos;
import javafx.scene.AccessibleRole;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.paint.Color;
import javafx.scene.text.TextAlignment;

/** Weeks drawn to scale: a day is a column, its height its minutes, its parts what is practised. */
public final class WeeksView extends Painted {
  /** A {@link Piece#pattern} of what is no passage. */
  public static final int BLANK = -1;

  /** Width of the longest day on the axis. */
  private static final double LABEL = 46;

  public static final int WARM_UP = -2;

  private static final int PATTERNS = 4;

  /**
   * One part of a day.
   *
   * @param pattern place of its passage from 0, told apart by pattern and ink; or one of the above
   */
  public record Piece(double minutes, int pattern) {}

  /**
   * A day.
   *
   * @param budget minutes that there are
   */
  public record Day(LocalDate date, double budget, List<Piece> pieces) {
    public Day {
      pieces = List.copyOf(pieces);
    }

    double minutes() {
      return pieces.stream().mapToDouble(Piece::minutes).sum();
    }
  }

  private static final double LEFT = 44;
  private static final double FOOT = 22;
  private static final double HEAD = 10;

  private List<Day> days = List.of();
  private LocalDate today = LocalDate.EPOCH;
  private int selected;
  private Consumer<Integer> onPick = i -> {};

  public WeeksView(Look look) {
    super(look);
    setFocusTraversable(true);
    setAccessibleRole(AccessibleRole.TEXT);
    getStyleClass().add("strip");
    focusedProperty().addListener(o -> paint());
    canvas.addEventHandler(MouseEvent.MOUSE_PRESSED, this::press);
    addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    setMinHeight(120);
  }

  /** Called with the place of the day that was picked. */
  public void setOnPick(Consumer<Integer> handler) {
    onPick = handler;
  }

  /** Shows days that follow each other. */
  public void show(List<Day> all, LocalDate now) {
    days = List.copyOf(all);
    today = now;
    selected = Math.min(selected, Math.max(0, days.size() - 1));
    paint();
  }

  /** The mark of a passage, or of a warm-up, to stand beside its name. */
  public static Label mark(Look look, int passage) {
    Canvas sample = new Canvas(18, 12);
    piece(
        sample.getGraphicsContext2D(),
        look.inksProperty().get(),
        new Piece(1, passage == WARM_UP ? WARM_UP : Math.max(0, passage)),
        0,
        0,
        18,
        13);
    Label mark = new Label();
    mark.setGraphic(sample);
    return mark;
  }

  private void press(MouseEvent e) {
    requestFocus();
    pick((int) Math.floor((e.getX() - LEFT * letters()) / step()));
  }

  private void key(KeyEvent e) {
    int by =
        e.getCode() == KeyCode.RIGHT
            ? 1
            : e.getCode() == KeyCode.LEFT
                ? -1
                : e.getCode() == KeyCode.DOWN ? 7 : e.getCode() == KeyCode.UP ? -7 : 0;
    if (by != 0) {
      pick(selected + by);
      e.consume();
    }
  }

  private void pick(int which) {
    if (!days.isEmpty()) {
      selected = Math.max(0, Math.min(days.size() - 1, which));
      onPick.accept(selected);
      paint();
    }
  }

  private double step() {
    return Math.min(34, (canvas.getWidth() - LEFT * letters() - 8) / Math.max(1, days.size()));
  }

  @Override
  void paint() {
    GraphicsContext g = canvas.getGraphicsContext2D();
    Inks inks = inks();
    g.setFill(inks.paper());
    g.fillRect(0, 0, canvas.getWidth(), canvas.getHeight());
    if (days.isEmpty() || canvas.getWidth() <= 0) {
      return;
    }
    double most =
        Math.max(
            5, days.stream().mapToDouble(d -> Math.max(d.budget(), d.minutes())).max().orElse(1));
    double bottom = canvas.getHeight() - FOOT * letters();
    double perMinute = (bottom - HEAD) / most;
    scale(g, inks, most, bottom, perMinute);
    double step = step();
    for (int i = 0; i < days.size(); i++) {
      double x = LEFT * letters() + i * step;
      Day day = days.get(i);
      if (i == selected) {
        g.setFill(inks.selection());
        g.fillRect(x, HEAD - 6, step, bottom - HEAD + 6);
      }
      if (day.date().getDayOfWeek() == DayOfWeek.MONDAY) {
        g.setStroke(inks.rule());
        g.setLineWidth(1);
        g.strokeLine(x, HEAD, x, canvas.getHeight() - 4);
        boolean fits = x + 4 + LABEL * letters() <= canvas.getWidth();
        text(
            g,
            inks.faint(),
            Days.onAxis(day.date()),
            fits ? x + 4 : canvas.getWidth() - 2,
            bottom + 11,
            fits ? TextAlignment.LEFT : TextAlignment.RIGHT);
      }
      double y = bottom;
      for (Piece p : day.pieces()) {
        double height = p.minutes() * perMinute;
        piece(g, inks, p, x + step * 0.16, y - height, step * 0.68, height);
        y -= height;
      }
      double top = bottom - day.budget() * perMinute;
      g.setStroke(inks.time());
      g.setLineWidth(1);
      g.strokeLine(x + 1, top, x + step - 1, top);
      if (day.date().equals(today)) {
        g.setStroke(inks.time());
        g.setLineWidth(2);
        g.strokeLine(x + step * 0.16, bottom + 2, x + step * 0.84, bottom + 2);
      }
    }
    if (isFocused()) {
      g.setStroke(inks.time());
      g.setLineWidth(2);
      g.strokeRect(1, 1, canvas.getWidth() - 2, canvas.getHeight() - 2);
    }
  }

  private void scale(GraphicsContext g, Inks inks, double most, double bottom, double perMinute) {
    int every = most > 60 ? 30 : most > 25 ? 10 : 5;
    g.setStroke(inks.rule());
    g.setLineWidth(1);
    for (int minutes = every; minutes <= most; minutes += every) {
      double y = bottom - minutes * perMinute;
      g.strokeLine(LEFT * letters() - 4, y, canvas.getWidth() - 8, y);
      text(g, inks.faint(), minutes + " min", LEFT * letters() - 6, y, TextAlignment.RIGHT);
    }
    g.setStroke(inks.faint());
    g.strokeLine(LEFT * letters() - 4, bottom, canvas.getWidth() - 8, bottom);
  }

  private void text(
      GraphicsContext g, Color color, String text, double x, double y, TextAlignment align) {
    g.setFont(MusicFont.textFont(Style.REGULAR, 11.5 * letters()));
    g.setTextBaseline(VPos.CENTER);
    g.setTextAlign(align);
    g.setFill(color);
    g.fillText(text, x, y);
  }

  private static void piece(
      GraphicsContext g, Inks inks, Piece p, double x, double y, double width, double height) {
    double inner = Math.max(1, height - 1);
    Color ink = ink(inks, p.pattern());
    g.setStroke(ink);
    g.setFill(ink);
    g.setLineWidth(1);
    int pattern = p.pattern() < 0 ? -1 : p.pattern() % PATTERNS;
    if (p.pattern() == BLANK) {
      return;
    }
    if (pattern == 0) {
      g.fillRect(x, y, width, inner);
      return;
    }
    g.strokeRect(x + 0.5, y + 0.5, width - 1, Math.max(0.5, inner - 1));
    for (double at = y + 3; pattern == 1 && at < y + inner; at += 3) {
      g.strokeLine(x, at, x + width, at);
    }
    for (double at = x + 3; pattern == 3 && at < x + width; at += 4) {
      g.strokeLine(at, y, at, y + inner);
    }
  }

  /** Three inks, each with every pattern. */
  private static Color ink(Inks inks, int pattern) {
    if (pattern < 0) {
      return inks.faint();
    }
    return switch (pattern % 3) {
      case 0 -> inks.hand();
      case 1 -> inks.bow();
      default -> inks.time();
    };
  }
}
