package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.viewmodel.TakesModel;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.fingering.NoteFinger;
import fret.instrument.Instrument;
import fret.session.Session;
import fret.session.TakeFindings;
import fret.take.Expected;
import fret.take.Landing;
import fret.take.Recurring;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Over many takes: where each note lands, and the aim to correct. */
final class LandingPane extends Cards {
  private static final int MOST = 12;

  private final Studio studio;
  private final TakesModel model;
  private final VBox rows = new VBox(8);
  private final VBox back = new VBox(8);
  private final Label lead = Parts.label("", "plain");

  LandingPane(Studio studio, TakesModel model) {
    this.studio = studio;
    this.model = model;
    rows.setId("landings");
    back.setId("recurring");
    VBox left = Parts.card(Sentences.of("take.back"), Parts.scroll(back));
    VBox right = Parts.card(Sentences.of("take.over"), Parts.scroll(new VBox(8, lead, rows)));
    HBox.setHgrow(left, Priority.ALWAYS);
    HBox.setHgrow(right, Priority.ALWAYS);
    left.setPrefWidth(420);
    right.setPrefWidth(620);
    getChildren().addAll(left, right);
    model.overProperty().addListener(o -> show());
    model.takesProperty().addListener(o -> show());
    show();
  }

  private void show() {
    rows.getChildren().clear();
    back.getChildren().clear();
    Optional<TakesModel.Over> over = model.overProperty().get();
    if (over.isEmpty() || studio.shown() == null) {
      lead.setText(Sentences.of("take.over.few", Landing.FEWEST));
      back.getChildren()
          .add(Parts.label(Sentences.of("take.back.few", Recurring.FEWEST_TAKES), "quiet"));
      return;
    }
    comesBack(over.get());
    if (over.get().takes() < Landing.FEWEST) {
      lead.setText(Sentences.of("take.over.few", Landing.FEWEST));
      return;
    }
    List<Landing> weak =
        over.get().landings().stream()
            .filter(l -> l.isAimOff() && Math.abs(l.mean()) > 3 || l.clean() < 0.95)
            .sorted(
                Comparator.comparingDouble(
                        (Landing l) -> Landing.runAfter(over.get().landings(), l))
                    .reversed())
            .limit(MOST)
            .toList();
    lead.setText(
        Sentences.of(
            "take.over.lead",
            over.get().takes(),
            Words.shown("%.0f", 100 * Landing.run(over.get().landings())),
            Words.shown("%.0f", 100 * Landing.run(weak))));
    for (Landing l : weak) {
      rows.getChildren().add(row(over.get(), l));
    }
  }

  /** What shows at the same place in several takes, with its cause. */
  private void comesBack(TakesModel.Over over) {
    for (Recurring r : over.recurring()) {
      TakeFindings f = TakeFindings.of(studio.shown(), over.expected(), r);
      Label words = Parts.label(Sentences.of(f.words()), "strong");
      words.setOnMouseClicked(e -> studio.selectSlice(f.slice()));
      String times = Sentences.of("take.back.times", r.times(), r.takes());
      String cause = f.cause().map(Sentences::of).orElse("");
      back.getChildren()
          .add(new VBox(2, words, Parts.label((times + " " + cause).strip(), "quiet")));
    }
    if (over.recurring().isEmpty()) {
      back.getChildren().add(Parts.label(Sentences.of("take.back.none", over.takes()), "plain"));
    }
  }

  private VBox row(TakesModel.Over over, Landing l) {
    Expected expected = over.expected();
    Expected.Moment m = expected.moments().get(l.moment());
    Expected.Tone tone = m.starting().get(0);
    double perCent = mmPerCent(tone.note());
    Label words =
        Parts.label(
            Sentences.of(
                "take.landing",
                expected.barOf(m).number(),
                tone.pitch(),
                Words.shown("%+.0f", l.mean()),
                Words.shown("%+.0f", l.from()),
                Words.shown("%+.0f", l.to()),
                Words.shown("%.0f", l.spread()),
                Words.shown("%.0f", 100 * l.clean())),
            "strong");
    words.setOnMouseClicked(e -> studio.selectSlice(m.slice()));
    String aim =
        !l.isAimOff()
            ? Sentences.of("take.landing.aim-good")
            : Sentences.of(
                l.mean() > 0 ? "take.landing.lower" : "take.landing.higher",
                Words.shown("%.1f", Math.abs(l.mean() * perCent)));
    String window =
        Sentences.of(
            "take.landing.window", Words.shown("%.1f", 2 * Landing.WINDOW_CENTS * perCent));
    String before = Words.shown("%.1f", 100 * Landing.run(over.landings()));
    String after = Words.shown("%.1f", 100 * Landing.runAfter(over.landings(), l));
    String gain =
        before.equals(after)
            ? ""
            : Sentences.of(
                l.isAimOff() ? "take.landing.gain-aim" : "take.landing.gain-spread", before, after);
    return new VBox(2, words, Parts.label(aim + " " + window + " " + gain, "quiet"));
  }

  /** Movement of the finger for a cent at a note's place. */
  private double mmPerCent(int note) {
    Session s = studio.shown();
    Instrument on = s.task().hand().instrument();
    double semitone =
        s.fingering().notes().get(note).map(NoteFinger::semitone).map(x -> (double) x).orElse(0.0);
    return on.stringLengthMm() * Math.pow(2, -semitone / 12) * Math.log(2) / 1200;
  }
}
