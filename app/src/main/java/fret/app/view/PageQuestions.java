package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.base.Said;
import fret.instrument.Tuning;
import fret.passage.PrintedTempos;
import fret.passage.Setup;
import fret.passage.TempoEdits;
import fret.passage.TempoMark;
import fret.pitch.Pitch;
import fret.score.Divided;
import fret.score.Score;
import fret.score.SoundingNote;
import fret.session.Session;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/** All that a page asks of the player, in one place; each is answered by default. */
final class PageQuestions extends VBox {
  private final Studio studio;
  private final Runnable tempos;
  private boolean asking;

  /**
   * @param tempos shows the tempos of the passage
   */
  PageQuestions(Studio studio, Runnable tempos) {
    super(4);
    this.studio = studio;
    this.tempos = tempos;
    setId("page-questions");
  }

  /** Asks what is to be asked of a page. */
  void show(Session s) {
    asking = false;
    getChildren().clear();
    divided(s);
    strings(s);
    tempos(s);
    PractiseView.shown(this, !getChildren().isEmpty());
  }

  /** Whether something is asked that nobody has answered. */
  boolean isAsking() {
    return asking;
  }

  private void ask(String id, String asked, boolean open, Node... answers) {
    FlowPane row = Parts.flow(10, Parts.line(asked, open ? "strong" : "quiet"));
    row.getChildren().addAll(answers);
    row.getStyleClass().add("question");
    row.setId(id);
    asking |= open;
    getChildren().add(row);
  }

  // ---- two players -----------------------------------------------------------------------------

  /** Two voices on the stave, or chords under "div.": asked once, remembered, changeable. */
  private void divided(Session s) {
    List<String> bars = Divided.bars(studio.session().page());
    Divided now = s.passage().settings().reading().divided();
    if (bars.isEmpty()) {
      return;
    }
    String where =
        bars.size() == 1
            ? Sentences.of("noticed.voices.bar", bars.get(0))
            : Sentences.of("noticed.voices.bars", bars.size());
    ask(
        "divided-question",
        Sentences.of("noticed.voices." + now, where),
        now == Divided.UNDECIDED,
        line("noticed.upper-line", "divided-upper", Divided.UPPER, now),
        line("noticed.lower-line", "divided-lower", Divided.LOWER, now),
        line("noticed.double-stops", "divided-both", Divided.DOUBLE_STOPS, now));
  }

  private Button line(String said, String id, Divided value, Divided now) {
    String text = Sentences.of(said);
    Button button =
        Parts.button(
            text,
            id,
            () ->
                studio.changeSettings(
                    Said.of("set.divided", text),
                    x -> x.withReading(x.reading().withDivided(value))),
            "small");
    button.setDisable(value == now);
    return button;
  }

  // ---- notes under the lowest string -----------------------------------------------------------

  private void strings(Session s) {
    Setup setup = s.passage().settings().setup();
    Optional<Pitch> lowest =
        s.resolved().notes().stream()
            .map(SoundingNote::pitch)
            .min(Comparator.comparingInt(Pitch::midi));
    List<Tuning> reach = lowest.map(p -> Tuning.reaching(setup.instrument(), p)).orElse(List.of());
    if (reach.isEmpty()) {
      return;
    }
    boolean open = !reach.contains(setup.tuning());
    ask(
        "strings-question",
        Sentences.of(
            open ? "noticed.low" : "noticed.low.done", lowest.get(), setup.tuning().name()),
        open,
        reach.stream().map(t -> strung(t, setup)).toArray(Node[]::new));
  }

  private Button strung(Tuning t, Setup now) {
    Button button =
        Parts.button(
            t.name(),
            "strings-" + t.name().replaceAll("[^a-z]+", "-"),
            () ->
                studio.changeSettings(
                    Said.of("set.other-strings"),
                    x ->
                        x.withSetup(
                            x.setup()
                                .withStrings(t, x.setup().stringLengthMm(), x.setup().a4Hz()))),
            "small");
    button.setDisable(t.equals(now.tuning()));
    return button;
  }

  // ---- tempos ----------------------------------------------------------------------------------

  /** A passage from before there were sections is offered those of its page. */
  private void tempos(Session s) {
    PrintedTempos.Found found = PrintedTempos.of(s.page());
    List<TempoMark> marks = s.passage().settings().details().tempoMarks();
    boolean taken = marks.stream().anyMatch(m -> m.source() != TempoMark.Source.MINE);
    if (!taken && found.marks().size() > 1 && !s.passage().sourceName().isEmpty()) {
      ask(
          "tempos-question",
          Sentences.of("tempos.offer", found.marks().size()),
          true,
          Parts.button(Sentences.of("tempos.take"), "tempos-take", this::take, "small"),
          look());
    }
    if (found.smoothed()) {
      ask("smoothed-question", Sentences.of("tempos.smoothed"), true, look());
    }
    long words = marks.stream().filter(m -> m.source() == TempoMark.Source.PROPOSED).count();
    if (words > 0) {
      String asked =
          words == 1 ? Sentences.of("tempos.proposed.one") : Sentences.of("tempos.proposed", words);
      ask("proposed-question", asked, false, look());
    }
  }

  private Button look() {
    return Parts.button(Sentences.of("tempos.look"), "", tempos, "small");
  }

  private void take() {
    Score page = studio.session().page();
    studio.changeSettings(
        Said.of("set.tempos-of-page"),
        s -> TempoEdits.printed(s, s.reading().of(page), page, false));
  }
}
