package fret.app.view;

import fret.app.viewmodel.PracticeModel;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** Today's items in their order, what is done ticked off. */
final class TodayList extends VBox {
  private final PracticeModel practice;

  TodayList(PracticeModel practice) {
    super(2);
    this.practice = practice;
  }

  void show() {
    getChildren().clear();
    String passage = "";
    int session = 1;
    for (int i = 0; i < practice.items().size(); i++) {
      Item item = practice.items().get(i);
      if (item.session() != session) {
        session = item.session();
        getChildren().add(Parts.line(Sentences.of("practise.later", session), "section"));
        passage = "";
      }
      String of = practice.passage(item);
      if (!of.isEmpty() && !of.equals(passage)) {
        passage = of;
        getChildren().add(Parts.line(of, "section"));
      }
      getChildren().add(row(item, i));
    }
    if (practice.items().isEmpty()) {
      boolean rests = practice.isRest();
      getChildren()
          .add(
              Parts.label(
                  Sentences.of(rests ? "practise.rest" : "practise.nothing-is-due"), "quiet"));
    }
  }

  private Button row(Item item, int at) {
    boolean current = at == practice.indexProperty().get();
    String drill = Sentences.of("drill." + item.drill().id()).toLowerCase(Locale.ROOT);
    boolean named = item.kind() == Kind.CHUNK || item.kind() == Kind.JOIN;
    String what =
        named
            ? Sentences.of("practise.row", practice.label(item), drill, level(item))
            : practice.label(item);
    Button b =
        Parts.button(
            "",
            "item-" + at,
            () -> practice.show(at),
            "choice",
            current ? "current" : practice.isDone(at) ? "done" : "other");
    Label name = Parts.line((practice.isDone(at) ? "\u2713 " : "") + Texts.capital(what), "plain");
    Label minutes =
        Parts.line(Sentences.of("practise.minutes", Words.one(item.minutes())), "figure");
    minutes.setMinWidth(Region.USE_PREF_SIZE);
    HBox line = Parts.row(6, name, Parts.spring(), minutes);
    line.prefWidthProperty().bind(widthProperty().subtract(34));
    b.setGraphic(new StackPane(line));
    b.setAccessibleText(what + ", " + Sentences.of(item.why()));
    b.setMaxWidth(Double.MAX_VALUE);
    return b;
  }

  private String level(Item item) {
    return Words.level(practice.ladder(item), item.level());
  }
}
