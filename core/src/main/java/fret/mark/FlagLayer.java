package fret.mark;

import fret.base.Form;
import fret.base.Said;

/**
 * Something that is on for the whole passage, and off where nothing is said.
 *
 * @param id stable, unique
 */
public record FlagLayer(String id, Concern concern) implements WholeLayer<Boolean> {
  /** All slides are hidden, as before a jury; what was marked as heard waits and comes back. */
  public static final FlagLayer SLIDES_HIDDEN = new FlagLayer("slides-hidden", Concern.HAND);

  /** Alike hairpins in a row go on from each other; else each begins again. */
  public static final FlagLayer HAIRPINS_GO_ON = new FlagLayer("hairpins-go-on", Concern.BOW);

  /** The position is named on the page where it changes. */
  public static final FlagLayer POSITIONS = new FlagLayer("positions", Concern.NOTHING);

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
    return Said.of("mark." + id);
  }
}
