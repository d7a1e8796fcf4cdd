package fret.mark;

/** How the player wants figures that come back to be fingered. */
public final class ReturnsLayer extends WholeWordLayer<ReturnsWish> {
  public static final ReturnsLayer RETURNS = new ReturnsLayer();

  private ReturnsLayer() {
    super("returns", Concern.HAND, ReturnsWish.USUAL);
  }
}
