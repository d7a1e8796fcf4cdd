package fret.mark;

/**
 * A layer of notes whose values are words.
 *
 * @param <E> the words
 */
public abstract class WordLayer<E extends Enum<E>> extends Words<Anchor.Note, E>
    implements NoteLayer<E> {
  /**
   * @param field under which the word is stored
   * @param told id of the sentences that tell it, before the word
   * @param otherwise what a form without a word means
   */
  protected WordLayer(String id, Concern concern, String field, String told, E otherwise) {
    super(id, concern, field, told, otherwise);
  }
}
