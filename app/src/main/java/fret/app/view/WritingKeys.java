package fret.app.view;

import fret.app.command.Shortcut;
import fret.app.viewmodel.WritingModel;
import fret.pitch.Interval;
import fret.pitch.Step;
import fret.score.Direction;
import fret.score.NoteValue;
import fret.score.Signs;
import fret.writing.Draft;
import fret.writing.Writing;
import java.util.EnumMap;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.UnaryOperator;

/** What each key does while writing. */
final class WritingKeys {
  private final Map<Shortcut, Runnable> actions = new EnumMap<>(Shortcut.class);
  private final WritingModel model;

  /**
   * @param prompt asks for a text: what it is for, and what is done with it
   */
  WritingKeys(WritingModel model, BiConsumer<String, java.util.function.Consumer<String>> prompt) {
    this.model = model;
    notes();
    changes();
    signs();
    bars();
    texts(prompt);
  }

  /** Runs a key; false when it does nothing here. */
  boolean run(Shortcut key) {
    Runnable action = actions.get(key);
    if (action == null) {
      return false;
    }
    action.run();
    return true;
  }

  private void edit(Shortcut key, UnaryOperator<Draft> edit) {
    actions.put(key, () -> model.apply(key.text(), edit));
  }

  private void value(Shortcut key, int denominator) {
    edit(key, d -> d.with(d.pen().withValue(new NoteValue(denominator, 0))));
  }

  private void notes() {
    for (Step step : Step.values()) {
      edit(Shortcut.valueOf("W_NOTE_" + step), d -> d.note(step));
      edit(Shortcut.valueOf("W_CHORD_" + step), d -> d.chord(step));
    }
    value(Shortcut.W_WHOLE, 1);
    value(Shortcut.W_HALF, 2);
    value(Shortcut.W_QUARTER, 4);
    value(Shortcut.W_EIGHTH, 8);
    value(Shortcut.W_SIXTEENTH, 16);
    value(Shortcut.W_THIRTY_SECOND, 32);
    value(Shortcut.W_SIXTY_FOURTH, 64);
    edit(Shortcut.W_REST, Draft::rest);
    edit(Shortcut.W_AGAIN, Draft::again);
    edit(Shortcut.W_TIE, Draft::tie);
    edit(Shortcut.W_TUPLET, d -> d.with(d.pen().triplets()));
    edit(Shortcut.W_OTHER_TUPLET, d -> d.with(d.pen().nextTuplet()));
    edit(Shortcut.W_GRACE, d -> d.with(d.pen().withGrace(!d.pen().grace())));
    edit(Shortcut.W_FIGURE, d -> d.figureAgain(0));
    edit(Shortcut.W_SEQUENCE_UP, d -> d.figureAgain(1));
    edit(Shortcut.W_SEQUENCE_DOWN, d -> d.figureAgain(-1));
    edit(Shortcut.W_BAR_AGAIN, Draft::barAgain);
  }

  private void changes() {
    edit(Shortcut.W_DOT, Draft::dot);
    edit(Shortcut.W_REVALUE, Draft::revalue);
    edit(Shortcut.W_SHARP, d -> d.alter(1));
    edit(Shortcut.W_FLAT, d -> d.alter(-1));
    edit(Shortcut.W_NATURAL, Draft::natural);
    edit(Shortcut.W_UP, d -> d.step(1));
    edit(Shortcut.W_DOWN, d -> d.step(-1));
    edit(Shortcut.W_OCTAVE_UP, d -> d.octave(1));
    edit(Shortcut.W_OCTAVE_DOWN, d -> d.octave(-1));
    edit(Shortcut.W_SEMITONE_UP, d -> d.transpose(new Interval(1, 1)));
    edit(Shortcut.W_SEMITONE_DOWN, d -> d.transpose(new Interval(-1, -1)));
    edit(Shortcut.W_RIGHT, Draft::right);
    edit(Shortcut.W_LEFT, Draft::left);
    edit(Shortcut.W_NEXT_BAR, d -> d.barBy(1));
    edit(Shortcut.W_PREVIOUS_BAR, d -> d.barBy(-1));
    edit(Shortcut.W_SELECT_RIGHT, d -> d.selecting(Draft::right));
    edit(Shortcut.W_SELECT_LEFT, d -> d.selecting(Draft::left));
    edit(Shortcut.W_DELETE, Draft::delete);
    actions.put(Shortcut.W_COPY, model::copy);
    actions.put(Shortcut.W_CUT, model::cut);
    actions.put(Shortcut.W_PASTE, model::paste);
    actions.put(Shortcut.W_LEAVE, model::stop);
    actions.put(Shortcut.W_SOUND, model::toggleHeard);
  }

  private void signs() {
    edit(Shortcut.W_SLUR, Writing::slur);
    articulation(Shortcut.W_STACCATO, Signs.Articulation.STACCATO);
    articulation(Shortcut.W_STACCATISSIMO, Signs.Articulation.STACCATISSIMO);
    articulation(Shortcut.W_TENUTO, Signs.Articulation.TENUTO);
    articulation(Shortcut.W_ACCENT, Signs.Articulation.ACCENT);
    articulation(Shortcut.W_MARCATO, Signs.Articulation.MARCATO);
    edit(Shortcut.W_ORNAMENT, Writing::ornament);
    edit(Shortcut.W_FERMATA, Writing::fermata);
    edit(Shortcut.W_TREMOLO, Writing::tremolo);
    edit(Shortcut.W_LOUDER, d -> Writing.dynamic(d, 1));
    edit(Shortcut.W_SOFTER, d -> Writing.dynamic(d, -1));
    edit(Shortcut.W_CRESCENDO, d -> Writing.hairpin(d, Direction.Kind.CRESCENDO));
    edit(Shortcut.W_DIMINUENDO, d -> Writing.hairpin(d, Direction.Kind.DIMINUENDO));
    edit(Shortcut.W_CLEAR, Writing::clearDirections);
    for (int finger = 0; finger <= 4; finger++) {
      String digit = String.valueOf(finger);
      edit(Shortcut.valueOf("W_FINGER_" + digit), d -> Writing.finger(d, digit));
    }
    edit(Shortcut.W_NO_FINGER, d -> Writing.finger(d, ""));
    edit(Shortcut.W_DOWN_BOW, d -> Writing.bow(d, Signs.Bow.DOWN));
    edit(Shortcut.W_UP_BOW, d -> Writing.bow(d, Signs.Bow.UP));
  }

  private void articulation(Shortcut key, Signs.Articulation which) {
    edit(key, d -> Writing.articulation(d, which));
  }

  private void bars() {
    edit(Shortcut.W_NEW_BAR, Draft::insertBar);
    edit(Shortcut.W_DELETE_BAR, Draft::deleteBar);
    edit(Shortcut.W_CLEF, Draft::nextClef);
    edit(Shortcut.W_KEY_SHARPER, d -> d.key(1));
    edit(Shortcut.W_KEY_FLATTER, d -> d.key(-1));
    edit(Shortcut.W_PICKUP, Draft::pickup);
    edit(Shortcut.W_REBAR, Draft::rebar);
    edit(Shortcut.W_REPEAT_START, Draft::repeatStart);
    edit(Shortcut.W_REPEAT_END, Draft::repeatEnd);
  }

  private void texts(BiConsumer<String, java.util.function.Consumer<String>> prompt) {
    actions.put(
        Shortcut.W_METRE,
        () ->
            prompt.accept(
                "Metre from here, such as 3/4, 2+3/8, C or cut",
                text ->
                    Writing.metre(text)
                        .ifPresent(time -> model.apply("Metre " + text, d -> d.metre(time)))));
    words(prompt, Shortcut.W_WORDS, "Words over this note", Direction.Kind.WORDS);
    words(prompt, Shortcut.W_REHEARSAL, "Rehearsal mark", Direction.Kind.REHEARSAL);
    words(prompt, Shortcut.W_TEMPO, "Tempo word", Direction.Kind.TEMPO);
  }

  private void words(
      BiConsumer<String, java.util.function.Consumer<String>> prompt,
      Shortcut key,
      String question,
      Direction.Kind kind) {
    actions.put(
        key,
        () ->
            prompt.accept(
                question, text -> model.apply(question, d -> Writing.words(d, kind, text))));
  }
}
