package fret.app.view;

import java.util.function.Function;
import javafx.application.Platform;
import javafx.css.PseudoClass;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Spinner;
import javafx.scene.control.SpinnerValueFactory;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;

/** Pieces that several areas are built from. */
final class Parts {
  private Parts() {}

  static Label label(String text, String... styles) {
    Label label = new Label(text);
    label.getStyleClass().addAll(styles);
    label.setWrapText(true);
    return label;
  }

  /** A text that is read whole, on as many lines as it needs. */
  static Label whole(String text, String... styles) {
    Label label = label(text, styles);
    label.setMinHeight(Region.USE_PREF_SIZE);
    return label;
  }

  /**
   * A number as it is typed, with a point or a comma.
   *
   * @throws NumberFormatException if it is none
   */
  static double decimal(String typed) {
    return Double.parseDouble(typed.strip().replace(',', '.'));
  }

  static Label line(String text, String... styles) {
    Label label = label(text, styles);
    label.setWrapText(false);
    return label;
  }

  static Button button(String text, String id, Runnable action, String... styles) {
    Button button = new Button(text);
    button.setMinWidth(Region.USE_PREF_SIZE); // What it does is read whole, or not at all.
    button.setId(id);
    button.getStyleClass().addAll(styles);
    button.setOnAction(e -> action.run());
    return button;
  }

  /** Shows values by a name; nothing is ever parsed back. */
  static <T> StringConverter<T> named(Function<T, String> name) {
    return new StringConverter<>() {
      @Override
      public String toString(T value) {
        return value == null ? "" : name.apply(value);
      }

      @Override
      public T fromString(String text) {
        throw new UnsupportedOperationException();
      }
    };
  }

  /**
   * Calls back when a text was entered: at Enter, and when the focus leaves. Escape brings back
   * what stood there.
   */
  static void onCommit(TextField field, Runnable action) {
    field.setOnAction(e -> action.run());
    String[] stood = {field.getText()};
    onEscape(field, () -> field.setText(stood[0]));
    field
        .focusedProperty()
        .addListener(
            (o, before, now) -> {
              if (now) {
                stood[0] = field.getText();
              } else {
                action.run();
              }
            });
  }

  /** A field for a whole number; what is no number leaves it as it was. */
  static Spinner<Integer> number(int from, int to, int value, int step) {
    Spinner<Integer> spinner = new Spinner<>(from, to, value, step);
    SpinnerValueFactory<Integer> values = spinner.getValueFactory();
    values.setConverter(orAsItWas(values, values.getConverter(), spinner));
    return spinner;
  }

  /** Reads as another converter does; where that cannot, the value stays. */
  static <V> StringConverter<V> orAsItWas(
      SpinnerValueFactory<V> values, StringConverter<V> reads, Spinner<V> spinner) {
    return new StringConverter<>() {
      @Override
      public String toString(V value) {
        return reads.toString(value);
      }

      @Override
      public V fromString(String text) {
        try {
          V read = reads.fromString(text);
          return read == null ? values.getValue() : read;
        } catch (RuntimeException e) {
          Platform.runLater(() -> spinner.getEditor().setText(reads.toString(values.getValue())));
          return values.getValue();
        }
      }
    };
  }

  /** Does something when what is typed is given up. */
  static void onEscape(TextField field, Runnable action) {
    field.addEventFilter(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getCode() == KeyCode.ESCAPE) {
            action.run();
          }
        });
  }

  static VBox card(String title, Node... content) {
    VBox box = new VBox(8);
    box.setMinHeight(0);
    box.getStyleClass().add("card");
    if (!title.isEmpty()) {
      box.getChildren().add(line(title, "card-title"));
    }
    box.getChildren().addAll(content);
    return box;
  }

  static HBox row(double gap, Node... nodes) {
    HBox box = new HBox(gap, nodes);
    box.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    return box;
  }

  static Region spring() {
    Region r = new Region();
    HBox.setHgrow(r, Priority.ALWAYS);
    VBox.setVgrow(r, Priority.ALWAYS);
    return r;
  }

  private static final PseudoClass CURRENT = PseudoClass.getPseudoClass("current");

  /** A row that goes on below where it has no room. */
  static FlowPane flow(double gap, Node... nodes) {
    FlowPane box = new FlowPane(gap, 4, nodes);
    box.setRowValignment(javafx.geometry.VPos.CENTER);
    return box;
  }

  /** A button that puts its content into a pane; one of a row. */
  static Button tab(Pane tabs, StackPane pane, String text, String id, Node content) {
    Button button = button(text, id, () -> {}, "tab");
    button.setOnAction(
        e -> {
          pane.getChildren().setAll(content);
          tabs.getChildren().forEach(t -> t.pseudoClassStateChanged(CURRENT, t.equals(button)));
        });
    tabs.getChildren().add(button);
    return button;
  }

  /** Content that scrolls up and down when it is higher than its place. */
  static ScrollPane scroll(Node content) {
    ScrollPane scroll = new ScrollPane(content);
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    // It asks for as much as it holds, so that who deals the room can give it that.
    content
        .layoutBoundsProperty()
        .addListener(
            o -> {
              scroll.setPrefViewportHeight(content.getLayoutBounds().getHeight());
              // Asked for within a layout it would be dropped.
              Platform.runLater(() -> dealAgain(scroll));
            });
    scroll.getStyleClass().add("plain-scroll");
    VBox.setVgrow(scroll, Priority.ALWAYS);
    return scroll;
  }

  private static void dealAgain(Node node) {
    for (Parent p = node.getParent(); p != null; p = p.getParent()) {
      p.requestLayout();
    }
  }

  static VBox page(Node... nodes) {
    VBox box = new VBox(12, nodes);
    box.setPadding(new Insets(16, 20, 16, 20));
    return box;
  }

  /** What to do when there is nothing to show, with the button for it. */
  static VBox empty(String text, Node... buttons) {
    VBox box = new VBox(14);
    box.getStyleClass().add("empty");
    box.setAlignment(javafx.geometry.Pos.CENTER);
    box.getChildren().add(label(text, "lead"));
    box.getChildren().addAll(buttons);
    VBox.setVgrow(box, Priority.ALWAYS);
    return box;
  }
}
