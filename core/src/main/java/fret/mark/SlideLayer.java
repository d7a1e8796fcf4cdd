package fret.mark;

/** Whether the slide of a shift into a note is heard or hidden. */
public final class SlideLayer extends WordLayer<SlideWish> {
  public static final SlideLayer SLIDE = new SlideLayer();

  private SlideLayer() {
    super("slide", Concern.HAND, "wish", "mark.slide", SlideWish.HEARD);
  }
}
