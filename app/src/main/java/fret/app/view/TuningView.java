package fret.app.view;

import static fret.app.command.Action.key;
import static fret.app.command.Action.shift;

import fret.app.command.Action;
import fret.app.viewmodel.TuningModel;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.intonation.Temperament;
import fret.intonation.Tuned;
import fret.lane.LaneInput;
import fret.mark.Strand;
import fret.session.Session;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.util.StringConverter;

/** Tuning: what each note is checked against, the chords, and how the strings are tuned. */
final class TuningView extends StripArea {
  private final TuningModel model;
  private final Label summary = Parts.line("", "quiet");
  private final ComboBox<Temperament> temperament = new ComboBox<>();
  private final CheckBox others = new CheckBox(Sentences.of("tuning.others"));
  private boolean showing;

  TuningView(Areas.Room room) {
    super(room, "tuning", "tuning-strip");
    this.model = room.tuning();
    Button note = tab("note", "tab-tuning-note", new TuneNotePane(studio, model));
    Button bars = tab("bars", "tab-tuning-bars", new HarmonyPane(studio, model));
    Button pairs = tab("pairs", "tab-tuning-pairs", new PairsPane(studio, model));
    Button strings =
        tab("strings", "tab-tuning-strings", new StringsPane(studio, model, room.takes().input()));
    Button lines = tab("strands", "tab-tuning-strands", new StrandsPane(room));
    compose(tools());
    note.fire();
    actions.add(on("tuning-next", KeyCode.J, model::nextForNotes));
    actions.add(on("tuning-both", KeyCode.E, model.sounds()::hearBoth));
    actions.add(on("tuning-drone", KeyCode.D, model.sounds()::toggleDrone));
    actions.add(
        Action.of(
            "tuning-drone-follows", "tuning", shift(KeyCode.D), model.sounds()::toggleFollowing));
    actions.add(on("tuning-others", KeyCode.O, others::fire));
    actions.add(on("tuning-speed", KeyCode.L, model.sounds()::nextSpeed));
    actions.add(on("tuning-hear", KeyCode.H, model.sounds()::hearPassage));
    actions.add(on("show-tuning-note", KeyCode.N, note::fire));
    actions.add(on("show-tuning-bars", KeyCode.B, bars::fire));
    actions.add(on("show-tuning-pairs", KeyCode.P, pairs::fire));
    actions.add(on("show-tuning-strings", KeyCode.C, strings::fire));
    actions.add(on("show-tuning-strands", KeyCode.S, lines::fire));
    actions.add(on("strands-lower", KeyCode.DIGIT1, () -> model.mark(Optional.of(Strand.LOWER))));
    actions.add(on("strands-pedal", KeyCode.DIGIT2, () -> model.mark(Optional.of(Strand.PEDAL))));
    actions.add(on("strands-upper", KeyCode.DIGIT3, () -> model.mark(Optional.of(Strand.UPPER))));
    actions.add(on("strands-none", KeyCode.DIGIT0, () -> model.mark(Optional.empty())));
    actions.add(Action.of("tuning-check", "tuning", shift(KeyCode.E), this::hearBest));
    actions.addAll(StripKeys.moving(studio, selection, () -> strip));
    studio.shownProperty().addListener(o -> paint());
    model.tunedProperty().addListener(o -> paint());
  }

  private static Action on(String id, KeyCode code, Runnable handler) {
    return Action.of(id, "tuning", key(code), handler);
  }

  private void hearBest() {
    model.selected().flatMap(p -> p.checks().stream().findFirst()).ifPresent(model.sounds()::hear);
  }

  private FlowPane tools() {
    temperament.setId("temperament");
    temperament.getItems().setAll(Temperament.values());
    temperament.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(Temperament t) {
            return t == null ? "" : Sentences.of("tuning.temperament." + t.id());
          }

          @Override
          public Temperament fromString(String text) {
            throw new UnsupportedOperationException(text);
          }
        });
    temperament.setAccessibleText(Sentences.of("tuning.temperament"));
    temperament
        .valueProperty()
        .addListener(
            (o, before, now) -> {
              if (!showing && now != null) {
                model.use(model.setup().with(now));
              }
            });
    others.setId("tuning-others");
    others.selectedProperty().addListener((o, a, on) -> model.sounds().setWithOthers(on));
    // Where there is little room the keys of the bars take two lines; what is chosen is read whole.
    summary.setWrapText(true);
    temperament.setMinWidth(Region.USE_PREF_SIZE);
    others.setMinWidth(Region.USE_PREF_SIZE);
    return Parts.flow(
        10,
        summary,
        temperament,
        Parts.button(
            Sentences.of("tuning.hear"), "tuning-hear", model.sounds()::hearPassage, "normal"),
        others,
        Parts.button(
            Sentences.of("tuning.drone-button"),
            "tuning-drone",
            model.sounds()::toggleDrone,
            "normal"),
        Parts.button(
            Sentences.of("tuning.drone-follows-button"),
            "tuning-drone-follows",
            model.sounds()::toggleFollowing,
            "normal"));
  }

  @Override
  public void shown() {
    model.setLooking(true);
  }

  @Override
  public void left() {
    model.setLooking(false);
  }

  private void paint() {
    Session s = studio.shown();
    if (s == null) {
      return;
    }
    showing = true;
    temperament.setValue(model.setup().temperament());
    showing = false;
    Optional<Tuned> tuned =
        model.tunedProperty().get().filter(t -> t.notes().size() == s.resolved().notes().size());
    LaneInput lanes = s.laneInput();
    music(s, tuned.map(lanes::withTuned).orElse(lanes));
    summary.setText(tuned.map(t -> keys(s, t)).orElse(Sentences.of("tuning.looking")));
    speakSelected();
  }

  private static String keys(Session s, Tuned t) {
    StringBuilder all = new StringBuilder();
    for (var k : t.harmony().keys()) {
      String from = s.score().bars().get(k.fromBar()).number();
      String to = s.score().bars().get(k.toBar()).number();
      all.append(all.isEmpty() ? "" : "; ")
          .append(
              Sentences.of(
                  from.equals(to) ? "tuning.key.one" : "tuning.key",
                  k.key().text(),
                  from,
                  to,
                  Words.shown("%.0f", 100 * k.confidence())));
    }
    return all.toString();
  }
}
