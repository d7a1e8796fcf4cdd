package fret.app.view;

import fret.app.viewmodel.Digits;
import fret.app.viewmodel.Studio;
import fret.app.widget.Look;
import fret.app.widget.StripView;
import fret.fingering.Fingering;
import fret.fingering.NoteFinger;
import fret.fingering.Shift;
import fret.instrument.Instrument;
import fret.instrument.PositionNames;
import fret.passage.Workbench;
import fret.player.Preset;
import fret.player.Region;
import fret.score.SoundingNote;
import fret.search.Explanation;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;

/** Left hand: the strip with its hand lane, the reason card, the shifts and the alternatives. */
final class LeftHandView extends VBox {
  private final Studio studio;
  private final StripView strip;
  private final VBox reasons = new VBox(4);
  private final VBox others = new VBox(4);
  private final ListView<Shift> shifts = new ListView<>();
  private final VBox alternatives = new VBox(6);
  private final ComboBox<Preset> preset = new ComboBox<>();
  private final Label summary = Parts.line("", "quiet");
  private final Button adopt;
  private Optional<Fingering> tried = Optional.empty();
  private boolean showing;

  LeftHandView(Studio studio, Look look) {
    this.studio = studio;
    this.strip = new StripView(look, 190);
    strip.setId("strip");
    strip.setOnPick(studio::selectSlice);
    preset.getItems().setAll(Preset.all());
    preset.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(Preset p) {
            return p == null ? "" : p.displayName();
          }

          @Override
          public Preset fromString(String text) {
            throw new UnsupportedOperationException();
          }
        });
    preset.setAccessibleText("What you care about");
    preset.setOnAction(
        e -> {
          if (!showing && studio.bench() != null) {
            studio.changeSettings(
                "Finger it as: " + preset.getValue().displayName(),
                s -> s.withSetup(s.setup().withPreset(preset.getValue().id())));
          }
        });
    adopt =
        Parts.button(
            "Adopt",
            "adopt",
            () -> studio.adopt(tried.orElse(studio.bench().fingering())),
            "primary");
    Button digits = Parts.button("Digits", "digits", studio::toggleDigits);
    HBox tools =
        Parts.row(
            10, summary, Parts.spring(), Parts.line("Care for", "quiet"), preset, digits, adopt);

    VBox reasonCard = Parts.card("", reasons);
    reasonCard.setId("reason-card");
    reasonCard.setPrefWidth(360);
    reasonCard.setMinWidth(320);
    VBox otherCard = Parts.card("Or play this note", others);
    otherCard.setPrefWidth(230);
    otherCard.setMinWidth(210);
    shifts.setId("shifts");
    shifts.setPlaceholder(Parts.label("No shifts: the hand stays.", "quiet"));
    shifts.setCellFactory(v -> new ShiftCell());
    shifts
        .getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, a, s) -> {
              if (s != null) {
                studio.select(s.toNote());
              }
            });
    VBox.setVgrow(shifts, Priority.ALWAYS);
    VBox shiftCard = Parts.card("Shifts, the hardest first", shifts);
    shiftCard.setMinWidth(200);
    HBox.setHgrow(shiftCard, Priority.ALWAYS);
    VBox altCard = Parts.card("Whole fingerings", alternatives);
    altCard.setPrefWidth(250);
    altCard.setMinWidth(230);
    HBox cards = new HBox(12, reasonCard, otherCard, shiftCard, altCard);
    VBox.setVgrow(cards, Priority.ALWAYS);
    VBox page = Parts.page(tools, strip, cards);
    VBox.setVgrow(page, Priority.ALWAYS);
    getChildren().add(page);

    studio.benchProperty().addListener(o -> show());
    studio.selectedProperty().addListener(o -> follow());
    studio.choicesProperty().addListener(o -> showChoices());
    studio.alternativesProperty().addListener(o -> showAlternatives());
  }

  StripView strip() {
    return strip;
  }

  private Instrument instrument() {
    return studio.bench().task().hand().instrument();
  }

  private void show() {
    Workbench b = studio.bench();
    if (b == null) {
      return;
    }
    tried = Optional.empty();
    showing = true;
    preset.setValue(b.passage().settings().setup().preset());
    showing = false;
    paint();
    studio.findAlternatives();
  }

  private void paint() {
    Workbench b = studio.bench();
    Fingering shown = tried.orElse(b.fingering());
    strip.show(
        b.resolved(),
        Digits.of(b, shown, b.passage().settings().fullDigits()),
        Optional.of(shown),
        instrument());
    long pins =
        b.passage().marks().all().stream()
            .filter(m -> m.standing() == fret.mark.Mark.Standing.PINNED)
            .count();
    String state =
        tried.isPresent()
            ? "Trying another fingering"
            : b.passage().marks().isAdopted() ? "Adopted: yours, kept as it is" : "Proposed";
    summary.setText(
        state
            + ". "
            + count(shown.shifts().size(), "shift")
            + ", effort "
            + one(shown.effort())
            + (pins > 0 ? ", " + count((int) pins, "pin") : "")
            + ".");
    List<Shift> ranked = new ArrayList<>(shown.shifts());
    ranked.sort(Comparator.comparingDouble(Shift::bitsPerSecond).reversed());
    shifts.getItems().setAll(ranked);
    follow();
  }

  private static String count(int n, String what) {
    return n + " " + what + (n == 1 ? "" : "s");
  }

  static String one(double value) {
    return String.format(Locale.ROOT, "%.1f", value);
  }

  private void follow() {
    Workbench b = studio.bench();
    int note = studio.selectedProperty().get();
    reasons.getChildren().clear();
    if (b == null || note < 0 || note >= b.resolved().notes().size()) {
      return;
    }
    SoundingNote n = b.resolved().notes().get(note);
    strip.select(n.slice());
    Fingering shown = tried.orElse(b.fingering());
    Optional<NoteFinger> place = shown.notes().get(note);
    reasons.getChildren().add(Parts.line(n.pitch() + ", bar " + n.bar(), "card-title"));
    if (place.isEmpty()) {
      reasons
          .getChildren()
          .add(Parts.label("It cannot be played here; the Part area says why.", "problem"));
      return;
    }
    String sentence = sentence(b, n, place.get(), shown);
    reasons.getChildren().add(Parts.label(sentence));
    strip.setAccessibleText(n.pitch() + ", bar " + n.bar() + ". " + sentence);
    for (Explanation.Share s : shown.reasonsAt(n.slice())) {
      Label amount = Parts.line(quantity(s), "figure");
      amount.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
      reasons
          .getChildren()
          .add(
              Parts.row(
                  8,
                  Parts.line(s.description().split(":", 2)[0], "quiet"),
                  Parts.spring(),
                  amount,
                  Parts.line(String.format(Locale.ROOT, "%.2f", s.effort()), "effort")));
    }
    shown.shifts().stream()
        .filter(s -> s.toSlice() == n.slice())
        .findFirst()
        .ifPresent(s -> reasons.getChildren().add(Parts.label(shiftText(s), "hand")));
    if (place.get().finger() == fret.instrument.Finger.FOURTH
            && shown.reasonsAt(n.slice()).stream().anyMatch(s -> s.id().equals("stretch"))
        || shown.reasonsAt(n.slice()).stream()
            .anyMatch(s -> s.id().equals("stretch") && s.quantity() >= 1)) {
      reasons
          .getChildren()
          .add(
              Parts.label(
                  "A stretch: warm up, turn the hand rather than force the finger, and stop at pain or tingling. Your teacher's eye comes first.",
                  "warning"));
    }
  }

  private static String quantity(Explanation.Share s) {
    String value =
        s.quantity() == Math.rint(s.quantity())
            ? String.valueOf((int) s.quantity())
            : one(s.quantity());
    boolean one = s.quantity() == 1 && s.unit().endsWith("s") && s.unit().length() > 2;
    String unit = s.unit().equals("1/s") ? "per s" : s.unit();
    return value + " " + (one ? s.unit().substring(0, s.unit().length() - 1) : unit);
  }

  private String sentence(Workbench b, SoundingNote n, NoteFinger p, Fingering shown) {
    String where =
        p.isOpen()
            ? "Open " + instrument().stringName(p.string()) + " string"
            : "Finger "
                + p.digit()
                + " on the "
                + instrument().stringName(p.string())
                + " string, "
                + PositionNames.of(instrument().type(), p.base(), p.region() == Region.THUMB)
                + " position, "
                + Math.round(p.mmFromNut())
                + " mm from the nut";
    boolean pinned = b.passage().marks().pin(n.key()).isPresent();
    boolean adopted = b.passage().marks().adopted(n.key()).isPresent();
    boolean shift = shown.shifts().stream().anyMatch(s -> s.toSlice() == n.slice());
    String why =
        pinned
            ? ". You pinned it."
            : adopted && tried.isEmpty()
                ? ". You adopted it."
                : shift
                    ? ". The hand moves here, as staying would cost more."
                    : ". The hand stays where it is.";
    return where + why;
  }

  private String shiftText(Shift s) {
    StringBuilder text = new StringBuilder();
    text.append(
        String.format(Locale.ROOT, "Shift of %.0f mm in %.0f ms", s.travelMm(), s.timeMs()));
    text.append(
        s.hiddenBehind().isEmpty() ? ", in the open." : ", behind the " + s.hiddenBehind() + ".");
    s.oldFinger()
        .ifPresent(
            g ->
                text.append(" Old finger: slide ")
                    .append(g.finger().digit())
                    .append(" to ")
                    .append(g.pitch())
                    .append(String.format(Locale.ROOT, " (%.0f mm).", g.slideMm())));
    s.newFinger()
        .ifPresent(
            g ->
                text.append(" New finger: slide ")
                    .append(g.finger().digit())
                    .append(" from ")
                    .append(g.pitch())
                    .append(String.format(Locale.ROOT, " (%.0f mm).", g.slideMm())));
    return text.toString();
  }

  private void showChoices() {
    others.getChildren().clear();
    Optional<NoteFinger> now = studio.selectedPlace();
    for (Studio.Choice c : studio.choicesProperty().get()) {
      if (others.getChildren().size() >= 6) {
        break;
      }
      boolean current = now.isPresent() && now.get().samePlace(c.place());
      String place =
          (c.place().isOpen() ? "open" : c.place().digit())
              + " on "
              + instrument().stringName(c.place().string());
      String price =
          current ? "now" : c.extraEffort() < 0.005 ? "the same" : "+" + one(c.extraEffort());
      Button button =
          Parts.button(
              place + "   " + price,
              "choice-" + others.getChildren().size(),
              () -> studio.take(c),
              "choice");
      button.setMaxWidth(Double.MAX_VALUE);
      button.setDisable(current);
      others.getChildren().add(button);
    }
  }

  private void showAlternatives() {
    alternatives.getChildren().clear();
    List<Fingering> all = studio.alternativesProperty().get();
    if (all.isEmpty()) {
      alternatives.getChildren().add(Parts.label("Looking for others...", "quiet"));
      return;
    }
    Workbench b = studio.bench();
    for (int i = 0; i < all.size(); i++) {
      Fingering f = all.get(i);
      int unlike = f.notesUnlike(b.fingering());
      String text =
          "Fingering "
              + (char) ('A' + i)
              + ": "
              + count(f.shifts().size(), "shift")
              + "\n"
              + (unlike == 0 ? "on the strip now" : count(unlike, "note") + " differ")
              + ", effort "
              + one(f.effort());
      Button button =
          Parts.button(
              text,
              "alternative-" + i,
              () -> {
                tried = unlike == 0 ? Optional.empty() : Optional.of(f);
                paint();
              },
              "choice");
      button.setMaxWidth(Double.MAX_VALUE);
      alternatives.getChildren().add(button);
    }
    if (all.size() < 4) {
      alternatives
          .getChildren()
          .add(
              Parts.label(
                  all.size() == 1
                      ? "No other really differs."
                      : "Only " + all.size() + " really differ.",
                  "quiet"));
    }
  }

  private final class ShiftCell extends ListCell<Shift> {
    @Override
    protected void updateItem(Shift s, boolean empty) {
      super.updateItem(s, empty);
      if (empty || s == null) {
        setText("");
        return;
      }
      SoundingNote from = studio.bench().resolved().notes().get(s.fromNote());
      SoundingNote to = studio.bench().resolved().notes().get(s.toNote());
      setText(
          String.format(
              Locale.ROOT,
              "bar %s  %s-%s, %s to %s%n%.0f mm in %.0f ms%s",
              to.bar(),
              s.fromFinger().digit(),
              s.toFinger().digit(),
              from.pitch(),
              to.pitch(),
              s.travelMm(),
              s.timeMs(),
              s.hiddenBehind().isEmpty() ? "" : ", " + s.hiddenBehind()));
    }
  }
}
