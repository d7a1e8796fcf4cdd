package fret.mark;

/**
 * A kind of mark that hangs on a stretch of notes.
 *
 * @param <V> what it says
 */
public interface StretchLayer<V> extends Layer<Anchor.Stretch, V> {
  @Override
  default Class<Anchor.Stretch> anchorType() {
    return Anchor.Stretch.class;
  }
}
