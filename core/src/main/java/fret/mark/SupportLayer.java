package fret.mark;

/** Notes whose finger is supported by the next lower one, which is kept free for it. */
public final class SupportLayer extends WordLayer<SupportWish> {
  public static final SupportLayer SUPPORT = new SupportLayer();

  private SupportLayer() {
    super("support", Concern.HAND, "wish", "mark.support", SupportWish.BEHIND);
  }
}
