package fret.drill;

import fret.base.Form;
import fret.base.Said;
import fret.mark.WholeLayer;
import fret.score.TimeSignature;
import java.util.List;

/** The frames that the player drew on the picture of the page, in their order. */
public final class FrameLayer implements WholeLayer<List<Frame>> {
  public static final FrameLayer FRAMES = new FrameLayer();

  private FrameLayer() {}

  @Override
  public String id() {
    return "frames";
  }

  @Override
  public Concern concern() {
    return Concern.PLAN;
  }

  @Override
  public Form write(List<Frame> frames) {
    return Form.version(1).with("frames", frames.stream().map(FrameLayer::form).toList());
  }

  @Override
  public List<Frame> read(Form form) {
    return form.list("frames", FrameLayer::frame);
  }

  private static Form form(Frame f) {
    return Form.EMPTY
        .with("id", f.id())
        .with("name", f.name())
        .with("page", f.page())
        .with("left", f.box().left())
        .with("top", f.box().top())
        .with("width", f.box().width())
        .with("height", f.box().height())
        .with("fromBar", f.fromBar())
        .with("beats", f.beats())
        .with("groups", f.metre().groups())
        .with("beatType", f.metre().beatType())
        .with("perMinute", f.perMinute());
  }

  private static Frame frame(Form f) {
    return new Frame(
        f.text("id"),
        f.text("name"),
        f.whole("page"),
        new Frame.Box(f.decimal("left"), f.decimal("top"), f.decimal("width"), f.decimal("height")),
        f.whole("fromBar"),
        f.whole("beats"),
        new TimeSignature(f.wholes("groups"), f.whole("beatType"), TimeSignature.Sign.NUMBERS),
        f.decimal("perMinute"));
  }

  @Override
  public Said told(List<Frame> frames) {
    return Said.of("mark.frames", frames.size());
  }
}
