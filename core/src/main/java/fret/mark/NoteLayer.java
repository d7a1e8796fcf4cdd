package fret.mark;

/**
 * A kind of mark that hangs on notes.
 *
 * @param <V> what it says
 */
public interface NoteLayer<V> extends Layer<Anchor.Note, V> {
  @Override
  default Class<Anchor.Note> anchorType() {
    return Anchor.Note.class;
  }
}
