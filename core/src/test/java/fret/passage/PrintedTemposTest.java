package fret.passage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.passage.TempoMark.Kind;
import fret.passage.TempoMark.Source;
import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.TimeSignature;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** Tempos as a page has them; what words mean is common practice, no source. */
class PrintedTemposTest {
  private final List<Bar> bars = new ArrayList<>();

  private PrintedTemposTest() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (int i = 0; i < 16; i++) {
      line.add(Fraction.ONE, Pitch.parse("G4"));
    }
    bars.addAll(line.build("", Interval.UNISON).bars());
  }

  /** Something above a bar, so many quarters after its start. */
  private void above(int bar, int quarters, Direction.Kind kind, String text, double number) {
    Bar b = bars.get(bar - 1);
    List<Direction> all = new ArrayList<>(b.directions());
    all.add(new Direction(b.start().add(Fraction.of(quarters, 4)), kind, text, number));
    bars.set(bar - 1, b.withDirections(all));
  }

  private void words(int bar, String text) {
    above(bar, 0, Direction.Kind.WORDS, text, 0);
  }

  private void mark(int bar, String text, double quarters) {
    above(bar, 0, Direction.Kind.TEMPO, text, quarters);
  }

  private Score page() {
    return new Score("", "", "", Interval.UNISON, bars);
  }

  private PrintedTempos.Found found() {
    return PrintedTempos.of(page());
  }

  private static String told(TempoMark m) {
    return m.bar()
        + (m.spot().offset().signum() == 0 ? "" : "+" + m.spot().offset())
        + " "
        + m.kind()
        + " "
        + m.counted().orElseThrow().displayName()
        + " "
        + Math.round(m.value())
        + (m.upper() > 0 ? "-" + Math.round(m.upper()) : "")
        + " "
        + m.source();
  }

  private List<String> marks() {
    return found().marks().stream().map(PrintedTemposTest::told).toList();
  }

  @Test
  void everyMarkIsASectionInItsOwnValue() {
    mark(1, "quarter=72", 72);
    mark(5, "quarter.=60", 90);
    above(9, 2, Direction.Kind.TEMPO, "half=75-80", 150);
    assertThat(marks())
        .containsExactly(
            "1 SECTION quarter 72 FILE",
            "5 SECTION dotted-quarter 60 FILE",
            "9+1 / 2 SECTION half 75-80 FILE");
  }

  @Test
  void aTempoThatIsOnlyHeardCountsWhereNoMarkStands() {
    mark(1, "quarter=72", 72);
    mark(1, "", 30);
    mark(6, "", 100);
    assertThat(marks()).containsExactly("1 SECTION quarter 72 FILE", "6 SECTION quarter 100 FILE");
  }

  @Test
  void withNothingPrintedAUsualTempoIsProposed() {
    assertThat(marks()).containsExactly("1 SECTION quarter 80 PROPOSED");
  }

  @Test
  void aWordAtTheHeadHasAUsualFigureAndAWordInTheMiddleSaysHowToPlay() {
    words(1, "Adagio");
    words(4, "vivace");
    words(7, "Allegro");
    words(9, "espressivo");
    assertThat(marks())
        .containsExactly("1 SECTION quarter 60 PROPOSED", "7 SECTION quarter 132 PROPOSED");
  }

  @Test
  void aSignedNoteInWordsIsAMark() {
    words(1, "Allegro (\u2669 = 126)");
    words(3, "Meno mosso \u266A = c. 180");
    assertThat(marks()).containsExactly("1 SECTION quarter 126 FILE", "3 SECTION eighth 180 FILE");
  }

  @Test
  void slowingLastsToTheNextMarkAndATempoBringsBack() {
    mark(1, "quarter=80", 80);
    words(5, "rit.");
    words(7, "a tempo");
    words(9, "poco rall.");
    words(10, "Tempo I");
    assertThat(marks())
        .containsExactly(
            "1 SECTION quarter 80 FILE",
            "5 GRADUAL quarter 60 PROPOSED",
            "7 SECTION quarter 80 FILE",
            "9 GRADUAL quarter 70 PROPOSED",
            "10 SECTION quarter 80 FILE");
  }

  /** Each "quicker" starts from the last; "a tempo" after a rit. is that of its own section. */
  @Test
  void quickerAndQuickerAddsUpAndARitardGoesBackToItsSection() {
    mark(1, "quarter=100", 100);
    words(3, "pi\u00f9 mosso");
    words(5, "pi\u00f9 mosso");
    words(7, "rit.");
    words(8, "a tempo");
    words(10, "poco meno mosso");
    words(12, "a tempo");
    assertThat(marks())
        .containsExactly(
            "1 SECTION quarter 100 FILE",
            "3 SECTION quarter 118 PROPOSED",
            "5 SECTION quarter 139 PROPOSED",
            "7 GRADUAL quarter 104 PROPOSED",
            "8 SECTION quarter 139 FILE",
            "10 SECTION quarter 126 PROPOSED",
            "12 SECTION quarter 139 FILE");
  }

  @Test
  void quickeningTowardsAQuickerTempoEndsThere() {
    mark(1, "quarter=80", 80);
    words(5, "accel. poco a poco");
    mark(9, "half=70", 140);
    TempoMap map = TempoPlan.of(page(), found().first(), found().marks());
    assertThat(marks().get(1)).isEqualTo("5 GRADUAL quarter 140 PROPOSED");
    // A stretch from rate a to b lasts l ln(b/a)/(b-a): integral of 1/rate.
    double minutes = 16 * Math.log(140 / 80.0) / 60;
    assertThat(map.durationMs(Fraction.of(4), Fraction.of(8)))
        .isCloseTo(minutes * 60_000, within(1e-6));
  }

  @Test
  void slowingEndsAtADoubleBar() {
    mark(1, "quarter=80", 80);
    words(5, "rit.");
    bars.set(5, bars.get(5).withLine(Bar.Line.DOUBLE));
    assertThat(marks()).endsWith("7 SECTION quarter 80 PROPOSED");
  }

  @Test
  void theBeatStaysOrDoublesOrChanges() {
    mark(1, "quarter=80", 80);
    words(3, "L'istesso tempo");
    words(5, "doppio movimento");
    mark(7, "quarter=quarter.", 0);
    words(9, "pi\u00f9 mosso");
    assertThat(marks())
        .containsExactly(
            "1 SECTION quarter 80 FILE",
            "3 SECTION quarter 80 FILE",
            "5 SECTION quarter 160 FILE",
            "7 SECTION dotted-quarter 160 FILE",
            "9 SECTION dotted-quarter 189 PROPOSED");
  }

  @Test
  void temposThatChangeAllTheTimeAreOne() {
    for (int bar = 1; bar <= 16; bar++) {
      mark(bar, "", bar % 2 == 0 ? 60 : 90);
    }
    assertThat(found().smoothed()).isTrue();
    // Half the music at 60, half at 90: 2 / (1/60 + 1/90) = 72.
    assertThat(marks()).containsExactly("1 SECTION quarter 72 PROPOSED");
  }

  @Test
  void temposThatFallStepByStepAreOneGradualChange() {
    mark(1, "quarter=90", 90);
    for (int q = 0; q < 4; q++) {
      above(8, q, Direction.Kind.TEMPO, "", 84 - 8 * q);
    }
    assertThat(marks())
        .containsExactly(
            "1 SECTION quarter 90 FILE",
            "8 GRADUAL quarter 60 FILE",
            "8+3 / 4 SECTION quarter 60 FILE");
  }

  @Test
  void whatIsReadFromALaterBarOnStartsAtItsTempo() {
    mark(1, "quarter=72", 72);
    mark(5, "quarter.=60", 90);
    mark(9, "quarter=112", 112);
    Score read = page().range("6", "12");
    Passage.Settings s = found().in(Passage.Settings.USUAL, read, page());
    assertThat(s.target()).isEqualTo(new Tempo(Beat.QUARTER.dotted(), 60));
    List<TempoPlan.Section> sections =
        TempoPlan.sections(read, s.target(), s.details().tempoMarks());
    assertThat(sections).hasSize(2);
    assertThat(sections.get(1).source()).isEqualTo(Source.FILE);
    assertThat(sections.get(1).bar().number()).isEqualTo("9");
  }

  @Test
  void anotherFirstTempoScalesTheOthers() {
    mark(1, "quarter=72", 72);
    mark(5, "quarter=144", 144);
    Passage.Settings s = found().in(Passage.Settings.USUAL, page(), page());
    Passage.Settings slow = TempoPlan.withFirst(s, new Tempo(Beat.HALF, 18));
    assertThat(slow.details().tempoMarks().get(0).value()).isCloseTo(72, within(1e-9));
    assertThat(slow.details().tempoMarks().get(0).source()).isEqualTo(Source.MINE);
    assertThat(TempoPlan.withFirst(s, new Tempo(Beat.HALF, 36)).details().tempoMarks())
        .isEqualTo(s.details().tempoMarks());
  }

  @Test
  void tempoMarksComeBackFromTheirForm() {
    mark(1, "quarter=72", 72);
    above(9, 2, Direction.Kind.TEMPO, "half=75-80", 150);
    words(11, "rit.");
    Details d = Details.NONE.withTempoMarks(found().marks());
    assertThat(DetailsForm.read(DetailsForm.of(d))).isEqualTo(d);
    assertThat(found().marks().get(2).kind()).isEqualTo(Kind.GRADUAL);
  }
}
