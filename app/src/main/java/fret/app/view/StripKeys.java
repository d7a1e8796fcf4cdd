package fret.app.view;

import static fret.app.command.Action.command;
import static fret.app.command.Action.key;
import static fret.app.command.Action.shift;

import fret.app.command.Action;
import fret.app.viewmodel.Hearing;
import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.NoteDecisions;
import fret.app.viewmodel.Studio;
import fret.app.widget.StripView;
import fret.app.words.Sentences;
import fret.lane.Lanes;
import fret.mark.Reminder;
import fret.mark.ReminderLayer;
import fret.score.Signs;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;

/** What can be done wherever a strip is shown. */
final class StripKeys {
  private static final String PLACE = "strip";
  private static final List<KeyCode> LANE_KEYS =
      List.of(
          KeyCode.DIGIT1,
          KeyCode.DIGIT2,
          KeyCode.DIGIT3,
          KeyCode.DIGIT4,
          KeyCode.DIGIT5,
          KeyCode.DIGIT6,
          KeyCode.DIGIT7);

  private StripKeys() {}

  static List<Action> on(
      Studio studio,
      LeftHandModel selection,
      Hearing hearing,
      Supplier<StripView> strip,
      Runnable word) {
    List<Action> all = new ArrayList<>(moving(studio, selection, strip));
    all.addAll(on(studio, hearing, strip, word));
    for (int i = 0; i < Lanes.ALL.size(); i++) {
      all.add(lane(i, strip));
    }
    return all;
  }

  /** From note to note and bar to bar, selecting or not, larger and smaller. */
  static List<Action> moving(Studio studio, LeftHandModel selection, Supplier<StripView> strip) {
    List<Action> all = new ArrayList<>(Selecting.actions(selection));
    all.add(Action.of("next-note", PLACE, key(KeyCode.RIGHT), () -> step(studio, 1)));
    all.add(Action.of("previous-note", PLACE, key(KeyCode.LEFT), () -> step(studio, -1)));
    all.add(Action.of("next-bar", PLACE, command(KeyCode.RIGHT), () -> studio.selectBar(1)));
    all.add(Action.of("previous-bar", PLACE, command(KeyCode.LEFT), () -> studio.selectBar(-1)));
    all.add(Action.of("zoom-in", PLACE, command(KeyCode.EQUALS), () -> strip.get().zoom(1.12)));
    all.add(Action.of("zoom-out", PLACE, command(KeyCode.MINUS), () -> strip.get().zoom(1 / 1.12)));
    return all;
  }

  private static List<Action> on(
      Studio studio, Hearing hearing, Supplier<StripView> strip, Runnable word) {
    NoteDecisions decide = studio.decisions();
    return List.of(
        Action.of("hear", PLACE, key(KeyCode.SPACE), hearing::toggle),
        Action.of("fold", PLACE, key(KeyCode.L), () -> strip.get().foldLanes()),
        Action.of("down-bow", PLACE, command(KeyCode.D), () -> decide.markBow(Signs.Bow.DOWN)),
        Action.of("up-bow", PLACE, command(KeyCode.U), () -> decide.markBow(Signs.Bow.UP)),
        remind(decide, "remind-accidental", KeyCode.I, Reminder.Kind.ACCIDENTAL),
        remind(decide, "remind-glasses", KeyCode.Q, Reminder.Kind.GLASSES),
        remind(decide, "remind-comma", KeyCode.COMMA, Reminder.Kind.COMMA),
        remind(decide, "remind-onwards", KeyCode.PERIOD, Reminder.Kind.ONWARDS),
        remind(decide, "remind-back", KeyCode.MINUS, Reminder.Kind.BACK),
        Action.of("remind-word", PLACE, shift(KeyCode.W), word));
  }

  private static Action lane(int place, Supplier<StripView> strip) {
    return new Action(
        "lane-" + (place + 1),
        PLACE,
        Sentences.of("key.lane", place + 1),
        new KeyCodeCombination(LANE_KEYS.get(place), KeyCombination.ALT_DOWN),
        () -> true,
        () -> strip.get().foldLane(place));
  }

  private static void step(Studio studio, int by) {
    studio.select(studio.selectedProperty().get() + by);
  }

  private static Action remind(NoteDecisions decide, String id, KeyCode code, Reminder.Kind kind) {
    return Action.of(
        id, PLACE, key(code), () -> decide.toggle(ReminderLayer.REMINDER, Reminder.of(kind)));
  }
}
