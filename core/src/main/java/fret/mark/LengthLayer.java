package fret.mark;

import fret.base.Form;
import fret.base.Said;

/** How long a note of a second voice is to be held. */
public final class LengthLayer implements NoteLayer<LengthWish> {
  public static final LengthLayer LENGTH = new LengthLayer();

  private LengthLayer() {}

  @Override
  public String id() {
    return "length";
  }

  @Override
  public Concern concern() {
    return Concern.HAND;
  }

  @Override
  public Form write(LengthWish value) {
    return Form.version(1).with("wish", value.name());
  }

  @Override
  public LengthWish read(Form form) {
    return form.word("wish", LengthWish.class, LengthWish.FULL);
  }

  @Override
  public Said told(LengthWish value) {
    return Said.of("mark.length." + value);
  }
}
