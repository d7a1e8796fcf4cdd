package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.words.Days;
import fret.app.words.Sentences;
import fret.base.Problem;
import fret.base.Said;
import fret.passage.Passage;
import fret.plan.ReadyDate;
import fret.shelf.Audition;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.DatePicker;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;

/** The date that the open passage is for: its name, its day, the day to be ready by. */
final class DateFields {
  private final Studio studio;
  private final TextField name = new TextField();
  private final DatePicker audition = new DatePicker();
  private final DatePicker ready = new DatePicker();
  private final MenuButton which = new MenuButton();
  private final List<Node> groups;
  private boolean showing;

  DateFields(Studio studio) {
    this.studio = studio;
    name.setId("audition-name");
    name.setPrefWidth(320);
    Parts.onCommit(
        name,
        () -> {
          if (!name.getText().isBlank()) {
            save(a -> a.named(name.getText().trim()));
          }
        });
    audition.setId("audition-date");
    ready.setId("ready-date");
    dated(audition);
    dated(ready);
    audition
        .valueProperty()
        .addListener(
            o -> {
              LocalDate date = audition.getValue();
              if (date != null && !date.isBefore(studio.today())) {
                save(a -> new Audition(a.id(), a.name(), date, ReadyDate.of(studio.today(), date)));
              }
            });
    ready
        .valueProperty()
        .addListener(
            o -> {
              LocalDate date = ready.getValue();
              if (date != null) {
                save(
                    a ->
                        new Audition(
                            a.id(), a.name(), a.date(), date.isAfter(a.date()) ? a.date() : date));
              }
            });
    which.setId("which-date");
    which.setText(Sentences.of("plan.which"));
    which.getStyleClass().add("small");
    groups =
        List.of(
            Parts.row(8, Parts.line(Sentences.of("plan.for"), "section"), name, which),
            Parts.row(8, Parts.line(Sentences.of("plan.on"), "quiet"), audition),
            Parts.row(8, Parts.line(Sentences.of("plan.ready-by"), "quiet"), ready),
            Parts.row(
                8,
                Parts.button(
                    Sentences.of("plan.another-date"), "another-date", this::another, "small"),
                Parts.button(
                    Sentences.of("plan.remove-date"), "remove-date", this::remove, "small")));
  }

  /** What stands together, to be laid out in a row that wraps. */
  List<Node> groups() {
    return groups;
  }

  private Optional<Passage> open() {
    return studio.shown() == null
        ? Optional.empty()
        : studio.passage(studio.shown().passage().id());
  }

  private Optional<Audition> current() {
    return open()
        .flatMap(studio.plans()::auditionOf)
        .or(() -> studio.plans().auditions().stream().findFirst());
  }

  private void save(UnaryOperator<Audition> edit) {
    Optional<Audition> a = current();
    if (!showing && a.isPresent()) {
      Audition made = edit.apply(a.get());
      if (!made.equals(a.get())) {
        studio.plans().saveAudition(made);
      }
    }
  }

  /** The date goes; its passages stay, and get four weeks until they have another one. */
  private void remove() {
    current().ifPresent(studio.plans()::removeAudition);
  }

  private void another() {
    open()
        .ifPresent(
            p -> {
              LocalDate date = studio.today().plusDays(56);
              studio
                  .plans()
                  .addAudition(
                      new Audition(
                          0,
                          Sentences.of("plan.my-next-date"),
                          date,
                          ReadyDate.of(studio.today(), date)),
                      p);
            });
  }

  void show() {
    showing = true;
    Optional<Audition> a = current();
    groups.forEach(g -> g.setDisable(a.isEmpty()));
    List<Audition> others = others(a);
    which.getItems().setAll(others.stream().map(this::choice).toList());
    which.setVisible(!others.isEmpty());
    which.setManaged(!others.isEmpty());
    a.ifPresent(
        x -> {
          if (!name.isFocused()) {
            name.setText(x.name());
          }
          audition.setValue(x.date());
          ready.setValue(x.readyDate());
        });
    showing = false;
  }

  private List<Audition> others(Optional<Audition> now) {
    return studio.plans().auditions().stream()
        .filter(x -> now.isEmpty() || now.get().id() != x.id())
        .toList();
  }

  private MenuItem choice(Audition other) {
    MenuItem item =
        new MenuItem(Sentences.of("plan.which.one", other.name(), Days.named(other.date())));
    item.setOnAction(e -> open().ifPresent(p -> studio.plans().assign(p, other)));
    return item;
  }

  /** Dates are written with the month's name, so that no two countries read them differently. */
  private void dated(DatePicker picker) {
    picker.setConverter(new TypedDate(picker::getValue, text -> refuse(picker, text)));
    picker.getEditor().setPrefColumnCount(7);
  }

  private void refuse(DatePicker picker, String text) {
    studio.report(Problem.of(Said.of("no.date", text), Said.of("no.date.do")));
    Platform.runLater(
        () -> picker.getEditor().setText(picker.getConverter().toString(picker.getValue())));
  }
}
