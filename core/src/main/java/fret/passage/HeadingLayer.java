package fret.passage;

import fret.base.Form;
import fret.base.Said;
import fret.mark.WholeLayer;
import fret.score.Score;
import fret.score.ScoreForm;
import java.util.List;

/**
 * What stands over a page that was written or mended by hand (title, composer, part,
 * transposition), as a page without bars. While it is missing the page is as in the file.
 */
public final class HeadingLayer implements WholeLayer<Score> {
  public static final HeadingLayer HEADING = new HeadingLayer();

  private HeadingLayer() {}

  /** The heading of a page. */
  public static Score of(Score page) {
    return page.withBars(List.of());
  }

  @Override
  public String id() {
    return "heading";
  }

  @Override
  public Concern concern() {
    return Concern.PAGE;
  }

  @Override
  public Form write(Score heading) {
    return ScoreForm.heading(heading);
  }

  @Override
  public Score read(Form form) {
    return ScoreForm.readHeading(form);
  }

  @Override
  public Said told(Score heading) {
    return Said.of("mark.heading");
  }
}
