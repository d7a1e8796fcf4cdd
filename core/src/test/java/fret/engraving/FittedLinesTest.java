package fret.engraving;

import static org.assertj.core.api.Assertions.assertThat;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.TimeSignature;
import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Lines that are all seen at once, as large as they can be. */
class FittedLinesTest {
  private static final double LEAST = 11;
  private static final double MOST = 20;

  private static ResolvedPassage bars(int count, long seed) {
    Random random = new Random(seed);
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, new KeySignature(2), Clef.TREBLE);
    for (int i = 0; i < count; i++) {
      int notes = 1 << random.nextInt(5);
      for (int n = 0; n < notes; n++) {
        line.add(Fraction.of(1, notes), Pitch.parse("A" + (3 + random.nextInt(4))));
      }
    }
    return Resolver.resolve(line.build("lines", Interval.UNISON));
  }

  private static FittedLines fit(ResolvedPassage passage, double width, double height) {
    return FittedLines.fit(
        passage,
        List.of(),
        PlainMetrics.BOXES,
        new FittedLines.Room(width, height, LEAST, MOST),
        axis -> List.of());
  }

  private static double height(FittedLines f) {
    return f.lines().stream().mapToDouble(FittedLines::heightOf).sum() * f.space();
  }

  @ParameterizedTest
  @CsvSource({"1, 900, 500", "4, 900, 500", "8, 900, 500", "8, 600, 300", "30, 900, 560"})
  void everyMomentStandsOnceInOrderAndNothingLeavesTheRoom(int bars, double width, double height) {
    for (long seed = 1; seed <= 5; seed++) {
      ResolvedPassage passage = bars(bars, seed);
      FittedLines fitted = fit(passage, width, height);
      TreeSet<Integer> seen = new TreeSet<>();
      int next = 0;
      for (StaveLines.Line line : fitted.lines()) {
        assertThat(line.firstBar()).isEqualTo(next);
        next = line.lastBar() + 1;
        assertThat(line.sliceHere().keySet()).noneMatch(seen::contains);
        seen.addAll(line.sliceHere().keySet());
        double right = (line.strip().width() - StaveLines.AFTER) * fitted.space();
        boolean alone = line.firstBar() == line.lastBar();
        assertThat(alone || right <= width + 1).as("line of %s", next).isTrue();
      }
      assertThat(next).isEqualTo(bars);
      assertThat(seen).hasSize(passage.slices().size());
      assertThat(fitted.space()).isBetween(LEAST, MOST);
      if (fitted.isWhole()) {
        assertThat(height(fitted) - FittedLines.GAP * fitted.space()).isLessThanOrEqualTo(height);
      }
      if (fitted.isWhole() && fitted.space() < MOST) {
        double larger = fitted.space() + 0.5;
        FittedLines.Room room = new FittedLines.Room(width, height, larger, larger);
        FittedLines other =
            FittedLines.fit(passage, List.of(), PlainMetrics.BOXES, room, a -> List.of());
        // Else it has a line more, for the few notes that were spared one.
        assertThat(!other.isWhole() || other.lines().size() > fitted.lines().size())
            .as("%s px would fit", larger)
            .isTrue();
      }
    }
  }

  /** A bar and the first notes of the next stand on one line, a little smaller. */
  @Test
  void noLineIsSpentOnAFewNotes() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, new KeySignature(2), Clef.TREBLE);
    for (int n = 0; n < 20; n++) {
      line.add(Fraction.of(1, 16), Pitch.parse("A4"));
    }
    ResolvedPassage passage = Resolver.resolve(line.build("over the bar", Interval.UNISON));
    int spared = 0;
    for (double width = 600; width < 1200; width += 10) {
      FittedLines fitted = fit(passage, width, 500);
      int last = fitted.lines().size() - 1;
      double share = fitted.lines().get(last).strip().width() * fitted.space() / width;
      if (last > 0 && share < 0.45) {
        double least = Math.max(LEAST, fitted.space() * 0.75);
        FittedLines.Room room = new FittedLines.Room(width, 500, least, least);
        assertThat(
                FittedLines.fit(passage, List.of(), PlainMetrics.BOXES, room, a -> List.of())
                    .lines())
            .as("at %s px in a width of %s", least, width)
            .hasSizeGreaterThan(last);
      }
      spared += last == 0 && fitted.space() < MOST ? 1 : 0;
    }
    assertThat(spared).isPositive();
  }

  @Test
  void aShortPassageIsAsLargeAsCanBeAndALongOneIsTurned() {
    assertThat(fit(bars(2, 1), 900, 500).space()).isEqualTo(MOST);
    FittedLines longer = fit(bars(80, 1), 900, 500);
    assertThat(longer.isWhole()).isFalse();
    assertThat(longer.space()).isEqualTo(LEAST);
    int last = longer.lastWith(0, 500);
    assertThat(last).isBetween(1, longer.lines().size() - 2);
    double used = 0;
    for (int i = 0; i <= last; i++) {
      used += FittedLines.heightOf(longer.lines().get(i)) * LEAST;
    }
    assertThat(used - FittedLines.GAP * LEAST).isLessThanOrEqualTo(500);
    assertThat(longer.lineOf(longer.lines().get(last).sliceHere().firstKey())).isEqualTo(last);
    assertThat(longer.lineOf(-1)).isEqualTo(-1);
  }
}
