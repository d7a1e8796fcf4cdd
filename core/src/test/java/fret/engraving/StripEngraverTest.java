package fret.engraving;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

class StripEngraverTest {
  private static final GlyphMetrics METRICS = PlainMetrics.BOXES;

  private static ResolvedPassage line(KeySignature key, String... chords) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, key, Clef.TREBLE);
    for (String chord : chords) {
      line.add(
          Fraction.of(1, 8),
          java.util.Arrays.stream(chord.split("\\+")).map(Pitch::parse).toArray(Pitch[]::new));
    }
    return Resolver.resolve(line.build("", Interval.UNISON));
  }

  private static List<Primitive.Glyph> glyphs(Strip strip, MusicGlyph... which) {
    List<MusicGlyph> wanted = List.of(which);
    return strip.primitives().stream()
        .filter(p -> p instanceof Primitive.Glyph g && wanted.contains(g.glyph()))
        .map(p -> (Primitive.Glyph) p)
        .toList();
  }

  @Test
  void accidentalsFollowTheKeyAndTheBar() {
    ResolvedPassage p =
        line(new KeySignature(1), "F#4", "F4", "F4", "F#4", "C5", "C#5", "C#5", "F#4", "F#4", "F4");
    List<Head> heads = p.score().events().stream().flatMap(e -> e.heads().stream()).toList();
    List<Head.Accidental> signs = new ArrayList<>();
    for (Bar bar : p.score().bars()) {
      var of = Accidentals.of(bar);
      bar.events().stream()
          .flatMap(e -> e.heads().stream())
          .forEach(h -> signs.add(of.getOrDefault(h, Head.Accidental.NONE)));
    }
    assertThat(heads).hasSize(10);
    assertThat(signs)
        .extracting(Enum::name)
        .containsExactly(
            "NONE", "NATURAL", "NONE", "SHARP", "NONE", "SHARP", "NONE", "NONE", "NONE", "NATURAL");
  }

  @Test
  void staffPositionsFollowTheClef() {
    assertThat(Clef.TREBLE.staffPosition(Pitch.parse("E4"))).isZero();
    assertThat(Clef.ALTO.staffPosition(Pitch.parse("C4"))).isEqualTo(4);
    assertThat(Clef.TENOR.staffPosition(Pitch.parse("C4"))).isEqualTo(6);
    assertThat(Clef.BASS.staffPosition(Pitch.parse("F3"))).isEqualTo(6);
    assertThat(new Clef(Clef.Sign.F, 4, -1).staffPosition(Pitch.parse("F2"))).isEqualTo(6);
  }

  /** Places of key signatures in the four clefs (common practice, from memory). */
  @Test
  void keySignaturesStandWhereTheyAreWritten() {
    KeySignature sharps = new KeySignature(7);
    KeySignature flats = new KeySignature(-7);
    assertThat(sharps.alteredSteps().stream().map(s -> Clef.TREBLE.keyPosition(s, true)))
        .containsExactly(8, 5, 9, 6, 3, 7, 4);
    assertThat(flats.alteredSteps().stream().map(s -> Clef.TREBLE.keyPosition(s, false)))
        .containsExactly(4, 7, 3, 6, 2, 5, 1);
    assertThat(sharps.alteredSteps().stream().map(s -> Clef.BASS.keyPosition(s, true)))
        .containsExactly(6, 3, 7, 4, 1, 5, 2);
    assertThat(flats.alteredSteps().stream().map(s -> Clef.BASS.keyPosition(s, false)))
        .containsExactly(2, 5, 1, 4, 0, 3, -1);
    assertThat(sharps.alteredSteps().stream().map(s -> Clef.ALTO.keyPosition(s, true)))
        .containsExactly(7, 4, 8, 5, 2, 6, 3);
    assertThat(sharps.alteredSteps().stream().map(s -> Clef.TENOR.keyPosition(s, true)))
        .containsExactly(2, 6, 3, 7, 4, 8, 5);
  }

  @Test
  void headsStandInOrderAndDoNotOverlap() {
    Strip strip =
        StripEngraver.engrave(
            line(new KeySignature(-2), "G4", "A4+C#5", "B3+F5", "C6", "D4", "E5", "F#5+G5", "A3"),
            List.of(),
            METRICS);
    assertThat(strip.sliceX()).isSorted();
    List<Primitive.Glyph> inked =
        glyphs(strip, MusicGlyph.HEAD_BLACK, MusicGlyph.SHARP, MusicGlyph.NATURAL, MusicGlyph.FLAT);
    for (Primitive a : inked) {
      for (Primitive b : inked) {
        boolean overlap =
            a.left() < b.right() - 0.15
                && b.left() < a.right() - 0.15
                && a.top() < b.bottom() - 0.05
                && b.top() < a.bottom() - 0.05;
        assertThat(a.equals(b) || !overlap).as(a + " and " + b).isTrue();
      }
    }
  }

  @Test
  void fingeringsStandClearOfNotesAndOfEachOther() {
    ResolvedPassage p = line(KeySignature.NONE, "G4", "C6", "A5+C6", "E6", "B3", "D5", "F5", "A5");
    List<FingerText> digits =
        IntStream.range(0, p.notes().size())
            .mapToObj(i -> new FingerText(i, String.valueOf(i % 5), "II", i == 2))
            .toList();
    Strip strip = StripEngraver.engrave(p, digits, METRICS);
    List<Primitive> texts =
        strip.primitives().stream()
            .filter(t -> t instanceof Primitive.Text && t.slice() >= 0)
            .toList();
    List<Primitive> rest =
        strip.primitives().stream()
            .filter(t -> t.ink() != Primitive.Ink.STAVE && !(t instanceof Primitive.Beam))
            .toList();
    assertThat(texts).hasSize(2 * p.notes().size());
    for (Primitive t : texts) {
      for (Primitive o : rest) {
        boolean overlap =
            !t.equals(o)
                && t.left() < o.right()
                && o.left() < t.right()
                && t.top() < o.bottom()
                && o.top() < t.bottom();
        assertThat(overlap).as(t + " and " + o).isFalse();
      }
    }
  }

  @Test
  void hitTestingFindsTheNearestMoment() {
    Strip strip =
        StripEngraver.engrave(line(KeySignature.NONE, "G4", "A4", "B4"), List.of(), METRICS);
    assertThat(strip.sliceAt(strip.sliceX().get(1) + 0.4)).isEqualTo(1);
    assertThat(strip.sliceAt(-5)).isZero();
  }

  private static Strip markedAt(ResolvedPassage p, int slice) {
    StripStyle style = StripStyle.PLAIN.withShiftMarks(Map.of(slice, true));
    return StripEngraver.engrave(p, List.of(), METRICS, style);
  }

  private static double leftOfShiftMark(Strip strip) {
    return strip.primitives().stream()
        .filter(l -> l instanceof Primitive.Line && l.ink() == Primitive.Ink.FINGER)
        .mapToDouble(Primitive::left)
        .min()
        .orElseThrow();
  }

  /** common practice, no source: the mark stands where there is time to move. */
  @Test
  void aShiftIsMarkedOverTheNoteLeftOrTheRestThatGivesTheTime() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    Fraction quarter = Fraction.of(1, 4);
    line.add(quarter, Pitch.parse("B4")).add(quarter).add(quarter, Pitch.parse("D5"));
    ResolvedPassage withRest = Resolver.resolve(line.build("", Interval.UNISON));
    Strip rested = markedAt(withRest, 0);
    double rest = glyphs(rested, MusicGlyph.REST_QUARTER).get(0).left();
    assertThat(leftOfShiftMark(rested)).isBetween(rest - 1.0, rest + 1.5);
    Strip joined = markedAt(line(KeySignature.NONE, "B4", "D5"), 0);
    double note = joined.sliceX().get(0);
    assertThat(leftOfShiftMark(joined)).isBetween(note - 1.0, note + 1.5);
  }

  /** common practice, no source: a small circle over the finger that touches. */
  @Test
  void aHarmonicIsPrintedWithACircleOverItsFinger() {
    ResolvedPassage p = line(KeySignature.NONE, "A5", "B5");
    Strip strip = StripEngraver.engrave(p, List.of(new FingerText(0, "h4", "", false)), METRICS);
    Primitive digit =
        strip.primitives().stream().filter(t -> isText(t, "4")).findFirst().orElseThrow();
    assertThat(strip.primitives()).noneMatch(t -> isText(t, "h4"));
    assertThat(glyphs(strip, MusicGlyph.HARMONIC))
        .singleElement()
        .satisfies(c -> assertThat(c.bottom()).isLessThan(digit.top()));
  }

  private static boolean isText(Primitive p, String text) {
    return p instanceof Primitive.Text t && t.text().equals(text);
  }

  private static ResolvedPassage underOctaveLine(String text, int octaves, String... pitches) {
    Score plain = line(KeySignature.NONE, pitches).score();
    Bar bar = plain.bars().get(0);
    List<Direction> around =
        List.of(
            new Direction(bar.start(), Direction.Kind.OCTAVE_LINE, text, octaves),
            new Direction(
                bar.start().add(Fraction.of(1, 4)), Direction.Kind.OCTAVE_LINE_END, "", 0));
    return Resolver.resolve(plain.withBars(List.of(bar.withDirections(around))));
  }

  /**
   * common practice, no source: 8va stands over the notes, 8vb under them, and both end in a hook.
   */
  @Test
  void octaveLinesMoveTheHeadsAndStandOnTheirSide() {
    Strip plain =
        StripEngraver.engrave(line(KeySignature.NONE, "D5", "E5", "F5"), List.of(), METRICS);
    Strip high =
        StripEngraver.engrave(underOctaveLine("8va", 1, "D6", "E6", "F5"), List.of(), METRICS);
    Strip low =
        StripEngraver.engrave(underOctaveLine("8vb", -1, "D4", "E4", "F5"), List.of(), METRICS);
    List<Double> heads =
        glyphs(plain, MusicGlyph.HEAD_BLACK).stream().map(Primitive.Glyph::y).toList();
    for (Strip moved : List.of(high, low)) {
      assertThat(glyphs(moved, MusicGlyph.HEAD_BLACK).stream().map(Primitive.Glyph::y))
          .containsExactlyElementsOf(heads);
    }
    Primitive over =
        high.primitives().stream().filter(t -> isText(t, "8va")).findFirst().orElseThrow();
    Primitive under =
        low.primitives().stream().filter(t -> isText(t, "8vb")).findFirst().orElseThrow();
    assertThat(over.bottom()).isNegative();
    assertThat(under.top()).isGreaterThan(4);
  }

  /** What sounds together stands under each other, at any scale; more notes share the room. */
  @Test
  void anotherPartStandsUnderTheNotesItSoundsWith() {
    Score slow = line("G4 A4 B4 C5 D5 E5 F5 G5", Fraction.of(1, 4));
    Score quick = line("G3 A3 B3 C4 D4 E4 F4 G4 A4 B4 C5 D5 E5 F5 G5 A5", Fraction.of(1, 8));
    Strip main =
        StripEngraver.engrave(
            ResolvedPassage.pageOnly(slow), List.of(), PlainMetrics.BOXES, StripStyle.OVER_OTHERS);
    for (double scale : new double[] {0.5, 0.6, 1}) {
      Strip under =
          StripEngraver.engraveUnder(
              ResolvedPassage.pageOnly(quick), main, slow.bars(), scale, PlainMetrics.BOXES);
      assertThat(under.onsetX()).hasSize(16);
      main.onsetX()
          .forEach(
              (onset, x) ->
                  assertThat(under.onsetX().get(onset) * scale).isCloseTo(x, within(1e-9)));
      double before = 0;
      for (double x : under.onsetX().values()) {
        assertThat(x).isGreaterThan(before);
        before = x;
      }
      for (int b = 0; b < main.bars().size(); b++) {
        assertThat(under.bars().get(b).right() * scale)
            .isCloseTo(main.bars().get(b).right(), within(1e-9));
      }
    }
  }

  private static Score line(String notes, Fraction length) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    for (String p : notes.split(" ")) {
      line.add(length, Pitch.parse(p));
    }
    return line.build("line", Interval.UNISON);
  }
}
