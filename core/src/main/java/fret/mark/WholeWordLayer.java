package fret.mark;

/**
 * A layer of the whole passage whose value is a word.
 *
 * @param <E> the words
 */
public abstract class WholeWordLayer<E extends Enum<E>> extends Words<Anchor.Whole, E>
    implements WholeLayer<E> {
  /**
   * @param id also the start of the sentences that tell it
   * @param otherwise what a form without a word means
   */
  protected WholeWordLayer(String id, Concern concern, E otherwise) {
    super(id, concern, "wish", id, otherwise);
  }
}
