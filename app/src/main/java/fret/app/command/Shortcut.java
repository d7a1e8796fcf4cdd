package fret.app.command;

import java.util.List;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;

/** All keys of the program, in one table: handlers and the help page are made from it. */
public enum Shortcut {
  HELP("Everywhere", "Show all keys", new KeyCodeCombination(KeyCode.F1)),
  OPEN(
      "Everywhere",
      "Open a MusicXML file",
      new KeyCodeCombination(KeyCode.O, KeyCombination.SHORTCUT_DOWN)),
  SAVE(
      "Everywhere",
      "Save a copy with the fingering",
      new KeyCodeCombination(KeyCode.S, KeyCombination.SHORTCUT_DOWN)),
  UNDO("Everywhere", "Undo", new KeyCodeCombination(KeyCode.Z, KeyCombination.SHORTCUT_DOWN)),
  REDO("Everywhere", "Redo", new KeyCodeCombination(KeyCode.Y, KeyCombination.SHORTCUT_DOWN)),
  AREA_1("Everywhere", "Shelf", new KeyCodeCombination(KeyCode.F2)),
  AREA_2("Everywhere", "Part", new KeyCodeCombination(KeyCode.F3)),
  AREA_3("Everywhere", "Left hand", new KeyCodeCombination(KeyCode.F4)),
  AREA_4("Everywhere", "Plan", new KeyCodeCombination(KeyCode.F5)),
  AREA_5("Everywhere", "Practise", new KeyCodeCombination(KeyCode.F6)),
  AREA_6("Everywhere", "Journal", new KeyCodeCombination(KeyCode.F7)),
  DARK("Everywhere", "Dark or light", new KeyCodeCombination(KeyCode.F9)),
  FOLD("Left hand", "Fold or open the hand lane", new KeyCodeCombination(KeyCode.L)),
  ZOOM_IN(
      "Strip",
      "Larger notes",
      new KeyCodeCombination(KeyCode.EQUALS, KeyCombination.SHORTCUT_DOWN)),
  ZOOM_OUT(
      "Strip",
      "Smaller notes",
      new KeyCodeCombination(KeyCode.MINUS, KeyCombination.SHORTCUT_DOWN)),
  NEXT_NOTE("Strip", "Next note", new KeyCodeCombination(KeyCode.RIGHT)),
  PREVIOUS_NOTE("Strip", "Previous note", new KeyCodeCombination(KeyCode.LEFT)),
  NEXT_BAR(
      "Strip", "Next bar", new KeyCodeCombination(KeyCode.RIGHT, KeyCombination.SHORTCUT_DOWN)),
  PREVIOUS_BAR(
      "Strip", "Previous bar", new KeyCodeCombination(KeyCode.LEFT, KeyCombination.SHORTCUT_DOWN)),
  FINGER_0("Left hand", "Pin the open string", new KeyCodeCombination(KeyCode.DIGIT0)),
  FINGER_1("Left hand", "Pin the first finger", new KeyCodeCombination(KeyCode.DIGIT1)),
  FINGER_2("Left hand", "Pin the second finger", new KeyCodeCombination(KeyCode.DIGIT2)),
  FINGER_3("Left hand", "Pin the third finger", new KeyCodeCombination(KeyCode.DIGIT3)),
  FINGER_4("Left hand", "Pin the fourth finger", new KeyCodeCombination(KeyCode.DIGIT4)),
  FINGER_T("Left hand", "Pin the thumb", new KeyCodeCombination(KeyCode.T)),
  STRING_UP("Left hand", "Pin to the next higher string", new KeyCodeCombination(KeyCode.UP)),
  STRING_DOWN("Left hand", "Pin to the next lower string", new KeyCodeCombination(KeyCode.DOWN)),
  UNPIN("Left hand", "Take the pin off", new KeyCodeCombination(KeyCode.BACK_SPACE)),
  ADOPT(
      "Left hand",
      "Adopt the fingering shown",
      new KeyCodeCombination(KeyCode.A, KeyCombination.SHORTCUT_DOWN)),
  DIGITS("Left hand", "All digits, or only the needed ones", new KeyCodeCombination(KeyCode.D)),
  DOWN_BOW(
      "Strip",
      "Down-bow mark on the note, or take it off",
      new KeyCodeCombination(KeyCode.D, KeyCombination.SHORTCUT_DOWN)),
  UP_BOW(
      "Strip",
      "Up-bow mark on the note, or take it off",
      new KeyCodeCombination(KeyCode.U, KeyCombination.SHORTCUT_DOWN)),
  START_STOP("Practise", "Start or stop the click", new KeyCodeCombination(KeyCode.SPACE)),
  CLEAN("Practise", "That was clean", new KeyCodeCombination(KeyCode.C)),
  NEARLY("Practise", "Nearly", new KeyCodeCombination(KeyCode.N)),
  MISSED("Practise", "Missed", new KeyCodeCombination(KeyCode.M)),
  HURTS("Practise", "It hurts: stop", new KeyCodeCombination(KeyCode.H)),
  NEXT_ITEM("Practise", "Next item", new KeyCodeCombination(KeyCode.PAGE_DOWN)),
  SUBDIVIDE("Practise", "Clicks to a beat", new KeyCodeCombination(KeyCode.S));

  private final String place;
  private final String text;
  private final KeyCombination keys;

  Shortcut(String place, String text, KeyCombination keys) {
    this.place = place;
    this.text = text;
    this.keys = keys;
  }

  /** Where the key works. */
  public String place() {
    return place;
  }

  public String text() {
    return text;
  }

  public KeyCombination keys() {
    return keys;
  }

  /** The keys of one place, in order. */
  public static List<Shortcut> in(String place) {
    return List.of(values()).stream().filter(s -> s.place.equals(place)).toList();
  }
}
