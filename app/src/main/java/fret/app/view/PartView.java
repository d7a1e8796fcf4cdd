package fret.app.view;

import fret.app.command.Action;
import fret.app.command.WritingKey;
import fret.app.viewmodel.Hearing;
import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.Studio;
import fret.app.viewmodel.WritingModel;
import fret.app.widget.LinesView;
import fret.app.widget.StripView;
import fret.app.words.Sentences;
import fret.base.Said;
import fret.engraving.StripStyle;
import fret.mark.Reminder;
import fret.mark.ReminderLayer;
import fret.passage.Passage;
import fret.score.Event;
import fret.score.ResolvedPassage;
import fret.session.Digits;
import fret.session.Session;
import fret.writing.Draft;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.collections.ListChangeListener;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** Part: what is on the page, the instrument and the target; and writing on the page. */
final class PartView implements AreaView {
  /** Place of the keys of writing. */
  static final String WRITING = "writing";

  private final Studio studio;

  /** What the strip keeps beside a long list. */
  private static final double BESIDE_LIST = 0.36;

  /** Staff space of the part as a page, in px. */
  private static final double LEAST_SPACE = 6;

  private static final double MOST_SPACE = 11;

  /** How the part is shown: as one stave, as lines beside the cards, as the whole page. */
  private enum Shown {
    STRIP,
    LINES,
    PAGE
  }

  private final StripView strip;
  private final LinesView lines;
  private final OthersUnder others;
  private Shown shownAs = Shown.STRIP;
  private final Selecting selecting;
  private final WritingModel writing;
  private final WritingKeys keys;
  private final SetupPane setup;
  private final NoticedPane noticed;
  private final DetailsPane details;
  private final TemposPane tempos;
  private final PaperPane paper;
  private final PicturePane picture;
  private long pictureOf = -1;
  private final WritingBanner banner;
  private final TextField nameless = new TextField();

  private final Composition node;
  private final Button noticedTab;
  private final Button passageTab;
  private final Button tempoTab;
  private final Button pictureTab;
  private final ChunksPane chunks;
  private final LeftHandModel selection;
  private final List<Action> actions = new ArrayList<>();
  private long noticedOf = -1;
  private boolean pictureWanted;

  PartView(Areas.Room room) {
    this.studio = room.studio();
    this.writing = room.writing();
    this.selection = room.leftHand();
    this.strip = new StripView(room.look(), new StudioAway(studio));
    this.lines =
        new LinesView(room.look(), new StudioAway(studio), List.of(), LEAST_SPACE, MOST_SPACE);
    lines.setId("part-lines");
    lines.setVisible(false);
    selecting = new Selecting(studio, selection, strip, () -> {});
    selecting.alsoOn(lines);
    strip.setOnPlace(writing::goTo);
    others = new OthersUnder(studio, room.look(), strip);
    strip.setId("part-strip");
    details = new DetailsPane(studio);
    buildNameless();
    banner =
        new WritingBanner(
            writing,
            room.look(),
            this::type,
            this::write,
            strip::requestFocus,
            nameless,
            details.character());
    keys = new WritingKeys(writing, banner::ask);
    tempos = new TemposPane(studio);
    setup = new SetupPane(studio, room.main()::chooseAgain);
    noticed = new NoticedPane(studio, this::showTempos);
    chunks = new ChunksPane(room);
    StackPane pane = new StackPane();
    FlowPane tabs = new FlowPane(6, 4);
    noticedTab = Parts.tab(tabs, pane, Sentences.of("part.noticed"), "tab-noticed", noticed);
    passageTab =
        Parts.tab(
            tabs, pane, Sentences.of("part.this-passage"), "tab-passage", Parts.scroll(setup));
    Parts.tab(tabs, pane, Sentences.of("part.bar"), "tab-bar-part", new BarPane(studio));
    Parts.tab(tabs, pane, Sentences.of("part.about"), "tab-about", details.about());
    tempoTab =
        Parts.tab(
            tabs,
            pane,
            Sentences.of("part.tempo"),
            "tab-tempo",
            Parts.scroll(
                new VBox(16, tempos.node(), details.tempo(), new ClicksPane(studio).node())));
    paper = new PaperPane(studio, room.main().files());
    picture = new PicturePane(room);
    pictureTab = Parts.tab(tabs, pane, Sentences.of("part.picture"), "tab-picture", picture.node());
    Parts.tab(tabs, pane, Sentences.of("part.chunks"), "tab-chunks", chunks.node());
    Parts.tab(tabs, pane, Sentences.of("part.paper"), "tab-paper", Parts.scroll(paper.out()));
    VBox card = Parts.card("", tabs, pane);
    VBox.setVgrow(pane, Priority.ALWAYS);
    node =
        new Composition(
            room.look(),
            banner,
            new MapOverStrip(
                studio,
                room.look(),
                strip,
                new StackPane(others, lines),
                slice -> room.main().sees(slice)),
            card,
            tabs);
    pane.getChildren()
        .addListener(
            (ListChangeListener<Node>)
                c -> {
                  node.setReasonsFirst(pane.getChildren().contains(picture.node()));
                  if (pane.getChildren().contains(chunks.node())) {
                    node.setShare(BESIDE_LIST);
                  } else {
                    node.usualShare();
                  }
                });
    passageTab.fire();
    makeActions(room.hearing());
    writing.draftProperty().addListener((o, before, now) -> showDraft(before, now));
    studio.proofing().proofProperty().addListener(o -> showNoticed());
    studio.shownProperty().addListener(o -> show());
  }

  private void makeActions(Hearing hearing) {
    for (WritingKey key : WritingKey.all()) {
      actions.add(
          new Action(
              key.name(),
              WRITING,
              Sentences.of(key.said()),
              key.keys(),
              writing::isWriting,
              () -> type(key)));
    }
    actions.add(
        Action.of("write", "part", Action.key(KeyCode.W), this::write)
            .when(() -> !writing.isWriting()));
    actions.add(
        Action.of("part-page", "part", Action.key(KeyCode.G), this::nextShown)
            .when(() -> !writing.isWriting()));
    actions.add(
        Action.of("part-others", "part", Action.key(KeyCode.O), this::showOthers)
            .when(() -> !writing.isWriting() && shownAs == Shown.STRIP));
    actions.add(
        Action.of("part-turn", "part", Action.key(KeyCode.PAGE_DOWN), lines::turn)
            .when(() -> !writing.isWriting() && shownAs != Shown.STRIP));
    for (Action a : chunks.actions()) {
      actions.add(a.when(() -> !writing.isWriting()));
    }
    for (Action a : StripKeys.on(studio, selection, hearing, () -> strip, this::askWord)) {
      actions.add(a.when(() -> !writing.isWriting()));
    }
  }

  /** As one stave, as lines beside the cards, as the whole page, and round again. */
  private void nextShown() {
    showAs(Shown.values()[(shownAs.ordinal() + 1) % Shown.values().length]);
    studio.tell(Sentences.of("part.shown." + shownAs));
  }

  /** The other parts under the stave; every bar of rests is drawn then, since they play there. */
  private void showOthers() {
    others.toggle();
    show();
  }

  private void showAs(Shown how) {
    shownAs = how;
    boolean wraps = how != Shown.STRIP && !writing.isWriting();
    lines.setVisible(wraps);
    strip.setVisible(!wraps);
    others.setVisible(!wraps);
    node.setStripOnly(writing.isWriting() || how == Shown.PAGE);
    (wraps ? lines : strip).requestFocus();
    showLines();
  }

  private void showLines() {
    Session b = studio.shown();
    if (b != null && lines.isVisible()) {
      lines.show(
          new StripView.Music(b.resolved(), Digits.ofPage(b), StripStyle.PLAIN, Optional.empty()));
      selecting.show();
    }
  }

  private void askWord() {
    banner.ask(
        Sentences.of("part.a-word"),
        text -> {
          if (!text.isBlank()) {
            studio.decisions().toggle(ReminderLayer.REMINDER, Reminder.word(text));
          }
        });
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public Optional<StripView> strip() {
    return Optional.of(strip);
  }

  @Override
  public List<Action> actions() {
    return actions;
  }

  @Override
  public boolean hasMode() {
    return writing.isWriting();
  }

  private void showTempos() {
    tempoTab.fire();
  }

  /** Shows the picture of the page, where passages without notes begin. */
  void showPicture() {
    pictureWanted = true;
    pictureTab.fire();
  }

  PicturePane picture() {
    return picture;
  }

  PaperPane paper() {
    return paper;
  }

  // ---- writing ---------------------------------------------------------------------------------

  private void buildNameless() {
    nameless.setId("nameless");
    nameless.setPromptText(Sentences.of("part.nameless"));
    nameless.setAccessibleText(Sentences.of("part.nameless"));
    nameless.setOnAction(
        e -> {
          String name = nameless.getText().trim();
          if (!name.isEmpty()) {
            studio.changeSettings(Said.of("set.title"), p -> p.withTitle(name));
            strip.requestFocus();
          }
        });
  }

  /**
   * A new page and a file that names nothing ask what they are called, once and without a dialog.
   */
  private void showNameless(Passage passage) {
    String title = passage.settings().title();
    boolean asks =
        !writing.isWriting()
            && (title.isBlank()
                || title.equals(Sentences.of("part.untitled"))
                || title.equals(passage.sourceName()));
    if (!asks) {
      nameless.clear();
    }
    nameless.setVisible(asks);
    nameless.setManaged(asks);
  }

  /** Starts or ends writing. */
  void write() {
    if (writing.isWriting()) {
      writing.stop();
    } else {
      writing.start();
      strip.requestFocus();
    }
  }

  /** Runs a key of writing. */
  boolean type(WritingKey key) {
    return keys.run(key);
  }

  private void showDraft(Draft before, Draft now) {
    boolean on = now != null;
    showAs(shownAs);
    details.character().setVisible(!on);
    details.character().setManaged(!on);
    if (on) {
      nameless.setVisible(false);
      nameless.setManaged(false);
    }
    banner.show(now);
    if (!on) {
      noticedOf = -1; // What was noticed of what was written comes first now.
      strip.hidePlace();
      show();
      return;
    }
    strip.startPlace();
    if (before == null || !before.page().equals(now.page())) {
      strip.show(
          new StripView.Music(
              ResolvedPassage.pageOnly(now.page()),
              List.of(),
              StripStyle.WRITING,
              Optional.empty()));
    }
    strip.showPlace(now.current().map(Event::onset), now.at().bar());
    strip.setAccessibleText(
        banner.spoken()
            + ". "
            + now.current().map(WritingBanner::spoken).orElse(Sentences.of("part.start-of")));
  }

  private void show() {
    Session b = studio.shown();
    if (b == null) {
      return;
    }
    showNameless(b.passage());
    setup.show(b);
    tempos.show(b);
    if (!writing.isWriting()) {
      strip.show(
          new StripView.Music(
              b.resolved(),
              Digits.ofPage(b),
              others.isWanted() ? StripStyle.OVER_OTHERS : StripStyle.PLAIN,
              Optional.of(b.laneInput())));
      showLines();
    }
    noticed.show(b);
    showNoticed();
    details.show(b.passage().settings().details());
    selecting.show();
    if (pictureOf != b.passage().id()) {
      pictureOf = b.passage().id();
      picture.opened();
    }
  }

  /** What was noticed comes first, once a passage, where there is something to decide. */
  private void showNoticed() {
    Session b = studio.shown();
    if (b == null) {
      return;
    }
    int count = noticed.showFindings(b);
    noticedTab.setText(
        count == 0 ? Sentences.of("part.noticed") : Sentences.of("part.noticed.some", count));
    if (noticedOf != b.passage().id()) {
      boolean nothing = count == 0 && !noticed.isAsking();
      (pictureWanted ? pictureTab : nothing ? passageTab : noticedTab).fire();
      pictureWanted = false;
    }
    noticedOf = b.passage().id();
  }
}
