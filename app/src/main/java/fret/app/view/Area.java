package fret.app.view;

import fret.app.words.Sentences;
import fret.base.Later;
import java.util.List;
import java.util.Objects;
import javafx.scene.input.KeyCode;

/**
 * One area of work; its words stand in the bundle under {@code area.} and its id.
 *
 * @param needs without what it has nothing to show
 * @param lanes ids of the lanes that are open in it at first
 * @param view what it shows, made when it is first asked for
 */
record Area(String id, KeyCode key, Needs needs, List<String> lanes, Later<AreaView> view) {
  /** What there must be. */
  enum Needs {
    NOTHING,
    /** Something on the shelf. */
    PASSAGES,
    /** A passage that is open. */
    OPEN
  }

  Area {
    Objects.requireNonNull(view);
    lanes = List.copyOf(lanes);
  }

  String title() {
    return Sentences.of("area." + id);
  }

  /** The question that it answers. */
  String question() {
    return Sentences.of("area." + id + ".question");
  }
}
