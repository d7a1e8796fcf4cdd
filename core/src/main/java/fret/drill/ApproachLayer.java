package fret.drill;

import fret.base.Form;
import fret.base.Said;
import fret.mark.StretchLayer;

/** How the player wants a chunk to be brought up to its tempo; none is as the plan sees fit. */
public final class ApproachLayer implements StretchLayer<Approach> {
  public static final ApproachLayer APPROACH = new ApproachLayer();

  private ApproachLayer() {}

  @Override
  public String id() {
    return "chunk.approach";
  }

  @Override
  public Concern concern() {
    return Concern.PLAN;
  }

  @Override
  public Form write(Approach value) {
    return Form.version(1).with("approach", value.name());
  }

  @Override
  public Approach read(Form form) {
    return form.word("approach", Approach.class);
  }

  @Override
  public Said told(Approach value) {
    return Said.of("approach." + value);
  }
}
