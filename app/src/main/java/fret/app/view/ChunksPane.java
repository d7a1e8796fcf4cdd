package fret.app.view;

import fret.app.command.Action;
import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.PracticeModel;
import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.base.Problem;
import fret.base.Said;
import fret.drill.Approach;
import fret.drill.ApproachLayer;
import fret.drill.Chunk;
import fret.drill.DrillKind;
import fret.drill.ExcerptLayer;
import fret.drill.Way;
import fret.engraving.Page;
import fret.passage.Passage;
import fret.session.Change;
import fret.session.ChunkDecisions;
import fret.session.Learning;
import fret.session.NoteRange;
import fret.session.Session;
import fret.shelf.Audition;
import fret.tempo.Level;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.BiFunction;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The chunks of the open passage, to be cut otherwise, and its excerpts. */
final class ChunksPane {
  private final Studio studio;
  private final LeftHandModel selection;
  private final PracticeModel stand;
  private final Runnable toStand;
  private final BiConsumer<String, byte[]> save;
  private final VBox list = new VBox(2);
  private final ComboBox<Approach> approach = new ComboBox<>();
  private boolean filling;
  private final VBox excerpts = new VBox(4);
  private final TextField name = new TextField();
  private final TextField range = new TextField();
  private final TextField excerptName = new TextField();
  private final TextField excerptTarget = new TextField();
  private final ComboBox<Optional<Audition>> excerptDate = new ComboBox<>();
  private final Map<Way, Button> layers = new EnumMap<>(Way.class);
  private final ScrollPane scroll = Parts.scroll(list);
  private final Node node;
  private List<Chunk> chunks = List.of();
  private String picked = "";
  private Passage shownOf;

  ChunksPane(Areas.Room room) {
    this.studio = room.studio();
    this.selection = room.leftHand();
    this.stand = room.practice();
    this.toStand = () -> room.main().go("practise");
    this.save = (name, pdf) -> room.main().files().save(name, pdf);
    name.setId("chunk-name");
    name.setPromptText(Sentences.of("chunks.name"));
    name.setAccessibleText(Sentences.of("chunks.name"));
    name.setPrefWidth(150);
    Parts.onCommit(name, this::rename);
    FlowPane tools =
        Parts.flow(
            6,
            button("split", this::split),
            button("merge", this::merge),
            button("cut", this::cut),
            button("up", () -> move(-1)),
            button("down", () -> move(1)),
            name,
            button("practise", this::practise),
            button("paper", this::print),
            button("proposed", this::asProposed));
    FlowPane ways = Parts.flow(6, Parts.line(Sentences.of("chunks.layers"), "quiet"));
    for (Way w : Way.values()) {
      if (w != Way.ALL) {
        Button b =
            Parts.button(
                Sentences.of("way." + w),
                "layer-" + w.name().toLowerCase(Locale.ROOT),
                () -> decide((d, id) -> d.layer(id, w)),
                "small");
        layers.put(w, b);
        ways.getChildren().add(b);
      }
    }
    approach.setId("chunk-approach");
    approach.setAccessibleText(Sentences.of("chunks.approach"));
    approach.getItems().setAll(Approach.values());
    approach.setConverter(Parts.named(a -> Sentences.of("approach." + a)));
    approach.setOnAction(e -> approach());
    ways.getChildren().addAll(Parts.line(Sentences.of("chunks.approach"), "quiet"), approach);
    VBox left = new VBox(6, tools, ways, scroll);
    HBox.setHgrow(left, Priority.ALWAYS);
    VBox right = new VBox(6, Parts.line(Sentences.of("excerpts"), "section"), form(), excerpts);
    right.setPrefWidth(360);
    right.setMinWidth(300);
    node = new HBox(18, left, right);
    studio.shownProperty().addListener(o -> show());
    node.sceneProperty().addListener(o -> show());
    studio.selectedProperty().addListener(o -> follow());
  }

  private Button button(String what, Runnable action) {
    return Parts.button(Sentences.of("chunks." + what), "chunk-" + what, action, "small");
  }

  private Node form() {
    range.setId("excerpt-range");
    range.setPromptText(Sentences.of("excerpts.range"));
    range.setPrefWidth(120);
    excerptName.setId("excerpt-name");
    excerptName.setPromptText(Sentences.of("excerpts.name"));
    excerptName.setPrefWidth(110);
    excerptTarget.setId("excerpt-target");
    excerptTarget.setPromptText(Sentences.of("excerpts.target"));
    excerptTarget.setPrefWidth(76);
    excerptDate.setId("excerpt-date");
    excerptDate.setAccessibleText(Sentences.of("excerpts.date"));
    excerptDate.setPrefWidth(150);
    excerptDate.setConverter(
        Parts.named(a -> a.map(Audition::name).orElse(Sentences.of("excerpts.same-date"))));
    excerptDate.setOnShowing(e -> fillDates());
    fillDates();
    for (TextField f : List.of(range, excerptName, excerptTarget)) {
      f.setAccessibleText(f.getPromptText());
      f.setOnAction(e -> makeExcerpt());
    }
    return Parts.flow(
        6,
        range,
        excerptName,
        excerptTarget,
        excerptDate,
        Parts.button(Sentences.of("excerpts.make"), "excerpt-make", this::makeExcerpt, "small"));
  }

  Node node() {
    return node;
  }

  List<Action> actions() {
    return List.of(
        Action.of("chunk-split", "part", Action.key(KeyCode.X), this::split),
        Action.of("chunk-merge", "part", Action.key(KeyCode.J), this::merge),
        Action.of("chunk-cut", "part", Action.shift(KeyCode.C), this::cut),
        Action.of("chunk-next", "part", Action.key(KeyCode.CLOSE_BRACKET), () -> step(1)),
        Action.of("chunk-previous", "part", Action.key(KeyCode.OPEN_BRACKET), () -> step(-1)),
        Action.of("chunk-up", "part", Action.shift(KeyCode.UP), () -> move(-1)),
        Action.of("chunk-down", "part", Action.shift(KeyCode.DOWN), () -> move(1)),
        Action.of("chunk-approach", "part", Action.shift(KeyCode.P), this::nextApproach),
        Action.of("chunk-practise", "part", Action.key(KeyCode.P), this::practise));
  }

  /** Half a page: its notes and the drills that come next. */
  private void print() {
    chunk()
        .ifPresent(
            c -> studio.paper().chunk(c, Page.Paper.A4, pdf -> save.accept(c.id() + ".pdf", pdf)));
  }

  // ---- chunks --------------------------------------------------------------------------------

  private void decide(BiFunction<ChunkDecisions, String, Optional<Change>> decision) {
    String id = picked;
    studio.open().decide(s -> decision.apply(new ChunkDecisions(s), id));
  }

  private void split() {
    int note = studio.selectedProperty().get();
    if (note >= 0) {
      decide((d, id) -> d.split(note));
    }
  }

  /** The chunk of bars that the selected note is in takes in the next one. */
  private void merge() {
    int note = studio.selectedProperty().get();
    if (note >= 0) {
      decide((d, id) -> d.at(note).flatMap(c -> d.merge(c.id())));
    }
  }

  private void cut() {
    if (selection.hasRange()) {
      int from = selection.firstSelected();
      int to = selection.lastSelected();
      decide((d, id) -> d.cut(from, to));
    } else {
      studio.tell(Sentences.of("chunks.select-first"));
    }
  }

  private void move(int by) {
    decide((d, id) -> d.move(id, by));
  }

  private void rename() {
    String text = name.getText().strip();
    boolean other = chunk().map(c -> !c.name().equals(text)).orElse(false);
    if (other) {
      decide((d, id) -> d.name(id, text));
    }
  }

  private void approach() {
    Approach wanted = approach.getValue();
    if (!filling && wanted != null) {
      decide((d, id) -> d.approach(id, wanted));
    }
  }

  /** The next way of the list. */
  private void nextApproach() {
    Approach[] all = Approach.values();
    decide((d, id) -> d.approach(id, all[(d.approach(id).ordinal() + 1) % all.length]));
  }

  private Approach approachOf(Chunk c) {
    Session s = studio.shown();
    return s == null
        ? Approach.AS_PLANNED
        : s.passage().marks().at(ApproachLayer.APPROACH, c.place()).orElse(Approach.AS_PLANNED);
  }

  private void asProposed() {
    decide((d, id) -> d.asProposed());
  }

  private void practise() {
    chunk()
        .ifPresent(
            c -> {
              stand.own().practise(c, DrillKind.STRAIGHT);
              toStand.run();
            });
  }

  private Optional<Chunk> chunk() {
    return chunks.stream().filter(c -> c.id().equals(picked)).findFirst();
  }

  /** The next chunk of the list is chosen, and its notes selected. */
  private void step(int by) {
    int at = chunks.stream().map(Chunk::id).toList().indexOf(picked);
    if (!chunks.isEmpty()) {
      pick(chunks.get(Math.max(0, Math.min(chunks.size() - 1, at + by))));
    }
  }

  private void pick(Chunk c) {
    Session s = studio.shown();
    int from = s.resolved().indexOf(c.from()).orElse(0);
    int to = s.resolved().indexOf(c.to()).orElse(from);
    studio.select(from);
    selection.extend(to - from);
    picked = c.id();
    fill();
  }

  // ---- excerpts ------------------------------------------------------------------------------

  /** The date of the page, or one of the others. */
  private void fillDates() {
    Optional<Audition> before =
        excerptDate.getValue() == null ? Optional.empty() : excerptDate.getValue();
    excerptDate.getItems().setAll(List.of(Optional.empty()));
    studio.plans().auditions().forEach(a -> excerptDate.getItems().add(Optional.of(a)));
    excerptDate.setValue(excerptDate.getItems().contains(before) ? before : Optional.empty());
  }

  private void makeExcerpt() {
    Session s = studio.shown();
    if (s == null) {
      return;
    }
    Optional<NoteRange> notes =
        range.getText().isBlank() && selection.hasRange()
            ? Optional.of(new NoteRange(selection.firstSelected(), selection.lastSelected()))
            : NoteRange.of(range.getText(), s.resolved());
    double target = target();
    if (notes.isEmpty() || target < 0) {
      studio.report(
          new Problem(
              Said.of("excerpts"),
              Said.of(
                  NoteRange.isInDoubt(range.getText(), s.resolved())
                      ? "excerpts.doubt"
                      : notes.isEmpty() ? "excerpts.no-notes" : "excerpts.no-target"),
              Said.of("excerpts.do")));
      return;
    }
    String named = excerptName.getText().isBlank() ? range.getText() : excerptName.getText();
    long date = excerptDate.getValue().map(Audition::id).orElse(0L);
    studio.decide(
        x ->
            new ChunkDecisions(x)
                .excerpt(notes.get().from(), notes.get().to(), named, target, date));
    range.clear();
    excerptName.clear();
    excerptTarget.clear();
  }

  /** Below 0 for what is no tempo. */
  private double target() {
    String text = excerptTarget.getText().strip();
    try {
      double t = text.isEmpty() ? 0 : Parts.decimal(text);
      return t == 0 || t >= 2 && t <= 1000 ? t : -1;
    } catch (NumberFormatException e) {
      return -1;
    }
  }

  // ---- what is shown -------------------------------------------------------------------------

  private void show() {
    Session s = studio.shown();
    if (s == null || node.getScene() == null || s.passage().equals(shownOf)) {
      return;
    }
    shownOf = s.passage();
    studio.elsewhere(
        "chunks",
        () -> Learning.chunks(s),
        all -> {
          chunks = all;
          fill();
        });
    excerpts.getChildren().clear();
    s.passage().marks().of(ExcerptLayer.EXCERPT).values().stream()
        .sorted(Comparator.comparing(ExcerptLayer.Excerpt::id))
        .forEach(e -> excerpts.getChildren().add(row(e)));
  }

  private Node row(ExcerptLayer.Excerpt e) {
    String target =
        e.perMinute() == 0
            ? Sentences.of("excerpts.of-page")
            : Sentences.of("excerpts.to", Level.text(new ChunkDecisions(studio.shown()).target(e)));
    return Parts.row(
        8,
        Parts.line(e.name(), "strong"),
        Parts.line(target, "quiet"),
        Parts.spring(),
        Parts.button(
            Sentences.of("excerpts.remove"),
            "excerpt-remove-" + e.id(),
            () -> studio.open().decide(s -> new ChunkDecisions(s).withoutExcerpt(e.id())),
            "small"));
  }

  /** The chunk of bars in which the selected note is. */
  private void follow() {
    Session s = studio.shown();
    int note = studio.selectedProperty().get();
    if (s == null || note < 0 || note >= s.resolved().notes().size()) {
      return;
    }
    boolean stays = selection.hasRange() && chunk().filter(c -> has(s, c, note)).isPresent();
    chunks.stream()
        .filter(c -> !stays && c.kind() == Chunk.Kind.BARS && has(s, c, note))
        .filter(c -> !c.id().equals(picked))
        .findFirst()
        .ifPresent(
            c -> {
              picked = c.id();
              fill();
            });
  }

  private static boolean has(Session s, Chunk c, int note) {
    Optional<Integer> from = s.resolved().indexOf(c.from());
    Optional<Integer> to = s.resolved().indexOf(c.to());
    return from.isPresent() && to.isPresent() && from.get() <= note && note <= to.get();
  }

  private void fill() {
    boolean there = chunk().isPresent();
    if (!there && !chunks.isEmpty()) {
      picked = chunks.get(0).id();
    }
    list.getChildren().clear();
    for (Chunk c : inOrder()) {
      Node row = row(c);
      list.getChildren().add(row);
      if (c.id().equals(picked)) {
        // Once it is laid out.
        Platform.runLater(() -> keepInSight(row));
      }
    }
    String text = chunk().map(Chunk::name).orElse("");
    if (!name.isFocused()) {
      name.setText(text);
    }
    filling = true;
    approach.setValue(chunk().map(this::approachOf).orElse(Approach.AS_PLANNED));
    filling = false;
    Optional<Chunk> bars = chunk().filter(c -> c.kind() == Chunk.Kind.BARS);
    Session s = studio.shown();
    boolean lines = s != null && bars.filter(c -> new ChunkDecisions(s).hasLines(c)).isPresent();
    layers.forEach(
        (way, b) -> {
          boolean line = way == Way.UPPER || way == Way.LOWER;
          b.setDisable(bars.isEmpty());
          b.setVisible(!line || lines);
          b.setManaged(!line || lines);
        });
  }

  /** Every layer stands under its chunk. */
  private List<Chunk> inOrder() {
    List<Chunk> all = new ArrayList<>();
    for (Chunk c : chunks) {
      if (c.kind() != Chunk.Kind.LAYER) {
        all.add(c);
      }
      if (c.kind() == Chunk.Kind.BARS) {
        chunks.stream()
            .filter(l -> l.kind() == Chunk.Kind.LAYER && l.from().equals(c.from()))
            .filter(l -> l.to().equals(c.to()))
            .forEach(all::add);
      }
    }
    chunks.stream().filter(c -> !all.contains(c)).forEach(all::add);
    return all;
  }

  private void keepInSight(Node row) {
    double all = list.getHeight() - scroll.getViewportBounds().getHeight();
    if (all > 0) {
      double middle = row.getBoundsInParent().getCenterY();
      double top = middle - scroll.getViewportBounds().getHeight() / 2;
      double at = scroll.getVvalue() * all;
      boolean seen =
          row.getBoundsInParent().getMinY() >= at
              && row.getBoundsInParent().getMaxY() <= at + scroll.getViewportBounds().getHeight();
      if (!seen) {
        scroll.setVvalue(Math.max(0, Math.min(1, top / all)));
      }
    }
  }

  private Node row(Chunk c) {
    String label = Words.chunk(c);
    Label title = Parts.line(Texts.capital(label), "plain");
    String told = Sentences.of("chunks.row", c.noteCount(), Sentences.of(c.why()));
    Approach own = approachOf(c);
    Label why =
        Parts.line(
            own == Approach.AS_PLANNED ? told : told + ", " + Sentences.of("approach." + own),
            "quiet");
    Button b = new Button();
    b.setGraphic(Parts.row(10, title, why));
    b.setId("chunk-" + c.id());
    b.getStyleClass().addAll("choice", c.id().equals(picked) ? "current" : "other");
    if (c.kind() == Chunk.Kind.LAYER) {
      VBox.setMargin(b, new Insets(0, 0, 0, 24));
    }
    b.setMaxWidth(Double.MAX_VALUE);
    b.setAccessibleText(label + ", " + why.getText());
    b.setOnAction(e -> pick(c));
    return b;
  }
}
