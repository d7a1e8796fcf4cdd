package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.load.Limits;
import fret.session.Decisions;
import fret.session.Session;
import java.util.function.BiFunction;
import java.util.function.ToDoubleFunction;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;

/** What the player can do in a second: the lines of the Load lane, and where ladders start. */
final class LimitRows extends GridPane {
  private final Studio studio;
  private final TextField shift = new TextField();
  private final TextField finger = new TextField();
  private final TextField crossing = new TextField();
  private final TextField notes = new TextField();

  LimitRows(Studio studio) {
    this.studio = studio;
    setHgap(8);
    setVgap(6);
    add(Parts.line(Sentences.of("limits.title"), "card-title"), 0, 0, 3, 1);
    row(1, "shift", shift, Limits::shiftBits, Limits::withShiftBits);
    row(2, "finger", finger, Limits::fingerRate, Limits::withFingerRate);
    row(3, "crossing", crossing, Limits::crossingRate, Limits::withCrossingRate);
    row(4, "notes", notes, Limits::noteRate, Limits::withNoteRate);
  }

  private void row(
      int at,
      String what,
      TextField field,
      ToDoubleFunction<Limits> of,
      BiFunction<Limits, Double, Limits> with) {
    field.setId("limit-" + what);
    field.setPrefWidth(70);
    field.setAccessibleText(Sentences.of("limits." + what));
    field.setPromptText(Words.one(of.applyAsDouble(Limits.USUAL)));
    Parts.onCommit(field, () -> save(field, of, with));
    addRow(
        at,
        Parts.line(Sentences.of("limits." + what)),
        field,
        Parts.line(Sentences.of("limits." + what + ".unit"), "quiet"));
  }

  private void save(
      TextField field, ToDoubleFunction<Limits> of, BiFunction<Limits, Double, Limits> with) {
    Session s = studio.shown();
    if (s == null) {
      return;
    }
    String text = field.getText().strip();
    try {
      double value = text.isEmpty() ? of.applyAsDouble(Limits.USUAL) : Parts.decimal(text);
      Limits limits = with.apply(s.limits(), value);
      if (!limits.equals(s.limits())) {
        studio.decide(now -> Decisions.limits(now, with.apply(now.limits(), value)));
      }
    } catch (IllegalArgumentException e) {
      studio.tell(Sentences.of("limits.outside", Math.round(Limits.MOST)));
      show(s);
    }
  }

  /** Only what is not the usual stands in a field. */
  void show(Session s) {
    show(shift, s.limits().shiftBits(), Limits.USUAL.shiftBits());
    show(finger, s.limits().fingerRate(), Limits.USUAL.fingerRate());
    show(crossing, s.limits().crossingRate(), Limits.USUAL.crossingRate());
    show(notes, s.limits().noteRate(), Limits.USUAL.noteRate());
  }

  private static void show(TextField field, double value, double usual) {
    field.setText(value == usual ? "" : Words.one(value));
  }
}
