package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.base.Problem;
import fret.base.Said;
import fret.passage.Details;
import fret.passage.Details.Topic;
import fret.tempo.MetronomeScale;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** What the player knows of the passage: topics, notes by bar, and the plan of its tempo. */
final class DetailsPane {
  private final Studio studio;
  private final Map<Topic, TextField> fields = new EnumMap<>(Topic.class);
  private final VBox barNotes = new VBox(4);

  /** What is asked for; the others are shown where something was typed. */
  private static final Set<Topic> USUAL =
      EnumSet.of(Topic.ACCOMPANIMENT, Topic.MOVEMENT, Topic.SOURCE, Topic.RECORDINGS, Topic.MARKS);

  private final Map<Topic, VBox> topics = new EnumMap<>(Topic.class);
  private final FlowPane grid = new FlowPane(14, 8);
  private final TextField noteBar = new TextField();
  private final TextField noteText = new TextField();
  private final ComboBox<Integer> running = new ComboBox<>();
  private final TextField performance = new TextField();
  private final Label targets = Parts.label("", "quiet");
  private boolean showing;

  DetailsPane(Studio studio) {
    this.studio = studio;
    makeFields();
  }

  /** Stands at the head of the strip: the word that it should sound like. */
  Node character() {
    return fields.get(Topic.CHARACTER);
  }

  private void makeFields() {
    for (Topic topic : Topic.values()) {
      TextField field = new TextField();
      field.setId("topic-" + topic.name().toLowerCase(Locale.ROOT));
      field.setPromptText(Sentences.of("topic." + topic + ".hint"));
      field.setAccessibleText(Sentences.of("topic." + topic));
      Parts.onCommit(field, () -> saveTopic(topic, field.getText()));
      fields.put(topic, field);
    }
    TextField character = fields.get(Topic.CHARACTER);
    character.setPromptText(Sentences.of("part.character"));
    character.setPrefWidth(300);
    character.getStyleClass().add("character");
  }

  /** One card: what is usually known, and whatever else was typed once. */
  Node about() {
    for (Topic topic : Topic.values()) {
      if (topic != Topic.CHARACTER) {
        VBox named =
            new VBox(2, Parts.line(Sentences.of("topic." + topic), "quiet"), fields.get(topic));
        fields.get(topic).setPrefWidth(330);
        named.managedProperty().bind(named.visibleProperty());
        topics.put(topic, named);
        grid.getChildren().add(named);
      }
    }
    noteBar.setPrefWidth(64);
    noteBar.setPromptText("bar");
    noteBar.setId("note-bar");
    noteText.setPromptText(Sentences.of("details.open-question"));
    noteText.setId("note-text");
    noteText.setOnAction(e -> addNote());
    HBox.setHgrow(noteText, Priority.ALWAYS);
    HBox add =
        Parts.row(
            8,
            noteBar,
            noteText,
            Parts.button(Sentences.of("details.add"), "note-add", this::addNote, "small"));
    VBox all =
        new VBox(8, Parts.line(Sentences.of("details.by-bar"), "strong"), barNotes, add, grid);
    ScrollPane scroll = new ScrollPane(all);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("plain-scroll");
    return scroll;
  }

  Node tempo() {
    performance.setPrefWidth(80);
    performance.setId("performance");
    Parts.onCommit(performance, this::savePerformance);
    for (int i = 0; i <= Details.MOST_RUNNING; i++) {
      running.getItems().add(i);
    }
    running.setConverter(Parts.named(DetailsPane::runningName));
    running.setId("running");
    running.setAccessibleText(Sentences.of("details.notes-to"));
    running.setOnAction(
        e -> {
          if (!showing) {
            studio.changeSettings(
                Said.of("set.running", runningName(running.getValue())),
                s -> s.withDetails(s.details().withRunning(running.getValue())));
          }
        });
    return new VBox(
        10,
        Parts.flow(
            8,
            Parts.line(Sentences.of("details.performance-tempo")),
            performance,
            Parts.button(Sentences.of("details.target-a"), "notch", this::notchUnder, "small")),
        targets,
        Parts.flow(8, Parts.line(Sentences.of("details.the-accompaniment")), running));
  }

  private static String runningName(int notes) {
    return notes == 0
        ? Sentences.of("details.nothing-said")
        : notes == 1
            ? Sentences.of("details.running.beats")
            : Sentences.of("details.running.notes", notes);
  }

  void show(Details details) {
    showing = true;
    fields.forEach((topic, field) -> field.setText(details.texts().getOrDefault(topic, "")));
    topics.forEach(
        (topic, place) ->
            place.setVisible(USUAL.contains(topic) || details.texts().containsKey(topic)));
    running.setValue(details.running());
    performance.setText(details.performance() > 0 ? plain(details.performance()) : "");
    targets.setText(
        Sentences.of("details.targets", Words.tempo(studio.shown().passage().settings().target())));
    barNotes.getChildren().clear();
    details.barNotes().entrySet().stream()
        .sorted(Map.Entry.comparingByKey(DetailsPane::byNumber))
        .forEach(e -> barNotes.getChildren().add(noteRow(e.getKey(), e.getValue())));
    showing = false;
  }

  private static int byNumber(String a, String b) {
    return a.length() != b.length() ? Integer.compare(a.length(), b.length()) : a.compareTo(b);
  }

  private HBox noteRow(String bar, List<String> texts) {
    Label label = Parts.label(String.join("; ", texts), "plain");
    HBox.setHgrow(label, Priority.ALWAYS);
    label.setMaxWidth(Double.MAX_VALUE);
    return Parts.row(
        8,
        Parts.line(Sentences.of("bar", bar), "strong"),
        label,
        Parts.button(
            Sentences.of("details.answered"),
            "",
            () -> edit(Said.of("set.note-answered"), d -> d.withoutBarNotes(bar)),
            "small"));
  }

  static String plain(double value) {
    return value == Math.rint(value) ? String.valueOf((long) value) : String.valueOf(value);
  }

  private void edit(Said name, java.util.function.UnaryOperator<Details> edit) {
    if (!showing) {
      studio.changeSettings(name, s -> s.withDetails(edit.apply(s.details())));
    }
  }

  private void saveTopic(Topic topic, String text) {
    if (studio.session() != null) {
      edit(Said.of("set.topic." + topic.name()), d -> d.withText(topic, text));
    }
  }

  private boolean isBar(String number) {
    boolean there =
        studio.session().page() != null && studio.session().page().barNumbered(number).isPresent();
    if (!there) {
      studio.report(Problem.of(Said.of("no.bar", number), Said.of("details.give-a")));
    }
    return there;
  }

  private void addNote() {
    String bar = noteBar.getText().trim();
    String text = noteText.getText().trim();
    if (!text.isEmpty() && isBar(bar)) {
      edit(Said.of("set.note-on-bar", bar), d -> d.withBarNote(bar, text));
      noteText.clear();
    }
  }

  /** A number as typed with a point or a comma; NaN when it is none. */
  private static double number(String text) {
    try {
      return Parts.decimal(text);
    } catch (NumberFormatException e) {
      return Double.NaN;
    }
  }

  private void savePerformance() {
    double value = performance.getText().isBlank() ? 0 : number(performance.getText());
    if (studio.session() == null || showing) {
      return;
    }
    if (value >= 0 && value <= 1000) {
      edit(Said.of("set.performance-tempo"), d -> d.withPerformance(value));
    } else {
      studio.report(
          new Problem(
              Said.of("details.performance-tempo"),
              Said.of("no.tempo", performance.getText()),
              Said.of("details.give-beats")));
    }
  }

  private void notchUnder() {
    double full =
        studio.session() == null
            ? 0
            : studio.session().passage().settings().details().performance();
    if (full > 0) {
      int notch = MetronomeScale.notchSlower(full);
      studio.changeSettings(
          Said.of("set.target-a-notch-under"),
          s -> s.withTarget(s.target().at(Math.min(notch, full))));
    }
  }
}
