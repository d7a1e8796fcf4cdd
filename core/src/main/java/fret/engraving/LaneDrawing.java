package fret.engraving;

import fret.base.Said;
import java.util.List;
import java.util.Objects;

/**
 * A lane as it is painted under a stave: x on the stave's axis, y downwards from its own top, sizes
 * as in {@link Primitive}.
 *
 * @param height in staff spaces
 * @param primitives what moves with the stave
 * @param scale what stays at the left edge: name and scale of the lane, over everything else
 * @param scaleWidth room of the scale, in staff spaces
 * @param spoken for each moment of the passage what the lane says of it
 * @param summary the lane in one line
 */
public record LaneDrawing(
    double height,
    List<Primitive> primitives,
    List<Primitive> scale,
    double scaleWidth,
    List<Said> spoken,
    Said summary) {
  public LaneDrawing {
    primitives = List.copyOf(primitives);
    scale = List.copyOf(scale);
    spoken = List.copyOf(spoken);
    Objects.requireNonNull(summary);
  }
}
