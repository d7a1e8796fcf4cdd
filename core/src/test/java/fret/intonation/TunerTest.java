package fret.intonation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.fingering.Fingering;
import fret.fingering.FingeringSolver;
import fret.fingering.FingeringTask;
import fret.fingering.NoteRule;
import fret.harmony.Harmony;
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
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class TunerTest {
  private static final Function<Instrument, OpenStrings> PURE = i -> OpenStrings.pure(i, 440);
  private static final Function<Instrument, OpenStrings> TEMPERED =
      i -> OpenStrings.tempered(i, 440);

  /** Words are notes with string and finger, such as {@code B3:1:1}; a plus joins a chord. */
  private static Tuned tuned(
      InstrumentType type,
      String notes,
      Function<Instrument, OpenStrings> strings,
      Temperament temperament) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.BASS);
    List<NoteRule> rules = new ArrayList<>();
    for (String word : notes.split(" ")) {
      List<Pitch> heads = new ArrayList<>();
      for (String one : word.split("\\+")) {
        String[] part = one.split(":");
        heads.add(Pitch.parse(part[0]));
        Finger finger = Finger.ofDigit(part[2]).orElseThrow();
        rules.add(NoteRule.pin(rules.size(), finger, Integer.parseInt(part[1])));
      }
      line.add(Fraction.of(1, 4), heads.toArray(Pitch[]::new));
    }
    ResolvedPassage passage = Resolver.resolve(line.build("line", Interval.UNISON));
    Instrument instrument = Instrument.standard(type);
    HandModel hand = new HandModel(instrument, School.USUAL, Hand.MEDIUM);
    FingeringTask task =
        new FingeringTask(passage, TempoMap.steady(new Tempo(Beat.QUARTER, 60)), hand, Preset.SURE);
    Fingering f = new FingeringSolver(task.withRules(rules)).best();
    assertThat(f.problems()).isEmpty();
    return Tuner.of(
        passage, f, hand, strings.apply(instrument), Harmony.NONE, n -> temperament, false);
  }

  private static Check open(Tuned t, int note, String against) {
    return t.notes().get(note).orElseThrow().checks().stream()
        .filter(c -> c.kind() == Check.Kind.OPEN && c.against().toString().equals(against))
        .findFirst()
        .orElseThrow();
  }

  private static Check doubleStop(Tuned t, int note) {
    return t.notes().get(note).orElseThrow().checks().stream()
        .filter(c -> c.kind() == Check.Kind.DOUBLE_STOP)
        .findFirst()
        .orElseThrow();
  }

  // A. J. Ellis's table of intervals in H. L. F. Helmholtz, On the Sensations of Tone, appendix XX
  // section D (from memory); 81:80 the syntonic comma.
  @ParameterizedTest
  @CsvSource({
    "8, 5, 813.686", "5, 3, 884.359", "45, 32, 590.224", "6, 5, 315.641", "5, 4, 386.314",
    "81, 80, 21.506", "3, 2, 701.955", "4, 3, 498.045", "16, 9, 996.090", "7, 5, 582.512"
  })
  void ratiosHaveTheirCents(int high, int low, double cents) {
    assertThat(new Ratio(high, low).cents()).isCloseTo(cents, within(0.001));
  }

  @ParameterizedTest
  @CsvSource({"CELLO, 4, -5.9", "VIOLIN, 4, -3.9", "VIOLIN, 1, 2.0", "BASS, 1, -3.9"})
  void pureFifthsMoveTheOuterStrings(InstrumentType type, int string, double cents) {
    OpenStrings pure = OpenStrings.pure(Instrument.standard(type), 440);
    assertThat(pure.of(string)).isCloseTo(cents, within(0.05));
  }

  /** Cello of 690 mm, first finger on Bb3 and B3 over the open D string. */
  @ParameterizedTest
  @CsvSource({
    "Bb3:1:1, true, 11.7, 4.4, 8:5", "Bb3:1:1, false, 13.7, 5.1, 8:5",
    "B3:1:1, true, -17.6, -6.3, 5:3", "B3:1:1, false, -15.6, -5.6, 5:3"
  })
  void sixthsOverTheStringBelow(String note, boolean pure, double cents, double mm, String ratio) {
    Tuned t = tuned(InstrumentType.CELLO, note, pure ? PURE : TEMPERED, Temperament.EQUAL);
    Check check = open(t, 0, "D3");
    assertThat(check.centsFromEqual()).isCloseTo(cents, within(0.05));
    assertThat(check.mm()).isCloseTo(mm, within(0.05));
    assertThat(check.ratio()).hasToString(ratio);
  }

  /** Cello, lower finger 8 and upper 7 semitones up: Bb2... on G and D: Eb3 + A3, a tritone. */
  @Test
  void aTritonesGapWidensWhereItsSoundNarrows() {
    Tuned pure = tuned(InstrumentType.CELLO, "Eb3:3:2+A3:2:1", PURE, Temperament.EQUAL);
    Check upper = doubleStop(pure, 1);
    assertThat(upper.gapEqualMm().orElseThrow()).isCloseTo(25.8, within(0.06));
    assertThat(upper.gapMm().orElseThrow())
        .as("the upper finger moves")
        .isCloseTo(29.0, within(0.06));
    Check lower = doubleStop(pure, 0);
    assertThat(lower.gapMm().orElseThrow())
        .as("the lower finger moves")
        .isCloseTo(28.8, within(0.06));
    Tuned tempered = tuned(InstrumentType.CELLO, "Eb3:3:2+A3:2:1", TEMPERED, Temperament.EQUAL);
    assertThat(doubleStop(tempered, 1).gapMm().orElseThrow()).isCloseTo(28.5, within(0.06));
    assertThat(doubleStop(tempered, 0).gapMm().orElseThrow()).isCloseTo(28.3, within(0.06));
    // 7:5 as the other school: upper and lower finger moved
    OpenStrings strings = pure.strings();
    double seven = Ratio.SEPTIMAL_TRITONE.cents();
    double up = strings.placeMm(800) - strings.placeMm(800 + seven - new Ratio(3, 2).cents());
    double down = strings.placeMm(700 + new Ratio(3, 2).cents() - seven) - strings.placeMm(700);
    assertThat(up).isCloseTo(31.0, within(0.06));
    assertThat(down).isCloseTo(30.7, within(0.06));
    // five semitones higher it stands narrower by 2^(5/12)
    double higher = strings.placeMm(1300) - strings.placeMm(1200);
    assertThat(higher).isCloseTo(19.4, within(0.06));
  }

  /** F2 + B2 on the two low strings, 5 and 4 semitones up. */
  @Test
  void anotherTritone() {
    Tuned t = tuned(InstrumentType.CELLO, "F2:4:4+B2:3:3", PURE, Temperament.EQUAL);
    assertThat(doubleStop(t, 1).gapEqualMm().orElseThrow()).isCloseTo(30.7, within(0.06));
    assertThat(doubleStop(t, 1).gapMm().orElseThrow()).isCloseTo(34.5, within(0.06));
    assertThat(doubleStop(t, 0).gapMm().orElseThrow()).isCloseTo(34.2, within(0.06));
  }

  @Test
  void equalTuningIsZeroOnStoppedNotesAndEverywhereOverTemperedStrings() {
    String scale = "C2:4:0 D2:4:1 E2:4:3 F2:4:4 G2:3:0 A2:3:1 B2:3:3 C3:3:4";
    Tuned pure = tuned(InstrumentType.CELLO, scale, PURE, Temperament.EQUAL);
    Tuned tempered = tuned(InstrumentType.CELLO, scale, TEMPERED, Temperament.EQUAL);
    for (int i = 0; i < 8; i++) {
      boolean isOpen = i == 0 || i == 4;
      double cents = pure.notes().get(i).orElseThrow().cents();
      assertThat(cents == 0).isEqualTo(!isOpen);
      assertThat(tempered.notes().get(i).orElseThrow().cents()).isZero();
    }
  }

  /** A fifth up on the next string: the same places against the strings, in every tuning. */
  @ParameterizedTest
  @EnumSource(Temperament.class)
  void aFifthHigherOneStringOverChangesNothing(Temperament temperament) {
    Function<Instrument, OpenStrings> strings = temperament == Temperament.EQUAL ? TEMPERED : PURE;
    Tuned low = tuned(InstrumentType.CELLO, "D2:4:1 E2:4:3 F2:4:4 D2:4:1", strings, temperament);
    Tuned high = tuned(InstrumentType.CELLO, "A2:3:1 B2:3:3 C3:3:4 A2:3:1", strings, temperament);
    for (int i = 0; i < 4; i++) {
      Tuned.Place a = low.notes().get(i).orElseThrow();
      Tuned.Place b = high.notes().get(i).orElseThrow();
      assertThat(a.mm()).isCloseTo(b.mm(), within(1e-9));
    }
  }

  /** E4 on the cello's A string is a fifth to the A below no string; with D and G it differs. */
  @Test
  void theCommaIsTold() {
    // E3 on the D string: fifth below B... a fourth under the open A, a sixth over the open G
    Tuned t = tuned(InstrumentType.CELLO, "E3:2:1", PURE, Temperament.EQUAL);
    Tuned.Conflict conflict = t.notes().get(0).orElseThrow().conflict().orElseThrow();
    assertThat(conflict.apartCents()).isCloseTo(Ratio.COMMA.cents(), within(0.01));
    assertThat(conflict.first().against()).hasToString("G2");
    assertThat(conflict.second().against()).hasToString("A3");
    // 690 mm, two semitones up: 614.7 mm sound; 21.5 cents of them are 7.6 mm
    assertThat(conflict.apartMm()).isCloseTo(7.6, within(0.1));
  }

  @Test
  void aNoteRingsWithTheStringThatItDoubles() {
    // D4 on the A string doubles the D string an octave higher; E4 is a fifth over A, not its own
    Tuned t = tuned(InstrumentType.CELLO, "D4:1:4 E4:1:4", PURE, Temperament.PYTHAGOREAN);
    Tuned.Place d = t.notes().get(0).orElseThrow();
    assertThat(d.ring())
        .as("and it is the twelfth over G")
        .containsExactly(new Tuned.Ring(2, false), new Tuned.Ring(3, false));
    assertThat(d.isMilestone()).isTrue();
    assertThat(t.notes().get(1).orElseThrow().ring()).noneMatch(r -> r.string() == 1);
  }

  /** Violin: E4 on the D string wakes the open E an octave above; E5 on it does not wake itself. */
  @Test
  void aNoteRingsWithTheStringAnOctaveAbove() {
    Tuned t = tuned(InstrumentType.VIOLIN, "E4:3:1", PURE, Temperament.PYTHAGOREAN);
    assertThat(t.notes().get(0).orElseThrow().ring()).contains(new Tuned.Ring(1, false));
  }

  /** Two octaves and more above the string: no one hears a sixth of 20:3 or a third of 5:1. */
  @Test
  void checksThatNobodyHearsAreLeftOut() {
    Tuned t = tuned(InstrumentType.CELLO, "A4:1:3 E4:1:1", PURE, Temperament.EQUAL);
    for (int i = 0; i < 2; i++) {
      assertThat(t.notes().get(i).orElseThrow().checks())
          .extracting(c -> c.ratio().toString())
          .isNotEmpty()
          .doesNotContain("20:3", "16:3", "24:5", "5:1", "32:5");
    }
    assertThat(open(t, 1, "G2").ratio()).hasToString("10:3");
  }

  @Test
  void theHalfwayHarmonicChecksTheOctave() {
    Tuned t = tuned(InstrumentType.CELLO, "A4:1:3", PURE, Temperament.EQUAL);
    Check octave =
        t.notes().get(0).orElseThrow().checks().stream()
            .filter(c -> c.kind() == Check.Kind.HARMONIC)
            .findFirst()
            .orElseThrow();
    assertThat(octave.ratio()).hasToString("1:1");
    assertThat(octave.mm()).isCloseTo(0, within(1e-9));
  }

  /** Neighbours in time on neighbouring strings under one hand, counted by hand. */
  @Test
  void neighbourPairsAreListed() {
    Tuned t =
        tuned(InstrumentType.CELLO, "E3:2:1 B3:1:1 C4:1:2 F3:2:2 G3:2:4", PURE, Temperament.JUST);
    assertThat(t.pairs())
        .as("E-B as a barre, C-F; B-C and F-G lie on one string")
        .containsExactly(new Tuned.Pair(0, 1), new Tuned.Pair(2, 3));
  }

  @Test
  void chordsAreTunedInOrder() {
    Tuned t = tuned(InstrumentType.CELLO, "A2:3:1+E3:2:1+C4:1:2", PURE, Temperament.EQUAL);
    Tuned.Order order = t.orders().get(0);
    assertThat(order.notes(Tuned.School.FIFTH_FIRST))
        .as("the fifth first, then the third")
        .containsExactly(0, 1, 2);
    assertThat(order.barre()).isTrue();
  }

  /** Ratios are those of the spelled interval; a doubly augmented one has none. */
  @Test
  void spellingDecidesTheRatio() {
    for (String[] row :
        new String[][] {{"C4", "F#4", "45:32"}, {"C4", "Gb4", "64:45"}, {"G3", "B4", "5:2"}}) {
      Interval i = Interval.between(Pitch.parse(row[0]), Pitch.parse(row[1]));
      assertThat(Ratio.of(i).orElseThrow()).as(Arrays.toString(row)).hasToString(row[2]);
    }
  }

  /** However a note is spelled it is tuned, and no check is without its ratio. */
  @ParameterizedTest
  @EnumSource(Temperament.class)
  void everySpellingIsTuned(Temperament temperament) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (String octave : new String[] {"4", "5"}) {
      for (String letter : "C D E F G A B".split(" ")) {
        for (String sign : new String[] {"b", "", "#"}) {
          line.add(Fraction.of(1, 4), Pitch.parse(letter + sign + octave));
        }
      }
    }
    ResolvedPassage passage = Resolver.resolve(line.build("all", Interval.UNISON));
    Instrument violin = Instrument.standard(InstrumentType.VIOLIN);
    HandModel hand = new HandModel(violin, School.USUAL, Hand.MEDIUM);
    Fingering f =
        new FingeringSolver(
                new FingeringTask(
                    passage, TempoMap.steady(new Tempo(Beat.QUARTER, 60)), hand, Preset.SURE))
            .best();
    Tuned t = Tuner.of(passage, f, hand, PURE.apply(violin), Harmony.NONE, n -> temperament, false);
    assertThat(t.notes()).hasSize(42).allMatch(java.util.Optional::isPresent);
  }
}
