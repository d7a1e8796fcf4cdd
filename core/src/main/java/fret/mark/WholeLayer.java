package fret.mark;

/**
 * A kind of mark that hangs on the whole passage.
 *
 * @param <V> what it says
 */
public interface WholeLayer<V> extends Layer<Anchor.Whole, V> {
  @Override
  default Class<Anchor.Whole> anchorType() {
    return Anchor.Whole.class;
  }
}
