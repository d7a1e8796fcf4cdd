package fret.app.view;

import fret.app.command.Action;
import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.Studio;
import fret.app.widget.Look;
import fret.app.widget.StripView;
import fret.app.words.Sentences;
import fret.engraving.StripStyle;
import fret.lane.LaneInput;
import fret.session.Digits;
import fret.session.Session;
import fret.session.Sheets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/**
 * An area that is a strip with ways of looking at it below, on tabs. It holds the strip, its
 * selection over several notes, and the tabs; what stands on them is the area's own.
 */
abstract class StripArea implements AreaView {
  final Studio studio;
  final StripView strip;
  final LeftHandModel selection;
  final List<Action> actions = new ArrayList<>();
  private final Look look;
  private final MainView main;
  private final Selecting selecting;
  private final String id;
  private final FlowPane tabs = new FlowPane(4, 4);
  private final StackPane pane = new StackPane();
  private Node node;

  /**
   * @param id of the area
   * @param stripId of its strip
   */
  StripArea(Areas.Room room, String id, String stripId) {
    this.studio = room.studio();
    this.selection = room.leftHand();
    this.look = room.look();
    this.main = room.main();
    this.id = id;
    this.strip = new StripView(room.look(), new StudioAway(studio));
    strip.setId(stripId);
    selecting = new Selecting(studio, selection, strip, this::selected);
    pane.setMinHeight(0);
    VBox.setVgrow(pane, Priority.ALWAYS);
  }

  /** A way of looking at it; its words stand under {@code tab.}, the area and the name. */
  Button tab(String name, String buttonId, Region content) {
    content.setMinHeight(0);
    return Parts.tab(tabs, pane, Sentences.of("tab." + id + "." + name), buttonId, content);
  }

  /** Puts the area together under a line of tools. */
  void compose(Region tools) {
    node =
        new Composition(
            look,
            tools,
            new MapOverStrip(studio, look, strip, strip, main::sees),
            new VBox(6, tabs, pane),
            tabs);
  }

  /** Another selection is shown. */
  void selected() {
    speakSelected();
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

  /** The passage with its digits and shifts, over lanes. */
  void music(Session s, LaneInput lanes) {
    strip.show(
        new StripView.Music(
            s.resolved(),
            Digits.of(s, s.fingering(), s.passage().settings().fullDigits()),
            StripStyle.PLAIN.withShiftMarks(Sheets.shiftMarks(s.fingering())),
            Optional.of(lanes)));
  }

  /** What the lanes say of the selected note is what the strip says. */
  void speakSelected() {
    if (showSelection()) {
      int note = studio.selectedProperty().get();
      strip.setAccessibleText(strip.spoken(studio.shown().resolved().notes().get(note).slice()));
    }
  }

  /** Marks what is selected on the strip; false where nothing is. */
  boolean showSelection() {
    return selecting.show();
  }
}
