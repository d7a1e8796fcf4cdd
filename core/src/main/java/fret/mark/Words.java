package fret.mark;

import fret.base.Form;
import fret.base.Said;

/**
 * A layer whose values are words.
 *
 * @param <A> what they hang on
 * @param <E> the words
 */
abstract class Words<A extends Anchor, E extends Enum<E>> implements Layer<A, E> {
  private final String id;
  private final Concern concern;
  private final String field;
  private final String told;
  private final E otherwise;

  /**
   * @param field under which the word is stored
   * @param told id of the sentences that tell it, before the word
   * @param otherwise what a form without a word means
   */
  Words(String id, Concern concern, String field, String told, E otherwise) {
    this.id = id;
    this.concern = concern;
    this.field = field;
    this.told = told;
    this.otherwise = otherwise;
  }

  @Override
  public final String id() {
    return id;
  }

  @Override
  public final Concern concern() {
    return concern;
  }

  @Override
  public final Form write(E value) {
    return Form.version(1).with(field, value.name());
  }

  @Override
  public final E read(Form form) {
    return form.word(field, otherwise.getDeclaringClass(), otherwise);
  }

  @Override
  public final Said told(E value) {
    return Said.of(told + "." + value);
  }
}
