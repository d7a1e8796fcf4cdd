package fret.app.view;

import fret.app.viewmodel.Studio;
import fret.app.widget.Look;
import fret.app.widget.OtherStaves;
import fret.app.widget.OtherStaves.Stave;
import fret.app.widget.StripView;
import fret.app.words.Sentences;
import fret.engraving.Strip;
import fret.engraving.StripEngraver;
import fret.score.Bar;
import fret.score.ResolvedPassage;
import fret.score.Score;
import java.util.List;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** A strip with the other parts of its score small under it, as they are heard with it. */
final class OthersUnder extends VBox {
  private final Studio studio;
  private final Look look;
  private final OtherStaves staves;
  private boolean wanted;
  private Strip under;
  private long of = -1;

  OthersUnder(Studio studio, Look look, StripView strip) {
    this.studio = studio;
    this.look = look;
    this.staves = new OtherStaves(look);
    staves.setId("other-staves");
    VBox.setVgrow(strip, Priority.ALWAYS);
    getChildren().addAll(strip, staves);
    setMinHeight(0);
    PractiseView.shown(staves, false);
    strip.setOnPaint(this::follow);
    studio.shownProperty().addListener(o -> passage());
  }

  boolean isWanted() {
    return wanted;
  }

  /** Shows them, or hides them. */
  void toggle() {
    wanted = !wanted;
    under = null;
    if (!wanted) {
      PractiseView.shown(staves, false);
      staves.show(List.of());
    }
  }

  private void passage() {
    long now = studio.shown() == null ? -1 : studio.shown().passage().id();
    if (now != of) {
      of = now;
      under = null;
      staves.show(List.of());
    }
  }

  private void follow(StripView.Painted painted) {
    if (!wanted || studio.shown() == null) {
      return;
    }
    staves.follow(painted);
    if (!painted.strip().equals(under)) {
      under = painted.strip();
      engrave(under);
    }
  }

  private void engrave(Strip main) {
    var passage = studio.shown().passage();
    List<Bar> bars = studio.shown().resolved().score().bars();
    if (bars.size() != main.bars().size()) {
      return; // The strip of before; the one of now follows.
    }
    studio
        .open()
        .ofOthers(
            passage,
            others -> others.stream().map(o -> stave(o, main, bars)).toList(),
            all -> {
              if (wanted && main.equals(under)) {
                staves.show(all);
                PractiseView.shown(staves, !all.isEmpty());
                if (all.isEmpty()) {
                  studio.tell(Sentences.of("part.others.none"));
                }
              }
            });
  }

  private Stave stave(Score other, Strip main, List<Bar> bars) {
    ResolvedPassage resolved = ResolvedPassage.pageOnly(other);
    return new Stave(
        other.partName(),
        StripEngraver.engraveUnder(resolved, main, bars, OtherStaves.SCALE, look.font()));
  }
}
