package fret.mark;

import fret.base.Form;
import fret.base.Said;

/** All slides are hidden, as before a jury; what was marked as heard waits and comes back. */
public final class SlidesHiddenLayer implements WholeLayer<Boolean> {
  public static final SlidesHiddenLayer HIDDEN = new SlidesHiddenLayer();

  private SlidesHiddenLayer() {}

  @Override
  public String id() {
    return "slides-hidden";
  }

  @Override
  public Concern concern() {
    return Concern.HAND;
  }

  @Override
  public Form write(Boolean value) {
    return Form.version(1).with("on", value);
  }

  @Override
  public Boolean read(Form form) {
    return form.flag("on");
  }

  @Override
  public Said told(Boolean value) {
    return Said.of("mark.slides-hidden");
  }
}
