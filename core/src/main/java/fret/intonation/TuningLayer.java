package fret.intonation;

import fret.base.Form;
import fret.base.Said;
import fret.mark.WholeLayer;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The tuning of the whole passage. */
public final class TuningLayer implements WholeLayer<TuningSetup> {
  public static final TuningLayer TUNING = new TuningLayer();

  private TuningLayer() {}

  @Override
  public String id() {
    return "tuning";
  }

  @Override
  public Concern concern() {
    return Concern.EAR;
  }

  @Override
  public Form write(TuningSetup value) {
    return Form.version(1)
        .with("temperament", value.temperament().name())
        .with("strings", value.strings().name())
        .with("own", value.own().stream().map(String::valueOf).collect(Collectors.joining(" ")))
        .with("school", value.school().name())
        .with("highLeading", value.highLeading())
        .with("septimal", value.septimal())
        .with("alone", value.alone());
  }

  @Override
  public TuningSetup read(Form form) {
    String own = form.text("own");
    return new TuningSetup(
        form.word("temperament", Temperament.class, Temperament.JUST),
        form.word("strings", TuningSetup.Strings.class, TuningSetup.Strings.PURE),
        own.isBlank() ? List.of() : Stream.of(own.split(" ")).map(Double::valueOf).toList(),
        form.word("school", Tuned.School.class, Tuned.School.FIFTH_FIRST),
        form.has("highLeading") && form.flag("highLeading"),
        form.has("septimal") && form.flag("septimal"),
        form.has("alone") && form.flag("alone"));
  }

  @Override
  public Said told(TuningSetup value) {
    return Said.of("mark.tuning." + value.temperament());
  }
}
