package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.fingering.NoteFinger;
import fret.instrument.Finger;
import fret.pitch.Pitch;
import fret.score.OrnamentForm;
import fret.score.Score;
import fret.score.Signs;
import fret.score.SoundingNote;
import fret.score.WrittenOut;
import fret.session.Ornaments;
import fret.session.Session;
import fret.tempo.Level;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The ornament of the selected note as it is played: its notes, fingers, speed, start and end. */
final class OrnamentPane extends Cards {
  /** Takes the drill of a note to the stand. */
  @FunctionalInterface
  interface Stand {
    void put(int note, String title, List<Score> parts);
  }

  private static final double STEP = 1;
  private static final int MOST_NAMED = 12;

  private final Studio studio;
  private final Stand stand;
  private final Label title = Parts.line("", "card-title");
  private final Label form = Parts.label("");
  private final Label notes = Parts.label("", "hand");
  private final Label fingers = Parts.label("", "quiet");
  private final FlowPane tools;
  private final ListView<Integer> others = new ListView<>();
  private boolean filling;

  OrnamentPane(Studio studio, Stand stand) {
    this.studio = studio;
    this.stand = stand;
    title.setId("ornament-title");
    form.setId("ornament-form");
    tools =
        Parts.flow(
            6,
            button("start", this::nextStart),
            button("slower", () -> faster(-1)),
            button("faster", () -> faster(1)),
            button("ending", this::nextEnding),
            button("beats", this::nextBeats),
            button("practise", this::practise));
    VBox card = Parts.card("", title, form, notes, fingers, tools);
    card.setPrefWidth(560);
    card.setMinWidth(360);
    others.setId("ornaments");
    others.setPlaceholder(Parts.label(Sentences.of("ornament.none"), "quiet"));
    others.setCellFactory(v -> new Cell());
    others
        .getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, a, note) -> {
              if (note != null && !filling) {
                studio.select(note);
              }
            });
    VBox.setVgrow(others, Priority.ALWAYS);
    VBox list = Parts.card(Sentences.of("ornament.all"), others);
    HBox.setHgrow(list, Priority.ALWAYS);
    getChildren().addAll(card, list);
    studio.shownProperty().addListener(o -> list());
    studio.shownProperty().addListener(o -> show());
    studio.selectedProperty().addListener(o -> show());
  }

  private Button button(String what, Runnable action) {
    return Parts.button(Sentences.of("ornament." + what), "ornament-" + what, action, "small");
  }

  // ---- what the player changes ---------------------------------------------------------------

  private Optional<SoundingNote> selected() {
    Session s = studio.shown();
    int note = studio.selectedProperty().get();
    return s == null || note < 0 || note >= s.resolved().notes().size()
        ? Optional.empty()
        : Optional.of(s.resolved().notes().get(note)).filter(OrnamentPane::isOrnamented);
  }

  private static boolean isOrnamented(SoundingNote n) {
    return !n.isGrace() && (n.ornament() != Signs.Ornament.NONE || n.tremolo() > 0);
  }

  private void change(UnaryOperator<OrnamentForm> edit) {
    int note = studio.selectedProperty().get();
    if (selected().isEmpty()) {
      studio.tell(Sentences.of("ornament.none-here"));
      return;
    }
    studio.open().decide(s -> Ornaments.change(s, note, edit));
  }

  void nextStart() {
    change(
        f ->
            f.from(
                f.start() == OrnamentForm.Start.MAIN
                    ? OrnamentForm.Start.UPPER
                    : OrnamentForm.Start.MAIN));
  }

  void faster(int by) {
    change(f -> f.at(Math.max(2, Math.min(16, f.perSecond() + by * STEP))));
  }

  void nextEnding() {
    OrnamentForm.Ending[] all = OrnamentForm.Ending.values();
    change(f -> f.ending(all[(f.ending().ordinal() + 1) % all.length]));
  }

  /** The first beat, two, and so on as far as the note goes, then all of it again. */
  void nextBeats() {
    Session s = studio.shown();
    selected()
        .ifPresentOrElse(
            n -> {
              double unit =
                  s.resolved().score().bar(n.key().barIndex()).time().unit().doubleValue();
              double most = n.duration().doubleValue() / unit;
              change(f -> f.first(f.beats() + 1 < most ? f.beats() + 1 : 0));
            },
            () -> studio.tell(Sentences.of("ornament.none-here")));
  }

  private void practise() {
    Session s = studio.shown();
    int note = studio.selectedProperty().get();
    List<Score> parts = selected().isEmpty() ? List.of() : Ornaments.drill(s, note);
    if (parts.isEmpty()) {
      studio.tell(Sentences.of("ornament.none-here"));
    } else {
      stand.put(note, title.getText(), parts);
    }
  }

  // ---- what is shown -------------------------------------------------------------------------

  private void list() {
    Session s = studio.shown();
    List<Integer> all = new ArrayList<>();
    for (int i = 0; s != null && i < s.resolved().notes().size(); i++) {
      if (isOrnamented(s.resolved().notes().get(i))) {
        all.add(i);
      }
    }
    filling = true;
    others.getItems().setAll(all);
    others.refresh(); // The same notes may be played otherwise now.
    filling = false;
  }

  private void show() {
    Session s = studio.shown();
    if (s == null) {
      return;
    }
    Optional<SoundingNote> note = selected();
    boolean any = note.isPresent();
    tools.setVisible(any);
    tools.setManaged(any);
    title.setText(any ? head(note.get()) : Sentences.of("ornament.choose"));
    int index = studio.selectedProperty().get();
    filling = true;
    others.getSelectionModel().clearSelection();
    if (any) {
      others.getSelectionModel().select(Integer.valueOf(index));
    }
    filling = false;
    Optional<WrittenOut> out = any ? Ornaments.of(s, index) : Optional.empty();
    form.setText(out.map(w -> form(s, note.get(), w)).orElse(""));
    notes.setText(out.map(OrnamentPane::named).orElse(""));
    fingers.setText(out.map(w -> fingers(s, index, w)).orElse(""));
  }

  private static String head(SoundingNote n) {
    return Sentences.of("ornament.at", kind(n), n.pitch(), n.bar());
  }

  private static String kind(SoundingNote n) {
    boolean tremolo = n.ornament() == Signs.Ornament.NONE;
    return Sentences.of("ornament.kind." + (tremolo ? "TREMOLO" : n.ornament()));
  }

  private static String form(Session s, SoundingNote n, WrittenOut out) {
    OrnamentForm f = Ornaments.form(s, n);
    String count = Sentences.of("ornament.count", out.tones().size(), Level.text(f.perSecond()));
    if (!n.trill()) {
      return count;
    }
    String end = WrittenOut.isTurned(n, f) && f.beats() == 0 ? "turned" : "plain";
    String told =
        Sentences.of(
            "ornament.form",
            count,
            Sentences.of("ornament.from." + f.start()),
            Sentences.of("ornament.end." + end));
    return f.beats() == 0
        ? told
        : told + ", " + Sentences.of("ornament.first", Level.text(f.beats()));
  }

  private static String named(WrittenOut out) {
    List<String> all = new ArrayList<>();
    out.tones().stream().limit(MOST_NAMED).forEach(t -> all.add(t.pitch().toString()));
    if (out.tones().size() > MOST_NAMED) {
      all.add("…");
      List<WrittenOut.Tone> tones = out.tones();
      tones.subList(tones.size() - 2, tones.size()).forEach(t -> all.add(t.pitch().toString()));
    }
    return String.join("  ", all);
  }

  private static String fingers(Session s, int note, WrittenOut out) {
    Optional<NoteFinger> main = s.fingering().notes().get(note);
    if (main.isEmpty()) {
      return "";
    }
    Set<String> all = new LinkedHashSet<>();
    Set<Pitch> pitches = new LinkedHashSet<>();
    out.tones().forEach(t -> pitches.add(t.pitch()));
    for (Pitch p : pitches) {
      String digit =
          Ornaments.finger(s, main.get(), p)
              .map(Finger::digit)
              .orElse(Sentences.of("ornament.no-finger"));
      all.add(Sentences.of("ornament.finger", p, digit));
    }
    return String.join(", ", all);
  }

  private final class Cell extends ListCell<Integer> {
    @Override
    protected void updateItem(Integer note, boolean empty) {
      super.updateItem(note, empty);
      Session s = studio.shown();
      boolean there = !empty && s != null && note < s.resolved().notes().size();
      setText(there ? told(s, note) : "");
    }

    private String told(Session s, int note) {
      SoundingNote n = s.resolved().notes().get(note);
      String form = Ornaments.of(s, note).map(w -> form(s, n, w)).orElse("");
      return Sentences.of("ornament.row", head(n), form);
    }
  }
}
