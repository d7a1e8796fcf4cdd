package fret.app.view;

import fret.passage.Passage;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleSupplier;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.skin.VirtualFlow;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;

/**
 * The shelf's rows, made as they come into sight: headings, and slips side by side as many as there
 * is room for. The arrows go from slip to slip.
 */
final class ShelfList extends ListView<ShelfList.Row> {
  private static final double GAP = 14;
  private static final double MARGIN = 20;

  private final Function<Passage, Node> slip;
  private final DoubleSupplier slipWidth;
  private List<Object> contents = List.of();
  private int inRow;

  /** What stands side by side, kept when it has been made. */
  static final class Row {
    private final List<Passage> passages;
    private final Supplier<Node> making;
    private Node node;

    private Row(List<Passage> passages, Supplier<Node> making) {
      this.passages = passages;
      this.making = making;
    }

    private Node node() {
      node = node == null ? making.get() : node;
      return node;
    }
  }

  /**
   * @param slip makes the slip of a passage; its button that opens the passage has the id {@code
   *     passage-} and the passage's
   */
  ShelfList(Function<Passage, Node> slip, DoubleSupplier slipWidth) {
    this.slip = slip;
    this.slipWidth = slipWidth;
    getStyleClass().add("shelf-list");
    setFocusTraversable(false);
    setCellFactory(list -> new Cell());
    widthProperty().addListener(o -> fit());
    addEventFilter(KeyEvent.KEY_PRESSED, this::step);
  }

  /**
   * Shows other contents at the same place.
   *
   * @param all a {@code Node} for a row of its own, or a list of passages
   */
  void show(List<Object> all) {
    contents = all;
    layOut();
  }

  private void fit() {
    if (room() != inRow) {
      layOut();
    }
  }

  /** How many slips have room side by side, one at least. */
  private int room() {
    return (int) Math.max(1, (getWidth() - 2 * MARGIN + GAP) / (slipWidth.getAsDouble() + GAP));
  }

  private void layOut() {
    inRow = room();
    List<Row> rows = new ArrayList<>();
    for (Object content : contents) {
      if (content instanceof Node node) {
        rows.add(new Row(List.of(), () -> node));
      } else if (content instanceof List<?> list) {
        List<Passage> passages = list.stream().map(Passage.class::cast).toList();
        for (int i = 0; i < passages.size(); i += inRow) {
          List<Passage> here = passages.subList(i, Math.min(passages.size(), i + inRow));
          rows.add(new Row(here, () -> slips(here)));
        }
      }
    }
    getItems().setAll(rows);
  }

  private HBox slips(List<Passage> passages) {
    HBox row = new HBox(GAP);
    passages.forEach(p -> row.getChildren().add(slip.apply(p)));
    return row;
  }

  private void step(KeyEvent e) {
    Node owner = getScene() == null ? null : getScene().getFocusOwner();
    if (owner == null || owner.getId() == null || !owner.getId().startsWith("passage-")) {
      return;
    }
    int by =
        switch (e.getCode()) {
          case LEFT -> -1;
          case RIGHT -> 1;
          case UP -> -inRow;
          case DOWN -> inRow;
          default -> 0;
        };
    List<Passage> all = getItems().stream().flatMap(r -> r.passages.stream()).toList();
    List<String> ids = all.stream().map(p -> "passage-" + p.id()).toList();
    int to = ids.indexOf(owner.getId()) + by;
    if (by != 0) {
      e.consume();
      if (to >= 0 && to < all.size()) {
        focus(all.get(to));
      }
    }
  }

  private void focus(Passage passage) {
    for (int i = 0; i < getItems().size(); i++) {
      if (getItems().get(i).passages.contains(passage)) {
        reveal(i);
        Platform.runLater(
            () -> {
              Node button = lookup("#passage-" + passage.id());
              if (button != null) {
                button.requestFocus();
              }
            });
      }
    }
  }

  private void reveal(int row) {
    if (lookup(".virtual-flow") instanceof VirtualFlow<?> flow) {
      flow.scrollTo(row);
      flow.layout();
    }
  }

  /** Shows a row as it is; it is no list of choices. */
  private final class Cell extends ListCell<Row> {
    Cell() {
      setPadding(new Insets(GAP / 2, MARGIN, GAP / 2, MARGIN));
      focusWithinProperty()
          .addListener(
              (o, before, now) -> {
                if (now && getIndex() >= 0) {
                  reveal(getIndex());
                }
              });
    }

    @Override
    protected void updateItem(Row row, boolean empty) {
      super.updateItem(row, empty);
      setGraphic(empty || row == null ? null : row.node());
    }
  }
}
