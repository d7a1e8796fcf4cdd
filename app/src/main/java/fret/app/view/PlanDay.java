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
import javafx.scene.control.Label;
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

  private HBox dayButtons() {
    return Parts.row(
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

  void usual() {
    pickedDay()
        .ifPresent(
            d ->
                studio
                    .plans()
                    .saveBudget(
                        Said.of("deed.usual-day", Days.of(d.date(), studio.today())),
                        studio.plans().budget().without(d.date())));
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
    for (Item item : d.items()) {
      if (item.session() != session) {
        session = item.session();
        passage = "";
        items.getChildren().add(Parts.line(Sentences.of("practise.later", session), "section"));
      }
      String of = room.practice().passage(item);
      if (!of.isEmpty() && !of.equals(passage)) {
        passage = of;
        items.getChildren().add(Parts.line(of, "section"));
      }
      items.getChildren().add(row(p, d.date(), item));
    }
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
    String drill = Sentences.of("drill." + item.drill().id()).toLowerCase(Locale.ROOT);
    Label how =
        Parts.line(
            unit
                ? Sentences.of(
                    "plan.item",
                    drill,
                    p.of(item)
                        .map(e -> Words.level(e.ladder(item.unit()), item.level()))
                        .orElse(item.level().text()),
                    item.plays(),
                    Sentences.of(item.why()))
                : Sentences.of(item.why()),
            "quiet");
    HBox row = Parts.row(8, name, how, Parts.spring());
    if (movable) {
      row.getChildren()
          .add(
              Parts.button(
                  Sentences.of("plan.later"),
                  "",
                  () ->
                      studio
                          .plans()
                          .move(new Move(item.passageId(), item.unit(), date, date.plusDays(1))),
                  "small"));
    }
    Label min = Parts.line(Sentences.of("practise.minutes", Words.one(item.minutes())), "figure");
    min.setMinWidth(Region.USE_PREF_SIZE);
    row.getChildren().add(min);
    return row;
  }
}
