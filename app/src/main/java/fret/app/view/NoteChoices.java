package fret.app.view;

import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.Studio;
import fret.app.words.Harder;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.instrument.Instrument;
import fret.session.Chords;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Other ways to play the selected note, and its chord, each with its price. */
final class NoteChoices extends VBox {
  private static final int MOST = 12;

  /** What is seen before more is asked for. */
  private static final int FIRST = 6;

  private final Studio studio;
  private boolean isAll;
  private final LeftHandModel model;

  NoteChoices(Studio studio, LeftHandModel model) {
    super(4);
    this.studio = studio;
    this.model = model;
    model.choicesProperty().addListener(o -> show());
    studio.selectedProperty().addListener(o -> isAll = false);
    model.chords().versionsProperty().addListener(o -> show());
    model.triedProperty().addListener(o -> show());
    studio.preferences().onFigures(this::show);
  }

  private void show() {
    getChildren().clear();
    showChord();
    if (studio.shown() == null) {
      return;
    }
    Instrument on = studio.shown().task().hand().instrument();
    Optional<NoteFinger> now = studio.selectedPlace();
    Optional<Fingering> tried = model.triedProperty().get();
    int count = 0;
    for (LeftHandModel.Choice c : model.choicesProperty().get()) {
      if (count >= (isAll ? MOST : FIRST)) {
        getChildren()
            .add(Parts.button(Sentences.of("note.more"), "more-choices", this::more, "small"));
        break;
      }
      boolean current = now.isPresent() && now.get().samePlace(c.place());
      boolean looked = tried.filter(f -> f.equals(c.whole())).isPresent();
      Price price =
          current
              ? Price.of(Sentences.of(tried.isPresent() ? "note.stands" : "note.now"))
              : price(c.extraEffort());
      Button pin =
          choice(Words.shortPlace(on, c.place()), price, "choice-" + count++, () -> model.take(c));
      pin.setAccessibleText(
          Sentences.of("note.pin", Words.shortPlace(on, c.place()), price.spoken()));
      pin.setDisable(current);
      Button look =
          looked
              ? Parts.button(Sentences.of("note.back"), "", model::stopTrying, "small")
              : Parts.button(
                  Sentences.of("note.try"),
                  "look-" + count,
                  () -> model.tryOut(c.whole()),
                  "small");
      look.setAccessibleText(Sentences.of(looked ? "note.back" : "note.try-the"));
      look.setDisable(current);
      getChildren().add(Parts.row(6, pin, look));
    }
  }

  private void more() {
    isAll = true;
    show();
  }

  /** What all costs more or less than it does now. */
  private Price price(double extra) {
    boolean figures = studio.preferences().figuresProperty().get();
    Node shown =
        figures
            ? Parts.line(Words.shown("%+.1f", extra), "effort")
            : Harder.isAlike(extra)
                ? Parts.line(Harder.than(extra, false), "effort")
                : ReasonRow.scale(extra);
    return new Price(shown, Harder.than(extra, figures));
  }

  /** What a choice costs against what stands, seen and in words. */
  private record Price(Node shown, String spoken) {
    static Price of(String words) {
      return new Price(Parts.line(words, "effort"), words);
    }
  }

  /** The whole chord, or some of its notes, each with what it spares. */
  private void showChord() {
    List<Chords.Version> versions = model.chords().versionsProperty().get();
    for (Chords.Version v : versions) {
      boolean current = v.kept().equals(model.chords().kept());
      Price price =
          !v.playable()
              ? Price.of(Sentences.of("chord.unplayable"))
              : current ? Price.of(Sentences.of("note.now")) : price(v.extraEffort());
      String name = Sentences.of("chord." + v.kept().map(Enum::name).orElse("whole"));
      Button keep =
          choice(name, price, "chord-" + versions.indexOf(v), () -> model.chords().keep(v.kept()));
      keep.setAccessibleText(Sentences.of("chord.keep", name, price.spoken()));
      keep.setDisable(current);
      getChildren().add(keep);
    }
  }

  private static Button choice(String name, Price price, String id, Runnable handler) {
    HBox text = Parts.row(8, Parts.line(name, "plain"), Parts.spring(), price.shown());
    text.setPrefWidth(236);
    HBox.setHgrow(text, Priority.ALWAYS);
    Button button = Parts.button("", id, handler, "choice");
    button.setGraphic(text);
    button.setMinWidth(0);
    button.setTooltip(new Tooltip(Sentences.of("note.choice", name, price.spoken())));
    return button;
  }
}
