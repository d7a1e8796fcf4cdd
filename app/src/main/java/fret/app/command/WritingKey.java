package fret.app.command;

import fret.base.Said;
import java.util.List;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;

/** The keys of writing, in one table: handlers and the help page are made from it. */
public enum WritingKey {
  LEAVE(new KeyCodeCombination(KeyCode.ESCAPE)),
  NOTE_A(new KeyCodeCombination(KeyCode.A)),
  NOTE_B(new KeyCodeCombination(KeyCode.B)),
  NOTE_C(new KeyCodeCombination(KeyCode.C)),
  NOTE_D(new KeyCodeCombination(KeyCode.D)),
  NOTE_E(new KeyCodeCombination(KeyCode.E)),
  NOTE_F(new KeyCodeCombination(KeyCode.F)),
  NOTE_G(new KeyCodeCombination(KeyCode.G)),
  CHORD_A(new KeyCodeCombination(KeyCode.A, KeyCombination.SHIFT_DOWN)),
  CHORD_B(new KeyCodeCombination(KeyCode.B, KeyCombination.SHIFT_DOWN)),
  CHORD_C(new KeyCodeCombination(KeyCode.C, KeyCombination.SHIFT_DOWN)),
  CHORD_D(new KeyCodeCombination(KeyCode.D, KeyCombination.SHIFT_DOWN)),
  CHORD_E(new KeyCodeCombination(KeyCode.E, KeyCombination.SHIFT_DOWN)),
  CHORD_F(new KeyCodeCombination(KeyCode.F, KeyCombination.SHIFT_DOWN)),
  CHORD_G(new KeyCodeCombination(KeyCode.G, KeyCombination.SHIFT_DOWN)),
  WHOLE(new KeyCodeCombination(KeyCode.DIGIT1)),
  HALF(new KeyCodeCombination(KeyCode.DIGIT2)),
  QUARTER(new KeyCodeCombination(KeyCode.DIGIT4)),
  EIGHTH(new KeyCodeCombination(KeyCode.DIGIT8)),
  SIXTEENTH(new KeyCodeCombination(KeyCode.DIGIT6)),
  THIRTY_SECOND(new KeyCodeCombination(KeyCode.DIGIT3)),
  SIXTY_FOURTH(new KeyCodeCombination(KeyCode.DIGIT5)),
  REST(new KeyCodeCombination(KeyCode.R)),
  DOT(new KeyCodeCombination(KeyCode.PERIOD)),
  REVALUE(new KeyCodeCombination(KeyCode.V)),
  AGAIN(new KeyCodeCombination(KeyCode.SPACE)),
  TIE(new KeyCodeCombination(KeyCode.T)),
  TUPLET(new KeyCodeCombination(KeyCode.I)),
  OTHER_TUPLET(new KeyCodeCombination(KeyCode.I, KeyCombination.SHIFT_DOWN)),
  GRACE(new KeyCodeCombination(KeyCode.Y)),
  SHARP(new KeyCodeCombination(KeyCode.W)),
  FLAT(new KeyCodeCombination(KeyCode.Q)),
  NATURAL(new KeyCodeCombination(KeyCode.N)),
  UP(new KeyCodeCombination(KeyCode.UP)),
  DOWN(new KeyCodeCombination(KeyCode.DOWN)),
  OCTAVE_UP(new KeyCodeCombination(KeyCode.K)),
  OCTAVE_DOWN(new KeyCodeCombination(KeyCode.J)),
  SEMITONE_UP(new KeyCodeCombination(KeyCode.UP, KeyCombination.SHORTCUT_DOWN)),
  SEMITONE_DOWN(new KeyCodeCombination(KeyCode.DOWN, KeyCombination.SHORTCUT_DOWN)),
  RIGHT(new KeyCodeCombination(KeyCode.RIGHT)),
  LEFT(new KeyCodeCombination(KeyCode.LEFT)),
  NEXT_BAR(new KeyCodeCombination(KeyCode.RIGHT, KeyCombination.SHORTCUT_DOWN)),
  PREVIOUS_BAR(new KeyCodeCombination(KeyCode.LEFT, KeyCombination.SHORTCUT_DOWN)),
  SELECT_RIGHT(new KeyCodeCombination(KeyCode.RIGHT, KeyCombination.SHIFT_DOWN)),
  SELECT_LEFT(new KeyCodeCombination(KeyCode.LEFT, KeyCombination.SHIFT_DOWN)),
  SLUR(new KeyCodeCombination(KeyCode.S)),
  STACCATO(new KeyCodeCombination(KeyCode.COMMA)),
  STACCATISSIMO(new KeyCodeCombination(KeyCode.SEMICOLON)),
  TENUTO(new KeyCodeCombination(KeyCode.MINUS)),
  ACCENT(new KeyCodeCombination(KeyCode.SLASH)),
  MARCATO(new KeyCodeCombination(KeyCode.M)),
  ORNAMENT(new KeyCodeCombination(KeyCode.X)),
  FERMATA(new KeyCodeCombination(KeyCode.O)),
  TREMOLO(new KeyCodeCombination(KeyCode.Z)),
  LOUDER(new KeyCodeCombination(KeyCode.CLOSE_BRACKET)),
  SOFTER(new KeyCodeCombination(KeyCode.OPEN_BRACKET)),
  CRESCENDO(new KeyCodeCombination(KeyCode.CLOSE_BRACKET, KeyCombination.SHIFT_DOWN)),
  DIMINUENDO(new KeyCodeCombination(KeyCode.OPEN_BRACKET, KeyCombination.SHIFT_DOWN)),
  CLEAR(new KeyCodeCombination(KeyCode.BACK_SLASH)),
  FIGURE(new KeyCodeCombination(KeyCode.P)),
  BAR_AGAIN(new KeyCodeCombination(KeyCode.P, KeyCombination.SHIFT_DOWN)),
  SEQUENCE_UP(new KeyCodeCombination(KeyCode.U)),
  SEQUENCE_DOWN(new KeyCodeCombination(KeyCode.U, KeyCombination.SHIFT_DOWN)),
  DELETE(new KeyCodeCombination(KeyCode.BACK_SPACE)),
  DELETE_BAR(new KeyCodeCombination(KeyCode.BACK_SPACE, KeyCombination.SHORTCUT_DOWN)),
  NEW_BAR(new KeyCodeCombination(KeyCode.ENTER)),
  COPY(new KeyCodeCombination(KeyCode.C, KeyCombination.SHORTCUT_DOWN)),
  CUT(new KeyCodeCombination(KeyCode.X, KeyCombination.SHORTCUT_DOWN)),
  PASTE(new KeyCodeCombination(KeyCode.V, KeyCombination.SHORTCUT_DOWN)),
  CLEF(new KeyCodeCombination(KeyCode.H)),
  KEY_SHARPER(new KeyCodeCombination(KeyCode.L)),
  KEY_FLATTER(new KeyCodeCombination(KeyCode.L, KeyCombination.SHIFT_DOWN)),
  METRE(new KeyCodeCombination(KeyCode.M, KeyCombination.SHORTCUT_DOWN)),
  PICKUP(new KeyCodeCombination(KeyCode.P, KeyCombination.SHORTCUT_DOWN)),
  REBAR(new KeyCodeCombination(KeyCode.B, KeyCombination.SHORTCUT_DOWN)),
  REPEAT_START(new KeyCodeCombination(KeyCode.OPEN_BRACKET, KeyCombination.SHORTCUT_DOWN)),
  REPEAT_END(new KeyCodeCombination(KeyCode.CLOSE_BRACKET, KeyCombination.SHORTCUT_DOWN)),
  FINGER_0(new KeyCodeCombination(KeyCode.DIGIT0, KeyCombination.SHORTCUT_DOWN)),
  FINGER_1(new KeyCodeCombination(KeyCode.DIGIT1, KeyCombination.SHORTCUT_DOWN)),
  FINGER_2(new KeyCodeCombination(KeyCode.DIGIT2, KeyCombination.SHORTCUT_DOWN)),
  FINGER_3(new KeyCodeCombination(KeyCode.DIGIT3, KeyCombination.SHORTCUT_DOWN)),
  FINGER_4(new KeyCodeCombination(KeyCode.DIGIT4, KeyCombination.SHORTCUT_DOWN)),
  NO_FINGER(new KeyCodeCombination(KeyCode.DIGIT9, KeyCombination.SHORTCUT_DOWN)),
  DOWN_BOW(new KeyCodeCombination(KeyCode.D, KeyCombination.SHORTCUT_DOWN)),
  UP_BOW(new KeyCodeCombination(KeyCode.U, KeyCombination.SHORTCUT_DOWN)),
  WORDS(new KeyCodeCombination(KeyCode.T, KeyCombination.SHORTCUT_DOWN)),
  REHEARSAL(new KeyCodeCombination(KeyCode.R, KeyCombination.SHORTCUT_DOWN)),
  TEMPO(new KeyCodeCombination(KeyCode.E, KeyCombination.SHORTCUT_DOWN)),
  SOUND(new KeyCodeCombination(KeyCode.QUOTE)),
  CURE(new KeyCodeCombination(KeyCode.ENTER, KeyCombination.SHORTCUT_DOWN)),
  OTHER_CURE(
      new KeyCodeCombination(
          KeyCode.ENTER, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN));

  private final KeyCombination keys;

  WritingKey(KeyCombination keys) {
    this.keys = keys;
  }

  /** What it does; the name of the change that it makes. */
  public Said said() {
    return Said.of("write." + name());
  }

  public KeyCombination keys() {
    return keys;
  }

  /** All of them, in order. */
  public static List<WritingKey> all() {
    return List.of(values());
  }
}
