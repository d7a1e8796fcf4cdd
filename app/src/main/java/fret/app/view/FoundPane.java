package fret.app.view;

import fret.app.viewmodel.PracticeModel;
import fret.app.viewmodel.Studio;
import fret.app.viewmodel.TakesModel;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.drill.DrillKind;
import fret.session.TakeFindings;
import fret.session.TakeVibrato;
import fret.take.Entries;
import fret.take.Expected.Join;
import fret.take.Lateness;
import fret.take.TakeReport;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** What matters most in a take, each with its cause and the drill against it. */
final class FoundPane extends Cards {
  private final Studio studio;
  private final TakesModel model;
  private final PracticeModel practice;
  private final MainView main;
  private final VBox worst = new VBox(8);
  private final VBox rest = new VBox(5);

  FoundPane(Studio studio, TakesModel model, PracticeModel practice, MainView main) {
    this.studio = studio;
    this.model = model;
    this.practice = practice;
    this.main = main;
    worst.setId("take-findings");
    VBox first = Parts.card(Sentences.of("take.worst"), Parts.scroll(worst));
    VBox second =
        Parts.card(
            Sentences.of("take.rest"),
            Parts.scroll(rest),
            Parts.flow(
                8,
                Parts.button(
                    Sentences.of("take.run"),
                    "take-run",
                    () -> model.entries().runToJournal(DrillKind.RUN_THROUGH),
                    "small"),
                Parts.button(
                    Sentences.of("take.mock"),
                    "take-mock",
                    () -> model.entries().runToJournal(DrillKind.MOCK),
                    "small")));
    HBox.setHgrow(first, Priority.ALWAYS);
    HBox.setHgrow(second, Priority.ALWAYS);
    first.setPrefWidth(780);
    second.setPrefWidth(250);
    getChildren().addAll(first, second);
    model.checkedProperty().addListener(o -> show());
  }

  private void show() {
    worst.getChildren().clear();
    rest.getChildren().clear();
    Optional<TakesModel.Checked> checked = model.checkedProperty().get();
    if (checked.isEmpty() || studio.shown() == null) {
      return;
    }
    List<TakeFindings> all = checked.get().findings();
    List<TakeFindings> most = TakeFindings.worst(all);
    if (all.isEmpty()) {
      worst.getChildren().add(Parts.label(Sentences.of("take.clean"), "plain"));
    }
    for (int i = 0; i < most.size(); i++) {
      worst.getChildren().add(finding(most.get(i), i));
    }
    entries(checked.get().report());
    after(checked.get(), Join.SHIFT);
    after(checked.get(), Join.CROSSING);
    for (TakeVibrato v : TakeVibrato.of(studio.shown(), checked.get().report())) {
      Label told = Parts.label(Sentences.of(v.words()), "plain");
      told.setOnMouseClicked(e -> studio.selectSlice(v.slice()));
      rest.getChildren().add(told);
    }
    all.stream().filter(f -> !most.contains(f)).forEach(f -> rest.getChildren().add(line(f)));
    checked
        .get()
        .report()
        .heard()
        .leftOut()
        .forEach(
            x ->
                rest.getChildren()
                    .add(
                        Parts.label(
                            Sentences.of(
                                "take.left-out",
                                Words.shown("%.1f", x.from()),
                                Words.shown("%.1f", x.to())),
                            "quiet")));
    if (rest.getChildren().isEmpty()) {
      rest.getChildren().add(Parts.label(Sentences.of("take.rest.none"), "quiet"));
    }
  }

  /** All entries after rests in one sentence, where there are several. */
  private void entries(TakeReport report) {
    Entries entries = report.entries();
    if (entries.all().size() < 2) {
      return;
    }
    String each =
        entries.all().stream()
            .map(e -> Sentences.of("take.entries.each", bar(report, e), signed(e.ms())))
            .collect(Collectors.joining(", "));
    long usual = Math.round(entries.usualMs().orElse(0.0));
    String how =
        Math.abs(usual) < Entries.IN_TIME_MS
            ? Sentences.of("take.entries.time")
            : Sentences.of(usual > 0 ? "take.entries.late" : "take.entries.early", Math.abs(usual));
    String told = Sentences.of("take.entries", how, entries.all().size(), each);
    long common = Math.round(entries.commonMs());
    String left = common == 0 ? "" : " " + Sentences.of("take.entries.common", common);
    rest.getChildren().add(Parts.label(told + left, "plain"));
  }

  private static String bar(TakeReport report, Entries.Entry e) {
    return report.expected().barOf(report.expected().moments().get(e.moment())).number();
  }

  private static String signed(double ms) {
    return Words.shown("%+.0f", ms);
  }

  /** How late notes come after shifts or crossings, where there are enough cases. */
  private void after(TakesModel.Checked c, Join join) {
    Lateness.of(List.of(c.report()), join)
        .ifPresent(
            l ->
                rest.getChildren()
                    .add(
                        Parts.label(
                            Sentences.of(
                                l.isSure() ? "take.after." + join : "take.after.none." + join,
                                Words.shown("%+.0f", l.ms()),
                                Words.shown("%+.0f", l.from()),
                                Words.shown("%+.0f", l.to()),
                                l.cases()),
                            l.isSure() ? "plain" : "quiet")));
  }

  private Label line(TakeFindings f) {
    Label label = Parts.label(Sentences.of(f.words()), "plain");
    label.setOnMouseClicked(e -> studio.selectSlice(f.slice()));
    return label;
  }

  private HBox finding(TakeFindings f, int at) {
    Label words = Parts.label(Sentences.of(f.words()), "strong");
    words.setOnMouseClicked(e -> studio.selectSlice(f.slice()));
    String cause = f.cause().map(Sentences::of).orElse("");
    String sure = Sentences.of("take.sure", Words.shown("%.0f", 100 * f.finding().confidence()));
    FlowPane does =
        Parts.flow(
            8,
            Parts.button(Sentences.of("take.show"), "found-show-" + at, () -> show(f), "small"),
            Parts.button(
                Sentences.of("take.drill", Words.drill(f.remedy())),
                "found-drill-" + at,
                () -> drill(f),
                "small"),
            Parts.button(
                Sentences.of("take.to-journal"),
                "found-journal-" + at,
                () -> model.entries().toJournal(f),
                "small"),
            Parts.button(
                Sentences.of("take.make-chunk"),
                "found-chunk-" + at,
                () -> model.entries().chunkOf(f),
                "small"));
    does.setPrefWrapLength(480);
    does.setMinWidth(480);
    VBox told = new VBox(2, words, Parts.label((cause + " " + sure).strip(), "quiet"));
    HBox.setHgrow(told, Priority.ALWAYS);
    HBox row = Parts.row(10, told, does);
    row.setAlignment(javafx.geometry.Pos.TOP_LEFT);
    return row;
  }

  private void show(TakeFindings f) {
    studio.selectSlice(f.slice());
    model.hear();
  }

  /** The drill of the notes around it goes on the stand. */
  private void drill(TakeFindings f) {
    var s = studio.shown();
    int slices = s.resolved().slices().size();
    int to = Math.min(slices - 1, f.to());
    practice
        .own()
        .practise(
            s.resolved().slices().get(f.from()).starting().get(0),
            s.resolved().slices().get(to).starting().get(0),
            f.remedy());
    main.go("practise");
  }
}
