package fret.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.fingering.Fingering;
import fret.fingering.FingeringSolver;
import fret.fingering.FingeringTask;
import fret.fingering.NoteRule;
import fret.instrument.Finger;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.player.Hand;
import fret.player.HandModel;
import fret.player.Preset;
import fret.player.School;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

class LoadTest {
  private static ResolvedPassage line(Fraction length, String... pitches) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.BASS);
    for (String p : pitches) {
      line.add(length, Pitch.parse(p));
    }
    return Resolver.resolve(line.build("line", Interval.UNISON));
  }

  private static Load load(
      InstrumentType type, ResolvedPassage passage, double quarters, List<NoteRule> rules) {
    TempoMap tempo = TempoMap.steady(new Tempo(Beat.QUARTER, quarters));
    HandModel hand = new HandModel(Instrument.standard(type), School.USUAL, Hand.MEDIUM);
    FingeringTask task = new FingeringTask(passage, tempo, hand, Preset.SURE).withRules(rules);
    Fingering f = new FingeringSolver(task).best();
    return Load.of(passage, tempo, f, Optional.empty(), Limits.USUAL);
  }

  private static final List<NoteRule> E_TO_A =
      List.of(NoteRule.pin(0, Finger.FIRST, 2), NoteRule.pin(1, Finger.FOURTH, 2));

  /**
   * Cello, E3 under 1 to A3 under 4 on the D string: log2(D / W + 1) = 3.766 bits. A quarter before
   * leaves half of itself, 30 / tempo seconds; at 80 bits a second 30 / tempo = 0.04708.
   */
  @Test
  void aShiftsCeilingHasAClosedForm() {
    ResolvedPassage passage = line(Fraction.of(1, 4), "E3", "A3");
    for (double quarters : new double[] {50, 60, 120}) {
      Load.Share shift =
          load(InstrumentType.CELLO, passage, quarters, E_TO_A).hardest(1).orElseThrow();
      assertThat(shift.limit()).isEqualTo(Limit.SHIFT);
      assertThat(shift.ceiling(quarters)).isCloseTo(8 * 79.66, within(0.2));
    }
  }

  /** One finger goes from string to string in sixteenths: 9 a second are 135 to the quarter. */
  @Test
  void oneFingerGoesElsewhereNineTimesASecond() {
    ResolvedPassage passage = line(Fraction.of(1, 16), "E3", "C4");
    List<NoteRule> second =
        List.of(NoteRule.pin(0, Finger.SECOND, 2), NoteRule.pin(1, Finger.SECOND, 1));
    Load load = load(InstrumentType.CELLO, passage, 80, second);
    Load.Share hop =
        load.moments().get(1).stream().filter(s -> s.limit() == Limit.FINGER).findFirst().get();
    assertThat(hop.ceiling(80)).isCloseTo(135, within(1e-6));
  }

  /** Ten strings a second in sixteenths: 150 to the quarter; two strings over at once: 75. */
  @Test
  void theBowCrossesTenStringsASecond() {
    ResolvedPassage passage = line(Fraction.of(1, 16), "D3", "A3", "G2");
    List<NoteRule> open =
        List.of(
            NoteRule.pin(0, Finger.OPEN, 2),
            NoteRule.pin(1, Finger.OPEN, 1),
            NoteRule.pin(2, Finger.OPEN, 3));
    Load load = load(InstrumentType.CELLO, passage, 100, open);
    assertThat(load.hardest(1).orElseThrow().ceiling(100)).isCloseTo(150, within(1e-6));
    assertThat(load.hardest(2).orElseThrow().ceiling(100)).isCloseTo(75, within(1e-6));
    assertThat(load.hardest().get(0).moment()).isEqualTo(2);
  }

  /** More is never easier: a quicker tempo, and a lower limit, never raise a ceiling. */
  @Property(tries = 60)
  void loadGrowsWithTheTempoAndShrinksWithTheLimits(
      @ForAll @DoubleRange(min = 30, max = 200) double tempo,
      @ForAll @DoubleRange(min = 1.01, max = 2) double faster,
      @ForAll @DoubleRange(min = 1.01, max = 2.4) double abler) {
    ResolvedPassage passage = line(Fraction.of(1, 8), "E3", "A3", "D3", "C4");
    TempoMap slow = TempoMap.steady(new Tempo(Beat.QUARTER, tempo));
    HandModel hand =
        new HandModel(Instrument.standard(InstrumentType.CELLO), School.USUAL, Hand.MEDIUM);
    Fingering f =
        new FingeringSolver(new FingeringTask(passage, slow, hand, Preset.SURE).withRules(E_TO_A))
            .best();
    Load at = Load.of(passage, slow, f, Optional.empty(), Limits.USUAL);
    Limits other = new Limits(80 * abler, 9 * abler, 10 * abler, 14 * abler);
    Load eased = Load.of(passage, slow, f, Optional.empty(), other);
    TempoMap quick = TempoMap.steady(new Tempo(Beat.QUARTER, tempo * faster));
    Fingering same =
        new FingeringSolver(
                new FingeringTask(passage, quick, hand, Preset.SURE)
                    .withFixed(
                        java.util.stream.IntStream.range(0, 4)
                            .boxed()
                            .collect(
                                java.util.stream.Collectors.toMap(
                                    i -> i, i -> f.notes().get(i).orElseThrow()))))
            .best();
    Load pressed = Load.of(passage, quick, same, Optional.empty(), Limits.USUAL);
    for (int m = 1; m < 4; m++) {
      if (at.hardest(m).isPresent()) {
        double share = at.hardest(m).get().share();
        assertThat(pressed.hardest(m).orElseThrow().share()).isGreaterThan(share);
        assertThat(eased.hardest(m).orElseThrow().share()).isLessThan(share);
      }
    }
  }
}
