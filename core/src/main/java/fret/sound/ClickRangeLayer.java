package fret.sound;

import fret.base.Form;
import fret.base.Said;
import fret.mark.WholeLayer;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;

/** What the click does by bars, in the order in which it was asked. */
public final class ClickRangeLayer implements WholeLayer<List<ClickRange>> {
  public static final ClickRangeLayer CLICKS = new ClickRangeLayer();

  private ClickRangeLayer() {}

  @Override
  public String id() {
    return "clicks";
  }

  @Override
  public Concern concern() {
    return Concern.PLAN;
  }

  @Override
  public Form write(List<ClickRange> ranges) {
    return Form.version(1).with("ranges", ranges.stream().map(ClickRangeLayer::form).toList());
  }

  private static Form form(ClickRange r) {
    return Form.EMPTY
        .with("from", r.fromBar())
        .with("to", r.toBar())
        .with("kind", r.kind().name())
        .with("over", r.values().stream().map(Fraction::getNumerator).toList())
        .with("under", r.values().stream().map(Fraction::getDenominator).toList());
  }

  @Override
  public List<ClickRange> read(Form form) {
    return form.list("ranges", ClickRangeLayer::range);
  }

  private static ClickRange range(Form f) {
    List<Integer> over = f.wholes("over");
    List<Integer> under = f.wholes("under");
    List<Fraction> values = new java.util.ArrayList<>();
    for (int i = 0; i < over.size(); i++) {
      values.add(Fraction.of(over.get(i), under.get(i)));
    }
    return new ClickRange(
        f.text("from"), f.text("to"), f.word("kind", ClickRange.Kind.class), values);
  }

  @Override
  public Said told(List<ClickRange> ranges) {
    return Said.of("mark.clicks", ranges.size());
  }
}
