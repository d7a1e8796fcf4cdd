package fret.app.view;

import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.Studio;
import fret.app.widget.Look;
import fret.app.widget.StripView;
import fret.app.words.Words;
import fret.fingering.Fingering;
import fret.instrument.Instrument;
import fret.mark.FingerLayer;
import fret.mark.Place;
import fret.mark.Wish;
import fret.player.Preset;
import fret.session.Digits;
import fret.session.Session;
import fret.session.Sheets;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** Left hand: the strip with its hand lane, and below it five ways of looking at it. */
final class LeftHandView extends VBox {
  /** What is looked at below the strip. */
  enum Tab {
    NOTE,
    SHIFTS,
    CROSSINGS,
    FINGERINGS,
    CARES
  }

  private final Studio studio;
  private final LeftHandModel model;
  private final StripView strip;
  private final ComboBox<Preset> preset = new ComboBox<>();
  private final Label summary = Parts.line("", "quiet");
  private final Map<Tab, Button> tabs = new EnumMap<>(Tab.class);
  private final NotePane note;
  private final ShiftPane shifts;
  private final CrossingPane crossings;
  private final FingeringsPane fingerings;
  private final CaresPane cares;
  private boolean showing;

  LeftHandView(Studio studio, LeftHandModel model, Look look, ShiftPane.Stand stand) {
    this.studio = studio;
    this.model = model;
    this.strip = new StripView(look, 96);
    strip.setId("strip");
    strip.setOnPick(studio::selectSlice);
    strip.setOnExtend(this::extendTo);
    note = new NotePane(studio, model);
    shifts = new ShiftPane(studio, model, look, stand);
    crossings = new CrossingPane(studio, model);
    fingerings = new FingeringsPane(studio, model);
    cares = new CaresPane(studio, model);
    HBox row = new HBox(4);
    StackPane pane = new StackPane();
    tabs.put(Tab.NOTE, Parts.tab(row, pane, "Note (N)", "tab-note", note));
    tabs.put(Tab.SHIFTS, Parts.tab(row, pane, "Shifts (S)", "tab-shifts", shifts));
    tabs.put(Tab.CROSSINGS, Parts.tab(row, pane, "Crossings (X)", "tab-crossings", crossings));
    tabs.put(Tab.FINGERINGS, Parts.tab(row, pane, "Fingerings (F)", "tab-fingerings", fingerings));
    tabs.put(Tab.CARES, Parts.tab(row, pane, "Cares (C)", "tab-cares", cares));
    VBox.setVgrow(pane, Priority.ALWAYS);
    VBox below = new VBox(6, row, pane);
    VBox.setVgrow(below, Priority.ALWAYS);
    VBox page = Parts.page(tools(), strip, below);
    VBox.setVgrow(page, Priority.ALWAYS);
    getChildren().add(page);
    show(Tab.NOTE);
    heightProperty().addListener(o -> strip.setLaneHeight(laneHeight(getHeight())));

    studio.shownProperty().addListener(o -> paint());
    studio.selectedProperty().addListener(o -> follow());
    model.anchorProperty().addListener(o -> follow());
    model.triedProperty().addListener(o -> paint());
  }

  private HBox tools() {
    preset.getItems().setAll(Preset.all());
    preset.setConverter(Parts.named(Preset::displayName));
    preset.setAccessibleText("What you care about");
    preset.setId("preset");
    preset.setOnAction(
        e -> {
          if (!showing && studio.shown() != null) {
            model.usePreset(preset.getValue().id(), preset.getValue().displayName());
          }
        });
    return Parts.row(
        10,
        summary,
        Parts.spring(),
        Parts.line("Care for", "quiet"),
        preset,
        Parts.button("Digits", "digits", studio.decisions()::toggleDigits),
        Parts.button("Adopt", "adopt", model::adopt, "primary"));
  }

  /** The lane takes its share of the room that the window gives. */
  private static double laneHeight(double room) {
    return room < 640 ? 76 : room > 860 ? 180 : 96;
  }

  StripView strip() {
    return strip;
  }

  /** Looks at something else below the strip. */
  void show(Tab tab) {
    tabs.get(tab).fire();
  }

  private void extendTo(int slice) {
    List<Integer> starting = studio.shown().resolved().slices().get(slice).starting();
    model.extend(starting.get(starting.size() - 1) - studio.selectedProperty().get());
  }

  private Instrument instrument() {
    return studio.shown().task().hand().instrument();
  }

  private void paint() {
    Session b = studio.shown();
    if (b == null) {
      return;
    }
    showing = true;
    preset.setValue(Preset.named(b.passage().settings().setup().presetId()).orElse(Preset.SURE));
    showing = false;
    Fingering shown = model.shown();
    strip.show(
        b.resolved(),
        Digits.of(b, shown, b.passage().settings().fullDigits()),
        Optional.of(shown),
        instrument(),
        Sheets.shiftMarks(shown));
    strip.showStretches(stretches(b));
    summary.setText(summary(b, shown));
    follow();
  }

  private List<StripView.Stretch> stretches(Session b) {
    List<Wish> all = new ArrayList<>(Wish.all(b.passage().marks()));
    all.addAll(b.printedWishes());
    List<StripView.Stretch> found = new ArrayList<>();
    for (Wish w : all) {
      Optional<Integer> from = b.resolved().indexOf(w.from());
      Optional<Integer> to = b.resolved().indexOf(w.to());
      if (from.isPresent() && to.isPresent()) {
        found.add(
            new StripView.Stretch(
                b.resolved().notes().get(from.get()).slice(),
                b.resolved().notes().get(to.get()).slice(),
                Words.wish(instrument(), w)));
      }
    }
    return found;
  }

  private String summary(Session b, Fingering shown) {
    long pins =
        b.passage().marks().of(FingerLayer.PINNED).keySet().stream().filter(Place::counts).count();
    boolean tries = model.triedProperty().get().isPresent();
    String state =
        tries
            ? "Trying another fingering (Esc goes back)"
            : b.isAdopted() ? "Adopted: yours, kept as it is" : "Proposed";
    Fingering.Likeness alike = shown.alike();
    return state
        + ". "
        + Words.count(shown.shifts().size(), "shift")
        + ", effort "
        + Words.one(shown.effort())
        + (pins > 0 ? ", " + Words.count((int) pins, "pin") : "")
        + (alike.figures() > 0
            ? ", "
                + Words.count(alike.figures(), "figure")
                + " fingered alike"
                + (alike.overFree() > 0.05 ? " for " + Words.one(alike.overFree()) : "")
            : "")
        + ".";
  }

  private void follow() {
    Session b = studio.shown();
    int selected = studio.selectedProperty().get();
    if (b == null || selected < 0 || selected >= b.resolved().notes().size()) {
      return;
    }
    strip.select(b.resolved().notes().get(selected).slice());
    int first = Math.max(0, model.firstSelected());
    strip.selectRange(
        b.resolved().notes().get(first).slice(),
        b.resolved().notes().get(Math.max(first, model.lastSelected())).slice());
    strip.setAccessibleText(note.spoken());
  }
}
