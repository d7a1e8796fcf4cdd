package fret.app.view;

import fret.app.command.Action;
import fret.app.command.Scope;
import fret.app.widget.OwnKeys;
import fret.app.words.Sentences;
import fret.app.words.Terms;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * All that can be done, made from the actions themselves: the keys that count now, and a field in
 * which a word finds an action anywhere, or what a word means.
 */
final class FindPage extends VBox {
  private static final int MOST_FOUND = 40;
  private static final double COLUMN = 330;
  private static final double KEYS = 112;

  private final TextField field = new TextField();
  private final VBox found = new VBox(2);
  private final FlowPane keys = new FlowPane(22, 14);
  private final ScrollPane page;
  private final Supplier<List<Action>> everything;
  private final Consumer<Action> does;
  private List<Action> here = List.of();

  /**
   * @param everything that can be done in any area
   * @param does what was chosen
   */
  FindPage(Supplier<List<Action>> everything, Consumer<Action> does) {
    super(10);
    this.everything = everything;
    this.does = does;
    getStyleClass().setAll("help");
    setId("keys-page");
    field.setId("find");
    field.setPromptText(Sentences.of("find.prompt"));
    field.setAccessibleText(Sentences.of("find.prompt"));
    field.textProperty().addListener(o -> show());
    field.setOnAction(e -> first());
    field.addEventFilter(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getCode() == KeyCode.DOWN) {
            if (found.getScene() != null && !found.getChildren().isEmpty()) {
              found.getChildren().get(0).requestFocus();
            }
            e.consume();
          }
        });
    page = Parts.scroll(keys);
    keys.setRowValignment(VPos.TOP);
    keys.prefWrapLengthProperty().bind(page.widthProperty().subtract(20));
    getChildren().addAll(Parts.line(Sentences.of("find.title"), "section"), field, page);
  }

  /** Shows the keys that count now, in the order in which they come, with an empty field. */
  void fill(List<Action> actions) {
    here = List.copyOf(actions);
    field.clear();
    show();
  }

  /** The field has the keys. */
  void focus() {
    field.requestFocus();
  }

  private void show() {
    String wanted = field.getText().strip();
    if (wanted.isEmpty()) {
      keys.getChildren().setAll(columns());
      page.setContent(keys);
    } else {
      found.getChildren().setAll(results(wanted));
      page.setContent(found);
    }
    page.setVvalue(0);
  }

  // ---- keys ----------------------------------------------------------------------------------

  private List<Node> columns() {
    Map<String, List<Action>> places = new LinkedHashMap<>();
    here.forEach(a -> places.computeIfAbsent(a.place(), p -> new ArrayList<>()).add(a));
    List<Node> all = new ArrayList<>();
    places.forEach(
        (place, actions) -> {
          VBox column = new VBox(2, Parts.line(title(place), "card-title"));
          column.setPrefWidth(COLUMN);
          actions.stream()
              .filter(a -> !isToldByAnother(a))
              .forEach(a -> column.getChildren().add(line(a)));
          all.add(column);
        });
    return all;
  }

  private static Node line(Action a) {
    Label keys = Parts.line(keys(a), "figure");
    keys.setMinWidth(KEYS);
    Label words = Parts.whole(text(a), "plain");
    words.setPrefWidth(COLUMN - KEYS - 8);
    HBox line = new HBox(8, keys, words);
    return line;
  }

  private static String title(String place) {
    return Sentences.ids().contains("place." + place)
        ? Sentences.of("place." + place)
        : Sentences.of("area." + place);
  }

  /** One line stands for all letters, and one for all fingers. */
  private static boolean isToldByAnother(Action a) {
    return a.place().equals(PartView.WRITING) && a.id().matches("(NOTE|CHORD)_[B-G]|FINGER_[1-4]");
  }

  private static boolean isLetter(Action a) {
    return a.place().equals(PartView.WRITING) && a.id().matches("(NOTE|CHORD)_A");
  }

  private static boolean isFinger(Action a) {
    return a.place().equals(PartView.WRITING) && a.id().equals("FINGER_0");
  }

  private static String keys(Action a) {
    String keys = a.keys().getDisplayText();
    return isLetter(a) ? keys + "-G" : isFinger(a) ? keys + "-4" : keys;
  }

  private static String text(Action a) {
    return isFinger(a) || isLetter(a) ? Sentences.of("keys.all." + a.id()) : a.words();
  }

  // ---- finding -------------------------------------------------------------------------------

  private List<Node> results(String wanted) {
    List<Node> all = new ArrayList<>();
    for (Action a : matching(wanted)) {
      all.add(new Found(a, () -> does.accept(a)));
    }
    Terms.matching(wanted)
        .forEach(
            (term, meaning) ->
                all.add(Parts.whole(Sentences.of("find.term", term, meaning), "term")));
    if (all.isEmpty()) {
      all.add(Parts.whole(Sentences.of("find.nothing"), "quiet"));
    }
    return all;
  }

  /** What can be done here comes first, then in the order of the areas. */
  private List<Action> matching(String wanted) {
    String[] tokens = wanted.toLowerCase(Locale.ROOT).split("\\s+");
    Set<String> ids = new HashSet<>();
    here.forEach(a -> ids.add(a.place() + a.id()));
    return everything.get().stream()
        .filter(a -> has(a, tokens))
        .sorted(Comparator.comparing(a -> !ids.contains(a.place() + a.id())))
        .limit(MOST_FOUND)
        .toList();
  }

  private static boolean has(Action a, String[] tokens) {
    String all = " " + (a.words() + " " + title(a.place())).toLowerCase(Locale.ROOT);
    for (String token : tokens) {
      if (!all.contains(" " + token) && !all.contains("-" + token)) {
        return false;
      }
    }
    return true;
  }

  private void first() {
    if (!found.getChildren().isEmpty() && found.getChildren().get(0) instanceof Found f) {
      f.fire();
    }
  }

  /** An action that was found: what it does, where, by which key. */
  private static final class Found extends Button implements OwnKeys {
    private static final Set<KeyCode> OWN =
        EnumSet.of(KeyCode.UP, KeyCode.DOWN, KeyCode.SPACE, KeyCode.ENTER);

    Found(Action a, Runnable does) {
      getStyleClass().addAll("choice", "found");
      setId("found-" + a.id());
      setMaxWidth(Double.MAX_VALUE);
      setMinWidth(0);
      Label words = Parts.line(a.words(), "plain");
      String on = Scope.of(a.id()).map(s -> Sentences.of("scope." + s)).orElse("");
      String at = title(a.place());
      Label where = Parts.line(on.isEmpty() ? at : Sentences.of("find.where", on, at), "quiet");
      Label keys = Parts.line(a.keys().getDisplayText(), "figure");
      keys.setMinWidth(KEYS);
      where.setMinWidth(Region.USE_PREF_SIZE);
      HBox line = Parts.row(14, keys, words, Parts.spring(), where);
      line.prefWidthProperty().bind(widthProperty().subtract(24));
      setAccessibleText(a.words() + ", " + where.getText() + ", " + keys.getText());
      setGraphic(line);
      setOnAction(e -> does.run());
      addEventHandler(
          KeyEvent.KEY_PRESSED,
          e -> {
            if (e.getCode() == KeyCode.ENTER) {
              fire();
              e.consume();
            }
          });
    }

    @Override
    public boolean takes(KeyEvent e) {
      return OWN.contains(e.getCode());
    }
  }
}
