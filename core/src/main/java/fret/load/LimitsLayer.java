package fret.load;

import fret.base.Form;
import fret.base.Said;
import fret.mark.WholeLayer;

/** What the player can do, where it is not the usual. */
public final class LimitsLayer implements WholeLayer<Limits> {
  public static final LimitsLayer LIMITS = new LimitsLayer();

  private LimitsLayer() {}

  @Override
  public String id() {
    return "limits";
  }

  @Override
  public Concern concern() {
    return Concern.PLAN;
  }

  @Override
  public Form write(Limits value) {
    return Form.version(1)
        .with("shiftBits", value.shiftBits())
        .with("fingerRate", value.fingerRate())
        .with("crossingRate", value.crossingRate())
        .with("noteRate", value.noteRate());
  }

  @Override
  public Limits read(Form form) {
    return new Limits(
        form.decimal("shiftBits", Limits.USUAL.shiftBits()),
        form.decimal("fingerRate", Limits.USUAL.fingerRate()),
        form.decimal("crossingRate", Limits.USUAL.crossingRate()),
        form.decimal("noteRate", Limits.USUAL.noteRate()));
  }

  @Override
  public Said told(Limits value) {
    return Said.of(
        "mark.limits",
        value.shiftBits(),
        value.fingerRate(),
        value.crossingRate(),
        value.noteRate());
  }
}
