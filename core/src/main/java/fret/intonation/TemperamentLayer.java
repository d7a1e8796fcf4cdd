package fret.intonation;

import fret.base.Form;
import fret.base.Said;
import fret.mark.NoteLayer;

/** A tuning of its own for a note: melodic here, with the chord there. */
public final class TemperamentLayer implements NoteLayer<Temperament> {
  public static final TemperamentLayer TEMPERAMENT = new TemperamentLayer();

  private TemperamentLayer() {}

  @Override
  public String id() {
    return "temperament";
  }

  @Override
  public Concern concern() {
    return Concern.EAR;
  }

  @Override
  public Form write(Temperament value) {
    return Form.version(1).with("temperament", value.name());
  }

  @Override
  public Temperament read(Form form) {
    return form.word("temperament", Temperament.class, Temperament.JUST);
  }

  @Override
  public Said told(Temperament value) {
    return Said.of("mark.tuning." + value);
  }
}
