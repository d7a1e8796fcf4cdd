package fret.mark;

import fret.base.Form;
import fret.base.Said;

/** The loudness of the lines within broken chords. */
public final class StrandLevelsLayer implements WholeLayer<StrandLevels> {
  public static final StrandLevelsLayer LEVELS = new StrandLevelsLayer();

  private StrandLevelsLayer() {}

  @Override
  public String id() {
    return "strand-levels";
  }

  @Override
  public Concern concern() {
    return Concern.BOW;
  }

  @Override
  public Form write(StrandLevels value) {
    return Form.version(1)
        .with("lower", value.lower())
        .with("pedal", value.pedal())
        .with("upper", value.upper());
  }

  @Override
  public StrandLevels read(Form form) {
    return new StrandLevels(form.decimal("lower"), form.decimal("pedal"), form.decimal("upper"));
  }

  @Override
  public Said told(StrandLevels value) {
    return Said.of("strands.levels");
  }
}
