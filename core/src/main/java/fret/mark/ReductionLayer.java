package fret.mark;

import fret.score.Reduction;

/** Chords of which only some notes are played; hangs on the lowest note as written. */
public final class ReductionLayer extends WordLayer<Reduction> {
  public static final ReductionLayer REDUCTION = new ReductionLayer();

  private ReductionLayer() {
    super("reduction", Concern.PAGE, "keep", "mark.reduction", Reduction.TOP);
  }
}
