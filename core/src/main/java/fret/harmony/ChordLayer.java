package fret.harmony;

import fret.base.Form;
import fret.base.Said;
import fret.mark.Anchor;
import fret.mark.Layer;

/** The chord of a bar as the player hears it. */
public final class ChordLayer implements Layer<Anchor.OfBar, Chord> {
  public static final ChordLayer CHORD = new ChordLayer();

  private ChordLayer() {}

  @Override
  public String id() {
    return "chord";
  }

  @Override
  public Class<Anchor.OfBar> anchorType() {
    return Anchor.OfBar.class;
  }

  @Override
  public Concern concern() {
    return Concern.EAR;
  }

  @Override
  public Form write(Chord value) {
    return Form.version(1)
        .with("root", String.valueOf(value.root()))
        .with("quality", value.quality().name());
  }

  @Override
  public Chord read(Form form) {
    return new Chord(
        Integer.parseInt(form.text("root")), form.word("quality", Quality.class, Quality.MAJOR));
  }

  @Override
  public Said told(Chord value) {
    return Said.of("mark.chord", value.text(new Key(0, false)));
  }
}
