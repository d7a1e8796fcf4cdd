package fret.lane;

import fret.engraving.Axis;
import fret.engraving.GlyphMetrics;
import fret.engraving.LaneDrawing;
import java.util.OptionalDouble;

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

  /**
   * What a height in the lane stands for, where it can be set there: a share of the hair, a level
   * of loudness; empty where nothing is set by drawing.
   *
   * @param height of the lane in staff spaces
   * @param y from its top, in staff spaces
   */
  default OptionalDouble valueAt(LaneInput input, double height, double y) {
    return OptionalDouble.empty();
  }
}
