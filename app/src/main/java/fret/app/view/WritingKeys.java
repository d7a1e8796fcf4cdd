package fret.app.view;

import fret.app.command.WritingKey;
import fret.app.viewmodel.WritingModel;
import fret.app.words.Sentences;
import fret.base.Said;
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
  private final Map<WritingKey, Runnable> actions = new EnumMap<>(WritingKey.class);
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
  boolean run(WritingKey key) {
    Runnable action = actions.get(key);
    if (action == null) {
      return false;
    }
    action.run();
    return true;
  }

  private void edit(WritingKey key, UnaryOperator<Draft> edit) {
    actions.put(key, () -> model.apply(key.said(), edit));
  }

  private void value(WritingKey key, int denominator) {
    edit(key, d -> d.with(d.pen().withValue(new NoteValue(denominator, 0))));
  }

  private void notes() {
    for (Step step : Step.values()) {
      edit(WritingKey.valueOf("NOTE_" + step), d -> d.note(step));
      edit(WritingKey.valueOf("CHORD_" + step), d -> d.chord(step));
    }
    value(WritingKey.WHOLE, 1);
    value(WritingKey.HALF, 2);
    value(WritingKey.QUARTER, 4);
    value(WritingKey.EIGHTH, 8);
    value(WritingKey.SIXTEENTH, 16);
    value(WritingKey.THIRTY_SECOND, 32);
    value(WritingKey.SIXTY_FOURTH, 64);
    edit(WritingKey.REST, Draft::rest);
    edit(WritingKey.AGAIN, Draft::again);
    edit(WritingKey.TIE, Draft::tie);
    edit(WritingKey.TUPLET, d -> d.with(d.pen().triplets()));
    edit(WritingKey.OTHER_TUPLET, d -> d.with(d.pen().nextTuplet()));
    edit(WritingKey.GRACE, d -> d.with(d.pen().withGrace(!d.pen().grace())));
    edit(WritingKey.FIGURE, d -> d.figureAgain(0));
    edit(WritingKey.SEQUENCE_UP, d -> d.figureAgain(1));
    edit(WritingKey.SEQUENCE_DOWN, d -> d.figureAgain(-1));
    edit(WritingKey.BAR_AGAIN, d -> d.bars().again());
  }

  private void changes() {
    edit(WritingKey.DOT, Draft::dot);
    edit(WritingKey.REVALUE, Draft::revalue);
    edit(WritingKey.SHARP, d -> d.alter(1));
    edit(WritingKey.FLAT, d -> d.alter(-1));
    edit(WritingKey.NATURAL, Draft::natural);
    edit(WritingKey.UP, d -> d.step(1));
    edit(WritingKey.DOWN, d -> d.step(-1));
    edit(WritingKey.OCTAVE_UP, d -> d.octave(1));
    edit(WritingKey.OCTAVE_DOWN, d -> d.octave(-1));
    edit(WritingKey.SEMITONE_UP, d -> d.transpose(new Interval(1, 1)));
    edit(WritingKey.SEMITONE_DOWN, d -> d.transpose(new Interval(-1, -1)));
    edit(WritingKey.RIGHT, Draft::right);
    edit(WritingKey.LEFT, Draft::left);
    edit(WritingKey.NEXT_BAR, d -> d.barBy(1));
    edit(WritingKey.PREVIOUS_BAR, d -> d.barBy(-1));
    edit(WritingKey.SELECT_RIGHT, d -> d.selecting(Draft::right));
    edit(WritingKey.SELECT_LEFT, d -> d.selecting(Draft::left));
    edit(WritingKey.DELETE, Draft::delete);
    actions.put(WritingKey.COPY, model::copy);
    actions.put(WritingKey.CUT, model::cut);
    actions.put(WritingKey.PASTE, model::paste);
    actions.put(WritingKey.LEAVE, model::stop);
    actions.put(WritingKey.SOUND, model::toggleHeard);
  }

  private void signs() {
    edit(WritingKey.SLUR, Writing::slur);
    articulation(WritingKey.STACCATO, Signs.Articulation.STACCATO);
    articulation(WritingKey.STACCATISSIMO, Signs.Articulation.STACCATISSIMO);
    articulation(WritingKey.TENUTO, Signs.Articulation.TENUTO);
    articulation(WritingKey.ACCENT, Signs.Articulation.ACCENT);
    articulation(WritingKey.MARCATO, Signs.Articulation.MARCATO);
    edit(WritingKey.ORNAMENT, Writing::ornament);
    edit(WritingKey.FERMATA, Writing::fermata);
    edit(WritingKey.TREMOLO, Writing::tremolo);
    edit(WritingKey.LOUDER, d -> Writing.dynamic(d, 1));
    edit(WritingKey.SOFTER, d -> Writing.dynamic(d, -1));
    edit(WritingKey.CRESCENDO, d -> Writing.hairpin(d, Direction.Kind.CRESCENDO));
    edit(WritingKey.DIMINUENDO, d -> Writing.hairpin(d, Direction.Kind.DIMINUENDO));
    edit(WritingKey.CLEAR, Writing::clearDirections);
    for (int finger = 0; finger <= 4; finger++) {
      String digit = String.valueOf(finger);
      edit(WritingKey.valueOf("FINGER_" + digit), d -> Writing.finger(d, digit));
    }
    edit(WritingKey.NO_FINGER, d -> Writing.finger(d, ""));
    edit(WritingKey.DOWN_BOW, d -> Writing.bow(d, Signs.Bow.DOWN));
    edit(WritingKey.UP_BOW, d -> Writing.bow(d, Signs.Bow.UP));
  }

  private void articulation(WritingKey key, Signs.Articulation which) {
    edit(key, d -> Writing.articulation(d, which));
  }

  private void bars() {
    edit(WritingKey.NEW_BAR, d -> d.bars().insert());
    edit(WritingKey.DELETE_BAR, d -> d.bars().delete());
    edit(WritingKey.CLEF, d -> d.bars().nextClef());
    edit(WritingKey.KEY_SHARPER, d -> d.bars().key(1));
    edit(WritingKey.KEY_FLATTER, d -> d.bars().key(-1));
    edit(WritingKey.PICKUP, d -> d.bars().pickup());
    edit(WritingKey.REBAR, d -> d.bars().rebar());
    actions.put(WritingKey.CURE, () -> model.cure(0));
    actions.put(WritingKey.OTHER_CURE, () -> model.cure(1));
    edit(WritingKey.REPEAT_START, d -> d.bars().repeatStart());
    edit(WritingKey.REPEAT_END, d -> d.bars().repeatEnd());
  }

  private void texts(BiConsumer<String, java.util.function.Consumer<String>> prompt) {
    actions.put(
        WritingKey.METRE,
        () ->
            prompt.accept(
                Sentences.of("writing.metre-from"),
                text ->
                    Writing.metre(text)
                        .ifPresent(
                            time ->
                                model.apply(
                                    Said.of("writing.metre", text), d -> d.bars().metre(time)))));
    words(prompt, WritingKey.WORDS, Sentences.of("writing.words-over"), Direction.Kind.WORDS);
    words(
        prompt,
        WritingKey.REHEARSAL,
        Sentences.of("writing.rehearsal-mark"),
        Direction.Kind.REHEARSAL);
    words(prompt, WritingKey.TEMPO, Sentences.of("writing.tempo-word"), Direction.Kind.TEMPO);
  }

  private void words(
      BiConsumer<String, java.util.function.Consumer<String>> prompt,
      WritingKey key,
      String question,
      Direction.Kind kind) {
    actions.put(
        key,
        () ->
            prompt.accept(
                question, text -> model.apply(key.said(), d -> Writing.words(d, kind, text))));
  }
}
