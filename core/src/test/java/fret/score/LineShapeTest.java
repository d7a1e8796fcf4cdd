package fret.score;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import java.util.TreeMap;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** What is added to a line of loudness between its points. */
class LineShapeTest {
  private static final Fraction HALF = Fraction.of(1, 2);
  private static final Fraction QUARTER = Fraction.of(1, 4);

  private static LineShape shape(boolean even) {
    return new LineShape(
        new TreeMap<>(Map.of(Fraction.ZERO, 0.0, HALF, 1.0, Fraction.ONE, -1.0)), even);
  }

  @Test
  void anEvenShapeGoesFromPointToPoint() {
    LineShape even = shape(true);
    assertThat(even.at(QUARTER)).isCloseTo(0.5, within(1e-12));
    assertThat(even.at(HALF)).isEqualTo(1);
    assertThat(even.before(HALF)).as("no step").isCloseTo(1, within(1e-12));
    assertThat(even.at(Fraction.of(3, 4))).isCloseTo(0, within(1e-12));
    assertThat(even.at(Fraction.of(2))).as("behind the last").isEqualTo(-1);
  }

  @Test
  void aSteppedShapeHoldsToTheNextPoint() {
    LineShape steps = shape(false);
    assertThat(steps.at(QUARTER)).isZero();
    assertThat(steps.at(HALF)).isEqualTo(1);
    assertThat(steps.before(HALF)).as("just before the step").isZero();
    assertThat(steps.at(Fraction.of(3, 4))).isEqualTo(1);
  }

  @Test
  void nothingIsAddedBeforeTheFirstPointNorByNone() {
    LineShape late = new LineShape(new TreeMap<>(Map.of(HALF, 1.0)), false);
    assertThat(late.at(QUARTER)).isZero();
    assertThat(late.before(HALF)).as("the first point has nothing before it").isEqualTo(1);
    assertThat(LineShape.NONE.at(HALF)).isZero();
    assertThat(LineShape.NONE.before(HALF)).isZero();
  }
}
