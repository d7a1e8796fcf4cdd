package fret.app.view;

import fret.app.viewmodel.BowModel;
import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.Studio;
import fret.app.words.Harder;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.bowing.BowHabit;
import fret.bowing.BowLayers;
import fret.bowing.BowMoment;
import fret.bowing.BowSpeed;
import fret.bowing.BowWarning;
import fret.bowing.Bowing;
import fret.bowing.Clearance;
import fret.bowing.ContactWish;
import fret.bowing.Cure;
import fret.bowing.HairWish;
import fret.bowing.LedPlace;
import fret.bowing.NoteSpeeds;
import fret.bowing.Stroke;
import fret.bowing.StrokeKind;
import fret.bowing.Vibrato;
import fret.score.LoudnessLine;
import fret.search.Explanation;
import fret.session.BowDecisions;
import fret.session.Session;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.geometry.Insets;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The stroke of the selected note: what it is, why, what else it could be, what mends it. */
final class StrokePane extends Cards {
  /** Less effort than this is not told. */
  private static final double TOLD = 0.005;

  private final Studio studio;
  private final BowModel model;
  private final Label title = Parts.line("", "card-title");
  private final Label way = Parts.label("", "plain");
  private final Label note = Parts.label("", "plain");
  private final Label how = Parts.label("", "quiet");
  private final VBox reasons = new VBox(4);
  private final VBox turned = new VBox(6);
  private final VBox cures = new VBox(6);
  private final PencilField word;

  StrokePane(Studio studio, BowModel model, LeftHandModel selection) {
    this.studio = studio;
    this.model = model;
    // Room for the scroll bar beside the numbers.
    reasons.setPadding(new Insets(0, 14, 0, 0));
    this.word = new PencilField(studio, selection);
    VBox what = Parts.card("", title, Parts.scroll(new VBox(6, way, note, how, word)));
    VBox why = Parts.card(Sentences.of("bow.why"), Parts.scroll(reasons));
    VBox other = Parts.card(Sentences.of("bow.or"), Parts.scroll(new VBox(8, turned, cures)));
    for (VBox card : List.of(what, why, other)) {
      HBox.setHgrow(card, Priority.ALWAYS);
      card.setPrefWidth(300);
      card.setMinHeight(0);
      getChildren().add(card);
    }
    studio.shownProperty().addListener(o -> show());
    studio.selectedProperty().addListener(o -> show());
    model.triedProperty().addListener(o -> show());
    model.turnedProperty().addListener(o -> showTurned());
  }

  /** A word of one's own over the note is typed here. */
  void typeWord() {
    word.type();
  }

  private void show() {
    reasons.getChildren().clear();
    cures.getChildren().clear();
    Session s = studio.shown();
    Optional<Stroke> stroke = s == null ? Optional.empty() : model.stroke();
    if (stroke.isEmpty()) {
      title.setText(Sentences.of(s == null ? "main.no-passage" : "bow.plucked"));
      way.setText(s == null || model.moment() < 0 ? "" : plucked());
      note.setText("");
      how.setText("");
      return;
    }
    what(s, stroke.get());
    why(stroke.get());
    for (BowWarning w : model.shown().report().at(stroke.get())) {
      cures.getChildren().add(warning(w));
    }
    showTurned();
  }

  private void what(Session s, Stroke stroke) {
    Stroke.Note n = stroke.at(model.moment());
    title.setText(
        Sentences.of(
            "stroke.title",
            Sentences.of(stroke.down() ? "bow.down" : "bow.up"),
            stroke.bar(),
            Sentences.of("stroke." + stroke.kind().id())));
    way.setText(
        Sentences.of(
            stroke.notes().size() == 1 ? "stroke.way.one" : "stroke.way",
            Math.round(stroke.bowCm()),
            Math.round(stroke.startCm()),
            Math.round(stroke.endCm()),
            Words.lasting(stroke.timeMs()),
            stroke.notes().size()));
    note.setText(
        Sentences.of(
            "stroke.note",
            s.resolved().notes().get(studio.selectedProperty().get()).pitch().toString(),
            Words.one(n.bowCm()),
            Math.round(n.cmPerS()),
            LoudnessLine.word(n.level()),
            Math.round(n.contactMm()),
            Sentences.of("weight." + n.weight().name())));
    String taken =
        n.ofNatural() < BowSpeed.EASY
            ? Sentences.of("stroke.thin", Math.round(100 * n.ofNatural()))
            : n.ofNatural() > 1.5
                ? Sentences.of("stroke.rich", Math.round(100 * n.ofNatural()))
                : "";
    NoteSpeeds speeds = NoteSpeeds.of(s.bowTask(), model.shown().bowing(), n);
    String accent = n.accent() ? accent(stroke, n, speeds) : swells(speeds);
    String hair = Sentences.of(isFlat(s, stroke) ? "hair.flat" : "hair.tilted");
    StrokeKind.Mover mover =
        BowDecisions.at(s, BowLayers.MOVER, stroke.fromMoment()).orElse(stroke.kind().mover());
    String moves = Sentences.of("mover." + mover.name());
    String lifted =
        stroke
            .retake()
            .map(
                r ->
                    Sentences.of(
                        r.lackingMs() > 1 ? "stroke.retake.late" : "stroke.retake",
                        Math.round(r.cm()),
                        Math.round(r.needsMs()),
                        Math.round(r.hasMs())))
            .orElse(stroke.hooked() ? Sentences.of("stroke.hooked.how") : "");
    how.setText(
        Stream.of(
                hair,
                moves,
                lifted,
                taken,
                accent,
                chord(),
                connected(stroke),
                contact(s, n),
                room(s, n),
                led(s, stroke),
                swings(s),
                again(stroke))
            .filter(t -> !t.isBlank())
            .collect(Collectors.joining(" ")));
  }

  /** The time on both sides of a plucked stretch, and the place to come back to. */
  private String plucked() {
    Bowing b = model.shown().bowing();
    int from = model.moment();
    int to = from;
    while (from > 0 && b.strokeAt(from - 1).isEmpty()) {
      from--;
    }
    while (to + 1 < b.moments().size() && b.strokeAt(to + 1).isEmpty()) {
      to++;
    }
    double before = from == 0 ? 0 : b.moments().get(from - 1).restMs();
    String back =
        to + 1 < b.moments().size()
            ? Sentences.of(
                "bow.plucked.back", Math.round(b.strokeAt(to + 1).orElseThrow().startCm()))
            : "";
    return (Sentences.of(
                "bow.plucked.time", Math.round(before), Math.round(b.moments().get(to).restMs()))
            + " "
            + back)
        .strip();
  }

  /** How a chord of three or four strings is broken, and what is held. */
  private String chord() {
    BowMoment m = model.shown().bowing().moments().get(model.moment());
    if (!m.isChord()) {
      return "";
    }
    boolean soft = m.level() <= LoudnessLine.PIANO;
    String how = soft ? "rolled" : m.strings().size() == 3 ? "three" : "four";
    return Sentences.of("stroke.chord." + how);
  }

  /** In a connected change the new stroke starts slower than the last one ended. */
  private String connected(Stroke stroke) {
    boolean begins = model.moment() == stroke.fromMoment();
    Bowing b = model.shown().bowing();
    return NoteSpeeds.connected(studio.shown().bowTask(), b, stroke.fromMoment())
        .filter(ended -> begins)
        .map(
            ended ->
                Sentences.of(
                    "stroke.connected",
                    Math.round(NoteSpeeds.CONNECTED * ended),
                    Math.round(ended)))
        .orElse("");
  }

  /** How the stroke goes in later passes, where it goes the other way. */
  private String again(Stroke stroke) {
    return model.shown().passes().stream()
        .filter(p -> p.down().containsKey(stroke.fromMoment()))
        .map(
            p ->
                Sentences.of(
                    "stroke.again",
                    p.pass(),
                    Sentences.of(p.down().get(stroke.fromMoment()) ? "bow.down" : "bow.up")))
        .collect(Collectors.joining(" "));
  }

  /** The vibrato of the selected note, by the player's wish or by the rule. */
  private String swings(Session s) {
    BowMoment m = s.bowing().moments().get(model.moment());
    return Vibrato.of(m, Optional.ofNullable(s.vibratoAsked().get(model.moment())))
        .map(
            v ->
                Sentences.of(
                    v.growing() ? "stroke.vibrato.growing" : "stroke.vibrato",
                    Math.round(v.cents()),
                    Words.one(v.widthMm(s.bowTask().instrument(), m.stopped())),
                    Words.one(v.hertz())))
        .orElse("");
  }

  /** How the player's own contact point moves within the note. */
  private static String contact(Session s, Stroke.Note n) {
    return BowDecisions.at(s, BowLayers.CONTACT, n.moment())
        .filter(ContactWish::moves)
        .map(
            w -> {
              double planned = n.contactMm() / w.middle();
              return Sentences.of(
                  "stroke.contact-moves",
                  Math.round(w.from() * planned),
                  Math.round(w.to() * planned));
            })
        .orElse("");
  }

  /** A short stroke that what is around it leads to an end of the bow. */
  private String led(Session s, Stroke stroke) {
    return LedPlace.of(s.bowTask(), model.shown().bowing(), stroke)
        .map(
            p ->
                Sentences.of(
                    p.towardsTip() ? "stroke.led.tip" : "stroke.led.frog",
                    Math.round(p.fromCm()),
                    Math.round(p.toCm())))
        .orElse("");
  }

  /** How far the neighbours of an inner string are. */
  private String room(Session s, Stroke.Note n) {
    BowMoment m = model.shown().bowing().moments().get(n.moment());
    OptionalDouble degrees = Clearance.room(s.bowTask(), m, n.contactMm());
    return degrees.isPresent() ? Sentences.of("stroke.room", Words.one(degrees.getAsDouble())) : "";
  }

  private static boolean isFlat(Session s, Stroke stroke) {
    Optional<HairWish> own = BowDecisions.at(s, BowLayers.HAIR, stroke.fromMoment());
    if (own.isPresent()) {
      return own.get() == HairWish.FLAT;
    }
    return switch (s.bowTask().habits().way(BowHabit.HAIR)) {
      case FLAT -> true;
      case TILTED ->
          stroke.kind().family() == StrokeKind.SPICCATO || stroke.kind() == StrokeKind.SAUTILLE;
      default -> stroke.kind().hairFlat();
    };
  }

  /** Along a hairpin the bow grows faster or slower within the note. */
  private static String swells(NoteSpeeds speeds) {
    long from = Math.round(speeds.from());
    long to = Math.round(speeds.to());
    return from == to ? "" : Sentences.of("stroke.swells", from, to);
  }

  /** What an accent is made of: more speed than the note before, weight that is let go at once. */
  private String accent(Stroke stroke, Stroke.Note n, NoteSpeeds speeds) {
    Optional<Stroke.Note> before =
        n.moment() == 0
            ? Optional.empty()
            : model.shown().bowing().strokeAt(n.moment() - 1).map(s -> s.at(n.moment() - 1));
    BowMoment m = model.shown().bowing().moments().get(n.moment());
    double givenBack = NoteSpeeds.ACCENT_SHARE * m.timeMs() * n.sounds();
    String bite =
        Sentences.of(stroke.kind().hairFlat() ? "accent.bite" : "accent.push")
            + (speeds.accent() > 0
                ? " "
                    + Sentences.of(
                        "accent.speeds",
                        Math.round(speeds.start()),
                        Math.round(speeds.at(NoteSpeeds.ACCENT_SHARE)),
                        Math.round(givenBack))
                : "");
    return before
        .map(
            b ->
                Sentences.of(
                    "accent.against", bite, Math.round(n.cmPerS()), Math.round(b.cmPerS())))
        .orElse(bite);
  }

  private void why(Stroke stroke) {
    Bowing b = model.shown().bowing();
    List<Explanation.Share> shares =
        b.reasonsAt(stroke.fromMoment()).stream().filter(s -> s.effort() >= TOLD).toList();
    if (shares.isEmpty()) {
      reasons.getChildren().add(Parts.label(Sentences.of("bow.as-it-comes"), "plain"));
    }
    for (Explanation.Share s : shares) {
      reasons
          .getChildren()
          .add(
              new ReasonRow(
                  Sentences.of("bow-effort." + s.id()),
                  Words.one(s.quantity()) + " " + s.unit(),
                  s.effort(),
                  studio.preferences().figuresProperty()));
    }
  }

  private void showTurned() {
    turned.getChildren().clear();
    Optional<Stroke> stroke = studio.shown() == null ? Optional.empty() : model.stroke();
    if (stroke.isEmpty()) {
      return;
    }
    String other = Sentences.of(stroke.get().down() ? "bow.up" : "bow.down");
    model.turnedProperty().get().ifPresent(t -> showTurned(t, other));
  }

  private void showTurned(BowModel.Turned t, String other) {
    Button look =
        Parts.button(
            Sentences.of("fingerings.try-it"), "try-turned", () -> model.tryOut(t.arm()), "small");
    Button take = Parts.button(Sentences.of("bow.turn"), "turn", model.decisions()::turn, "small");
    turned
        .getChildren()
        .addAll(
            Parts.label(
                Sentences.of(
                    "bow.turned",
                    other,
                    Harder.than(t.extraEffort(), studio.preferences().figuresProperty().get())),
                "plain"),
            new FlowPane(6, 4, look, take));
  }

  private VBox warning(BowWarning w) {
    FlowPane offers = new FlowPane(6, 4);
    for (Cure c : w.cures()) {
      offers
          .getChildren()
          .add(Parts.button(Sentences.of(c.told()), "", () -> model.decisions().take(c), "small"));
    }
    return new VBox(4, Parts.label(Sentences.of(w.message()), "warning"), offers);
  }
}
