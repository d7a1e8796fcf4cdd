package fret.drill;

import static org.assertj.core.api.Assertions.assertThat;

import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Event;
import fret.score.LineBuilder;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.TimeSignature;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class TenthsTest {
  private static Optional<Score> tenths(InstrumentType type, int fifths, String from) {
    LineBuilder line =
        new LineBuilder(TimeSignature.COMMON_TIME, new KeySignature(fifths), Clef.TREBLE);
    line.add(Fraction.ONE, Pitch.parse(from));
    Instrument on = Instrument.standard(type);
    ScaleLine scale = new ScaleLine(Resolver.resolve(line.build("x", Interval.UNISON)), on);
    return Tenths.of(scale, on);
  }

  private static List<Event> chords(Score score) {
    return score.bars().stream()
        .flatMap(b -> b.events().stream())
        .filter(e -> !e.isRest())
        .toList();
  }

  /** In mm on one pair of strings the hand opens no further than a hand opens in third position. */
  @ParameterizedTest
  @CsvSource({"VIOLIN, 0, C5", "VIOLIN, 2, D5", "VIOLIN, -1, F5"})
  void theyStandWhereAHandCanOpenForThem(InstrumentType type, int fifths, String from) {
    Score score = tenths(type, fifths, from).orElseThrow();
    Instrument on = Instrument.standard(type);
    List<Event> all = chords(score);
    assertThat(all).hasSize(8);
    boolean onePair = false;
    for (int upper = 1; upper < on.stringCount(); upper++) {
      int high = upper;
      onePair |=
          all.stream()
              .allMatch(
                  e -> {
                    int low = on.semitones(high + 1, e.heads().get(0).pitch());
                    int top = on.semitones(high, e.heads().get(1).pitch());
                    double mm = on.mmFromNut(top) - on.mmFromNut(low);
                    return low >= 1 && top <= on.highestSemitone() && mm <= 100;
                  });
    }
    assertThat(onePair).isTrue();
    for (Event e : all) {
      int width = e.heads().get(1).pitch().midi() - e.heads().get(0).pitch().midi();
      assertThat(width).isBetween(15, 16);
      assertThat(e.heads().get(0).printedFinger()).isEqualTo("1");
      assertThat(e.heads().get(1).printedFinger()).isEqualTo("4");
    }
  }

  @ParameterizedTest
  @EnumSource(
      value = InstrumentType.class,
      names = {"CELLO", "BASS"})
  void largeInstrumentsHaveNone(InstrumentType type) {
    assertThat(tenths(type, 0, "C3")).isEmpty();
  }

  @Test
  void theyCountAsStretching() {
    assertThat(DrillKind.TENTHS.stretches()).isTrue();
    assertThat(DrillKind.STRETCH.stretches()).isTrue();
    assertThat(DrillKind.INTERVALS.stretches()).isFalse();
  }
}
