package fret.passage;

import fret.base.Form;
import fret.base.Said;
import fret.mark.WholeLayer;

/** Which of the files that were brought in for a passage counts. */
public final class SourceLayer implements WholeLayer<SourceLayer.Source> {
  public static final SourceLayer SOURCE = new SourceLayer();

  /**
   * A file that was brought in.
   *
   * @param id 0 for the first one
   * @param name of the file, whose ending tells its kind; empty when the page was written by hand
   */
  public record Source(long id, String name) {
    public static final Source BY_HAND = new Source(0, "");
  }

  private SourceLayer() {}

  @Override
  public String id() {
    return "source";
  }

  @Override
  public Concern concern() {
    return Concern.PAGE;
  }

  @Override
  public Form write(Source s) {
    return Form.version(1).with("id", s.id()).with("name", s.name());
  }

  @Override
  public Source read(Form form) {
    return new Source(form.longNumber("id"), form.text("name"));
  }

  @Override
  public Said told(Source s) {
    return Said.of("mark.source");
  }
}
