package fret.format.page;

import fret.engraving.Primitive;
import java.awt.geom.GeneralPath;
import java.io.IOException;

/** What a page is painted on; everything in mm from the upper left corner. */
interface Surface {
  void fill(GeneralPath path, int rgb) throws IOException;

  void line(double x1, double y1, double x2, double y2, double width, boolean dashed, int rgb)
      throws IOException;

  /** Text from its start on the baseline. */
  void text(String text, double x, double y, double sizeMm, Primitive.Text.Style style, int rgb)
      throws IOException;

  /** Width of a text in mm. */
  double width(String text, double sizeMm, Primitive.Text.Style style) throws IOException;
}
