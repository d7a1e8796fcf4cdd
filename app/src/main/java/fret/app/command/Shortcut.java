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
  STOP_TRYING("Left hand", "Back to what stands", new KeyCodeCombination(KeyCode.ESCAPE)),
  EXTEND_RIGHT(
      "Left hand",
      "Select to the right",
      new KeyCodeCombination(KeyCode.RIGHT, KeyCombination.SHIFT_DOWN)),
  EXTEND_LEFT(
      "Left hand",
      "Select to the left",
      new KeyCodeCombination(KeyCode.LEFT, KeyCombination.SHIFT_DOWN)),
  SHOW_NOTE("Left hand", "Look at the note", new KeyCodeCombination(KeyCode.N)),
  SHOW_SHIFTS("Left hand", "Look at the shifts", new KeyCodeCombination(KeyCode.S)),
  SHOW_CROSSINGS("Left hand", "Look at the crossings", new KeyCodeCombination(KeyCode.X)),
  SHOW_FINGERINGS("Left hand", "Compare whole fingerings", new KeyCodeCombination(KeyCode.F)),
  SHOW_CARES("Left hand", "My hand and the weights", new KeyCodeCombination(KeyCode.C)),
  VIBRATO("Left hand", "Vibrato wanted, or not", new KeyCodeCombination(KeyCode.V)),
  WISH_STRING(
      "Left hand",
      "Ask for: on this string",
      new KeyCodeCombination(KeyCode.G, KeyCombination.SHIFT_DOWN)),
  WISH_POSITION(
      "Left hand",
      "Ask for: in this position",
      new KeyCodeCombination(KeyCode.P, KeyCombination.SHIFT_DOWN)),
  WISH_STAYS(
      "Left hand",
      "Ask for: the hand stays",
      new KeyCodeCombination(KeyCode.H, KeyCombination.SHIFT_DOWN)),
  WISH_NO_OPEN(
      "Left hand",
      "Ask for: no open strings",
      new KeyCodeCombination(KeyCode.O, KeyCombination.SHIFT_DOWN)),
  WISH_NO_FOURTH(
      "Left hand",
      "Ask for: no long fourth finger",
      new KeyCodeCombination(KeyCode.DIGIT4, KeyCombination.SHIFT_DOWN)),
  WISH_PRINTED(
      "Left hand",
      "Ask for: as printed",
      new KeyCodeCombination(KeyCode.R, KeyCombination.SHIFT_DOWN)),
  NOT_FINGER(
      "Left hand",
      "Ask for: another finger, not this one",
      new KeyCodeCombination(KeyCode.F, KeyCombination.SHIFT_DOWN)),
  NOT_STRING(
      "Left hand",
      "Ask for: another string, not this one",
      new KeyCodeCombination(KeyCode.S, KeyCombination.SHIFT_DOWN)),
  EXCHANGE(
      "Left hand",
      "Another finger takes the note over while it sounds, or none",
      new KeyCodeCombination(KeyCode.E)),
  DIGITS("Left hand", "All digits, or only the needed ones", new KeyCodeCombination(KeyCode.D)),
  DOWN_BOW(
      "Strip",
      "Down-bow mark on the note, or take it off",
      new KeyCodeCombination(KeyCode.D, KeyCombination.SHORTCUT_DOWN)),
  UP_BOW(
      "Strip",
      "Up-bow mark on the note, or take it off",
      new KeyCodeCombination(KeyCode.U, KeyCombination.SHORTCUT_DOWN)),
  PASTE_TUNE(
      "Everywhere",
      "Open the ABC text on the clipboard",
      new KeyCodeCombination(KeyCode.V, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN)),
  WRITE("Part", "Write on the page", new KeyCodeCombination(KeyCode.W)),
  W_LEAVE("Writing", "Leave writing", new KeyCodeCombination(KeyCode.ESCAPE)),
  W_NOTE_A("Writing", "Note A, in the nearest octave", new KeyCodeCombination(KeyCode.A)),
  W_NOTE_B("Writing", "Note B, in the nearest octave", new KeyCodeCombination(KeyCode.B)),
  W_NOTE_C("Writing", "Note C, in the nearest octave", new KeyCodeCombination(KeyCode.C)),
  W_NOTE_D("Writing", "Note D, in the nearest octave", new KeyCodeCombination(KeyCode.D)),
  W_NOTE_E("Writing", "Note E, in the nearest octave", new KeyCodeCombination(KeyCode.E)),
  W_NOTE_F("Writing", "Note F, in the nearest octave", new KeyCodeCombination(KeyCode.F)),
  W_NOTE_G("Writing", "Note G, in the nearest octave", new KeyCodeCombination(KeyCode.G)),
  W_CHORD_A("Writing", "Add A above", new KeyCodeCombination(KeyCode.A, KeyCombination.SHIFT_DOWN)),
  W_CHORD_B("Writing", "Add B above", new KeyCodeCombination(KeyCode.B, KeyCombination.SHIFT_DOWN)),
  W_CHORD_C("Writing", "Add C above", new KeyCodeCombination(KeyCode.C, KeyCombination.SHIFT_DOWN)),
  W_CHORD_D("Writing", "Add D above", new KeyCodeCombination(KeyCode.D, KeyCombination.SHIFT_DOWN)),
  W_CHORD_E("Writing", "Add E above", new KeyCodeCombination(KeyCode.E, KeyCombination.SHIFT_DOWN)),
  W_CHORD_F("Writing", "Add F above", new KeyCodeCombination(KeyCode.F, KeyCombination.SHIFT_DOWN)),
  W_CHORD_G("Writing", "Add G above", new KeyCodeCombination(KeyCode.G, KeyCombination.SHIFT_DOWN)),
  W_WHOLE("Writing", "Write wholes", new KeyCodeCombination(KeyCode.DIGIT1)),
  W_HALF("Writing", "Write halves", new KeyCodeCombination(KeyCode.DIGIT2)),
  W_QUARTER("Writing", "Write quarters", new KeyCodeCombination(KeyCode.DIGIT4)),
  W_EIGHTH("Writing", "Write eighths", new KeyCodeCombination(KeyCode.DIGIT8)),
  W_SIXTEENTH("Writing", "Write sixteenths", new KeyCodeCombination(KeyCode.DIGIT6)),
  W_THIRTY_SECOND("Writing", "Write thirty-seconds", new KeyCodeCombination(KeyCode.DIGIT3)),
  W_SIXTY_FOURTH("Writing", "Write sixty-fourths", new KeyCodeCombination(KeyCode.DIGIT5)),
  W_REST("Writing", "Rest", new KeyCodeCombination(KeyCode.R)),
  W_DOT("Writing", "Dot, two dots, none", new KeyCodeCombination(KeyCode.PERIOD)),
  W_REVALUE("Writing", "Give the note the value being written", new KeyCodeCombination(KeyCode.V)),
  W_AGAIN("Writing", "The same note again", new KeyCodeCombination(KeyCode.SPACE)),
  W_TIE("Writing", "The same note again, tied", new KeyCodeCombination(KeyCode.T)),
  W_TUPLET("Writing", "Triplets, or none", new KeyCodeCombination(KeyCode.I)),
  W_OTHER_TUPLET(
      "Writing",
      "Fives, sixes, sevens, duplets, none",
      new KeyCodeCombination(KeyCode.I, KeyCombination.SHIFT_DOWN)),
  W_GRACE("Writing", "Grace notes on or off", new KeyCodeCombination(KeyCode.Y)),
  W_SHARP("Writing", "Raise by a semitone", new KeyCodeCombination(KeyCode.W)),
  W_FLAT("Writing", "Lower by a semitone", new KeyCodeCombination(KeyCode.Q)),
  W_NATURAL("Writing", "Natural", new KeyCodeCombination(KeyCode.N)),
  W_UP("Writing", "Up a step", new KeyCodeCombination(KeyCode.UP)),
  W_DOWN("Writing", "Down a step", new KeyCodeCombination(KeyCode.DOWN)),
  W_OCTAVE_UP("Writing", "Up an octave", new KeyCodeCombination(KeyCode.K)),
  W_OCTAVE_DOWN("Writing", "Down an octave", new KeyCodeCombination(KeyCode.J)),
  W_SEMITONE_UP(
      "Writing",
      "Transpose up a semitone",
      new KeyCodeCombination(KeyCode.UP, KeyCombination.SHORTCUT_DOWN)),
  W_SEMITONE_DOWN(
      "Writing",
      "Transpose down a semitone",
      new KeyCodeCombination(KeyCode.DOWN, KeyCombination.SHORTCUT_DOWN)),
  W_RIGHT("Writing", "Next note", new KeyCodeCombination(KeyCode.RIGHT)),
  W_LEFT("Writing", "Note before", new KeyCodeCombination(KeyCode.LEFT)),
  W_NEXT_BAR(
      "Writing", "Next bar", new KeyCodeCombination(KeyCode.RIGHT, KeyCombination.SHORTCUT_DOWN)),
  W_PREVIOUS_BAR(
      "Writing", "Bar before", new KeyCodeCombination(KeyCode.LEFT, KeyCombination.SHORTCUT_DOWN)),
  W_SELECT_RIGHT(
      "Writing",
      "Select to the right",
      new KeyCodeCombination(KeyCode.RIGHT, KeyCombination.SHIFT_DOWN)),
  W_SELECT_LEFT(
      "Writing",
      "Select to the left",
      new KeyCodeCombination(KeyCode.LEFT, KeyCombination.SHIFT_DOWN)),
  W_SLUR(
      "Writing",
      "Slur over the selection, or from the note before",
      new KeyCodeCombination(KeyCode.S)),
  W_STACCATO("Writing", "Staccato", new KeyCodeCombination(KeyCode.COMMA)),
  W_STACCATISSIMO("Writing", "Staccatissimo", new KeyCodeCombination(KeyCode.SEMICOLON)),
  W_TENUTO("Writing", "Tenuto", new KeyCodeCombination(KeyCode.MINUS)),
  W_ACCENT("Writing", "Accent", new KeyCodeCombination(KeyCode.SLASH)),
  W_MARCATO("Writing", "Strong accent", new KeyCodeCombination(KeyCode.M)),
  W_ORNAMENT("Writing", "Trill, turn, mordent, none", new KeyCodeCombination(KeyCode.X)),
  W_FERMATA("Writing", "Fermata", new KeyCodeCombination(KeyCode.O)),
  W_TREMOLO("Writing", "Tremolo strokes", new KeyCodeCombination(KeyCode.Z)),
  W_LOUDER("Writing", "Louder", new KeyCodeCombination(KeyCode.CLOSE_BRACKET)),
  W_SOFTER("Writing", "Softer", new KeyCodeCombination(KeyCode.OPEN_BRACKET)),
  W_CRESCENDO(
      "Writing",
      "Hairpin opening, or end it",
      new KeyCodeCombination(KeyCode.CLOSE_BRACKET, KeyCombination.SHIFT_DOWN)),
  W_DIMINUENDO(
      "Writing",
      "Hairpin closing, or end it",
      new KeyCodeCombination(KeyCode.OPEN_BRACKET, KeyCombination.SHIFT_DOWN)),
  W_CLEAR("Writing", "Take dynamics and words off", new KeyCodeCombination(KeyCode.BACK_SLASH)),
  W_FIGURE("Writing", "The last figure again", new KeyCodeCombination(KeyCode.P)),
  W_BAR_AGAIN(
      "Writing", "This bar again", new KeyCodeCombination(KeyCode.P, KeyCombination.SHIFT_DOWN)),
  W_SEQUENCE_UP("Writing", "The last figure, a step higher", new KeyCodeCombination(KeyCode.U)),
  W_SEQUENCE_DOWN(
      "Writing",
      "The last figure, a step lower",
      new KeyCodeCombination(KeyCode.U, KeyCombination.SHIFT_DOWN)),
  W_DELETE("Writing", "Delete", new KeyCodeCombination(KeyCode.BACK_SPACE)),
  W_DELETE_BAR(
      "Writing",
      "Delete the bar",
      new KeyCodeCombination(KeyCode.BACK_SPACE, KeyCombination.SHORTCUT_DOWN)),
  W_NEW_BAR("Writing", "A new bar after this one", new KeyCodeCombination(KeyCode.ENTER)),
  W_COPY("Writing", "Copy", new KeyCodeCombination(KeyCode.C, KeyCombination.SHORTCUT_DOWN)),
  W_CUT("Writing", "Cut", new KeyCodeCombination(KeyCode.X, KeyCombination.SHORTCUT_DOWN)),
  W_PASTE("Writing", "Paste", new KeyCodeCombination(KeyCode.V, KeyCombination.SHORTCUT_DOWN)),
  W_CLEF("Writing", "Next clef from here", new KeyCodeCombination(KeyCode.H)),
  W_KEY_SHARPER("Writing", "Key: a sharp more from here", new KeyCodeCombination(KeyCode.L)),
  W_KEY_FLATTER(
      "Writing",
      "Key: a flat more from here",
      new KeyCodeCombination(KeyCode.L, KeyCombination.SHIFT_DOWN)),
  W_METRE(
      "Writing",
      "Metre from here",
      new KeyCodeCombination(KeyCode.M, KeyCombination.SHORTCUT_DOWN)),
  W_PICKUP(
      "Writing",
      "First bar is a pick-up, or not",
      new KeyCodeCombination(KeyCode.P, KeyCombination.SHORTCUT_DOWN)),
  W_REBAR(
      "Writing",
      "Re-bar from here",
      new KeyCodeCombination(KeyCode.B, KeyCombination.SHORTCUT_DOWN)),
  W_REPEAT_START(
      "Writing",
      "Repeat starts here",
      new KeyCodeCombination(KeyCode.OPEN_BRACKET, KeyCombination.SHORTCUT_DOWN)),
  W_REPEAT_END(
      "Writing",
      "Repeat ends here",
      new KeyCodeCombination(KeyCode.CLOSE_BRACKET, KeyCombination.SHORTCUT_DOWN)),
  W_FINGER_0(
      "Writing",
      "Printed finger 0",
      new KeyCodeCombination(KeyCode.DIGIT0, KeyCombination.SHORTCUT_DOWN)),
  W_FINGER_1(
      "Writing",
      "Printed finger 1",
      new KeyCodeCombination(KeyCode.DIGIT1, KeyCombination.SHORTCUT_DOWN)),
  W_FINGER_2(
      "Writing",
      "Printed finger 2",
      new KeyCodeCombination(KeyCode.DIGIT2, KeyCombination.SHORTCUT_DOWN)),
  W_FINGER_3(
      "Writing",
      "Printed finger 3",
      new KeyCodeCombination(KeyCode.DIGIT3, KeyCombination.SHORTCUT_DOWN)),
  W_FINGER_4(
      "Writing",
      "Printed finger 4",
      new KeyCodeCombination(KeyCode.DIGIT4, KeyCombination.SHORTCUT_DOWN)),
  W_NO_FINGER(
      "Writing",
      "No printed finger",
      new KeyCodeCombination(KeyCode.DIGIT9, KeyCombination.SHORTCUT_DOWN)),
  W_DOWN_BOW(
      "Writing", "Down-bow", new KeyCodeCombination(KeyCode.D, KeyCombination.SHORTCUT_DOWN)),
  W_UP_BOW("Writing", "Up-bow", new KeyCodeCombination(KeyCode.U, KeyCombination.SHORTCUT_DOWN)),
  W_WORDS("Writing", "Words", new KeyCodeCombination(KeyCode.T, KeyCombination.SHORTCUT_DOWN)),
  W_REHEARSAL(
      "Writing", "Rehearsal mark", new KeyCodeCombination(KeyCode.R, KeyCombination.SHORTCUT_DOWN)),
  W_TEMPO("Writing", "Tempo word", new KeyCodeCombination(KeyCode.E, KeyCombination.SHORTCUT_DOWN)),
  W_SOUND("Writing", "Hear what is typed, or not", new KeyCodeCombination(KeyCode.QUOTE)),
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
