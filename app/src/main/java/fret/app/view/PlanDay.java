package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.words.Days;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.base.Said;
import fret.plan.Budget;
import fret.plan.Move;
import fret.plan.PracticePlan;
import fret.plan.PracticePlan.Item;
import fret.plan.PracticePlan.Kind;
import fret.shelf.Planning;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** A day of the plan: its items, what is left out, and other minutes for it. */
final class PlanDay {
  private static final int ILL_DAYS = 7;
  private static final int LITTLE = 15;

  private final Areas.Room room;
  private final Studio studio;
  private final VBox items = new VBox(5);
  private final Label title = Parts.line("", "card-title");
  private final Label note = Parts.label("", "quiet");
  private final VBox node;
  private int picked;

  PlanDay(Areas.Room room) {
    this.room = room;
    this.studio = room.studio();
    items.setId("day-items");
    node = Parts.card("", title, dayButtons(), note, Parts.scroll(items));
  }

  VBox node() {
    return node;
  }

  /** Which day of the plan is shown. */
  int picked() {
    return picked;
  }

  String title() {
    return title.getText();
  }

  private FlowPane dayButtons() {
    return Parts.flow(
        6,
        Parts.button(Sentences.of("plan.little", LITTLE), "little", this::little, "small"),
        Parts.button(Sentences.of("plan.day-off"), "day-off", this::off, "small"),
        Parts.button(Sentences.of("plan.ill"), "ill", this::ill, "small"),
        Parts.button(Sentences.of("plan.usual"), "usual-day", this::usual, "small"));
  }

  private Optional<PracticePlan.Day> pickedDay() {
    Planning p = studio.plans().plannedProperty().get();
    return p == null || picked >= p.plan().days().size()
        ? Optional.empty()
        : Optional.of(p.plan().days().get(picked));
  }

  void little() {
    own(LITTLE);
  }

  void off() {
    own(0);
  }

  private void own(int count) {
    pickedDay()
        .ifPresent(
            d ->
                studio
                    .plans()
                    .saveBudget(
                        Said.of("deed.minutes", Days.of(d.date(), studio.today()), count),
                        studio.plans().budget().with(d.date(), count)));
  }

  /** The day has its usual minutes again; a week of illness is one thing and goes as one. */
  void usual() {
    pickedDay()
        .ifPresent(
            d -> {
              Budget b = studio.plans().budget();
              for (LocalDate day : b.inARow(d.date(), ILL_DAYS)) {
                b = b.without(day);
              }
              Said what = Said.of("deed.usual-day", Days.of(d.date(), studio.today()));
              studio.plans().saveBudget(what, b);
            });
  }

  void ill() {
    pickedDay()
        .ifPresent(
            d -> {
              Budget b = studio.plans().budget();
              for (int i = 0; i < ILL_DAYS; i++) {
                b = b.with(d.date().plusDays(i), 0);
              }
              studio.plans().saveBudget(Said.of("deed.ill", Days.of(d.date(), studio.today())), b);
              studio.tell(Sentences.of("plan.ill.told", Days.of(d.date(), studio.today())));
            });
  }

  /** A day of the plan, by its place. */
  void show(int index) {
    Planning p = studio.plans().plannedProperty().get();
    picked = index;
    items.getChildren().clear();
    if (p == null || index >= p.plan().days().size()) {
      title.setText("");
      return;
    }
    PracticePlan.Day d = p.plan().days().get(index);
    String name = Days.of(d.date(), studio.today());
    title.setText(
        Sentences.of(
            "plan.day", Texts.capital(name), Math.round(d.minutes()), Math.round(d.budget())));
    List<String> notes = new ArrayList<>();
    d.shortBy().map(Sentences::of).ifPresent(notes::add);
    if (!d.leftOut().isEmpty()) {
      notes.add(leftOut(p, d));
    }
    note.setText(String.join(". ", notes));
    note.setVisible(!notes.isEmpty());
    note.setManaged(!notes.isEmpty());
    String passage = "";
    int session = 1;
    for (List<Item> visit : d.visits()) {
      Item first = visit.get(0);
      if (first.session() != session) {
        session = first.session();
        passage = "";
        items.getChildren().add(Parts.line(Sentences.of("practise.later", session), "section"));
      }
      String of = room.practice().passage(first);
      boolean several = visit.stream().map(Item::passageId).distinct().count() > 1;
      if (!several && !of.isEmpty() && !of.equals(passage)) {
        passage = of;
        items.getChildren().add(Parts.line(of, "section"));
      }
      items.getChildren().add(visit(p, d.date(), visit));
    }
  }

  /** A row for a visit; its stages come when it is pressed. */
  private VBox visit(Planning p, LocalDate date, List<Item> visit) {
    if (visit.size() == 1) {
      return new VBox(row(p, date, visit.get(0)));
    }
    VBox stages = new VBox(3);
    stages.getStyleClass().add("stages");
    PractiseView.shown(stages, false);
    double minutes = visit.stream().mapToDouble(Item::minutes).sum();
    Label name = Parts.line(Texts.capital(room.practice().label(visit)), "strong");
    name.setMinWidth(Region.USE_PREF_SIZE);
    Label how = Parts.line(room.practice().pages().drills(visit), "quiet");
    Label min = Parts.line(Sentences.of("practise.minutes", Words.one(minutes)), "figure");
    min.setMinWidth(Region.USE_PREF_SIZE);
    HBox line = Parts.row(8, name, how, Parts.spring());
    if (visit.stream().noneMatch(Item::isOfRound)) {
      line.getChildren().add(later(() -> studio.plans().move(moves(visit, date))));
    }
    line.getChildren().add(min);
    Button open =
        Parts.button(
            "",
            "visit-" + visit.get(0).visit(),
            () -> {
              if (stages.getChildren().isEmpty()) {
                visit.forEach(i -> stages.getChildren().add(stage(i)));
              }
              PractiseView.shown(stages, !stages.isVisible());
            },
            "choice");
    line.prefWidthProperty().bind(items.widthProperty().subtract(34));
    open.setGraphic(line);
    open.setMaxWidth(Double.MAX_VALUE);
    open.setAccessibleText(name.getText() + ", " + how.getText());
    return new VBox(2, open, stages);
  }

  private static List<Move> moves(List<Item> visit, LocalDate date) {
    return visit.stream()
        .map(Item::unit)
        .distinct()
        .map(u -> new Move(visit.get(0).passageId(), u, date, date.plusDays(1)))
        .toList();
  }

  private static Button later(Runnable then) {
    return Parts.button(Sentences.of("plan.later"), "", then, "small");
  }

  private HBox stage(Item item) {
    Label name = Parts.line(Texts.capital(room.practice().label(item)), "plain");
    name.setMinWidth(Region.USE_PREF_SIZE);
    Label min = Parts.line(Sentences.of("practise.minutes", Words.one(item.minutes())), "figure");
    min.setMinWidth(Region.USE_PREF_SIZE);
    return Parts.row(8, name, Parts.line(how(item), "quiet"), Parts.spring(), min);
  }

  private String how(Item item) {
    if (item.kind() != Kind.CHUNK && item.kind() != Kind.JOIN) {
      return Sentences.of(item.why());
    }
    return Sentences.of(
        item.plays() == 1 ? "plan.item.one" : "plan.item",
        Sentences.of("drill." + item.drill().id()).toLowerCase(Locale.ROOT),
        room.practice().pages().level(item),
        item.plays(),
        Sentences.of(item.why()));
  }

  private static String leftOut(Planning p, PracticePlan.Day d) {
    PracticePlan.LeftOut longest =
        d.leftOut().stream()
            .max(java.util.Comparator.comparingInt(PracticePlan.LeftOut::days))
            .orElseThrow();
    String name =
        p.of(longest.passageId()).map(e -> Words.unit(e.learning(), longest.unit())).orElse("");
    return longest.days() < 0
        ? Sentences.of("plan.left-out.new", d.leftOut().size())
        : Sentences.of("plan.left-out", d.leftOut().size(), name, longest.days());
  }

  private HBox row(Planning p, LocalDate date, Item item) {
    String what = room.practice().label(item);
    boolean unit = item.kind() == Kind.CHUNK || item.kind() == Kind.JOIN;
    boolean movable = unit || item.kind() == Kind.RUN_THROUGH || item.kind() == Kind.MOCK;
    String times =
        p.of(item.passageId())
            .flatMap(e -> e.learning().learned(item.unit()))
            .filter(l -> l.times() > 1)
            .map(l -> Sentences.of("plan.times", l.times()))
            .orElse("");
    Label name = Parts.line(Texts.capital(what) + times, "strong");
    name.setMinWidth(Region.USE_PREF_SIZE);
    Label how = Parts.line(how(item), "quiet");
    HBox row = Parts.row(8, name, how, Parts.spring());
    if (movable) {
      row.getChildren().add(later(() -> studio.plans().move(moves(List.of(item), date))));
    }
    Label min = Parts.line(Sentences.of("practise.minutes", Words.one(item.minutes())), "figure");
    min.setMinWidth(Region.USE_PREF_SIZE);
    row.getChildren().add(min);
    return row;
  }
}
