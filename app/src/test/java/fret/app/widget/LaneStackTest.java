package fret.app.widget;

import static org.assertj.core.api.Assertions.assertThat;

import fret.base.Said;
import fret.engraving.Axis;
import fret.engraving.GlyphMetrics;
import fret.engraving.LaneDrawing;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.lane.Lane;
import fret.lane.LaneInput;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.LineBuilder;
import fret.score.Resolver;
import fret.score.TimeSignature;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Two lanes of 100 px under each other, of which the second is folded. */
class LaneStackTest {
  private static final double FOLDED = LaneStack.FOLDED;

  private final LaneStack stack = new LaneStack(null);

  private record Named(String id) implements Lane {
    @Override
    public boolean suits(LaneInput input) {
      return true;
    }

    @Override
    public OptionalDouble valueAt(LaneInput input, double height, double y) {
      return OptionalDouble.of(y / height);
    }

    @Override
    public LaneDrawing draw(LaneInput input, Axis axis, GlyphMetrics metrics, double height) {
      return drawing(id);
    }
  }

  private static LaneDrawing drawing(String id) {
    List<Said> spoken = List.of(Said.words(id + " here"), Said.words(id + " there"));
    return new LaneDrawing(10, List.of(), List.of(), 6, spoken, Said.words(id));
  }

  @BeforeEach
  void twoLanes() {
    stack.set(List.of(new Named("hand"), new Named("bow")), "bow"::equals);
    stack.take(
        new LaneStack.Drawn(
            List.of("hand", "bow"), List.of(drawing("hand"), drawing("bow")), 100, 10));
  }

  @Test
  void foldedOnesTakeOneLineAndTheRestTheirHeight() {
    assertThat(stack.height()).isEqualTo(100 + FOLDED);
    assertThat(stack.folded()).containsExactly("bow");
    stack.fold("bow");
    assertThat(stack.height()).isEqualTo(200);
    stack.foldAll();
    assertThat(stack.folded()).containsExactly("hand", "bow");
    stack.foldAll();
    assertThat(stack.folded()).isEmpty();
  }

  @Test
  void whereThereIsLittleRoomFoldedLinesAreLower() {
    stack.makeRoom(Optional.empty(), 500, 80);
    assertThat(stack.height()).isEqualTo(100 + FOLDED);
    stack.makeRoom(Optional.empty(), 40, 80);
    assertThat(stack.height()).isEqualTo(100 + LaneStack.FOLDED_TIGHT);
  }

  @Test
  void aClickOnANameOrAnywhereOnAFoldedLaneMeansThatLane() {
    assertThat(stack.foldedBy(20, 10)).contains("hand");
    assertThat(stack.foldedBy(300, 10)).as("a note of the lane").isEmpty();
    assertThat(stack.foldedBy(20, 60)).as("under the name").isEmpty();
    assertThat(stack.foldedBy(700, 105)).contains("bow");
    assertThat(stack.foldedBy(20, 100 + FOLDED + 1)).as("below all").isEmpty();
    assertThat(stack.foldedBy(20, -5)).as("on the stave").isEmpty();
  }

  @Test
  void everyLaneSpeaksOfTheMomentFoldedOrNot() {
    assertThat(stack.spoken(1)).isEqualTo("hand there. bow there");
    assertThat(stack.spoken(2)).isEmpty();
    assertThat(stack.spoken(-1)).isEmpty();
  }

  @Test
  void withoutMusicThereAreNoLanes() {
    assertThat(stack.suiting(Optional.empty())).isEmpty();
    assertThat(stack.openCount(Optional.empty())).isZero();
    assertThat(stack.foldedHeight(Optional.empty())).isZero();
    assertThat(stack.isDrawnForOther(100)).isFalse();
    assertThat(stack.isDrawnForOther(140)).isTrue();
  }

  private static Optional<LaneInput> anything() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    line.add(Fraction.of(1, 4), Pitch.parse("A4"));
    return Optional.of(
        new LaneInput(
            Resolver.resolve(line.build("line", Interval.UNISON)),
            Optional.empty(),
            Instrument.standard(InstrumentType.VIOLIN)));
  }

  @Test
  void aPlaceInAnOpenLaneStandsForSomething() {
    assertThat(stack.spotAt(anything(), 25).orElseThrow())
        .isEqualTo(new LaneStack.Spot("hand", 0.25));
    assertThat(stack.spotAt(anything(), 105)).as("folded").isEmpty();
    assertThat(stack.spotAt(anything(), -5)).as("on the stave").isEmpty();
    assertThat(stack.spotAt(Optional.empty(), 25)).isEmpty();
  }

  @Test
  void whatHasNoRoomShowsAsALineAndOpensInPlaceOfTheOthers() {
    stack.fold("bow");
    stack.makeRoom(anything(), 190, 80);
    assertThat(stack.openCount(anything())).isEqualTo(2);
    stack.makeRoom(anything(), 120, 80);
    assertThat(stack.openCount(anything())).isEqualTo(1);
    assertThat(stack.foldedBy(700, 105)).as("a click anywhere on it").contains("bow");
    stack.fold("bow");
    assertThat(stack.folded()).containsExactly("hand");
    stack.makeRoom(anything(), 20, 80);
    assertThat(stack.openCount(anything())).as("one stays open").isEqualTo(1);
  }
}
