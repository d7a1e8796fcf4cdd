package fret.app.view;

import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.Studio;
import fret.app.widget.Fingerboard;
import fret.app.widget.Look;
import fret.app.widget.StripView;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.drill.ShiftDrill;
import fret.engraving.FingerText;
import fret.fingering.ChordStep;
import fret.fingering.EqualSteps;
import fret.fingering.Fingering;
import fret.fingering.GuideFingers;
import fret.fingering.NoteFinger;
import fret.fingering.Shift;
import fret.instrument.Instrument;
import fret.player.BodyCue;
import fret.player.Region;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.session.Session;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Every shift, the hardest first, and one card for the one chosen, with its drill. */
final class ShiftPane extends Cards {
  /** Where drills are practised. */
  @FunctionalInterface
  interface Stand {
    void put(int slice, String title, Score drill);
  }

  private final Studio studio;
  private final LeftHandModel model;
  private final ListView<Shift> list = new ListView<>();
  private final Label title = Parts.line("", "card-title");
  private final Label facts = Parts.label("", "plain");
  private final Label guides = Parts.label("", "hand");
  private final Label proof = Parts.label("", "plain");
  private final Label places = Parts.label("", "quiet");
  private final TextField cue = new TextField();
  private final Fingerboard board;
  private final StripView drill;
  private final CheckBox oldFinger = new CheckBox(Sentences.of("shift.old-finger"));
  private final CheckBox late = new CheckBox(Sentences.of("shift.slide-late"));
  private final Spinner<Integer> beats = Parts.number(1, 8, 2, 1);
  private final Button otherGuide;
  private final VBox card;
  private BodyCue cueShown;

  /** Room of words and fingerboard side by side. */
  private static final double BESIDE = 560;

  private Score drillShown;
  private boolean showing;

  /**
   * @param stand takes the drill of a shift to be practised
   */
  ShiftPane(Studio studio, LeftHandModel model, Look look, Stand stand) {
    this.studio = studio;
    this.model = model;
    this.board = new Fingerboard(look);
    this.drill = StripView.small(look, 6.5);
    drill.setId("shift-drill");
    list.setId("shifts");
    list.setPlaceholder(Parts.label(Sentences.of("shift.no-shifts"), "quiet"));
    list.setCellFactory(v -> new ShiftCell());
    list.getSelectionModel().selectedItemProperty().addListener((o, a, s) -> showShift(s));
    list.setPrefHeight(160);
    VBox.setVgrow(list, Priority.ALWAYS);
    VBox listCard = Parts.card(Sentences.of("shift.the-hardest"), list);
    listCard.setMinWidth(230);
    listCard.setPrefWidth(230);
    cue.setId("cue");
    cue.setAccessibleText(Sentences.of("shift.what-elbow"));
    Parts.onCommit(
        cue,
        () -> {
          if (cueShown != null && !showing) {
            model.habits().setCue(cueShown, cue.getText());
            cue.setText(model.habits().cue(cueShown));
          }
        });
    habits();
    VBox told = new VBox(4, title, facts, guides, proof, places);
    told.setPrefWidth(345);
    told.setMinWidth(215);
    for (Label l : List.of(facts, guides, proof, places)) {
      l.setMinHeight(javafx.scene.layout.Region.USE_PREF_SIZE);
    }
    Button practise =
        Parts.button(
            Sentences.of("shift.practise-it"), "practise-shift", () -> practise(stand), "small");
    otherGuide =
        Parts.button(Sentences.of("shift.other-guide"), "guide", this::otherGuide, "small");
    FlowPane habit =
        Parts.flow(
            10,
            Parts.line(Sentences.of("shift.drill"), "strong"),
            oldFinger,
            late,
            Parts.row(
                6,
                Parts.line(Sentences.of("shift.over"), "quiet"),
                beats,
                Parts.line(Sentences.of("shift.beats"), "quiet")));
    VBox pictures = new VBox(4, board, habit);
    pictures.setMinWidth(310);
    HBox.setHgrow(pictures, Priority.ALWAYS);
    VBox.setVgrow(board, Priority.ALWAYS);
    VBox all =
        new VBox(
            3,
            new Cards(14, BESIDE, told, pictures),
            Parts.row(
                8,
                Parts.line(Sentences.of("shift.arm"), "quiet"),
                grows(cue),
                otherGuide,
                practise),
            drill);
    card = Parts.card("", Parts.scroll(all));
    HBox.setHgrow(card, Priority.ALWAYS);
    card.setSpacing(5);
    card.setId("shift-card");
    getChildren().addAll(listCard, card);
    studio.shownProperty().addListener(o -> show());
    model.triedProperty().addListener(o -> show());
    studio.selectedProperty().addListener(o -> follow());
  }

  private static TextField grows(TextField field) {
    HBox.setHgrow(field, Priority.ALWAYS);
    return field;
  }

  private void habits() {
    ShiftDrill.Manner manner = model.habits().manner();
    oldFinger.setSelected(manner.oldFinger());
    oldFinger.setId("old-finger");
    late.setSelected(manner.late());
    late.setId("slide-late");
    beats.getValueFactory().setValue(manner.slideBeats());
    beats.setPrefWidth(64);
    beats.setAccessibleText(Sentences.of("shift.beats-that"));
    Runnable save =
        () -> {
          model
              .habits()
              .setManner(
                  new ShiftDrill.Manner(
                      oldFinger.isSelected(), late.isSelected(), beats.getValue()));
          showShift(list.getSelectionModel().getSelectedItem());
        };
    oldFinger.selectedProperty().addListener(o -> save.run());
    late.selectedProperty().addListener(o -> save.run());
    beats.valueProperty().addListener(o -> save.run());
  }

  private void show() {
    if (studio.shown() == null) {
      return;
    }
    List<Shift> ranked = new ArrayList<>(model.shown().shifts());
    ranked.sort(Comparator.comparingDouble(Shift::bitsPerSecond).reversed());
    Shift before = list.getSelectionModel().getSelectedItem();
    showing = true;
    list.getItems().setAll(ranked);
    showing = false;
    card.setVisible(!ranked.isEmpty());
    if (!ranked.isEmpty()) {
      list.getSelectionModel().select(Math.max(0, ranked.indexOf(before)));
      showShift(list.getSelectionModel().getSelectedItem());
    }
  }

  /** Choosing a note that a shift reaches shows that shift. */
  private void follow() {
    int note = studio.selectedProperty().get();
    list.getItems().stream()
        .filter(s -> s.toNote() == note)
        .findFirst()
        .ifPresent(s -> list.getSelectionModel().select(s));
  }

  private void showShift(Shift s) {
    if (s == null || showing) {
      return;
    }
    Session b = studio.shown();
    Fingering shown = model.shown();
    Optional<NoteFinger> from = s.left(shown);
    Optional<NoteFinger> to = s.reached(shown);
    if (from.isEmpty() || to.isEmpty()) {
      return;
    }
    if (list.isFocused()) {
      studio.select(s.toNote());
    }
    var on = b.task().hand().instrument();
    ShiftDrill.Manner manner = model.habits().manner();
    title.setText(
        Sentences.of(
            "noticed.finding", b.resolved().notes().get(s.toNote()).bar(), Words.shiftPath(b, s)));
    facts.setText(
        Sentences.of(
            s.isUp() ? "shift.facts.up" : "shift.facts.down",
            Math.round(s.travelMm()),
            Words.time(s, tempoAt(s)),
            Words.one(s.windowMm() / 2),
            s.heard()
                ? Sentences.of("shift.heard")
                : s.hiddenBehind().isEmpty()
                    ? Sentences.of("shift.bare")
                    : Sentences.of("shift.behind", s.hiddenBehind())));
    guides.setText(
        Words.guide(s.oldFinger(), true)
            + ".\n"
            + Words.guide(s.newFinger(), false)
            + "."
            + guidesOfChord(b, shown, s)
            + chain(shown, s));
    boolean choice = GuideFingers.at(b.resolved(), on, shown, s.toSlice()).size() > 1;
    otherGuide.setVisible(choice);
    otherGuide.setManaged(choice);
    proof.setText(Sentences.of("shift.prove", Words.checks(on, to.get())));
    Optional<Shift.Guide> heard =
        manner.oldFinger() ? s.oldFinger().or(s::newFinger) : s.newFinger().or(s::oldFinger);
    board.show(on, s, from.get(), to.get(), heard);
    places.setText("");
    place(shown, s.toNote());
    cueShown =
        BodyCue.of(
            on.type(),
            s.fromBase(),
            s.toBase(),
            from.get().region() == Region.THUMB || to.get().region() == Region.THUMB);
    cue.setText(model.habits().cue(cueShown));
    drillShown = ShiftDrill.notation(b.resolved(), s, from.get(), to.get(), manner);
    showDrill(Resolver.resolve(drillShown));
  }

  /** The hand is guided into the double stop by another finger. */
  private void otherGuide() {
    Shift s = list.getSelectionModel().getSelectedItem();
    if (s != null) {
      studio.select(s.toNote());
      studio.decisions().nextGuide();
    }
  }

  /** Every finger that slides between two double stops can guide the hand. */
  private static String guidesOfChord(Session b, Fingering shown, Shift s) {
    Instrument on = b.task().hand().instrument();
    return ChordStep.into(b.resolved(), on, shown, s.toSlice())
        .map(ChordStep::guides)
        .filter(g -> g.size() > 1)
        .map(g -> "\n" + Sentences.of("shift.guides", Words.moves(on, g)))
        .orElse("");
  }

  /** Where the note that is reached stands equal, and in the tuning of the passage. */
  private void place(Fingering shown, int note) {
    model.place(
        note,
        p -> {
          if (board.isShowing(note)) {
            double equal = shown.notes().get(note).map(NoteFinger::mmFromNut).orElseThrow();
            board.showTuned(OptionalDouble.of(equal + p.mm()));
            places.setText(
                Sentences.of(
                    "shift.places",
                    Words.one(equal),
                    Words.one(equal + p.mm()),
                    Sentences.of("tuning.temperament." + p.temperament().id())));
          }
        });
  }

  private void practise(Stand stand) {
    Shift s = list.getSelectionModel().getSelectedItem();
    if (s != null && drillShown != null) {
      stand.put(
          s.toSlice(),
          Sentences.of(
              "shift.title",
              s.fromFinger().digit(),
              s.toFinger().digit(),
              studio.shown().resolved().notes().get(s.toNote()).bar()),
          drillShown);
    }
  }

  private static String chain(Fingering shown, Shift s) {
    return EqualSteps.of(shown.shifts()).stream()
        .filter(c -> c.shifts().contains(s))
        .findFirst()
        .map(c -> "\n" + Sentences.of("shift.equal", c.shifts().size(), Math.round(c.meanMm())))
        .orElse("");
  }

  private void showDrill(ResolvedPassage notes) {
    List<FingerText> digits = new ArrayList<>();
    for (int i = 0; i < notes.notes().size(); i++) {
      digits.add(new FingerText(i, notes.notes().get(i).printedFinger(), "", false));
    }
    drill.show(StripView.Music.of(notes, digits));
  }

  private final class ShiftCell extends ListCell<Shift> {
    @Override
    protected void updateItem(Shift s, boolean empty) {
      super.updateItem(s, empty);
      if (empty || s == null) {
        setText("");
        return;
      }
      var notes = studio.shown().resolved().notes();
      setText(
          Sentences.of(
              "shift.row",
              notes.get(s.toNote()).bar(),
              s.fromFinger().digit(),
              s.toFinger().digit(),
              notes.get(s.fromNote()).pitch(),
              notes.get(s.toNote()).pitch(),
              Math.round(s.travelMm()),
              Math.round(s.timeMs()),
              s.hiddenBehind().isEmpty() ? "" : ", " + s.hiddenBehind()));
    }
  }

  private double tempoAt(Shift s) {
    Session now = studio.shown();
    return now.task().tempo().at(now.resolved().slices().get(s.toSlice()).onset()).perMinute();
  }
}
