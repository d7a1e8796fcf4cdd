package fret.app.command;

import fret.app.words.Sentences;
import java.util.Objects;
import java.util.function.BooleanSupplier;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;

/**
 * Something that can be done by key. Handlers and the page of keys are made from it.
 *
 * @param id stable name
 * @param place where it counts: the id of an area, {@code strip} or {@code everywhere}
 * @param words what it does
 * @param when whether it counts now
 */
public record Action(
    String id,
    String place,
    String words,
    KeyCombination keys,
    BooleanSupplier when,
    Runnable handler) {
  public Action {
    Objects.requireNonNull(keys);
    Objects.requireNonNull(when);
    Objects.requireNonNull(handler);
  }

  /** An action whose words stand in the bundle under {@code key.} and its id. */
  public static Action of(String id, String place, KeyCombination keys, Runnable handler) {
    return new Action(id, place, Sentences.of("key." + id), keys, () -> true, handler);
  }

  /** The same, counting only now and then. */
  public Action when(BooleanSupplier condition) {
    return new Action(id, place, words, keys, condition, handler);
  }

  /** A key alone. */
  public static KeyCombination key(KeyCode code) {
    return new KeyCodeCombination(code);
  }

  /** A key with the shift key. */
  public static KeyCombination shift(KeyCode code) {
    return new KeyCodeCombination(code, KeyCombination.SHIFT_DOWN);
  }

  /** A key with the usual key for commands. */
  public static KeyCombination command(KeyCode code) {
    return new KeyCodeCombination(code, KeyCombination.SHORTCUT_DOWN);
  }
}
