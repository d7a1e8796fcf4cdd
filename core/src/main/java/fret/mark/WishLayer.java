package fret.mark;

import fret.base.Form;
import fret.base.Said;
import java.util.List;

/** What is asked of a stretch of notes: one or more wishes. */
public final class WishLayer implements StretchLayer<List<Wish.Ask>> {
  public static final WishLayer WISH = new WishLayer();

  private WishLayer() {}

  @Override
  public String id() {
    return "wish";
  }

  @Override
  public Concern concern() {
    return Concern.HAND;
  }

  @Override
  public Form write(List<Wish.Ask> asks) {
    return Form.version(1)
        .with(
            "asks",
            asks.stream()
                .map(a -> Form.EMPTY.with("kind", a.kind().name()).with("value", a.value()))
                .toList());
  }

  @Override
  public List<Wish.Ask> read(Form form) {
    return form.list(
        "asks", f -> new Wish.Ask(f.word("kind", Wish.Kind.class), f.whole("value", 0)));
  }

  @Override
  public Said told(List<Wish.Ask> asks) {
    return Said.of("mark.wish", Said.of("wish." + asks.get(0).kind().name()));
  }
}
