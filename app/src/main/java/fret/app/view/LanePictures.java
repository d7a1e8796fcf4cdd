package fret.app.view;

import fret.app.widget.Away;
import fret.app.widget.LanePicture;
import fret.app.widget.Look;
import fret.engraving.Axis;
import fret.engraving.LaneDrawing;
import fret.engraving.StripEngraver;
import fret.lane.Lane;
import fret.lane.LaneInput;
import fret.lane.Lanes;
import fret.score.ResolvedPassage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * Small pictures of one lane on one axis; what takes time is made away from the interface thread.
 */
final class LanePictures {
  private static final double TEXT = 300;
  private static final double BUTTONS = 128;

  /** Moments in which a picture differs from what stands, both ends included. */
  record Stretch(int fromSlice, int toSlice) {}

  private record Wanted(LanePicture picture, LaneInput input, List<Stretch> differing) {}

  private record Made(Axis axis, List<LaneDrawing> drawings) {}

  private final Away away;
  private final Look look;
  private final Lane lane;
  private final double height;
  private final List<Wanted> wanted = new ArrayList<>();
  private Optional<Axis> axis = Optional.empty();
  private ResolvedPassage axisOf;

  /**
   * @param height of the lane in staff spaces
   */
  LanePictures(Away away, Look look, String lane, double height) {
    this.away = away;
    this.look = look;
    this.lane = Lanes.of(lane).orElseThrow();
    this.height = height;
  }

  /** Forgets the pictures that were asked for. */
  void clear() {
    wanted.clear();
  }

  /** A picture that is empty until {@link #paint}. */
  LanePicture picture(LaneInput input, List<Stretch> differing, String words) {
    LanePicture picture = new LanePicture(look);
    picture.setAccessibleText(words);
    wanted.add(new Wanted(picture, input, differing));
    return picture;
  }

  /** Words, picture and buttons beside each other; below each other where there is little room. */
  static Region row(VBox text, LanePicture picture, FlowPane buttons, boolean narrow) {
    if (narrow) {
      text.getChildren().add(buttons);
      return new VBox(4, text, picture);
    }
    text.setMinWidth(TEXT);
    text.setPrefWidth(TEXT);
    buttons.setPrefWrapLength(BUTTONS - 10);
    buttons.setMinWidth(BUTTONS);
    buttons.setPrefWidth(BUTTONS);
    HBox.setHgrow(picture, Priority.ALWAYS);
    return new HBox(12, text, picture, buttons);
  }

  /** Paints all pictures that were asked for since they were cleared. */
  void paint(ResolvedPassage passage) {
    Optional<Axis> known = passage.equals(axisOf) ? axis : Optional.empty();
    List<Wanted> now = List.copyOf(wanted);
    away.work(
        this,
        () -> {
          Axis on =
              known.orElseGet(
                  () -> Axis.of(StripEngraver.engrave(passage, List.of(), look.font())));
          return new Made(
              on, now.stream().map(w -> lane.draw(w.input(), on, look.font(), height)).toList());
        },
        made -> {
          axis = Optional.of(made.axis());
          axisOf = passage;
          for (int i = 0; i < now.size(); i++) {
            show(now.get(i), made.drawings().get(i), made.axis());
          }
        });
  }

  private static void show(Wanted w, LaneDrawing drawing, Axis on) {
    List<LanePicture.Span> spans =
        w.differing().stream()
            .filter(d -> on.has(d.fromSlice()) && on.has(d.toSlice()))
            .map(d -> new LanePicture.Span(on.start(d.fromSlice()), on.end(d.toSlice())))
            .toList();
    w.picture().show(drawing, on.width(), spans);
  }
}
