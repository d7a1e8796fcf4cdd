package fret.app.view;

import fret.app.command.Action;
import fret.app.command.WritingKey;
import fret.app.viewmodel.Hearing;
import fret.app.viewmodel.Studio;
import fret.app.viewmodel.WritingModel;
import fret.app.widget.StripView;
import fret.app.words.Sentences;
import fret.base.Problem;
import fret.base.Said;
import fret.engraving.StripStyle;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.instrument.Tuning;
import fret.lane.LaneInput;
import fret.mark.Reminder;
import fret.mark.ReminderLayer;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.player.HandSize;
import fret.player.School;
import fret.proof.Finding;
import fret.score.Divided;
import fret.score.Event;
import fret.score.ResolvedPassage;
import fret.session.Digits;
import fret.session.Session;
import fret.tempo.Tempo;
import fret.writing.Draft;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** Part: what is on the page, the instrument and the target; and writing on the page. */
final class PartView implements AreaView {
  /** Place of the keys of writing. */
  static final String WRITING = "writing";

  private static final int MOST_SHOWN = 12;

  private final Studio studio;
  private final StripView strip;
  private final ComboBox<InstrumentType> instrument = new ComboBox<>();
  private final ComboBox<Tuning> tuning = new ComboBox<>();
  private final ComboBox<HandSize> hand = new ComboBox<>();
  private final ComboBox<School> school = new ComboBox<>();
  private final Spinner<Integer> tempo = new Spinner<>(2, 1000, 80);
  private final TextField title = new TextField();
  private final TextField fromBar = new TextField();
  private final TextField toBar = new TextField();
  private final TextField ownTuning = new TextField();
  private final Spinner<Integer> a4 = new Spinner<>(415, 446, 440);
  private final TextField length = new TextField();
  private final Spinner<Integer> octaves = new Spinner<>(-3, 3, 0);
  private final HBox question = Parts.row(10);
  private final VBox problems = new VBox(6);
  private final Label facts = Parts.label("", "quiet");
  private final WritingModel writing;
  private final WritingKeys keys;
  private final DetailsPane details;
  private final PaperPane paper;
  private long pictureOf = -1;
  private final HBox banner = Parts.row(12);
  private final Button write = new Button();
  private final Label mode = Parts.line("", "strong");
  private final TextField answer = new TextField();
  private final TextField nameless = new TextField();
  private Consumer<String> asked = t -> {};
  private boolean showing;

  private final Composition node;
  private final Button noticedTab;
  private final Button passageTab;
  private final List<Action> actions = new ArrayList<>();
  private long noticedOf = -1;

  PartView(Areas.Room room) {
    this.studio = room.studio();
    this.writing = room.writing();
    this.strip = new StripView(room.look(), new StudioAway(studio));
    strip.setOnPick(studio::selectSlice);
    strip.setOnPlace(writing::goTo);
    strip.setId("part-strip");
    keys = new WritingKeys(writing, this::ask);
    details = new DetailsPane(studio);
    buildBanner();
    fillChoices();
    wire();
    question.getStyleClass().add("question");
    question.setId("divided-question");
    StackPane pane = new StackPane();
    FlowPane tabs = new FlowPane(6, 4);
    Node noticed = new VBox(8, question, Parts.scroll(problems));
    noticedTab = Parts.tab(tabs, pane, "Noticed", "tab-noticed", noticed);
    passageTab =
        Parts.tab(
            tabs,
            pane,
            "This passage",
            "tab-passage",
            Parts.scroll(passageForm(room.main()::chooseAgain)));
    Parts.tab(tabs, pane, "Bar", "tab-bar-part", new BarPane(studio));
    Parts.tab(tabs, pane, "About", "tab-about", details.about());
    Parts.tab(tabs, pane, "Tempo", "tab-tempo", details.tempo());
    paper = new PaperPane(studio);
    Parts.tab(tabs, pane, "Picture", "tab-picture", paper.picture());
    Parts.tab(tabs, pane, "Paper", "tab-paper", paper.out());
    VBox card = Parts.card("", tabs, pane);
    VBox.setVgrow(pane, Priority.ALWAYS);
    node = new Composition(banner, strip, card);
    passageTab.fire();
    makeActions(room.hearing());
    writing.draftProperty().addListener((o, before, now) -> showDraft(before, now));
    studio.proofing().proofProperty().addListener(o -> showFindings());
    studio.shownProperty().addListener(o -> show());
    studio.selectedProperty().addListener(o -> follow());
  }

  /** Each field with its name over it, in as many columns as there is room for. */
  private VBox passageForm(Runnable bringInAgain) {
    FlowPane fields =
        new FlowPane(
            18,
            10,
            field("Title", title),
            field("Instrument", instrument),
            field("Target tempo", tempo),
            field("Bars asked for", Parts.row(8, fromBar, Parts.line("to", "quiet"), toBar)),
            field("Hand", Parts.row(8, hand, Parts.line("school", "quiet"), school)),
            field("Strings", tuning),
            field("Tuning of one's own", ownTuning),
            field("A in Hz", a4),
            field("String length in mm", length),
            field("Octaves moved", octaves));
    return new VBox(
        10,
        fields,
        Parts.row(
            12,
            Parts.button("Bring the file in again", "bring-in-again", bringInAgain, "small"),
            facts));
  }

  private static VBox field(String name, Node control) {
    return new VBox(3, Parts.line(name, "quiet"), control);
  }

  private void makeActions(Hearing hearing) {
    for (WritingKey key : WritingKey.all()) {
      actions.add(
          new Action(
              key.name(), WRITING, key.text(), key.keys(), writing::isWriting, () -> type(key)));
    }
    actions.add(
        Action.of("write", "part", Action.key(KeyCode.W), this::write)
            .when(() -> !writing.isWriting()));
    for (Action a : StripKeys.on(studio, hearing, () -> strip, this::askWord)) {
      actions.add(a.when(() -> !writing.isWriting()));
    }
  }

  private void askWord() {
    ask(
        "A word to pencil over the note",
        text -> {
          if (!text.isBlank()) {
            studio.decisions().toggle(ReminderLayer.REMINDER, Reminder.word(text));
          }
        });
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public Optional<StripView> strip() {
    return Optional.of(strip);
  }

  @Override
  public List<Action> actions() {
    return actions;
  }

  @Override
  public boolean hasMode() {
    return writing.isWriting();
  }

  PaperPane paper() {
    return paper;
  }

  // ---- writing ---------------------------------------------------------------------------------

  private void buildBanner() {
    banner.getStyleClass().add("writing");
    banner.setId("writing-banner");
    answer.setId("writing-answer");
    answer.setPrefWidth(260);
    answer.setVisible(false);
    answer.setOnAction(
        e -> {
          Consumer<String> then = asked;
          String text = answer.getText();
          closeAnswer();
          then.accept(text);
        });
    answer.addEventFilter(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getCode() == KeyCode.ESCAPE) {
            closeAnswer();
            e.consume();
          }
        });
    write.setId("write");
    write.setText("Write (W)");
    write.setOnAction(e -> write());
    nameless.setId("nameless");
    nameless.setPromptText(Sentences.of("part.nameless"));
    nameless.setAccessibleText(Sentences.of("part.nameless"));
    nameless.setOnAction(
        e -> {
          String name = nameless.getText().trim();
          if (!name.isEmpty()) {
            change(Said.of("set.title"), p -> p.withTitle(name));
            strip.requestFocus();
          }
        });
    banner.getChildren().setAll(write, mode, nameless, details.character(), Parts.spring(), answer);
  }

  /**
   * A new page and a file that names nothing ask what they are called, once and without a dialog.
   */
  private void showNameless(Passage passage) {
    String title = passage.settings().title();
    boolean asks =
        !writing.isWriting()
            && (title.isBlank()
                || title.equals(Sentences.of("part.untitled"))
                || title.equals(passage.sourceName()));
    if (!asks) {
      nameless.clear();
    }
    nameless.setVisible(asks);
    nameless.setManaged(asks);
  }

  private void ask(String question, Consumer<String> then) {
    asked = then;
    answer.setPromptText(question);
    answer.setAccessibleText(question);
    answer.clear();
    answer.setVisible(true);
    answer.requestFocus();
  }

  private void closeAnswer() {
    answer.setVisible(false);
    strip.requestFocus();
  }

  /** Starts or ends writing. */
  void write() {
    if (writing.isWriting()) {
      writing.stop();
    } else {
      writing.start();
      strip.requestFocus();
    }
  }

  /** Runs a key of writing. */
  boolean type(WritingKey key) {
    return keys.run(key);
  }

  private void showDraft(Draft before, Draft now) {
    boolean on = now != null;
    node.setStripOnly(on);
    details.character().setVisible(!on);
    details.character().setManaged(!on);
    if (on) {
      nameless.setVisible(false);
      nameless.setManaged(false);
    }
    banner.pseudoClassStateChanged(PseudoClass.getPseudoClass("on"), on);
    write.setText(on ? "Done (Esc)" : "Write (W)");
    if (!on) {
      noticedOf = -1; // What was noticed of what was written comes first now.
      mode.setText("");
      strip.hidePlace();
      show();
      return;
    }
    mode.setText(
        "Writing "
            + now.pen().displayName()
            + ", bar "
            + now.bar().number()
            + ".  Letters are notes, digits are values, F1 shows all keys");
    strip.startPlace();
    if (before == null || !before.page().equals(now.page())) {
      strip.show(
          new StripView.Music(
              ResolvedPassage.pageOnly(now.page()),
              List.of(),
              StripStyle.WRITING,
              Optional.empty()));
    }
    strip.showPlace(now.current().map(Event::onset), now.at().bar());
    strip.setAccessibleText(
        mode.getText() + ". " + now.current().map(PartView::spoken).orElse("start of the bar"));
  }

  private static String spoken(Event e) {
    return e.isRest()
        ? "rest"
        : e.heads().stream().map(h -> h.pitch().toString()).reduce((a, b) -> a + " and " + b).get();
  }

  private void fillChoices() {
    instrument.getItems().setAll(InstrumentType.values());
    instrument.setConverter(Parts.named(InstrumentType::displayName));
    instrument.setId("instrument");
    tuning.setConverter(
        Parts.named(t -> t.name() + "  (" + t.text() + ")" + (t.extension() > 0 ? " + C" : "")));
    tuning.setId("tuning");
    hand.getItems().setAll(HandSize.values());
    hand.setConverter(Parts.named(h -> h.name().toLowerCase(Locale.ROOT)));
    hand.setId("hand");
    school.getItems().setAll(School.values());
    school.setConverter(Parts.named(School::displayName));
    tempo.setEditable(true);
    tempo.setPrefWidth(90);
    tempo.setId("target-tempo");
    ownTuning.setId("own-tuning");
    ownTuning.setPrefWidth(140);
    ownTuning.setAccessibleText("Open strings from the highest");
    a4.setId("a4");
    a4.setEditable(true);
    a4.setPrefWidth(84);
    length.setId("string-length");
    length.setPrefWidth(64);
    octaves.setId("octaves");
    octaves.setPrefWidth(70);
    title.setId("title");
    title.setPrefWidth(260);
    fromBar.setId("from-bar");
    toBar.setId("to-bar");
    fromBar.setPrefWidth(64);
    toBar.setPrefWidth(64);
    fromBar.setPromptText("first");
    toBar.setPromptText("last");
  }

  private void wire() {
    instrument.setOnAction(
        e ->
            changeSetup(
                Said.of("set.instrument", instrument.getValue().displayName()),
                s -> s.withInstrument(instrument.getValue())));
    tuning.setOnAction(
        e ->
            changeSetup(
                Said.of("set.other-strings"),
                s -> s.withStrings(tuning.getValue(), s.stringLengthMm(), s.a4Hz())));
    hand.setOnAction(
        e ->
            changeSetup(
                Said.of("set.hand-size"),
                s -> s.withHand(s.hand().withSize(hand.getValue()), school.getValue())));
    school.setOnAction(
        e ->
            changeSetup(
                Said.of("set.school"),
                s -> s.withHand(s.hand().withSize(hand.getValue()), school.getValue())));
    tempo
        .valueProperty()
        .addListener(
            o ->
                change(
                    Said.of("set.target", tempo.getValue()),
                    s -> s.withTarget(new Tempo(s.target().beat(), tempo.getValue()))));
    a4.valueProperty()
        .addListener(
            o ->
                changeSetup(
                    Said.of("set.a", a4.getValue()),
                    s -> s.withStrings(s.tuning(), s.stringLengthMm(), a4.getValue())));
    octaves
        .valueProperty()
        .addListener(
            o ->
                changeReading(
                    Said.of("set.moved-by", octaves.getValue() + " octaves"),
                    r -> r.withOctaves(octaves.getValue())));
    Parts.onCommit(ownTuning, this::changeTuning);
    Parts.onCommit(length, this::changeLength);
    Parts.onCommit(
        title, () -> change(Said.of("set.title"), s -> s.withTitle(title.getText().trim())));
    Parts.onCommit(fromBar, this::changeBars);
    Parts.onCommit(toBar, this::changeBars);
  }

  private void changeTuning() {
    String text = ownTuning.getText().trim();
    if (showing || text.isEmpty() || studio.session() == null) {
      return;
    }
    if (text.equals(studio.session().passage().settings().setup().tuning().text())) {
      return;
    }
    try {
      Tuning own = Tuning.parse(text, false);
      changeSetup(
          Said.of("set.tuned", text), s -> s.withStrings(own, s.stringLengthMm(), s.a4Hz()));
    } catch (IllegalArgumentException e) {
      studio.report(
          new Problem(
              "Own tuning",
              "\"" + text + "\" is no tuning.",
              "Give the open strings from the highest, such as E5 A4 D4 A3."));
    }
  }

  private void changeLength() {
    String text = length.getText().trim().replace(',', '.');
    if (showing || studio.session() == null) {
      return;
    }
    double mm = text.isEmpty() ? 0 : number(text);
    boolean usual =
        mm == Instrument.usualLengthMm(studio.session().passage().settings().setup().instrument());
    if (mm == 0 || mm >= 150 && mm <= 1400) {
      double asked = usual ? 0 : mm;
      changeSetup(
          Said.of("set.string-length", text + " mm"),
          s -> s.withStrings(s.tuning(), asked, s.a4Hz()));
    } else {
      studio.report(
          new Problem(
              "String length",
              "\"" + text + "\" mm is no length of a string.",
              "Measure from nut to bridge: 150 to 1400 mm."));
    }
  }

  private static double number(String text) {
    try {
      return Double.parseDouble(text);
    } catch (NumberFormatException e) {
      return -1;
    }
  }

  private void changeBars() {
    String from = fromBar.getText().trim();
    String to = toBar.getText().trim();
    if (showing || studio.session() == null) {
      return;
    }
    for (String number : List.of(from, to)) {
      if (!number.isEmpty() && studio.session().page().barNumbered(number).isEmpty()) {
        studio.report(
            new Problem(
                "Bars asked for",
                "There is no bar " + number + " on the page.",
                "The bars run from "
                    + studio.session().page().bars().get(0).number()
                    + " to "
                    + studio
                        .session()
                        .page()
                        .bars()
                        .get(studio.session().page().bars().size() - 1)
                        .number()
                    + "."));
        return;
      }
    }
    changeReading(Said.of("set.bars-asked-for"), r -> r.withBars(from, to));
  }

  private void change(Said name, UnaryOperator<Passage.Settings> edit) {
    if (!showing) {
      studio.changeSettings(name, edit);
    }
  }

  private void changeSetup(Said name, UnaryOperator<Setup> edit) {
    change(name, s -> s.withSetup(edit.apply(s.setup())));
  }

  private void changeReading(Said name, UnaryOperator<Reading> edit) {
    change(name, s -> s.withReading(edit.apply(s.reading())));
  }

  private void follow() {
    Session b = studio.shown();
    int note = studio.selectedProperty().get();
    if (b != null && note >= 0 && note < b.resolved().notes().size()) {
      strip.select(b.resolved().notes().get(note).slice());
    }
  }

  private void show() {
    Session b = studio.shown();
    if (b == null) {
      return;
    }
    showing = true;
    Passage.Settings s = b.passage().settings();
    title.setText(s.title());
    showNameless(b.passage());
    instrument.setValue(s.setup().instrument());
    List<Tuning> tunings = new ArrayList<>(Tuning.choices(s.setup().instrument()));
    if (!tunings.contains(s.setup().tuning())) {
      tunings.add(s.setup().tuning());
    }
    tuning.getItems().setAll(tunings);
    tuning.setValue(s.setup().tuning());
    ownTuning.setText(s.setup().tuning().name().equals("own") ? s.setup().tuning().text() : "");
    a4.getValueFactory().setValue((int) Math.round(s.setup().a4Hz()));
    length.setText(DetailsPane.plain(s.setup().strung().stringLengthMm()));
    octaves.getValueFactory().setValue(s.reading().octaves());
    hand.setValue(s.setup().hand().size());
    school.setValue(s.setup().school());
    tempo.getValueFactory().setValue((int) Math.round(s.target().perMinute()));
    fromBar.setText(s.reading().fromBar());
    toBar.setText(s.reading().toBar());
    showing = false;
    if (!writing.isWriting()) {
      strip.show(
          new StripView.Music(
              b.resolved(),
              Digits.pencilled(b),
              StripStyle.PLAIN,
              Optional.of(
                  new LaneInput(
                      b.resolved(), Optional.of(b.fingering()), b.task().hand().instrument()))));
    }
    ownTuning.setPromptText(Tuning.usual(b.passage().settings().setup().instrument()).text());
    facts.setText(
        b.score().bars().size()
            + " bars, "
            + b.resolved().notes().size()
            + " notes. Counted in "
            + s.target().beat().displayName()
            + " notes."
            + (b.score().transposition().semitones() == -12
                ? " Sounds an octave lower than written."
                : ""));
    showQuestion(s.reading().divided());
    showFindings();
    details.show(s.details());
    if (pictureOf != b.passage().id()) {
      pictureOf = b.passage().id();
      paper.opened();
    }
    follow();
  }

  /** Two voices on the stave: asked once, remembered, changeable. */
  private void showQuestion(Divided now) {
    List<String> bars = Divided.barsWithTwoVoices(studio.session().page());
    boolean any = !bars.isEmpty();
    question.setVisible(any);
    question.setManaged(any);
    question.getChildren().clear();
    if (!any) {
      return;
    }
    String where = bars.size() == 1 ? "Bar " + bars.get(0) + " has" : bars.size() + " bars have";
    String asked =
        switch (now) {
          case UNDECIDED -> where + " two voices. Is the section divided?";
          case DOUBLE_STOPS -> where + " two voices, played as double stops.";
          case UPPER -> where + " two voices; you play the upper line.";
          case LOWER -> where + " two voices; you play the lower line.";
        };
    question.getChildren().add(Parts.line(asked, now == Divided.UNDECIDED ? "strong" : "quiet"));
    question.getChildren().add(answer("Upper line", "divided-upper", Divided.UPPER, now));
    question.getChildren().add(answer("Lower line", "divided-lower", Divided.LOWER, now));
    question.getChildren().add(answer("Double stops", "divided-both", Divided.DOUBLE_STOPS, now));
  }

  private Button answer(String text, String id, Divided value, Divided now) {
    Button button =
        Parts.button(
            text, id, () -> changeReading(Said.of("set.divided", text), r -> r.withDivided(value)));
    button.setDisable(value == now);
    return button;
  }

  private void showFindings() {
    Session b = studio.shown();
    if (b == null) {
      return;
    }
    problems.getChildren().clear();
    List<Problem> all = new ArrayList<>(studio.session().problems());
    all.addAll(b.fingering().problems());
    List<Finding> findings =
        studio.proofing().proofProperty().get().findings().stream()
            .filter(f -> !b.passage().settings().details().accepted().contains(f.id()))
            .toList();
    if (all.isEmpty() && findings.isEmpty()) {
      problems
          .getChildren()
          .add(
              Parts.label(
                  "Every bar adds up, and every note can be played on the "
                      + b.passage().settings().setup().instrument().displayName()
                      + ".",
                  "quiet"));
    }
    all.subList(0, Math.min(MOST_SHOWN, all.size()))
        .forEach(p -> problems.getChildren().add(Parts.label(p.toString(), "problem")));
    for (Finding f : findings.subList(0, Math.min(MOST_SHOWN, findings.size()))) {
      problems.getChildren().add(finding(f));
    }
    int count = all.size() + findings.size();
    noticedTab.setText(count == 0 ? "Noticed" : "Noticed (" + count + ")");
    if (noticedOf != b.passage().id() && !question.isVisible()) {
      (count == 0 ? passageTab : noticedTab).fire();
    }
    noticedOf = b.passage().id();
    int more = Math.max(0, all.size() - MOST_SHOWN) + Math.max(0, findings.size() - MOST_SHOWN);
    if (more > 0) {
      problems.getChildren().add(Parts.label("and " + more + " more", "quiet"));
    }
  }

  private HBox finding(Finding f) {
    Label text = Parts.label("Bar " + f.bar() + ": " + f.message(), "plain");
    HBox.setHgrow(text, Priority.ALWAYS);
    text.setMaxWidth(Double.MAX_VALUE);
    HBox row = Parts.row(8, text);
    if (f.mended().isPresent()) {
      row.getChildren().add(small(f.fix(), () -> studio.proofing().mend(f)));
    }
    row.getChildren().add(small("Right as it is", () -> studio.proofing().accept(f)));
    return row;
  }

  private static Button small(String text, Runnable action) {
    Button button = Parts.button(text, "", action, "small");
    button.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
    return button;
  }
}
