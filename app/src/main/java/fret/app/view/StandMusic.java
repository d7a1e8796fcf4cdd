package fret.app.view;

import fret.app.viewmodel.OnStand;
import fret.app.viewmodel.PracticeModel;
import fret.app.viewmodel.Studio;
import fret.app.widget.FrameStand;
import fret.app.widget.LinesView;
import fret.app.widget.StripView;
import fret.drill.Frame;
import fret.engraving.StripStyle;
import fret.lane.LaneInput;
import fret.lane.Lanes;
import fret.score.ResolvedPassage;
import fret.score.Slice;
import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import javafx.scene.image.Image;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** What is read at the stand: notation, or the frames of the picture where no note is written. */
final class StandMusic extends StackPane {
  /** Staff spaces in px: read from two metres at the least, and no larger than needed. */
  private static final double LEAST_SPACE = 11;

  private static final double MOST_SPACE = 24;

  private final Studio studio;
  private final PracticeModel practice;
  private final LinesView strip;
  private final FrameStand picture;
  private List<Frame> frames = List.of();

  StandMusic(Areas.Room room) {
    this.studio = room.studio();
    this.practice = room.practice();
    strip =
        new LinesView(
            room.look(),
            new StudioAway(studio),
            Lanes.of("bow").stream().toList(),
            LEAST_SPACE,
            MOST_SPACE);
    strip.setId("drill-strip");
    picture = new FrameStand(room.look());
    picture.setId("drill-picture");
    VBox.setVgrow(this, Priority.ALWAYS);
    getChildren().addAll(strip, picture);
    setMinHeight(0);
  }

  /** What is on the stand now. */
  void show(OnStand on, ResolvedPassage drill) {
    frames = on.frames();
    strip.setVisible(frames.isEmpty());
    picture.setVisible(!frames.isEmpty());
    if (frames.isEmpty()) {
      Optional<LaneInput> bow =
          practice.stand().isBowBelow() ? practice.stand().bow() : Optional.empty();
      strip.show(new StripView.Music(drill, practice.stand().digits(), StripStyle.PLAIN, bow));
    } else {
      picture.show(List.of());
      pages(List.copyOf(new TreeSet<>(frames.stream().map(Frame::page).toList())), new TreeMap<>());
    }
  }

  /** The same again, with the bow under it or without. */
  void again() {
    OnStand on = practice.stand().onProperty().get();
    ResolvedPassage drill = practice.stand().notationProperty().get();
    if (on != null && drill != null) {
      show(on, drill);
    }
  }

  /** The pages that the frames are on come one by one. */
  private void pages(List<Integer> left, Map<Integer, Image> read) {
    if (left.isEmpty()) {
      picture.show(parts(read));
      return;
    }
    List<Frame> wanted = frames;
    studio
        .paper()
        .picture(
            left.get(0),
            png -> {
              if (!wanted.equals(frames)) {
                return; // Something else is on the stand by now.
              }
              if (png.length > 0) {
                read.put(left.get(0), new Image(new ByteArrayInputStream(png)));
              }
              pages(left.subList(1, left.size()), read);
            });
  }

  private List<FrameStand.Part> parts(Map<Integer, Image> pages) {
    List<FrameStand.Part> parts = new ArrayList<>();
    for (Frame f : frames) {
      Image page = pages.get(f.page());
      if (page != null) {
        Frame.Box b = f.box();
        parts.add(new FrameStand.Part(page, b.left(), b.top(), b.width(), b.height()));
      }
    }
    return parts;
  }

  /** The music turns by itself: what sounds stays in sight. */
  void turnTo(ResolvedPassage shown, double wholeNotes) {
    double at = shown.score().bars().get(0).start().doubleValue() + wholeNotes;
    if (!frames.isEmpty()) {
      double end = 0;
      for (int i = 0; i < frames.size(); i++) {
        end += frames.get(i).length().doubleValue();
        if (at < end - 1e-6) {
          picture.turnTo(i);
          return;
        }
      }
      return;
    }
    int slice = -1;
    for (Slice s : shown.slices()) {
      slice = s.onset().doubleValue() <= at + 1e-6 ? s.index() : slice;
    }
    if (slice >= 0) {
      strip.select(slice);
    }
  }

  /** By hand or pedal: on by what is in sight. */
  void turn() {
    if (frames.isEmpty()) {
      strip.turn();
    } else {
      picture.turnTo(picture.at() + 1 < frames.size() ? picture.at() + 1 : 0);
    }
  }
}
