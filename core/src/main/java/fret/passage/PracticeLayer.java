package fret.passage;

import fret.base.Form;
import fret.base.Said;
import fret.mark.WholeLayer;

/** How a passage is practised, where the player wants it otherwise than usual. */
public final class PracticeLayer implements WholeLayer<PracticeSetup> {
  public static final PracticeLayer PRACTICE = new PracticeLayer();

  private PracticeLayer() {}

  @Override
  public String id() {
    return "practice";
  }

  @Override
  public Concern concern() {
    return Concern.PLAN;
  }

  @Override
  public Form write(PracticeSetup s) {
    return Form.version(1)
        .with("weight", s.weight())
        .with("start", s.start())
        .with("upper", s.upper())
        .with("under", s.under())
        .with("line", s.line().name())
        .with("restsCut", s.restsCut());
  }

  @Override
  public PracticeSetup read(Form form) {
    return new PracticeSetup(
        form.decimal("weight"),
        form.decimal("start"),
        form.decimal("upper"),
        form.has("under") && form.flag("under"),
        form.word("line", PracticeSetup.Line.class),
        form.has("restsCut") && form.flag("restsCut"));
  }

  @Override
  public Said told(PracticeSetup s) {
    return Said.of("mark.practice");
  }
}
