package fret.app.view;

import fret.app.viewmodel.Stand;
import fret.app.words.Sentences;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** All that is set at the stand, behind one key: it comes over the music and goes again. */
final class StandDrawer extends VBox {
  private final Stand stand;
  private final StandHabits habits;
  private final Runnable changed;
  private final Consumer<String> tell;
  private final CheckBox along;
  private final CheckBox bow;
  private Node before;

  /**
   * @param changed something was switched that is seen with the music
   */
  StandDrawer(Stand stand, StandHabits habits, Runnable changed, Consumer<String> tell) {
    super(8);
    this.stand = stand;
    this.habits = habits;
    this.changed = changed;
    this.tell = tell;
    getStyleClass().add("drawer");
    setId("drawer");
    setMinWidth(Region.USE_PREF_SIZE);
    setMinHeight(0);
    bow = new CheckBox(Sentences.of("practise.bow-below"));
    bow.setId("stand-bow");
    bow.setOnAction(e -> toggleBow());
    along = new CheckBox(Sentences.of("practise.along"));
    along.setId("along");
    along.setOnAction(e -> toggleAlong());
    habits.addMusic(bow);
    habits.addMusic(along);
    Node settings = Parts.scroll(habits.node());
    VBox.setVgrow(settings, Priority.ALWAYS);
    getChildren()
        .addAll(
            Parts.row(
                8,
                Parts.line(Sentences.of("practise.drawer"), "section"),
                Parts.spring(),
                Parts.button(
                    Sentences.of("practise.drawer.close"), "drawer-close", this::close, "small")),
            settings);
    addEventFilter(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getCode() == KeyCode.ESCAPE) {
            close();
            e.consume();
          }
        });
    follow();
    PractiseView.shown(this, false);
  }

  private void follow() {
    bow.setSelected(stand.isBowBelow());
    along.setSelected(stand.isAlong());
  }

  void toggle() {
    if (isVisible()) {
      close();
    } else {
      before = getScene() == null ? null : getScene().getFocusOwner();
      follow();
      PractiseView.shown(this, true);
      habits.focus();
    }
  }

  void close() {
    if (isVisible()) {
      PractiseView.shown(this, false);
      if (before != null) {
        before.requestFocus();
      }
    }
  }

  void toggleBow() {
    stand.setBowBelow(!stand.isBowBelow());
    follow();
    changed.run();
  }

  void toggleAlong() {
    stand.setAlong(!stand.isAlong());
    follow();
    tell.accept(Sentences.of(stand.isAlong() ? "practise.along.on" : "practise.along.off"));
  }
}
