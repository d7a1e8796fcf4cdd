package fret.drill;

import fret.base.Form;
import fret.base.Said;
import fret.mark.StretchLayer;
import java.util.Objects;

/** Some bars of the page that are prepared as an excerpt of their own. */
public final class ExcerptLayer implements StretchLayer<ExcerptLayer.Excerpt> {
  public static final ExcerptLayer EXCERPT = new ExcerptLayer();

  /**
   * An excerpt.
   *
   * @param id its own in the passage
   * @param perMinute what the passage's target would be, were all of it as fast or slow; 0 for that
   *     of the passage
   * @param auditionId what it is for; 0 for what the passage is for
   */
  public record Excerpt(String id, String name, double perMinute, long auditionId) {
    public Excerpt {
      Objects.requireNonNull(id);
      Objects.requireNonNull(name);
      if (!(perMinute >= 0) || !(perMinute <= 1000)) {
        throw new IllegalArgumentException("tempo " + perMinute + " is outside 0 to 1000");
      }
    }
  }

  private ExcerptLayer() {}

  @Override
  public String id() {
    return "excerpt";
  }

  @Override
  public Concern concern() {
    return Concern.PLAN;
  }

  @Override
  public Form write(Excerpt e) {
    return Form.version(1)
        .with("id", e.id())
        .with("name", e.name())
        .with("perMinute", e.perMinute())
        .with("audition", e.auditionId());
  }

  @Override
  public Excerpt read(Form form) {
    return new Excerpt(
        form.text("id"), form.text("name"), form.decimal("perMinute"), form.longNumber("audition"));
  }

  @Override
  public Said told(Excerpt e) {
    return Said.of("mark.excerpt", e.name());
  }
}
