package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.widget.ClimbLine;
import fret.app.widget.Look;
import fret.app.widget.StripView;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.journal.Verdict;
import fret.passage.Passage;
import fret.plan.PracticePlan;
import fret.score.ResolvedPassage;
import fret.shelf.Planning;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The slips of the shelf, made one by one as they are looked at. */
final class ShelfSlips {
  /** In px, with letters of the usual size. */
  private static final double WIDTH = 336;

  private static final int MOST_QUESTIONS = 2;

  private final Studio studio;
  private final MainView main;
  private final Look look;
  private final Map<Long, VBox> dues = new HashMap<>();
  private final Map<Long, StripView> strips = new HashMap<>();

  ShelfSlips(Areas.Room room) {
    this.studio = room.studio();
    this.main = room.main();
    this.look = room.look();
  }

  /** How wide a slip is with letters as they are, in px. */
  double width() {
    return WIDTH * look.lettersProperty().get();
  }

  /** Slips that were made count no more. */
  void forget() {
    dues.clear();
    strips.clear();
  }

  /** What the plan says of how far a passage is; empty where it says nothing. */
  String state(Passage p) {
    return Optional.ofNullable(studio.plans().plannedProperty().get())
        .flatMap(x -> x.of(p.id()))
        .map(e -> Sentences.of(Climbs.readiness(e)))
        .orElse("");
  }

  /** What today asks of a passage stands on its slip. */
  private void showDue(long passage) {
    Planning p = studio.plans().plannedProperty().get();
    List<PracticePlan.Item> items = p == null ? List.of() : p.items(studio.today(), passage);
    dues.get(passage).getChildren().clear();
    if (!items.isEmpty()) {
      dues.get(passage).getChildren().setAll(dueRow(passage, items));
    }
  }

  /** Openings come in one by one, and each concerns its own slip alone. */
  void showOpening(long passage) {
    StripView strip = strips.get(passage);
    ResolvedPassage opening = studio.openings().all().get(passage);
    if (strip != null && opening != null) {
      strip.show(StripView.Music.of(opening, List.of()));
    }
  }

  private HBox dueRow(long passage, List<PracticePlan.Item> items) {
    int count = PracticePlan.visits(items).size();
    long minutes = (long) Math.ceil(items.stream().mapToDouble(PracticePlan.Item::minutes).sum());
    String what = Sentences.of(count == 1 ? "shelf.item" : "shelf.items", count, minutes);
    Button row =
        Parts.button(
            Sentences.of("shelf.practise-2"),
            "due-" + passage,
            () -> {
              studio.passage(passage).ifPresent(studio::open);
              main.go("practise");
            },
            "small");
    row.setAccessibleText(Sentences.of("shelf.practise", passage, what));
    return Parts.row(
        8, Parts.line(Sentences.of("shelf.today", what), "plain"), Parts.spring(), row);
  }

  /** A slip: the opening, the climb, and what today asks of it. */
  VBox of(Passage p) {
    boolean hurt =
        studio.journal().stream()
            .filter(e -> e.passageId() == p.id())
            .reduce((a, b) -> b)
            .map(e -> e.verdict() == Verdict.HURTS)
            .orElse(false);
    StripView opening = StripView.small(look, 5.5);
    opening.setMouseTransparent(true);
    opening.setFocusTraversable(false);
    opening.setPrefHeight(106);
    opening.setMinHeight(106);
    opening.setMaxHeight(106);
    strips.put(p.id(), opening);
    studio.openings().read(List.of(p));
    showOpening(p.id());
    ClimbLine climb = new ClimbLine(look, false);
    Optional<Planning.Entry> entry =
        Optional.ofNullable(studio.plans().plannedProperty().get()).flatMap(x -> x.of(p.id()));
    entry.ifPresent(
        e ->
            climb.show(
                Climbs.of(
                    studio,
                    studio.plans().plannedProperty().get(),
                    e,
                    Optional.ofNullable(
                        studio.plans().outlookProperty().get().forecasts().get(e.goal().id())))));
    String state = state(p);
    Button open = new Button();
    open.setGraphic(
        new VBox(
            2,
            Parts.line(p.settings().title(), "card-title"),
            Parts.line(
                p.settings().setup().instrument().displayName() + ", " + Words.tempos(p.settings()),
                "quiet"),
            Parts.line(state, "quiet")));
    open.getStyleClass().add("choice");
    open.setId("passage-" + p.id());
    open.setMaxWidth(Double.MAX_VALUE);
    open.setAccessibleText(Sentences.of("shelf.open-passage", p.settings().title(), state));
    open.setOnAction(
        e -> {
          studio.open(p);
          main.go("left-hand");
        });
    VBox asks = new VBox();
    asks.setMinHeight(30);
    asks.setAlignment(Pos.CENTER);
    dues.put(p.id(), asks);
    showDue(p.id());
    HBox.setHgrow(asks, Priority.ALWAYS);
    VBox slip = Parts.card("", open, opening, climb, Parts.row(6, asks, more(p)));
    slip.setPrefWidth(width());
    slip.setMinWidth(width());
    slip.setMaxWidth(width());
    questions(p, slip);
    if (hurt) {
      slip.getChildren().add(Parts.line(Sentences.of("shelf.it-hurt"), "warning"));
    }
    return slip;
  }

  /** What is seldom done with a passage. */
  private MenuButton more(Passage p) {
    MenuItem copy = new MenuItem(Sentences.of("shelf.duplicate"));
    copy.setOnAction(e -> studio.duplicate(p));
    MenuItem away = new MenuItem(Sentences.of("shelf.put-away"));
    away.setOnAction(e -> studio.putAway(p, true));
    MenuButton more = new MenuButton(Sentences.of("shelf.more"), null, copy, away);
    more.setId("more-" + p.id());
    more.getStyleClass().add("small");
    more.setMinWidth(Region.USE_PREF_SIZE);
    return more;
  }

  /** What is still open in a passage, by its bars. */
  private static void questions(Passage p, VBox slip) {
    List<String> open = new ArrayList<>();
    new TreeMap<>(p.settings().details().barNotes())
        .forEach((bar, notes) -> notes.forEach(n -> open.add(Sentences.of("shelf.open", bar, n))));
    for (String text : open.subList(0, Math.min(MOST_QUESTIONS, open.size()))) {
      slip.getChildren().add(Parts.label(text, "quiet"));
    }
    if (open.size() > MOST_QUESTIONS) {
      slip.getChildren()
          .add(Parts.line(Sentences.of("shelf.open-more", open.size() - MOST_QUESTIONS), "quiet"));
    }
  }
}
