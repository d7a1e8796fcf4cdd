package fret.app.view;

import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.Studio;
import fret.app.words.Words;
import fret.fingering.Shift;
import fret.fingering.Tally;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Whole fingerings side by side: what each gains and loses, to try, adopt, name and keep. */
final class FingeringsPane extends HBox {
  private static final String[] HEADS = {
    "",
    "effort",
    "shifts",
    "mm",
    "hardest",
    "crossings",
    "open",
    "stretches",
    "colour",
    "fourths",
    "notes differ"
  };

  private final Studio studio;
  private final LeftHandModel model;
  private final GridPane table = new GridPane();
  private final Label of = Parts.line("", "quiet");
  private final Label few = Parts.label("", "quiet");
  private final TextField name = new TextField();

  FingeringsPane(Studio studio, LeftHandModel model) {
    this.studio = studio;
    this.model = model;
    table.setHgap(14);
    table.setVgap(5);
    name.setPromptText("name, such as: for the hall");
    name.setPrefWidth(190);
    name.setId("keep-name");
    name.setAccessibleText("Name under which the fingering shown is kept");
    HBox keep =
        Parts.row(
            8,
            of,
            Parts.spring(),
            name,
            Parts.button("Keep the one shown", "keep", this::keep),
            Parts.button("Let go of the adopted", "release", model::release));
    VBox card = Parts.card("", keep, Parts.scroll(table), few);
    HBox.setHgrow(card, Priority.ALWAYS);
    getChildren().add(card);
    model.optionsProperty().addListener(o -> show());
    model.triedProperty().addListener(o -> show());
    studio.shownProperty().addListener(o -> show());
  }

  private void keep() {
    model.keep(name.getText());
    name.clear();
  }

  private void show() {
    table.getChildren().clear();
    few.setText("");
    if (studio.shown() == null) {
      return;
    }
    of.setText(
        model.hasRange()
            ? "Of the notes selected; the rest stays as it is."
            : "Of the whole passage; select notes for a part of it.");
    Optional<List<LeftHandModel.Option>> all = model.optionsProperty().get();
    if (all.isEmpty()) {
      few.setText("Looking for others...");
      return;
    }
    for (int c = 0; c < HEADS.length; c++) {
      table.add(Parts.line(HEADS[c], "quiet"), c, 0);
    }
    Tally now = all.get().get(0).tally();
    int row = 1;
    for (LeftHandModel.Option o : all.get()) {
      row(o, row - 1, now, row);
      row++;
    }
    long others = all.get().stream().filter(o -> o.keptName().isEmpty()).count() - 1;
    if (others < 3) {
      few.setText(
          others == 0
              ? "No other fingering really differs."
              : "Only "
                  + others
                  + (others == 1 ? " other really differs." : " others really differ."));
    }
  }

  private void row(LeftHandModel.Option o, int index, Tally now, int row) {
    Tally t = o.tally();
    boolean first = index == 0;
    String title =
        first ? "On the strip" : o.keptName().isEmpty() ? "Other " + index : o.keptName();
    String[] cells = {
      title,
      difference(t.effort() - now.effort(), Words.one(t.effort()), first, "%+.1f"),
      difference(t.shifts() - now.shifts(), String.valueOf(t.shifts()), first, "%+.0f"),
      difference(t.travelMm() - now.travelMm(), Math.round(t.travelMm()) + "", first, "%+.0f"),
      t.hardest().map(FingeringsPane::hardest).orElse("none"),
      difference(t.crossings() - now.crossings(), t.crossings() + "", first, "%+.0f"),
      difference(t.openStrings() - now.openStrings(), t.openStrings() + "", first, "%+.0f"),
      difference(t.stretches() - now.stretches(), t.stretches() + "", first, "%+.0f"),
      difference(t.colourBreaks() - now.colourBreaks(), t.colourBreaks() + "", first, "%+.0f"),
      difference(t.fourths() - now.fourths(), t.fourths() + "", first, "%+.0f"),
      first ? "" : String.valueOf(o.unlike())
    };
    for (int c = 0; c < cells.length; c++) {
      Label cell = Parts.line(cells[c], c == 0 ? "strong" : "figure");
      cell.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
      table.add(cell, c, row);
    }
    if (first) {
      boolean tries = model.triedProperty().get().isPresent();
      if (tries) {
        table.add(
            Parts.button("Back to it", "stop-trying", model::stopTrying, "small"),
            HEADS.length,
            row);
      }
      return;
    }
    HBox buttons =
        Parts.row(
            6,
            Parts.button("Try", "try-" + index, () -> model.tryOut(o.fingering()), "small"),
            Parts.button(
                "Adopt",
                "adopt-" + index,
                () -> {
                  model.tryOut(o.fingering());
                  model.adopt();
                },
                "small"));
    if (!o.keptName().isEmpty()) {
      buttons
          .getChildren()
          .add(
              Parts.button("Forget", "forget-" + index, () -> model.forget(o.keptName()), "small"));
    }
    table.add(buttons, HEADS.length, row);
  }

  private static String hardest(Shift s) {
    return String.format(Locale.ROOT, "%.0f mm in %.0f ms", s.travelMm(), s.timeMs());
  }

  /** The number, and what it gains or loses against the one on the strip. */
  private static String difference(double by, String value, boolean first, String format) {
    boolean same = first || Math.abs(by) < 0.05;
    return same ? value : value + "  (" + String.format(Locale.ROOT, format, by) + ")";
  }
}
