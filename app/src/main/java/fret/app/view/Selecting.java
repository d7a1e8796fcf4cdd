package fret.app.view;

import static fret.app.command.Action.key;

import fret.app.command.Action;
import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.Studio;
import fret.app.widget.LinesView;
import fret.app.widget.StripView;
import fret.session.Session;
import java.util.List;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;

/**
 * What is selected, the same in every area with a strip: by a click, by Shift and a click, by
 * dragging, by Shift and the arrows, note by note or bar by bar, and all of it. What is painted is
 * what is selected.
 */
final class Selecting {
  private final Studio studio;
  private final LeftHandModel selection;
  private final StripView strip;
  private final Runnable followed;
  private Optional<LinesView> lines = Optional.empty();

  /**
   * @param followed told when what is selected is shown
   */
  Selecting(Studio studio, LeftHandModel selection, StripView strip, Runnable followed) {
    this.studio = studio;
    this.selection = selection;
    this.strip = strip;
    this.followed = followed;
    strip.setOnPick(studio::selectSlice);
    strip.setOnExtend(this::extendTo);
    // Either end may move: what is painted follows both.
    studio.selectedProperty().addListener(o -> follow());
    selection.anchorProperty().addListener(o -> follow());
  }

  /** Shows it in lines as well, and selects there. */
  void alsoOn(LinesView other) {
    lines = Optional.of(other);
    other.setOnPick(studio::selectSlice);
    other.setOnExtend(this::extendTo);
  }

  private void follow() {
    if (show()) {
      followed.run();
    }
  }

  /** The selection grows to a moment. */
  private void extendTo(int slice) {
    Session s = studio.shown();
    if (s != null) {
      List<Integer> starting = s.resolved().slices().get(slice).starting();
      selection.extendTo(starting.get(starting.size() - 1));
    }
  }

  /** Marks what is selected on the strip; false where nothing is. */
  boolean show() {
    Session s = studio.shown();
    int selected = studio.selectedProperty().get();
    if (s == null || selected < 0 || selected >= s.resolved().notes().size()) {
      return false;
    }
    int last = s.resolved().notes().size() - 1;
    int from = Math.max(0, selection.firstSelected());
    int to = Math.max(from, Math.min(last, selection.lastSelected()));
    strip.select(s.resolved().notes().get(selected).slice());
    lines.ifPresent(
        l -> {
          l.selectRange(
              s.resolved().notes().get(from).slice(), s.resolved().notes().get(to).slice());
          l.select(s.resolved().notes().get(selected).slice());
        });
    strip.selectRange(s.resolved().notes().get(from).slice(), s.resolved().notes().get(to).slice());
    return true;
  }

  /** The keys that select. */
  static List<Action> actions(LeftHandModel selection) {
    return List.of(
        on("extend-right", Action.shift(KeyCode.RIGHT), () -> selection.extend(1)),
        on("extend-left", Action.shift(KeyCode.LEFT), () -> selection.extend(-1)),
        on("extend-bar-right", far(KeyCode.RIGHT), () -> selection.extendBar(1)),
        on("extend-bar-left", far(KeyCode.LEFT), () -> selection.extendBar(-1)),
        on("first-note", key(KeyCode.HOME), selection::selectFirst),
        on("last-note", key(KeyCode.END), selection::selectLast),
        on("extend-first", Action.shift(KeyCode.HOME), () -> selection.extendTo(0)),
        on("extend-last", Action.shift(KeyCode.END), selection::extendToLast),
        on("select-all", Action.command(KeyCode.A), selection::selectAll));
  }

  private static KeyCombination far(KeyCode code) {
    return new KeyCodeCombination(code, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN);
  }

  private static Action on(String id, KeyCombination keys, Runnable handler) {
    return Action.of(id, "strip", keys, handler);
  }
}
