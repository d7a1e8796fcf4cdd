package fret.app.command;

import java.util.List;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;

/** The keys of writing, in one table: handlers and the help page are made from it. */
public enum WritingKey {
  LEAVE("Leave writing", new KeyCodeCombination(KeyCode.ESCAPE)),
  NOTE_A("Note A, in the nearest octave", new KeyCodeCombination(KeyCode.A)),
  NOTE_B("Note B, in the nearest octave", new KeyCodeCombination(KeyCode.B)),
  NOTE_C("Note C, in the nearest octave", new KeyCodeCombination(KeyCode.C)),
  NOTE_D("Note D, in the nearest octave", new KeyCodeCombination(KeyCode.D)),
  NOTE_E("Note E, in the nearest octave", new KeyCodeCombination(KeyCode.E)),
  NOTE_F("Note F, in the nearest octave", new KeyCodeCombination(KeyCode.F)),
  NOTE_G("Note G, in the nearest octave", new KeyCodeCombination(KeyCode.G)),
  CHORD_A("Add A above", new KeyCodeCombination(KeyCode.A, KeyCombination.SHIFT_DOWN)),
  CHORD_B("Add B above", new KeyCodeCombination(KeyCode.B, KeyCombination.SHIFT_DOWN)),
  CHORD_C("Add C above", new KeyCodeCombination(KeyCode.C, KeyCombination.SHIFT_DOWN)),
  CHORD_D("Add D above", new KeyCodeCombination(KeyCode.D, KeyCombination.SHIFT_DOWN)),
  CHORD_E("Add E above", new KeyCodeCombination(KeyCode.E, KeyCombination.SHIFT_DOWN)),
  CHORD_F("Add F above", new KeyCodeCombination(KeyCode.F, KeyCombination.SHIFT_DOWN)),
  CHORD_G("Add G above", new KeyCodeCombination(KeyCode.G, KeyCombination.SHIFT_DOWN)),
  WHOLE("Write wholes", new KeyCodeCombination(KeyCode.DIGIT1)),
  HALF("Write halves", new KeyCodeCombination(KeyCode.DIGIT2)),
  QUARTER("Write quarters", new KeyCodeCombination(KeyCode.DIGIT4)),
  EIGHTH("Write eighths", new KeyCodeCombination(KeyCode.DIGIT8)),
  SIXTEENTH("Write sixteenths", new KeyCodeCombination(KeyCode.DIGIT6)),
  THIRTY_SECOND("Write thirty-seconds", new KeyCodeCombination(KeyCode.DIGIT3)),
  SIXTY_FOURTH("Write sixty-fourths", new KeyCodeCombination(KeyCode.DIGIT5)),
  REST("Rest", new KeyCodeCombination(KeyCode.R)),
  DOT("Dot, two dots, none", new KeyCodeCombination(KeyCode.PERIOD)),
  REVALUE("Give the note the value being written", new KeyCodeCombination(KeyCode.V)),
  AGAIN("The same note again", new KeyCodeCombination(KeyCode.SPACE)),
  TIE("The same note again, tied", new KeyCodeCombination(KeyCode.T)),
  TUPLET("Triplets, or none", new KeyCodeCombination(KeyCode.I)),
  OTHER_TUPLET(
      "Fives, sixes, sevens, duplets, none",
      new KeyCodeCombination(KeyCode.I, KeyCombination.SHIFT_DOWN)),
  GRACE("Grace notes on or off", new KeyCodeCombination(KeyCode.Y)),
  SHARP("Raise by a semitone", new KeyCodeCombination(KeyCode.W)),
  FLAT("Lower by a semitone", new KeyCodeCombination(KeyCode.Q)),
  NATURAL("Natural", new KeyCodeCombination(KeyCode.N)),
  UP("Up a step", new KeyCodeCombination(KeyCode.UP)),
  DOWN("Down a step", new KeyCodeCombination(KeyCode.DOWN)),
  OCTAVE_UP("Up an octave", new KeyCodeCombination(KeyCode.K)),
  OCTAVE_DOWN("Down an octave", new KeyCodeCombination(KeyCode.J)),
  SEMITONE_UP(
      "Transpose up a semitone", new KeyCodeCombination(KeyCode.UP, KeyCombination.SHORTCUT_DOWN)),
  SEMITONE_DOWN(
      "Transpose down a semitone",
      new KeyCodeCombination(KeyCode.DOWN, KeyCombination.SHORTCUT_DOWN)),
  RIGHT("Next note", new KeyCodeCombination(KeyCode.RIGHT)),
  LEFT("Note before", new KeyCodeCombination(KeyCode.LEFT)),
  NEXT_BAR("Next bar", new KeyCodeCombination(KeyCode.RIGHT, KeyCombination.SHORTCUT_DOWN)),
  PREVIOUS_BAR("Bar before", new KeyCodeCombination(KeyCode.LEFT, KeyCombination.SHORTCUT_DOWN)),
  SELECT_RIGHT(
      "Select to the right", new KeyCodeCombination(KeyCode.RIGHT, KeyCombination.SHIFT_DOWN)),
  SELECT_LEFT(
      "Select to the left", new KeyCodeCombination(KeyCode.LEFT, KeyCombination.SHIFT_DOWN)),
  SLUR("Slur over the selection, or from the note before", new KeyCodeCombination(KeyCode.S)),
  STACCATO("Staccato", new KeyCodeCombination(KeyCode.COMMA)),
  STACCATISSIMO("Staccatissimo", new KeyCodeCombination(KeyCode.SEMICOLON)),
  TENUTO("Tenuto", new KeyCodeCombination(KeyCode.MINUS)),
  ACCENT("Accent", new KeyCodeCombination(KeyCode.SLASH)),
  MARCATO("Strong accent", new KeyCodeCombination(KeyCode.M)),
  ORNAMENT("Trill, turn, mordent, none", new KeyCodeCombination(KeyCode.X)),
  FERMATA("Fermata", new KeyCodeCombination(KeyCode.O)),
  TREMOLO("Tremolo strokes", new KeyCodeCombination(KeyCode.Z)),
  LOUDER("Louder", new KeyCodeCombination(KeyCode.CLOSE_BRACKET)),
  SOFTER("Softer", new KeyCodeCombination(KeyCode.OPEN_BRACKET)),
  CRESCENDO(
      "Hairpin opening, or end it",
      new KeyCodeCombination(KeyCode.CLOSE_BRACKET, KeyCombination.SHIFT_DOWN)),
  DIMINUENDO(
      "Hairpin closing, or end it",
      new KeyCodeCombination(KeyCode.OPEN_BRACKET, KeyCombination.SHIFT_DOWN)),
  CLEAR("Take dynamics and words off", new KeyCodeCombination(KeyCode.BACK_SLASH)),
  FIGURE("The last figure again", new KeyCodeCombination(KeyCode.P)),
  BAR_AGAIN("This bar again", new KeyCodeCombination(KeyCode.P, KeyCombination.SHIFT_DOWN)),
  SEQUENCE_UP("The last figure, a step higher", new KeyCodeCombination(KeyCode.U)),
  SEQUENCE_DOWN(
      "The last figure, a step lower",
      new KeyCodeCombination(KeyCode.U, KeyCombination.SHIFT_DOWN)),
  DELETE("Delete", new KeyCodeCombination(KeyCode.BACK_SPACE)),
  DELETE_BAR(
      "Delete the bar", new KeyCodeCombination(KeyCode.BACK_SPACE, KeyCombination.SHORTCUT_DOWN)),
  NEW_BAR("A new bar after this one", new KeyCodeCombination(KeyCode.ENTER)),
  COPY("Copy", new KeyCodeCombination(KeyCode.C, KeyCombination.SHORTCUT_DOWN)),
  CUT("Cut", new KeyCodeCombination(KeyCode.X, KeyCombination.SHORTCUT_DOWN)),
  PASTE("Paste", new KeyCodeCombination(KeyCode.V, KeyCombination.SHORTCUT_DOWN)),
  CLEF("Next clef from here", new KeyCodeCombination(KeyCode.H)),
  KEY_SHARPER("Key: a sharp more from here", new KeyCodeCombination(KeyCode.L)),
  KEY_FLATTER(
      "Key: a flat more from here", new KeyCodeCombination(KeyCode.L, KeyCombination.SHIFT_DOWN)),
  METRE("Metre from here", new KeyCodeCombination(KeyCode.M, KeyCombination.SHORTCUT_DOWN)),
  PICKUP(
      "First bar is a pick-up, or not",
      new KeyCodeCombination(KeyCode.P, KeyCombination.SHORTCUT_DOWN)),
  REBAR("Re-bar from here", new KeyCodeCombination(KeyCode.B, KeyCombination.SHORTCUT_DOWN)),
  REPEAT_START(
      "Repeat starts here",
      new KeyCodeCombination(KeyCode.OPEN_BRACKET, KeyCombination.SHORTCUT_DOWN)),
  REPEAT_END(
      "Repeat ends here",
      new KeyCodeCombination(KeyCode.CLOSE_BRACKET, KeyCombination.SHORTCUT_DOWN)),
  FINGER_0(
      "Printed finger 0", new KeyCodeCombination(KeyCode.DIGIT0, KeyCombination.SHORTCUT_DOWN)),
  FINGER_1(
      "Printed finger 1", new KeyCodeCombination(KeyCode.DIGIT1, KeyCombination.SHORTCUT_DOWN)),
  FINGER_2(
      "Printed finger 2", new KeyCodeCombination(KeyCode.DIGIT2, KeyCombination.SHORTCUT_DOWN)),
  FINGER_3(
      "Printed finger 3", new KeyCodeCombination(KeyCode.DIGIT3, KeyCombination.SHORTCUT_DOWN)),
  FINGER_4(
      "Printed finger 4", new KeyCodeCombination(KeyCode.DIGIT4, KeyCombination.SHORTCUT_DOWN)),
  NO_FINGER(
      "No printed finger", new KeyCodeCombination(KeyCode.DIGIT9, KeyCombination.SHORTCUT_DOWN)),
  DOWN_BOW("Down-bow", new KeyCodeCombination(KeyCode.D, KeyCombination.SHORTCUT_DOWN)),
  UP_BOW("Up-bow", new KeyCodeCombination(KeyCode.U, KeyCombination.SHORTCUT_DOWN)),
  WORDS("Words", new KeyCodeCombination(KeyCode.T, KeyCombination.SHORTCUT_DOWN)),
  REHEARSAL("Rehearsal mark", new KeyCodeCombination(KeyCode.R, KeyCombination.SHORTCUT_DOWN)),
  TEMPO("Tempo word", new KeyCodeCombination(KeyCode.E, KeyCombination.SHORTCUT_DOWN)),
  SOUND("Hear what is typed, or not", new KeyCodeCombination(KeyCode.QUOTE));

  private final String text;
  private final KeyCombination keys;

  WritingKey(String text, KeyCombination keys) {
    this.text = text;
    this.keys = keys;
  }

  /** What it does, in players' words. */
  public String text() {
    return text;
  }

  public KeyCombination keys() {
    return keys;
  }

  /** All of them, in order. */
  public static List<WritingKey> all() {
    return List.of(values());
  }
}
