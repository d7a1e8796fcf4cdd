package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.base.Problem;
import fret.base.Said;
import fret.passage.PracticeSetup;
import fret.passage.TempoEdits;
import fret.passage.TempoMark;
import fret.passage.TempoPlan;
import fret.score.Bar;
import fret.session.Change;
import fret.session.Decisions;
import fret.session.Learning;
import fret.session.Session;
import fret.tempo.Beat;
import fret.tempo.Level;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/**
 * The tempos of a passage, section by section: each in its own counted value, with who says so, and
 * all of them by one share.
 */
final class TemposPane {
  private static final Pattern RATE =
      Pattern.compile("\\s*(\\d+(?:[.,]\\d+)?)\\s*(?:[-\u2013]\\s*(\\d+(?:[.,]\\d+)?)\\s*)?");

  private final Studio studio;
  private final VBox rows = new VBox(4);
  private final TextField percent = new TextField("5");
  private final TextField bar = new TextField();
  private final ComboBox<TempoMark.Kind> kind = new ComboBox<>();
  private final TextField rate = new TextField();
  private boolean showing;

  TemposPane(Studio studio) {
    this.studio = studio;
    rows.setId("tempos");
    bar.setPrefWidth(64);
    bar.setPromptText(Sentences.of("tempos.bar"));
    bar.setAccessibleText(Sentences.of("tempos.bar"));
    bar.setId("mark-bar");
    rate.setPrefWidth(90);
    rate.setPromptText(Sentences.of("details.tempo-or"));
    rate.setAccessibleText(Sentences.of("details.tempo-or"));
    rate.setId("mark-value");
    percent.setPrefWidth(56);
    percent.setId("all-percent");
    percent.setAccessibleText(Sentences.of("tempos.percent"));
    kind.getItems().setAll(TempoMark.Kind.values());
    kind.setValue(TempoMark.Kind.SECTION);
    kind.setConverter(Parts.named(k -> Sentences.of("details.mark." + k)));
    kind.setAccessibleText(Sentences.of("tempos.kind"));
  }

  Node node() {
    return new VBox(
        8,
        Parts.flow(
            8,
            Parts.line(Sentences.of("tempos.all")),
            percent,
            Parts.button(Sentences.of("tempos.under"), "all-under", () -> allBy(-1), "small"),
            Parts.button(Sentences.of("tempos.over"), "all-over", () -> allBy(1), "small")),
        rows,
        Parts.flow(
            8,
            Parts.line(Sentences.of("details.from-bar"), "quiet"),
            bar,
            kind,
            rate,
            Parts.button(Sentences.of("details.add"), "mark-add", this::add, "small")),
        Parts.label(Sentences.of("details.a-gradual"), "quiet"));
  }

  /** Fills the rows. */
  void show(Session s) {
    showing = true;
    rows.getChildren().clear();
    List<TempoPlan.Section> sections = s.tempos();
    for (int i = 0; i < sections.size(); i++) {
      rows.getChildren().add(row(s, sections.get(i), i));
    }
    for (TempoMark m : s.passage().settings().details().tempoMarks()) {
      if (m.kind() == TempoMark.Kind.HOLD) {
        rows.getChildren().add(hold(m));
      }
    }
    showing = false;
  }

  private HBox row(Session now, TempoPlan.Section s, int which) {
    ComboBox<Beat> counted = new ComboBox<>();
    counted.getItems().setAll(beats(s));
    counted.setConverter(Parts.named(b -> Sentences.of("beat." + b.displayName())));
    counted.setValue(s.start().beat());
    counted.setId("tempo-beat-" + which);
    counted.setAccessibleText(Sentences.of("tempos.counted", s.bar().number()));
    counted.setOnAction(
        e -> {
          if (!showing && !counted.getValue().equals(goal(s).beat())) {
            set(s, goal(s).in(counted.getValue()), 0);
          }
        });
    double upper = s.mark().isEmpty() ? Learning.setup(now.passage()).upper() : s.upper();
    TextField value = new TextField(told(goal(s), upper));
    value.setPrefWidth(84);
    value.setId("tempo-" + which);
    value.setAccessibleText(Sentences.of("tempos.rate", s.bar().number()));
    Parts.onCommit(value, () -> commit(s, upper, value));
    counted.setPrefWidth(150);
    Label where = Parts.line(place(s), "strong");
    where.setMinWidth(70);
    Label how = Parts.line(s.isSteady() ? "" : Sentences.of("details.mark.GRADUAL"), "plain");
    how.setMinWidth(s.isSteady() ? 0 : 80);
    HBox row =
        Parts.row(
            8,
            where,
            how,
            counted,
            Parts.line("="),
            value,
            Parts.line(
                Sentences.of("tempos.source." + s.source())
                    + s.mark().map(m -> m.words().isEmpty() ? "" : ", " + m.words()).orElse(""),
                "quiet"));
    s.mark()
        .ifPresent(
            m ->
                row.getChildren()
                    .add(
                        Parts.button(
                            Sentences.of("details.take-away"), "", () -> remove(m), "small")));
    return row;
  }

  private HBox hold(TempoMark m) {
    return Parts.row(
        8,
        Parts.line(Sentences.of("bar", m.bar()), "strong"),
        Parts.line(Sentences.of("details.mark.HOLD") + " " + DetailsPane.plain(m.value()), "plain"),
        Parts.button(Sentences.of("details.take-away"), "", () -> remove(m), "small"));
  }

  private static String place(TempoPlan.Section s) {
    boolean within = !s.onset().equals(s.bar().start());
    return within
        ? Sentences.of("tempos.within", s.bar().number())
        : Sentences.of("bar", s.bar().number());
  }

  private static Tempo goal(TempoPlan.Section s) {
    return s.isSteady() ? s.start() : s.finish();
  }

  private static List<Beat> beats(TempoPlan.Section s) {
    List<Beat> all =
        new ArrayList<>(
            List.of(
                Beat.SIXTEENTH,
                Beat.EIGHTH,
                Beat.EIGHTH.dotted(),
                Beat.QUARTER,
                Beat.QUARTER.dotted(),
                Beat.HALF,
                Beat.HALF.dotted(),
                Beat.WHOLE));
    Beat bar = new Beat(s.bar().time().barLength());
    for (Beat b : List.of(bar, s.start().beat())) {
      if (!all.contains(b)) {
        all.add(b);
      }
    }
    return all;
  }

  private static String told(Tempo t, double upper) {
    String low = Level.text(t.perMinute());
    return upper > 0 ? low + "-" + Level.text(upper) : low;
  }

  private void commit(TempoPlan.Section s, double before, TextField value) {
    if (showing || value.getText().strip().equals(told(goal(s), before))) {
      return;
    }
    Matcher m = RATE.matcher(value.getText());
    double low = m.matches() ? number(m.group(1)) : 0;
    double high = m.matches() && m.group(2) != null ? number(m.group(2)) : 0;
    boolean fits = low >= 1 && low <= 1000 && high <= 1000 && (high == 0 || high > low);
    if (!fits) {
      value.setText(told(goal(s), before));
      studio.report(
          new Problem(
              Said.of("set.tempo-from-bar", s.bar().number()),
              Said.of("no.tempo", value.getText()),
              Said.of("tempos.give")));
      return;
    }
    set(s, goal(s).at(low), high);
  }

  private static double number(String text) {
    return Double.parseDouble(text.replace(',', '.'));
  }

  private void set(TempoPlan.Section s, Tempo tempo, double upper) {
    studio.open().decide(x -> changed(x, s, tempo, upper));
  }

  /** A tempo with its range as one step; that of the first section is kept with the practice. */
  private static Optional<Change> changed(
      Session now, TempoPlan.Section s, Tempo tempo, double upper) {
    Optional<Change> settings =
        Decisions.settings(
            now,
            Said.of("set.tempo-from-bar", s.bar().number()),
            x -> TempoEdits.section(x, s, tempo, upper));
    PracticeSetup practice = Learning.setup(now.passage());
    if (!s.mark().isEmpty() || practice.upper() == upper) {
      return settings;
    }
    Change range = Decisions.practice(now, practice.withUpper(upper));
    return Optional.of(settings.map(x -> x.with(range)).orElse(range));
  }

  private void allBy(int sign) {
    double by;
    try {
      by = Parts.decimal(percent.getText());
    } catch (NumberFormatException e) {
      by = -1;
    }
    if (!(by > 0) || by > 90) {
      studio.report(
          new Problem(
              Said.of("tempos.all"),
              Said.of("no.percent", percent.getText()),
              Said.of("tempos.give-percent")));
      return;
    }
    double share = 1 + sign * by / 100;
    studio.changeSettings(
        Said.of(sign < 0 ? "set.all-under" : "set.all-over", Words.one(by)),
        s -> TempoEdits.allBy(s, share));
  }

  private void remove(TempoMark mark) {
    studio.changeSettings(
        Said.of("set.take-a-tempo-mark-away"),
        s ->
            s.withDetails(
                s.details()
                    .withTempoMarks(
                        s.details().tempoMarks().stream().filter(m -> !m.equals(mark)).toList())));
  }

  private void add() {
    Session now = studio.session();
    String number = bar.getText().trim();
    Optional<Bar> there = now.page().barNumbered(number);
    if (there.isEmpty()) {
      studio.report(Problem.of(Said.of("no.bar", number), Said.of("details.give-a")));
      return;
    }
    Matcher m = RATE.matcher(rate.getText());
    double value = m.matches() ? number(m.group(1)) : 0;
    if (!(value > 0) || value > 1000) {
      studio.report(
          new Problem(
              Said.of("set.tempo-from-bar", number),
              Said.of("no.tempo", rate.getText()),
              Said.of("details.give-beats-a")));
      return;
    }
    TempoMark mark =
        new TempoMark(
            TempoMark.Spot.of(there.get(), there.get().start()),
            kind.getValue(),
            Optional.of(new Beat(there.get().time().beatLength())),
            value,
            m.group(2) == null ? 0 : number(m.group(2)),
            TempoMark.Source.MINE,
            "");
    studio.changeSettings(
        Said.of("set.tempo-from-bar", number), s -> TempoEdits.added(s, mark, now.page()));
  }
}
