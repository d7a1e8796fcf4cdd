package fret.mark;

import fret.base.Form;
import fret.base.Said;

/**
 * A layer of the whole passage whose value is a word.
 *
 * @param <E> the words
 */
public abstract class WholeWordLayer<E extends Enum<E>> implements WholeLayer<E> {
  private final String id;
  private final Concern concern;
  private final Class<E> words;

  /**
   * @param id also the start of the sentences that tell it
   */
  protected WholeWordLayer(String id, Concern concern, Class<E> words) {
    this.id = id;
    this.concern = concern;
    this.words = words;
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
    return Form.version(1).with("wish", value.name());
  }

  @Override
  public final E read(Form form) {
    return form.word("wish", words);
  }

  @Override
  public final Said told(E value) {
    return Said.of(id + "." + value);
  }
}
