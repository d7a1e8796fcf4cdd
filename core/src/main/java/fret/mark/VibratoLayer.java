package fret.mark;

import fret.base.Form;
import fret.base.Said;

/** What is asked of the vibrato on a note. */
public final class VibratoLayer implements NoteLayer<VibratoWish> {
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
  public Form write(VibratoWish value) {
    return Form.version(1).with("wish", value.name());
  }

  @Override
  public VibratoWish read(Form form) {
    // The first form only said that there is vibrato.
    return form.word("wish", VibratoWish.class, VibratoWish.USUAL);
  }

  @Override
  public Said told(VibratoWish value) {
    return Said.of("mark.vibrato." + value);
  }
}
