package fret.mark;

import fret.base.Form;
import fret.base.Said;

/** Notes on which vibrato is wanted; the value is always true. */
public final class VibratoLayer implements NoteLayer<Boolean> {
  public static final VibratoLayer VIBRATO = new VibratoLayer();

  private VibratoLayer() {}

  @Override
  public String id() {
    return "vibrato";
  }

  @Override
  public Concern concern() {
    return Concern.HAND;
  }

  @Override
  public Form write(Boolean value) {
    return Form.version(1);
  }

  @Override
  public Boolean read(Form form) {
    return true;
  }

  @Override
  public Said told(Boolean value) {
    return Said.of("mark.vibrato");
  }
}
