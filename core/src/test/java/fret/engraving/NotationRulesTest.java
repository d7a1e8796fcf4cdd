package fret.engraving;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Event;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.NoteValue;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Rules of written music (common practice, from memory), checked on the lines and glyphs drawn. */
class NotationRulesTest {
  private static final Fraction QUARTER = Fraction.of(1, 4);
  private static final Fraction EIGHTH = Fraction.of(1, 8);

  private static LineBuilder line() {
    return new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
  }

  private static Strip engraved(Score score) {
    return StripEngraver.engrave(Resolver.resolve(score), List.of(), PlainMetrics.BOXES);
  }

  private static Strip notes(Fraction length, String... pitches) {
    LineBuilder line = line();
    for (String p : pitches) {
      line.add(length, Stream.of(p.split("\\+")).map(Pitch::parse).toArray(Pitch[]::new));
    }
    return engraved(line.build("", Interval.UNISON));
  }

  private static List<Primitive.Glyph> glyphs(Strip strip, MusicGlyph glyph) {
    return strip.primitives().stream()
        .filter(p -> p instanceof Primitive.Glyph g && g.glyph() == glyph)
        .map(p -> (Primitive.Glyph) p)
        .sorted(Comparator.comparingDouble(Primitive.Glyph::x))
        .toList();
  }

  private static List<Primitive.Line> lines(Strip strip) {
    return strip.primitives().stream()
        .filter(p -> p instanceof Primitive.Line && p.ink() == Primitive.Ink.NOTE)
        .map(p -> (Primitive.Line) p)
        .toList();
  }

  /** Upright lines that belong to a note, from left to right. */
  private static List<Primitive.Line> stems(Strip strip) {
    return lines(strip).stream()
        .filter(l -> l.slice() >= 0 && l.x1() == l.x2())
        .sorted(Comparator.comparingDouble(Primitive.Line::x1))
        .toList();
  }

  private static List<Primitive.Line> ledgers(Strip strip) {
    return lines(strip).stream()
        .filter(l -> l.y1() == l.y2() && (l.y1() < 0 || l.y1() > 4) && l.x2() - l.x1() < 3)
        .toList();
  }

  private static List<Primitive.Beam> beams(Strip strip) {
    return strip.primitives().stream()
        .filter(Primitive.Beam.class::isInstance)
        .map(Primitive.Beam.class::cast)
        .toList();
  }

  private static List<Primitive.Curve> curves(Strip strip) {
    return strip.primitives().stream()
        .filter(Primitive.Curve.class::isInstance)
        .map(Primitive.Curve.class::cast)
        .toList();
  }

  /** Stems go up below the middle line and down from it on, and are an octave long. */
  @ParameterizedTest
  @CsvSource({"G4, true", "A4, true", "B4, false", "C5, false", "F5, false", "E4, true"})
  void stemsTurnAtTheMiddleLine(String pitch, boolean up) {
    Strip strip = notes(QUARTER, pitch);
    Primitive.Line stem = stems(strip).get(0);
    Primitive.Glyph head = glyphs(strip, MusicGlyph.HEAD_BLACK).get(0);
    double above = head.y() - stem.top();
    double below = stem.bottom() - head.y();
    assertThat(above > below).isEqualTo(up);
    assertThat(Math.max(above, below)).isBetween(3.0, 3.9);
    assertThat(stem.x1() > head.x() + 0.6).as("up-stems stand on the right").isEqualTo(up);
  }

  /** Stems of notes beyond one ledger line reach the middle line. */
  @ParameterizedTest
  @CsvSource({"C6, 2", "E6, 2", "A3, 2", "F3, 2"})
  void stemsOfFarNotesReachTheMiddleLine(String pitch, double middle) {
    Primitive.Line stem = stems(notes(QUARTER, pitch)).get(0);
    assertThat(stem.top()).isLessThanOrEqualTo(middle + 0.2);
    assertThat(stem.bottom()).isGreaterThanOrEqualTo(middle - 0.2);
  }

  @ParameterizedTest
  @CsvSource({
    "G5, 0", "A5, 1", "B5, 1", "C6, 2", "D4, 0", "C4, 1", "B3, 1", "A3, 2", "G3, 2", "F3, 3"
  })
  void ledgerLinesAreCounted(String pitch, int expected) {
    assertThat(ledgers(notes(QUARTER, pitch))).hasSize(expected);
  }

  @Test
  void secondsInAChordStandOnBothSidesOfTheStem() {
    Strip strip = notes(QUARTER, "G4+A4");
    List<Primitive.Glyph> heads = glyphs(strip, MusicGlyph.HEAD_BLACK);
    assertThat(heads).hasSize(2);
    assertThat(heads.get(1).x() - heads.get(0).x()).isCloseTo(1.1, within(0.25));
    double stem = stems(strip).get(0).x1();
    assertThat(stem).isBetween(heads.get(0).x() + 0.8, heads.get(1).x() + 0.3);
  }

  @ParameterizedTest
  @CsvSource({
    "1, HEAD_WHOLE, 0, 0",
    "2, HEAD_HALF, 1, 0",
    "4, HEAD_BLACK, 1, 0",
    "8, HEAD_BLACK, 1, 1",
    "16, HEAD_BLACK, 1, 2",
  })
  void valuesHaveTheirHeadsStemsAndBeams(int value, MusicGlyph head, int stem, int beams) {
    Strip strip = notes(Fraction.of(1, value), "G4", "A4");
    assertThat(glyphs(strip, head)).hasSize(2);
    assertThat(stems(strip)).hasSize(2 * stem);
    assertThat(beams(strip)).hasSize(beams);
  }

  /** A beam joins the ends of its stems, follows the line, and never lies flat on a step. */
  @Test
  void beamsJoinTheStemsAndFollowTheLine() {
    Strip strip = notes(EIGHTH, "D4", "E4", "F4", "G4");
    List<Primitive.Beam> beams = beams(strip);
    assertThat(beams).isNotEmpty();
    for (Primitive.Beam beam : beams) {
      assertThat(beam.y2()).as("the line rises").isLessThanOrEqualTo(beam.y1());
      List<Primitive.Line> under =
          stems(strip).stream()
              .filter(s -> s.x1() >= beam.x1() - 0.2 && s.x1() <= beam.x2() + 0.2)
              .toList();
      assertThat(under).hasSizeGreaterThan(1);
      for (Primitive.Line stem : under) {
        double share = (stem.x1() - beam.x1()) / (beam.x2() - beam.x1());
        double y = beam.y1() + share * (beam.y2() - beam.y1());
        assertThat(stem.top()).isCloseTo(y, within(0.45));
      }
    }
  }

  /** In common time eighths are beamed by half bars at most, never across the middle. */
  @Test
  void beamsDoNotCrossTheMiddleOfTheBar() {
    Strip strip = notes(EIGHTH, "G4", "A4", "B4", "C5", "C5", "B4", "A4", "G4");
    double middle = strip.sliceX().get(4);
    assertThat(beams(strip)).noneMatch(b -> b.x1() < middle - 1 && b.x2() > middle + 1);
  }

  private static Event withTie(Event e, boolean start, boolean stop) {
    return e.withHeads(e.heads().stream().map(h -> h.withTies(start, stop)).toList());
  }

  @Test
  void tiesJoinTheSameNoteOnTheSideAwayFromTheStem() {
    Score plain =
        line()
            .add(QUARTER, Pitch.parse("G4"))
            .add(QUARTER, Pitch.parse("G4"))
            .build("", Interval.UNISON);
    Bar bar = plain.bars().get(0);
    List<Event> events = new ArrayList<>(bar.events());
    events.set(0, withTie(events.get(0), true, false));
    events.set(1, withTie(events.get(1), false, true));
    Score tied = plain.withBars(List.of(bar.withEvents(events)));
    Strip strip = engraved(tied);
    assertThat(strip.sliceX()).as("tied notes are one moment").hasSize(1);
    Primitive.Curve tie = curves(strip).get(0);
    assertThat(curves(strip)).hasSize(1);
    assertThat(tie.y1()).isEqualTo(tie.y2());
    assertThat(tie.height()).as("below, as the stems go up").isPositive();
    List<Primitive.Glyph> heads = glyphs(strip, MusicGlyph.HEAD_BLACK);
    assertThat(tie.x1()).isGreaterThan(heads.get(0).x());
    assertThat(tie.x2()).isLessThan(heads.get(1).x() + 0.7);
  }

  @Test
  void slursStandOverDownStemsAndClearOfTheNotesBetween() {
    LineBuilder line = line();
    String[] names = {"C5", "G5", "C5"};
    for (int i = 0; i < names.length; i++) {
      Signs signs =
          i == 0
              ? Signs.PLAIN.withSlurs(List.of(1), List.of())
              : i == 2 ? Signs.PLAIN.withSlurs(List.of(), List.of(1)) : Signs.PLAIN;
      line.add(QUARTER, List.of(Head.of(Pitch.parse(names[i]))), signs);
    }
    Strip strip = engraved(line.build("", Interval.UNISON));
    Primitive.Curve slur = curves(strip).get(0);
    Primitive.Glyph top = glyphs(strip, MusicGlyph.HEAD_BLACK).get(1);
    assertThat(slur.height()).as("above").isNegative();
    assertThat(slur.top()).isLessThan(top.y() - 0.5);
  }

  /** The upper voice has its stems up, the lower one down, wherever the notes lie. */
  @Test
  void twoVoicesHaveOppositeStems() {
    Score upper = line().add(Fraction.ONE, Pitch.parse("G5")).build("", Interval.UNISON);
    Bar bar = upper.bars().get(0);
    List<Event> events = new ArrayList<>();
    events.add(Event.of(Fraction.ZERO, new NoteValue(2, 0), List.of(Head.of(Pitch.parse("D5")))));
    events.add(
        Event.of(Fraction.of(1, 2), new NoteValue(2, 0), List.of(Head.of(Pitch.parse("E5")))));
    for (int i = 0; i < 2; i++) {
      events.add(
          new Event(
              "2",
              Fraction.of(i, 2),
              Fraction.of(1, 2),
              new NoteValue(2, 0),
              List.of(Head.of(Pitch.parse("F4"))),
              Event.Grace.NONE,
              false,
              Signs.PLAIN));
    }
    Strip strip = engraved(upper.withBars(List.of(bar.withEvents(events))));
    List<Primitive.Glyph> heads = glyphs(strip, MusicGlyph.HEAD_HALF);
    assertThat(heads).hasSize(4);
    for (Primitive.Glyph head : heads) {
      boolean isUpper = head.y() < 2;
      Primitive.Line stem =
          stems(strip).stream()
              .filter(s -> Math.abs(s.x1() - head.x() - 0.6) < 0.9)
              .filter(s -> s.top() < head.y() + 0.3 && s.bottom() > head.y() - 0.3)
              .filter(s -> isUpper == head.y() - s.top() > s.bottom() - head.y())
              .findFirst()
              .orElseThrow();
      assertThat(stem.bottom() - stem.top()).isGreaterThan(2.5);
    }
  }

  /** Dots stand in a space, also for a note on a line. */
  @ParameterizedTest
  @CsvSource({"B4, 1.5", "C5, 1.5", "A4, 2.5", "G4, 2.5"})
  void dotsStandInSpaces(String pitch, double y) {
    Strip strip = notes(Fraction.of(3, 8), pitch);
    assertThat(glyphs(strip, MusicGlyph.DOT).get(0).y()).isCloseTo(y, within(1e-9));
  }

  /** Longer notes get more room, but not in proportion. */
  @Test
  void roomGrowsWithTheValue() {
    Strip mixed =
        engraved(
            line()
                .add(Fraction.of(1, 2), Pitch.parse("G4"))
                .add(QUARTER, Pitch.parse("G4"))
                .add(EIGHTH, Pitch.parse("G4"))
                .add(EIGHTH, Pitch.parse("G4"))
                .build("", Interval.UNISON));
    List<Double> x = mixed.sliceX();
    double half = x.get(1) - x.get(0);
    double quarter = x.get(2) - x.get(1);
    double eighth = x.get(3) - x.get(2);
    assertThat(half).isGreaterThan(quarter);
    assertThat(quarter).isGreaterThan(eighth);
    assertThat(half).isLessThan(2 * quarter);
  }

  @Test
  void threeEqualBarsOfRestAreDrawnAsOneWithTheirNumber() {
    LineBuilder line = line().add(Fraction.ONE, Pitch.parse("G4"));
    line.add(Fraction.ONE).add(Fraction.ONE).add(Fraction.ONE).add(Fraction.ONE, Pitch.parse("A4"));
    Score score = line.build("", Interval.UNISON);
    Strip strip = engraved(score);
    assertThat(glyphs(strip, MusicGlyph.REST_WHOLE)).isEmpty();
    assertThat(strip.bars()).hasSize(5);
    assertThat(strip.bars().get(1).left()).isEqualTo(strip.bars().get(3).left());
    Strip writing =
        StripEngraver.engrave(
            Resolver.resolve(score), List.of(), PlainMetrics.BOXES, StripStyle.WRITING);
    assertThat(glyphs(writing, MusicGlyph.REST_WHOLE)).hasSize(3);
  }
}
