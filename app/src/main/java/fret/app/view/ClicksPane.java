package fret.app.view;

import fret.app.viewmodel.Clicking;
import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.base.Problem;
import fret.base.Said;
import fret.sound.ClickRange;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import org.apache.commons.numbers.fraction.Fraction;

/** What the click does by bars. */
final class ClicksPane {
  private final Studio studio;
  private final Clicking clicking;
  private final TextField from = new TextField();
  private final TextField to = new TextField();
  private final TextField values = new TextField();
  private final ComboBox<ClickRange.Kind> kind = new ComboBox<>();
  private final VBox list = new VBox(4);
  private final Node node;

  ClicksPane(Studio studio) {
    this.studio = studio;
    this.clicking = new Clicking(studio);
    from.setId("click-from");
    from.setPromptText(Sentences.of("clicks.from"));
    to.setId("click-to");
    to.setPromptText(Sentences.of("clicks.to"));
    values.setId("click-values");
    values.setPromptText(Sentences.of("clicks.values"));
    for (TextField f : List.of(from, to, values)) {
      f.setAccessibleText(f.getPromptText());
      f.setPrefWidth(f.equals(values) ? 170 : 64);
      f.setOnAction(e -> add());
    }
    kind.getItems().setAll(ClickRange.Kind.values());
    kind.setConverter(Parts.named(k -> Sentences.of("clicks.kind." + k)));
    kind.setValue(ClickRange.Kind.RUNNING);
    kind.setId("click-kind");
    kind.setAccessibleText(Sentences.of("clicks"));
    node =
        new VBox(
            8,
            Parts.line(Sentences.of("clicks"), "strong"),
            Parts.flow(
                8,
                from,
                to,
                kind,
                values,
                Parts.button(Sentences.of("details.add"), "click-add", this::add, "small"),
                Parts.button(
                    Sentences.of("clicks.others"), "click-others", clicking::fromOthers, "small")),
            list);
    studio.shownProperty().addListener(o -> show());
  }

  Node node() {
    return node;
  }

  private void add() {
    try {
      String first = from.getText().strip();
      String last = to.getText().strip();
      boolean there = studio.shown() != null && bar(first) && (last.isEmpty() || bar(last));
      if (!there) {
        throw new IllegalArgumentException(first);
      }
      clicking.add(new ClickRange(first, last.isEmpty() ? first : last, kind.getValue(), read()));
      from.clear();
      to.clear();
      values.clear();
    } catch (IllegalArgumentException | ArithmeticException e) {
      studio.report(new Problem(Said.of("clicks"), Said.of("clicks.wrong"), Said.of("clicks.do")));
    }
  }

  private boolean bar(String number) {
    return studio.shown().page().barNumbered(number).isPresent();
  }

  /** Values such as 1/8 1/8 1/4. */
  private List<Fraction> read() {
    List<Fraction> all = new ArrayList<>();
    for (String text : values.getText().strip().split("\\s+")) {
      if (!text.isEmpty()) {
        String[] part = text.split("/");
        if (part.length != 2) {
          throw new IllegalArgumentException(text);
        }
        all.add(Fraction.of(Integer.parseInt(part[0]), Integer.parseInt(part[1])));
      }
    }
    return all;
  }

  private void show() {
    list.getChildren().clear();
    if (studio.shown() == null) {
      return;
    }
    for (ClickRange r : Clicking.ranges(studio.shown())) {
      String bars =
          r.fromBar().equals(r.toBar())
              ? Sentences.of("chunk.bar", r.fromBar())
              : Sentences.of("chunk.bars", r.fromBar(), r.toBar());
      String what =
          r.values().stream()
              .map(v -> v.getNumerator() + "/" + v.getDenominator())
              .collect(Collectors.joining(" "));
      list.getChildren()
          .add(
              Parts.row(
                  8,
                  Parts.line(Texts.capital(bars), "plain"),
                  Parts.line(Sentences.of("clicks.kind." + r.kind()) + " " + what, "quiet"),
                  Parts.button(
                      Sentences.of("excerpts.remove"), "", () -> clicking.remove(r), "small")));
    }
  }
}
