package fret.mark;

import fret.base.Form;
import fret.base.Said;
import fret.score.Signs;

/**
 * Bow marks of the player's own, on the highest head of a chord; {@link Signs.Bow#NONE} takes a
 * printed one away.
 */
public final class BowLayer implements NoteLayer<Signs.Bow> {
  public static final BowLayer BOW = new BowLayer();

  private BowLayer() {}

  @Override
  public String id() {
    return "bow";
  }

  @Override
  public Concern concern() {
    return Concern.BOW;
  }

  @Override
  public Form write(Signs.Bow value) {
    return Form.version(1).with("bow", value.name());
  }

  @Override
  public Signs.Bow read(Form form) {
    return form.word("bow", Signs.Bow.class);
  }

  @Override
  public Said told(Signs.Bow value) {
    return Said.of("bow.mark." + value.name());
  }
}
