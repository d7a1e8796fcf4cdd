package fret.mark;

import fret.base.Form;
import fret.base.Said;

/** How the player wants figures that come back to be fingered. */
public final class ReturnsLayer implements WholeLayer<ReturnsWish> {
  public static final ReturnsLayer RETURNS = new ReturnsLayer();

  private ReturnsLayer() {}

  @Override
  public String id() {
    return "returns";
  }

  @Override
  public Concern concern() {
    return Concern.HAND;
  }

  @Override
  public Form write(ReturnsWish value) {
    return Form.version(1).with("wish", value.name());
  }

  @Override
  public ReturnsWish read(Form form) {
    return form.word("wish", ReturnsWish.class);
  }

  @Override
  public Said told(ReturnsWish value) {
    return Said.of("returns." + value);
  }
}
