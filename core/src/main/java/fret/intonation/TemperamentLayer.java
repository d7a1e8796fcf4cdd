package fret.intonation;

import fret.mark.WordLayer;

/** A tuning of its own for a note: melodic here, with the chord there. */
public final class TemperamentLayer extends WordLayer<Temperament> {
  public static final TemperamentLayer TEMPERAMENT = new TemperamentLayer();

  private TemperamentLayer() {
    super("temperament", Concern.EAR, "temperament", "mark.tuning", Temperament.JUST);
  }
}
