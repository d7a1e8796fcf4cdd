package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.viewmodel.TakesModel;
import fret.app.viewmodel.TakesModel.Checked;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.mark.VibratoLayer;
import fret.score.SoundingNote;
import fret.session.Session;
import fret.take.Expected.Moment;
import fret.take.HeardNote;
import fret.take.TakeReport;
import java.util.List;
import java.util.Optional;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** All that was measured of the selected note, each time it was played. */
final class HeardNotePane extends Cards {
  private final Studio studio;
  private final TakesModel model;
  private final VBox told = new VBox(5);
  private final VBox plan = new VBox(5);

  HeardNotePane(Studio studio, TakesModel model) {
    this.studio = studio;
    this.model = model;
    told.setId("heard-note");
    VBox left = Parts.card(Sentences.of("take.note-heard"), Parts.scroll(told));
    VBox right = Parts.card(Sentences.of("take.note-meant"), Parts.scroll(plan));
    HBox.setHgrow(left, Priority.ALWAYS);
    HBox.setHgrow(right, Priority.ALWAYS);
    left.setPrefWidth(480);
    right.setPrefWidth(360);
    getChildren().addAll(left, right);
    studio.selectedProperty().addListener(o -> show());
    model.checkedProperty().addListener(o -> show());
  }

  private void show() {
    told.getChildren().clear();
    plan.getChildren().clear();
    Session s = studio.shown();
    Optional<Checked> checked = model.checkedProperty().get();
    int note = studio.selectedProperty().get();
    if (s == null || checked.isEmpty() || note < 0 || note >= s.resolved().notes().size()) {
      return;
    }
    SoundingNote n = s.resolved().notes().get(note);
    TakeReport r = checked.get().report();
    add(told, n.pitch() + ", " + Sentences.of("bar.head", n.bar()), "card-title");
    boolean any = false;
    for (HeardNote h : r.heard().notes()) {
      Moment m = r.expected().moments().get(h.moment());
      if (m.slice() == n.slice()) {
        heard(r, h, m);
        any = true;
      }
    }
    if (!any) {
      add(told, Sentences.of("lane.take.none"), "quiet");
    }
    meant(s, n, r);
  }

  private static void add(VBox box, String text, String style) {
    box.getChildren().add(Parts.label(text, style));
  }

  private void heard(TakeReport r, HeardNote h, Moment m) {
    add(
        told,
        Sentences.of(
            "take.note.time",
            Words.shown("%.2f", h.onsetS()),
            Words.shown("%.0f", 1000 * h.lengthS()),
            r.tempo().lateMs(h.moment()).map(x -> Words.shown("%+.0f", x)).orElse("?")),
        "plain");
    if (h.pitch().isTold()) {
      add(
          told,
          Sentences.of(
              "take.note.pitch",
              Words.shown("%+.1f", r.cents(h)),
              Words.shown("%+.0f", h.pitch().driftCents())),
          "plain");
    } else if (!h.tones().isEmpty()) {
      chord(r, h, m);
    } else {
      add(
          told,
          !h.pitch().isOther()
              ? Sentences.of("take.note.no-pitch")
              : Sentences.of("take.note.other", h.pitch().otherSemitones()),
          "plain");
    }
    if (h.pitch().vibratoHz() > 0) {
      add(
          told,
          Sentences.of(
              "take.note.vibrato",
              Words.shown("%.1f", h.pitch().vibratoHz()),
              Words.shown("%.0f", h.pitch().vibratoCents())),
          "plain");
    }
    if (h.pitch().glideMs() > 0) {
      add(told, Sentences.of("take.note.glide", Words.shown("%.0f", h.pitch().glideMs())), "plain");
    }
    add(
        told,
        Sentences.of(
            "take.note.sound",
            Words.shown("%.0f", h.levelDb()),
            Words.shown("%.0f", h.attackMs()),
            Words.shown("%.0f", 100 * h.confidence())),
        "quiet");
    if (m.startMs() < 0) {
      add(told, Sentences.of("take.note.pick-up"), "quiet");
    }
  }

  private void chord(TakeReport r, HeardNote h, Moment m) {
    List<Double> cents = r.tones(h);
    for (int i = 0; i < cents.size(); i++) {
      String pitch = m.starting().get(i).pitch().toString();
      add(
          told,
          Double.isNaN(cents.get(i))
              ? Sentences.of("take.note.tone-untold", pitch)
              : Sentences.of("take.note.tone", pitch, Words.shown("%+.1f", cents.get(i))),
          "plain");
    }
  }

  private void meant(Session s, SoundingNote n, TakeReport r) {
    r.expected().moments().stream()
        .filter(m -> m.slice() == n.slice())
        .findFirst()
        .ifPresent(
            m ->
                add(
                    plan,
                    Sentences.of(
                        "take.note.meant",
                        Words.shown("%.0f", m.soundsMs() / r.tempo().times()),
                        Sentences.of("take.join." + m.join())),
                    "plain"));
    s.passage()
        .marks()
        .at(VibratoLayer.VIBRATO, n.key())
        .filter(v -> v.hertz() > 0)
        .ifPresent(
            v ->
                add(
                    plan,
                    Sentences.of(
                        "take.note.vibrato-meant",
                        Words.shown("%.1f", v.hertz()),
                        Words.shown("%.0f", v.cents())),
                    "plain"));
  }
}
