package fret.session;

import fret.base.Form;
import fret.base.Said;
import fret.mark.Anchor;
import fret.mark.Layer;
import fret.mark.Place;
import fret.passage.Layers;
import fret.score.ScoreForm;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The stored form of a change. */
public final class ChangeForm {
  private ChangeForm() {}

  public static Form of(Change change) {
    Form form = Form.version(1).with("name", change.name().form());
    form = form.with("deltas", change.deltas().stream().map(ChangeForm::delta).toList());
    if (change.bars().isPresent()) {
      BarsEdit edit = change.bars().get();
      form =
          form.with(
              "bars",
              Form.EMPTY
                  .with("at", edit.at())
                  .with("before", edit.before().stream().map(ScoreForm::of).toList())
                  .with("after", edit.after().stream().map(ScoreForm::of).toList()));
    }
    return change.merges() ? form.with("merges", true) : form;
  }

  /**
   * Reads what {@link #of} wrote.
   *
   * @throws IllegalArgumentException if it is not understood
   */
  public static Change read(Form form) {
    List<Delta<?, ?>> deltas = new ArrayList<>();
    for (Object delta : form.list("deltas")) {
      deltas.add(readDelta((Form) delta));
    }
    return new Change(
        Said.read(form.form("name")),
        deltas,
        form.findForm("bars")
            .map(
                f ->
                    new BarsEdit(
                        f.whole("at"),
                        f.list("before", ScoreForm::bar),
                        f.list("after", ScoreForm::bar))),
        form.flag("merges"));
  }

  private static <A extends Anchor, V> Form delta(Delta<A, V> d) {
    Form form = Form.EMPTY.with("layer", d.layer().id()).with("at", d.place().anchor().text());
    form = d.place().pass() == 0 ? form : form.with("pass", d.place().pass());
    form = d.place().counts() ? form : form.with("version", d.place().version());
    if (d.before().isPresent()) {
      form = form.with("before", d.layer().write(d.before().get()));
    }
    return d.after().isPresent() ? form.with("after", d.layer().write(d.after().get())) : form;
  }

  private static Delta<?, ?> readDelta(Form form) {
    String id = form.text("layer");
    Layer<?, ?> layer =
        Layers.of(id)
            .orElseThrow(() -> new IllegalArgumentException("no kind of mark is called " + id));
    Place place =
        new Place(Anchor.parse(form.text("at")), form.whole("pass", 0), form.text("version", ""));
    return readDelta(layer, place, form);
  }

  private static <A extends Anchor, V> Delta<A, V> readDelta(
      Layer<A, V> layer, Place place, Form form) {
    Optional<V> before = form.findForm("before").map(layer::read);
    return new Delta<>(layer, place, before, form.findForm("after").map(layer::read));
  }
}
