package fret.app.view;

import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.fingering.ChordStep;
import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.fingering.Releases;
import fret.fingering.Shift;
import fret.fingering.UnderHand;
import fret.fingering.Unkept;
import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.mark.DampLayer;
import fret.mark.FingerLayer;
import fret.mark.FlagLayer;
import fret.mark.Place;
import fret.mark.SlideLayer;
import fret.mark.SupportLayer;
import fret.mark.SupportWish;
import fret.mark.VibratoLayer;
import fret.mark.VibratoWish;
import fret.mark.Wish;
import fret.player.BodyCue;
import fret.player.HandModel;
import fret.score.NoteKey;
import fret.score.SoundingNote;
import fret.search.Explanation;
import fret.session.Session;
import fret.session.StillCues;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.geometry.Insets;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The selected note: why it is fingered so, how else it could be, and what is asked of it. */
final class NotePane extends Cards {
  private static final int MOST_DIFFERENCES = 6;

  private final Studio studio;
  private final PencilField word;
  private final LeftHandModel model;
  private final VBox reasons = new VBox(4);
  private final VBox asked = new VBox(4);
  private final Label asksOf = Parts.line("", "quiet");
  private final Button onString;

  NotePane(Studio studio, LeftHandModel model) {
    this.studio = studio;
    this.model = model;
    this.word = new PencilField(studio, model);
    VBox reasonCard = Parts.card("", Parts.scroll(reasons));
    reasonCard.setId("reason-card");
    reasons.setPadding(new Insets(0, 8, 0, 0)); // The figures stand clear of the bar beside them.
    reasonCard.setPrefWidth(340);
    reasonCard.setMinWidth(240);
    VBox otherCard =
        Parts.card(Sentences.of("note.or-play"), Parts.scroll(new NoteChoices(studio, model)));
    otherCard.setPrefWidth(370);
    otherCard.setMinWidth(320);
    onString = wish(Sentences.of("note.on-this"), "wish-string", Wish.Kind.ON_STRING);
    FlowPane wishes =
        new FlowPane(
            6,
            6,
            onString,
            wish(Sentences.of("note.in-this"), "wish-position", Wish.Kind.POSITION),
            wish(Sentences.of("note.the-hand"), "wish-stays", Wish.Kind.IN_POSITION),
            wish(Sentences.of("note.no-open"), "wish-no-open", Wish.Kind.NO_OPEN),
            wish(Sentences.of("note.no-long"), "wish-no-fourth", Wish.Kind.NO_LONG_FOURTH),
            wish(Sentences.of("note.as-printed"), "wish-printed", Wish.Kind.AS_PRINTED),
            wish(Sentences.of("note.not-this"), "wish-not-finger", Wish.Kind.NOT_FINGER),
            wish(Sentences.of("note.not-this-string"), "wish-not-string", Wish.Kind.NOT_STRING),
            Parts.button(
                Sentences.of("note.length"), "length", studio.decisions()::nextLength, "small"),
            Parts.button(
                Sentences.of("note.support"),
                "support",
                () -> studio.decisions().toggle(SupportLayer.SUPPORT, SupportWish.BEHIND),
                "small"),
            Parts.button(Sentences.of("note.damp"), "damp", studio.decisions()::nextDamp, "small"),
            Parts.button(
                Sentences.of("note.vibrato"),
                "vibrato",
                () -> studio.decisions().toggle(VibratoLayer.VIBRATO, VibratoWish.USUAL),
                "small"),
            word);
    word.setId("word-over");
    word.setPrefWidth(170);
    VBox askCard =
        Parts.card(Sentences.of("note.ask-for"), asksOf, Parts.scroll(new VBox(8, asked, wishes)));
    HBox.setHgrow(askCard, Priority.ALWAYS);
    askCard.setMinWidth(190);
    getChildren().addAll(reasonCard, otherCard, askCard);
    studio.shownProperty().addListener(o -> show());
    studio.selectedProperty().addListener(o -> show());
    model.anchorProperty().addListener(o -> show());
    model.triedProperty().addListener(o -> show());
    model.decidedByProperty().addListener(o -> show());
  }

  private Button wish(String text, String id, Wish.Kind kind) {
    return Parts.button(text, id, () -> model.wish(kind), "small");
  }

  private Instrument instrument() {
    return studio.shown().task().hand().instrument();
  }

  private Optional<SoundingNote> selected() {
    Session b = studio.shown();
    int note = studio.selectedProperty().get();
    boolean any = b != null && note >= 0 && note < b.resolved().notes().size();
    return any ? Optional.of(b.resolved().notes().get(note)) : Optional.empty();
  }

  private Optional<NoteFinger> place() {
    return selected().isEmpty()
        ? Optional.empty()
        : model.shown().notes().get(studio.selectedProperty().get());
  }

  /** The selected note as a sentence. */
  String spoken() {
    return selected()
        .map(
            n ->
                Sentences.of("note.at", n.pitch(), n.bar())
                    + " "
                    + place().map(p -> sentence(n, p)).orElse(Sentences.of("note.it-cannot")))
        .orElse("");
  }

  /** A word of one's own over the note is typed here. */
  void typeWord() {
    word.type();
  }

  private void show() {
    reasons.getChildren().clear();
    Optional<SoundingNote> note = selected();
    if (note.isEmpty()) {
      return;
    }
    SoundingNote n = note.get();
    showAsked(n);
    reasons.getChildren().add(Parts.line(n.pitch() + ", bar " + n.bar(), "card-title"));
    Optional<NoteFinger> place = place();
    if (place.isEmpty()) {
      Fingering shown = model.shown();
      shown.problems().stream()
          .filter(p -> p.bar().equals(n.bar()))
          .forEach(p -> reasons.getChildren().add(Parts.label(p.toString(), "problem")));
      return;
    }
    reasons.getChildren().add(Parts.label(sentence(n, place.get())));
    unkeptHere().stream()
        .filter(u -> u.by() != Unkept.By.PAGE)
        .map(u -> Parts.label(Words.unkept(studio.shown(), u), "warning"))
        .forEach(reasons.getChildren()::add);
    if (model.triedProperty().get().isEmpty()) {
      model
          .decidedByProperty()
          .get()
          .map(i -> studio.shown().resolved().notes().get(i))
          .ifPresent(
              d ->
                  reasons
                      .getChildren()
                      .add(
                          Parts.label(Sentences.of("note.because", d.pitch(), d.bar()), "strong")));
    }
    model
        .shown()
        .release(studio.selectedProperty().get())
        .ifPresent(
            r ->
                reasons
                    .getChildren()
                    .add(
                        Parts.label(
                            Sentences.of(
                                Releases.said(
                                    studio.shown().resolved(), instrument(), model.shown(), r)))));
    List<Explanation.Share> shares = model.shown().reasonsAt(n.slice());
    for (Explanation.Share s : shares) {
      reasons.getChildren().add(reason(s));
    }
    printed(n, place.get());
    caution(place.get(), shares);
    cues();
    fingersOfChord(n);
    underHand(place.get());
    model.triedProperty().get().ifPresent(this::showDifference);
  }

  private List<Unkept> unkeptHere() {
    int note = studio.selectedProperty().get();
    return studio.shown().unkept(model.shown()).stream().filter(u -> u.note() == note).toList();
  }

  /** What hand and arm do here, in words that the player may change. */
  private void cues() {
    Session s = studio.shown();
    int note = studio.selectedProperty().get();
    for (BodyCue cue : StillCues.of(s, model.shown(), note)) {
      OwnWords line =
          new OwnWords(
              "cue-" + cue.id(),
              Sentences.of("note.cue"),
              () -> model.habits().cue(cue),
              text -> {
                model.habits().setCue(cue, text);
                return model.habits().cue(cue);
              });
      reasons.getChildren().add(line);
    }
  }

  /** What each finger does on the way from the chord before. */
  private void fingersOfChord(SoundingNote n) {
    ChordStep.into(studio.shown().resolved(), instrument(), model.shown(), n.slice())
        .ifPresent(
            c ->
                reasons
                    .getChildren()
                    .add(
                        Parts.label(
                            Sentences.of("note.from-chord", Words.moves(instrument(), c.moves())),
                            "hand")));
  }

  /** The notes of the key under the hand where it stands. */
  private void underHand(NoteFinger place) {
    Session s = studio.shown();
    List<UnderHand> strings = UnderHand.of(s.resolved(), s.task().hand(), place.last());
    if (strings.isEmpty()) {
      return;
    }
    reasons.getChildren().add(Parts.line(Sentences.of("note.under"), "quiet"));
    for (UnderHand u : strings) {
      FlowPane row = Parts.flow(8, Parts.line(instrument().stringName(u.string()), "strong"));
      u.notes()
          .forEach(
              n ->
                  row.getChildren().add(Parts.line(n.finger().digit() + " " + n.pitch(), "quiet")));
      row.setAccessibleText(Words.under(instrument(), u));
      reasons.getChildren().add(row);
    }
  }

  /** What the fingering that is tried gains and loses against the one that stands. */
  private void showDifference(Fingering tried) {
    reasons.getChildren().add(Parts.line(Sentences.of("note.the-whole"), "strong"));
    tried.explanation().minus(studio.shown().fingering().explanation()).stream()
        .sorted(Comparator.comparingDouble((Explanation.Difference d) -> -Math.abs(d.effort())))
        .limit(MOST_DIFFERENCES)
        .forEach(
            d ->
                reasons
                    .getChildren()
                    .add(
                        new ReasonRow(
                            name(d.id()),
                            Words.shown("%+.1f %s", d.quantity(), d.unit()),
                            d.effort(),
                            studio.preferences().figuresProperty())));
  }

  private static String name(String id) {
    return Sentences.of("effort." + id);
  }

  private HBox reason(Explanation.Share s) {
    return new ReasonRow(
        name(s.id()), quantity(s), s.effort(), studio.preferences().figuresProperty());
  }

  /** A printed finger is not left without a word. */
  private void printed(SoundingNote n, NoteFinger place) {
    n.startingFinger()
        .filter(f -> f != place.finger())
        .ifPresent(
            f ->
                reasons
                    .getChildren()
                    .add(Parts.label(Sentences.of("note.printed-other", f.digit()), "warning")));
  }

  /** Cautions stand where a stretch can hurt. */
  private void caution(NoteFinger place, List<Explanation.Share> shares) {
    HandModel hand = studio.shown().task().hand();
    if (hand.isExtreme(place.finger(), place.semitone(), place.base())) {
      reasons
          .getChildren()
          .add(
              Parts.label(
                  Sentences.of(
                      "note.extreme",
                      place.semitone() - place.base(),
                      Words.one(hand.extremeMm(place.semitone(), place.base()))),
                  "warning"));
      return;
    }
    double stretch =
        shares.stream()
            .filter(s -> s.id().equals("stretch"))
            .mapToDouble(Explanation.Share::quantity)
            .sum();
    if (stretch >= 1 || stretch > 0 && place.finger() == Finger.FOURTH) {
      reasons.getChildren().add(Parts.label(Sentences.of("note.a-stretch"), "warning"));
    }
  }

  private static String quantity(Explanation.Share s) {
    String value =
        s.quantity() == Math.rint(s.quantity())
            ? String.valueOf((int) s.quantity())
            : Words.one(s.quantity());
    boolean one = s.quantity() == 1 && s.unit().endsWith("s") && s.unit().length() > 2;
    String unit = s.unit().equals("1/s") ? Sentences.of("note.per-s") : s.unit();
    return value + " " + (one ? s.unit().substring(0, s.unit().length() - 1) : unit);
  }

  private String sentence(SoundingNote n, NoteFinger p) {
    Session b = studio.shown();
    Optional<Shift> shift =
        model.shown().shifts().stream().filter(s -> s.toSlice() == n.slice()).findFirst();
    boolean tries = model.triedProperty().get().isPresent();
    String why;
    boolean unkept = unkeptHere().stream().anyMatch(u -> u.by() == Unkept.By.PIN);
    if (b.passage().marks().at(FingerLayer.PINNED, n.key()).isPresent()) {
      why = Sentences.of(unkept ? "note.not-as-pinned" : "note.you-pinned");
    } else if (!tries && b.passage().marks().at(FingerLayer.ADOPTED, n.key()).isPresent()) {
      why = Sentences.of("note.you-adopted");
    } else if (shift.isPresent()) {
      Shift s = shift.get();
      why =
          Sentences.of(
              s.hiddenBehind().isEmpty() ? "note.moves" : "note.moves.behind",
              Math.round(s.travelMm()),
              Math.round(s.timeMs()),
              s.hiddenBehind());
    } else {
      why = Sentences.of("note.the-hand-stays");
    }
    return Words.place(instrument(), p) + ". " + why;
  }

  private void showAsked(SoundingNote n) {
    Session b = studio.shown();
    int first = model.firstSelected();
    int last = model.lastSelected();
    asksOf.setText(
        model.hasRange()
            ? Sentences.of("note.asks.selected", last - first + 1)
            : Sentences.of("note.of-this"));
    place()
        .ifPresent(
            p ->
                onString.setText(
                    Sentences.of("note.on-string", instrument().stringName(p.string()))));
    asked.getChildren().clear();
    for (Wish w : Wish.all(b.passage().marks())) {
      asked.getChildren().add(asked(b, w, false));
    }
    b.printedWishes().forEach(w -> asked.getChildren().add(asked(b, w, true)));
    if (b.passage().marks().at(VibratoLayer.VIBRATO, n.key()).isPresent()) {
      asked.getChildren().add(Parts.line(Sentences.of("note.vibrato-is"), "hand"));
    }
    if (b.passage().marks().at(SupportLayer.SUPPORT, n.key()).isPresent()) {
      asked.getChildren().add(Parts.line(Sentences.of("note.support-is"), "hand"));
    }
    b.passage()
        .marks()
        .at(DampLayer.DAMP, n.key())
        .ifPresent(
            f ->
                asked
                    .getChildren()
                    .add(
                        Parts.line(
                            Sentences.of(
                                b.bowTask().rules().damped().contains(n.slice())
                                    ? "note.damp-is"
                                    : "note.damp-busy",
                                f.digit()),
                            "hand")));
    b.passage()
        .marks()
        .at(SlideLayer.SLIDE, n.key())
        .ifPresent(
            w -> asked.getChildren().add(Parts.line(Sentences.of("note.slide." + w), "hand")));
    if (b.passage().marks().at(FlagLayer.SLIDES_HIDDEN, Place.WHOLE).isPresent()) {
      asked.getChildren().add(Parts.line(Sentences.of("note.slides-hidden"), "hand"));
    }
  }

  private HBox asked(Session b, Wish w, boolean printed) {
    String first = bar(b, w.from());
    String last = bar(b, w.to());
    String bars =
        first.equals(last)
            ? Sentences.of("bar.head", first)
            : Sentences.of("bars.head", first, last);
    String broken =
        b.unkept().stream()
            .filter(u -> u.wish().filter(w::equals).isPresent())
            .map(u -> b.resolved().notes().get(u.note()).bar())
            .distinct()
            .collect(Collectors.joining(", "));
    String name = bars + ": " + Words.wish(instrument(), w);
    HBox row =
        Parts.row(
            8,
            broken.isEmpty()
                ? Parts.line(name, "hand")
                : Parts.label(Sentences.of("note.wish-unkept", name, broken), "warning"),
            Parts.spring());
    row.getChildren()
        .add(
            printed
                ? Parts.line(Sentences.of("note.printed"), "quiet")
                : Parts.button(
                    Sentences.of("note.take-back"), "", () -> model.withdraw(w), "small"));
    return row;
  }

  private static String bar(Session b, NoteKey key) {
    return b.resolved().indexOf(key).map(i -> b.resolved().notes().get(i).bar()).orElse("?");
  }
}
