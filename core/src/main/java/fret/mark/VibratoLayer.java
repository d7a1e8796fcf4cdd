package fret.mark;

/** What is asked of the vibrato on a note; the first form only said that there is vibrato. */
public final class VibratoLayer extends WordLayer<VibratoWish> {
  public static final VibratoLayer VIBRATO = new VibratoLayer();

  private VibratoLayer() {
    super("vibrato", Concern.HAND, "wish", "mark.vibrato", VibratoWish.USUAL);
  }
}
