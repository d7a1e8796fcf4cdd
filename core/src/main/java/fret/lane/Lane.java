package fret.lane;

import fret.engraving.Axis;
import fret.engraving.GlyphMetrics;
import fret.engraving.LaneDrawing;

/** One measured picture of a side of playing, drawn under the stave. Stateless. */
public interface Lane {
  /** Stable name, such as {@code hand}; its words are {@code lane.} and this. */
  String id();

  /** Whether there is anything to draw. */
  boolean suits(LaneInput input);

  /**
   * Draws it.
   *
   * @param height in staff spaces, above 0
   */
  LaneDrawing draw(LaneInput input, Axis axis, GlyphMetrics metrics, double height);
}
