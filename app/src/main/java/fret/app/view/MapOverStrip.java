package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.widget.Look;
import fret.app.widget.PartMap;
import fret.app.widget.StripView;
import fret.app.words.Sentences;
import fret.drill.Chunk;
import fret.journal.Breakage;
import fret.mark.FingerLayer;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Slice;
import fret.session.Session;
import fret.shelf.Planning;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.IntConsumer;
import javafx.scene.Node;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.apache.commons.numbers.fraction.Fraction;

/** A strip with the map of its part over it, where the part is longer than what is in sight. */
final class MapOverStrip extends VBox {
  /** Fewer bars are all in sight, or nearly. */
  private static final int LEAST_BARS = 13;

  private final Studio studio;
  private final PartMap map;
  private final IntConsumer sees;

  /**
   * @param music the strip, or what it stands in
   * @param sees is told of the first moment in sight
   */
  MapOverStrip(Studio studio, Look look, StripView strip, Node music, IntConsumer sees) {
    super(2);
    this.sees = sees;
    this.studio = studio;
    this.map = new PartMap(look);
    VBox.setVgrow(music, Priority.ALWAYS);
    setMinHeight(0);
    getChildren().addAll(map, music);
    map.setOnPick(this::pick);
    strip.setOnSight(this::sight);
    studio.shownProperty().addListener(o -> show());
    studio.plans().plannedProperty().addListener(o -> show());
    sceneProperty().addListener(o -> show());
  }

  private void pick(double share) {
    Session s = studio.shown();
    if (s == null || s.resolved().slices().isEmpty()) {
      return;
    }
    int nearest = 0;
    for (Slice slice : s.resolved().slices()) {
      double here = Math.abs(share(s, slice.onset()) - share);
      if (here < Math.abs(share(s, s.resolved().slices().get(nearest).onset()) - share)) {
        nearest = slice.index();
      }
    }
    studio.selectSlice(nearest);
  }

  private void sight(int from, int to) {
    Session s = studio.shown();
    if (s != null && to < s.resolved().slices().size() && from >= 0) {
      sees.accept(from);
      List<Slice> all = s.resolved().slices();
      map.showSight(share(s, all.get(from).onset()), share(s, all.get(to).onset()));
    }
  }

  private static double share(Session s, Fraction onset) {
    List<Bar> bars = s.score().bars();
    Fraction start = bars.get(0).start();
    double all = bars.get(bars.size() - 1).end().subtract(start).doubleValue();
    return onset.subtract(start).doubleValue() / all;
  }

  /** Made anew when it is looked at, not behind another area. */
  private void show() {
    if (getScene() == null) {
      return;
    }
    Session s = studio.shown();
    boolean isLong = s != null && s.score().bars().size() >= LEAST_BARS;
    PractiseView.shown(map, isLong);
    if (isLong) {
      map.show(shown(s));
      map.setAccessibleText(Sentences.of("map.of", s.score().bars().size()));
    }
  }

  private PartMap.Shown shown(Session s) {
    List<Double> sections = s.tempos().stream().map(t -> share(s, t.bar().start())).toList();
    List<PartMap.Mark> marks = new ArrayList<>();
    for (Bar bar : s.score().bars()) {
      for (Direction d : bar.directions()) {
        if (d.kind() == Direction.Kind.REHEARSAL) {
          marks.add(new PartMap.Mark(share(s, d.onset()), d.text()));
        }
      }
    }
    List<Double> pinned =
        s.resolved().notes().stream()
            .filter(n -> s.passage().marks().at(FingerLayer.PINNED, n.key()).isPresent())
            .map(n -> share(s, n.onset()))
            .toList();
    List<PartMap.Span> chunks = new ArrayList<>();
    List<PartMap.Span> broken = new ArrayList<>();
    Set<String> breaks = new HashSet<>();
    studio.journal().stream()
        .filter(e -> e.passageId() == s.passage().id() && e.breakage() != Breakage.NONE)
        .forEach(e -> breaks.add(e.chunkId()));
    studio.plans().ofOpen().map(Planning.Entry::chunks).orElse(List.of()).stream()
        .filter(c -> c.kind() == Chunk.Kind.BARS || breaks.contains(c.id()))
        .forEach(
            c -> {
              PartMap.Span span = new PartMap.Span(share(s, c.fromOnset()), share(s, c.toOnset()));
              (c.kind() == Chunk.Kind.BARS ? chunks : broken).add(span);
              if (c.kind() == Chunk.Kind.BARS && breaks.contains(c.id())) {
                broken.add(span);
              }
            });
    return new PartMap.Shown(sections, marks, chunks, pinned, broken);
  }
}
