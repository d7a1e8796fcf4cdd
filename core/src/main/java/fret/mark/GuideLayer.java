package fret.mark;

import fret.instrument.Finger;

/** The finger that guides the hand to a double stop; hangs on a note of the double stop. */
public final class GuideLayer extends WordLayer<Finger> {
  public static final GuideLayer GUIDE = new GuideLayer();

  private GuideLayer() {
    super("guide", Concern.HAND, "finger", "mark.guide", Finger.FIRST);
  }
}
