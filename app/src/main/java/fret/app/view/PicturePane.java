package fret.app.view;

import fret.app.viewmodel.Framing;
import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.PracticeModel;
import fret.app.viewmodel.Studio;
import fret.app.widget.FramePicture;
import fret.app.words.Sentences;
import fret.app.words.Words;
import fret.base.Problem;
import fret.base.Said;
import fret.drill.Frame;
import fret.score.TimeSignature;
import fret.tempo.Level;
import fret.writing.Writing;
import java.io.ByteArrayInputStream;
import java.io.File;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.image.Image;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The photo or scan of the page, with the frames that are practised on it. */
final class PicturePane {
  private static final double ZOOM_STEP = 1.25;
  private static final double WIDTH = 720;

  private final Studio studio;
  private final Framing framing;
  private final LeftHandModel selection;
  private final FileDesk files;
  private final Runnable practise;
  private final FramePicture picture;
  private final Label empty = Parts.label(Sentences.of("paper.a-photo"), "quiet");
  private final Label sum = Parts.label("", "quiet");
  private final TextField name = field("frame-name", 130);
  private final TextField fromBar = field("frame-from", 54);
  private final TextField bars = field("frame-bars", 54);
  private final TextField beats = field("frame-beats", 54);
  private final TextField metre = field("frame-metre", 64);
  private final TextField target = field("frame-target", 58);
  private final VBox fields = new VBox(6);
  private final ScrollPane scroll = new ScrollPane();
  private final Node node;
  private Image image;
  private String picked = "";
  private int page;
  private double zoom = 1;

  PicturePane(Areas.Room room) {
    this.studio = room.studio();
    this.framing = new Framing(studio);
    this.selection = room.leftHand();
    this.files = room.main().files();
    PracticeModel stand = room.practice();
    this.practise =
        () -> {
          framing.frame(picked).ifPresent(f -> stand.own().practise(f));
          room.main().go("practise");
        };
    picture = new FramePicture(room.look());
    picture.setId("page-picture");
    picture.setOnDraw(
        s -> picked = framing.draw(page, new Frame.Box(s.left(), s.top(), s.w(), s.h())));
    picture.setOnPick(this::pick);
    picture.setOnChange(
        s ->
            framing.change(
                Said.of("frame.moved"),
                s.id(),
                f -> f.at(new Frame.Box(s.left(), s.top(), s.w(), s.h()))));
    scroll.setContent(picture);
    scroll.getStyleClass().add("plain-scroll");
    VBox.setVgrow(scroll, Priority.ALWAYS);
    fields
        .getChildren()
        .addAll(
            named("frame.name", name),
            named("frame.from", fromBar),
            named("frame.bars", bars),
            named("frame.beats", beats),
            named("frame.metre", metre),
            named("frame.target", target),
            Parts.button(Sentences.of("frame.practise"), "frame-practise", practise, "primary"),
            Parts.button(Sentences.of("frame.attach"), "frame-attach", this::attach, "small"),
            Parts.button(Sentences.of("frame.remove"), "frame-remove", this::remove, "small"));
    for (TextField f : List.of(name, fromBar, bars, beats, metre, target)) {
      Parts.onCommit(f, () -> commit(f));
    }
    VBox left = new VBox(6, tools(), empty, scroll);
    HBox.setHgrow(left, Priority.ALWAYS);
    left.setMinWidth(0);
    VBox right = new VBox(8, fields, sum);
    right.setPrefWidth(250);
    right.setMinWidth(250);
    node = new HBox(16, left, right);
    studio.shownProperty().addListener(o -> show());
  }

  private static TextField field(String id, double width) {
    TextField f = new TextField();
    f.setId(id);
    f.setPrefWidth(width);
    return f;
  }

  private static HBox named(String id, TextField field) {
    field.setAccessibleText(Sentences.of(id));
    return Parts.row(4, Parts.line(Sentences.of(id), "quiet"), Parts.spring(), field);
  }

  private Node tools() {
    return Parts.flow(
        8,
        Parts.button(
            Sentences.of("paper.choose-a"), "choose-picture", this::choosePicture, "small"),
        Parts.button(Sentences.of("frame.add"), "frame-add", this::add, "small"),
        Parts.button(Sentences.of("frame.next"), "frame-next", this::next, "small"),
        Parts.button(
            Sentences.of("paper.larger"), "picture-larger", () -> scale(ZOOM_STEP), "small"),
        Parts.button(
            Sentences.of("paper.smaller"), "picture-smaller", () -> scale(1 / ZOOM_STEP), "small"),
        Parts.button(Sentences.of("paper.page-before"), "picture-before", () -> turn(-1), "small"),
        Parts.button(Sentences.of("paper.next-page"), "picture-next", () -> turn(1), "small"));
  }

  Node node() {
    return node;
  }

  // ---- frames --------------------------------------------------------------------------------

  private void pick(String id) {
    picked = id;
    show();
  }

  /** By key: a strip of the page under the last frame. */
  private void add() {
    if (image == null) {
      return;
    }
    double below =
        framing.frames().stream()
            .filter(f -> f.page() == page)
            .mapToDouble(f -> f.box().top() + f.box().height())
            .max()
            .orElse(0.05);
    double top = Math.min(0.88, below + 0.01);
    picked = framing.draw(page, new Frame.Box(0.05, top, 0.9, 0.11));
    picture.requestFocus();
  }

  private void next() {
    List<Frame> here = framing.frames();
    int at = here.stream().map(Frame::id).toList().indexOf(picked);
    if (!here.isEmpty()) {
      Frame f = here.get((at + 1) % here.size());
      pick(f.id());
      picture.requestFocus();
      if (f.page() != page) {
        turn(f.page() - page);
      }
    }
  }

  private void remove() {
    framing.remove(picked);
  }

  private void attach() {
    if (selection.firstSelected() < 0 || !selection.hasRange()) {
      studio.tell(Sentences.of("frame.select-first"));
      return;
    }
    framing.attach(picked, selection.firstSelected(), selection.lastSelected());
  }

  private void commit(TextField field) {
    Optional<Frame> found = framing.frame(picked);
    if (found.isEmpty() || field.getText().strip().equals(field.getUserData())) {
      return;
    }
    try {
      Frame f = found.get();
      Frame other = changed(f, field);
      if (!other.equals(f)) {
        framing.change(Said.of("frame.changed", Words.frame(other)), f.id(), x -> other);
      }
    } catch (IllegalArgumentException e) {
      studio.report(
          new Problem(
              Said.words(field.getAccessibleText()),
              Said.of("frame.wrong", field.getText()),
              Said.of("frame.wrong.do")));
      show();
    }
  }

  private Frame changed(Frame f, TextField field) {
    String text = field.getText().strip();
    if (field.equals(name)) {
      return f.named(text);
    }
    if (field.equals(target)) {
      return f.withTarget(text.isEmpty() ? 0 : Parts.decimal(text));
    }
    TimeSignature time =
        field.equals(metre)
            ? Writing.metre(text).orElseThrow(() -> new IllegalArgumentException(text))
            : f.metre();
    int from = field.equals(fromBar) ? Integer.parseInt(text) : f.fromBar();
    int count =
        field.equals(beats)
            ? Integer.parseInt(text)
            : field.equals(bars)
                ? Integer.parseInt(text) * time.beats()
                : field.equals(metre) ? f.bars() * time.beats() : f.beats();
    return f.withBars(from, count, time);
  }

  /** Frames, and the fields of the one that is picked. */
  private void show() {
    List<Frame> all = framing.frames();
    Optional<Frame> found = framing.frame(picked);
    picture.showFrames(
        all.stream().filter(f -> f.page() == page).map(PicturePane::shown).toList(), picked);
    fields.setVisible(found.isPresent());
    fields.setManaged(found.isPresent());
    found.ifPresent(
        f -> {
          fill(name, f.name());
          fill(fromBar, String.valueOf(f.fromBar()));
          fill(bars, String.valueOf(f.bars()));
          fill(beats, String.valueOf(f.beats()));
          fill(metre, metre(f.metre()));
          fill(target, f.perMinute() == 0 ? "" : Level.text(f.perMinute()));
          if (studio.session() != null) {
            target.setPromptText(
                Level.text(studio.session().passage().settings().target().perMinute()));
          }
        });
    sum.setText(
        image == null
            ? ""
            : all.isEmpty()
                ? Sentences.of("frame.none")
                : Sentences.of(
                    "frame.all", all.stream().map(Words::frame).collect(Collectors.joining(", "))));
  }

  private static void fill(TextField field, String text) {
    field.setUserData(text);
    if (!field.isFocused() || !field.getText().equals(text)) {
      field.setText(text);
    }
  }

  private static String metre(TimeSignature time) {
    return time.groups().stream().map(String::valueOf).collect(Collectors.joining("+"))
        + "/"
        + time.beatType();
  }

  private static FramePicture.Shown shown(Frame f) {
    Frame.Box b = f.box();
    return new FramePicture.Shown(f.id(), Words.frame(f), b.left(), b.top(), b.width(), b.height());
  }

  // ---- the picture ---------------------------------------------------------------------------

  private void choosePicture() {
    if (studio.session() == null) {
      return;
    }
    files.ask(Sentences.of("paper.choose-a"), FileDesk.Sort.PICTURE).ifPresent(this::take);
  }

  /** Keeps a file as the picture of the page. */
  void take(File file) {
    files
        .bytes(file, FileDesk.Sort.PICTURE)
        .ifPresent(
            bytes -> {
              page = 0;
              studio.paper().keepPicture(file.getName(), bytes, this::show);
            });
  }

  /** Another passage was opened. */
  void opened() {
    page = 0;
    picked = "";
    studio.paper().picture(0, this::show);
  }

  private void turn(int by) {
    int wanted = Math.max(0, page + by);
    studio
        .paper()
        .picture(
            wanted,
            png -> {
              page = wanted;
              show(png);
            });
  }

  private void scale(double by) {
    zoom = Math.max(0.2, Math.min(5, zoom * by));
    fit();
  }

  private void fit() {
    if (image != null) {
      double w = WIDTH * zoom;
      double h = w * image.getHeight() / Math.max(1, image.getWidth());
      picture.setMinSize(w, h);
      picture.setPrefSize(w, h);
      picture.setMaxSize(w, h);
    }
  }

  private void show(byte[] png) {
    boolean any = png.length > 0;
    empty.setVisible(!any);
    empty.setManaged(!any);
    scroll.setVisible(any);
    image = any ? new Image(new ByteArrayInputStream(png)) : null;
    picture.showPage(image);
    fit();
    show();
  }
}
