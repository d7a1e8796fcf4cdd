package fret.app.view;

import fret.app.viewmodel.Lead;
import fret.app.viewmodel.OnStand;
import fret.app.viewmodel.Stand;
import fret.app.words.Sentences;
import fret.drill.DrillKind;
import fret.journal.Verdict;
import fret.plan.Gate;
import fret.tempo.Level;
import fret.tempo.Tempo;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * The ledge of the stand, under the music: the tempo and the count in letters that are read from
 * two metres, the tries, and a stair whose steps say where the tempo goes after each verdict.
 */
final class Ledge extends HBox {
  /** Each step of the stair stands this far in from the one above, in px. */
  private static final double STEP = 16;

  private static final double STAIR = 176;

  private final Label tempo = Parts.line("", "ledge-figure");
  private final Label unit = Parts.line("", "ledge-quiet");
  private final Label of = Parts.line("", "ledge-quiet");
  private final Label count = Parts.line("", "ledge-figure", "ledge-count");
  private final Label counted = Parts.line("", "ledge-quiet");
  private final Label row = Parts.line("", "ledge-tries");
  private final Label told = Parts.label("", "ledge-told");
  private final Map<Verdict, Label> next = new EnumMap<>(Verdict.class);
  private final VBox stair = new VBox(3);
  private final Button start;
  private final Button takeBack;
  private final Button hurts;
  private String said = "";
  private String usual = "";

  /**
   * @param judge what a step of the stair is pressed for
   * @param toggle starts a set, or stops it
   */
  Ledge(Consumer<Verdict> judge, Runnable toggle, Runnable takesBack) {
    super(12);
    getStyleClass().add("ledge");
    setAlignment(Pos.CENTER_LEFT);
    tempo.setId("tempo");
    count.setId("beat");
    row.setId("clean-row");
    told.setId("stand-told");
    told.setMinHeight(Region.USE_PREF_SIZE);
    VBox tempoOf = new VBox(of, unit);
    tempoOf.setAlignment(Pos.CENTER_LEFT);
    HBox tempos = Parts.row(8, tempo, tempoOf);
    tempos.setMinWidth(150);
    tempos.setPrefWidth(168);
    VBox counts = new VBox(count, counted);
    counts.setAlignment(Pos.CENTER);
    counts.setMinWidth(72);
    VBox middle = new VBox(4, row, told);
    middle.setAlignment(Pos.CENTER_LEFT);
    middle.setMinWidth(100);
    middle.setPrefWidth(160);
    HBox.setHgrow(middle, Priority.ALWAYS);
    step(Verdict.CLEAN, "C", 2, judge);
    step(Verdict.NEARLY, "N", 1, judge);
    step(Verdict.MISSED, "M", 0, judge);
    stair.setMinWidth(STAIR + 2 * STEP);
    start = Parts.button(Sentences.of("practise.start-the"), "start", toggle, "ledge-start");
    takeBack =
        Parts.button(Sentences.of("practise.take-back"), "take-back", takesBack, "ledge-small");
    hurts =
        Parts.button(
            Sentences.of("verdict." + Verdict.HURTS) + "  H",
            "verdict-hurts",
            () -> judge.accept(Verdict.HURTS),
            "ledge-hurts");
    start.setMaxWidth(Double.MAX_VALUE);
    takeBack.setMaxWidth(Double.MAX_VALUE);
    VBox acts = new VBox(8, start, takeBack);
    acts.setMinWidth(108);
    acts.setAlignment(Pos.CENTER);
    getChildren().addAll(tempos, counts, middle, stair, acts, hurts);
    HBox.setMargin(hurts, new Insets(0, 0, 0, 10));
  }

  private void step(Verdict v, String key, int up, Consumer<Verdict> judge) {
    Label name = Parts.line(Sentences.of("verdict." + v), "ledge-name");
    Label to = Parts.line("", "ledge-to");
    next.put(v, to);
    Button b =
        Parts.button(
            "", "verdict-" + v.name().toLowerCase(Locale.ROOT), () -> judge.accept(v), "step");
    HBox line = Parts.row(8, name, Parts.line(key, "ledge-quiet"), Parts.spring(), to);
    line.setPrefWidth(STAIR - 24);
    b.setGraphic(line);
    b.setPrefWidth(STAIR);
    VBox.setMargin(b, new Insets(0, 0, 0, up * STEP));
    stair.getChildren().add(b);
  }

  /** What is told of the last try; nothing for what is told of all of them. */
  void tell(String what) {
    said = what;
    told.setText(said.isEmpty() ? usual : said);
  }

  /** What is told while there is nothing to tell of a try. */
  void tellUsually(String what) {
    usual = what;
    tell(said);
  }

  /** What has no verdict has no stair. */
  void judges(boolean is) {
    stair.setVisible(is);
    hurts.setVisible(is);
    takeBack.setVisible(is);
  }

  void moves(boolean moving) {
    start.setText(Sentences.of(moving ? "practise.stop" : "practise.start-the"));
  }

  /** What is counted now, and of which play; both may be empty. */
  void count(String what, String play) {
    count.setText(what);
    counted.setText(play);
  }

  /** What of which play is counted. */
  void play(String play) {
    counted.setText(play);
  }

  /**
   * The gate, with where each verdict would lead.
   *
   * @param leads of a verdict
   */
  void show(Stand stand, boolean any, Function<Verdict, Lead> leads) {
    Gate g = stand.gateProperty().get();
    OnStand on = stand.onProperty().get();
    if (g == null || on == null || !any) {
      for (Label l : new Label[] {tempo, unit, of, row}) {
        l.setText("");
      }
      return;
    }
    Tempo t = g.ladder().at(g.level());
    tempo.setText(Level.text(t.perMinute()));
    unit.setText(Sentences.of("beat." + t.beat().displayName()));
    boolean below = on.drill().kind() == DrillKind.STRAIGHT && t.perMinute() < g.ladder().target();
    of.setText(below ? Sentences.of("practise.of-target", Level.text(g.ladder().target())) : "");
    row.setText(tries(g, on));
    row.setAccessibleText(
        g.hurt()
            ? Sentences.of("practise.it-hurt")
            : Sentences.of("practise.in-row", g.cleanInRow(), g.settings().cleanNeeded()));
    next.forEach((v, to) -> to.setText(words(leads.apply(v))));
  }

  private static String words(Lead n) {
    return switch (n.where()) {
      case TEMPO -> Sentences.of("practise.to-tempo", Level.text(n.tempo()));
      case AGAIN -> Sentences.of("practise.same-again");
      case ANOTHER_CLEAN -> Sentences.of("practise.clean-of", n.count(), n.of());
      case PART -> Sentences.of("practise.next-part", n.count());
      case NEXT_BARS -> Sentences.of("practise.next-bars");
      case DONE -> Sentences.of("practise.done");
    };
  }

  /** Clean tries as filled marks, those still asked for as hollow ones. */
  private static String tries(Gate g, OnStand on) {
    if (g.hurt()) {
      return Sentences.of("practise.it-hurt");
    }
    int needed = on.drill().kind() == DrillKind.STRAIGHT ? g.settings().cleanNeeded() : 1;
    int clean = Math.min(needed, g.stopped() ? needed : g.cleanInRow());
    return "\u25cf ".repeat(clean) + "\u25cb ".repeat(needed - clean);
  }
}
