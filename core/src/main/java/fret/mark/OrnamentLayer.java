package fret.mark;

import fret.base.Form;
import fret.base.Said;
import fret.score.OrnamentForm;

/** How the ornament of a note is played, where the player wants it otherwise than usual. */
public final class OrnamentLayer implements NoteLayer<OrnamentForm> {
  public static final OrnamentLayer ORNAMENT = new OrnamentLayer();

  private OrnamentLayer() {}

  @Override
  public String id() {
    return "ornament";
  }

  @Override
  public Concern concern() {
    return Concern.HAND;
  }

  @Override
  public Form write(OrnamentForm value) {
    return Form.version(1)
        .with("start", value.start().name())
        .with("perSecond", value.perSecond())
        .with("ending", value.ending().name())
        .with("beats", value.beats());
  }

  @Override
  public OrnamentForm read(Form form) {
    return new OrnamentForm(
        form.word("start", OrnamentForm.Start.class),
        form.decimal("perSecond"),
        form.word("ending", OrnamentForm.Ending.class),
        form.decimal("beats"));
  }

  @Override
  public Said told(OrnamentForm value) {
    return Said.of("mark.ornament");
  }
}
