package fret.mark;

/** How long a note of a second voice is to be held. */
public final class LengthLayer extends WordLayer<LengthWish> {
  public static final LengthLayer LENGTH = new LengthLayer();

  private LengthLayer() {
    super("length", Concern.HAND, "wish", "mark.length", LengthWish.FULL);
  }
}
