package fret.engraving;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Direction;
import fret.score.Event;
import fret.score.Head;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.Signs;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * What an orchestral part looks like (common practice, no source): figures that are not taken for
 * fingers, voices on their own sides, the order of what stands over the stave, lines and pages.
 */
class PartRulesTest {
  private static final Fraction QUARTER = Fraction.of(1, 4);
  private static final Fraction HALF = Fraction.of(1, 2);

  private static LineBuilder line() {
    return new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
  }

  private static Head head(String pitch) {
    return Head.of(Pitch.parse(pitch));
  }

  private static Strip engraved(Score score, FingerText... texts) {
    return StripEngraver.engrave(
        Resolver.resolve(score), List.of(texts), PlainMetrics.BOXES, StripStyle.PLAIN);
  }

  private static FingerText digit(int note, String digit) {
    return new FingerText(note, digit, "", false);
  }

  private static List<Primitive.Text> texts(Strip strip, Predicate<Primitive.Text> which) {
    return strip.primitives().stream()
        .filter(p -> p instanceof Primitive.Text)
        .map(p -> (Primitive.Text) p)
        .filter(which)
        .toList();
  }

  private static Primitive.Text text(Strip strip, String words) {
    return texts(strip, t -> t.text().equals(words)).get(0);
  }

  private static List<Primitive.Glyph> glyphs(Strip strip, MusicGlyph glyph) {
    return strip.primitives().stream()
        .filter(p -> p instanceof Primitive.Glyph g && g.glyph() == glyph)
        .map(p -> (Primitive.Glyph) p)
        .toList();
  }

  private static List<Primitive.Line> lines(Strip strip, Predicate<Primitive.Line> which) {
    return strip.primitives().stream()
        .filter(p -> p instanceof Primitive.Line)
        .map(p -> (Primitive.Line) p)
        .filter(which)
        .toList();
  }

  private static List<Primitive.Curve> curves(Strip strip) {
    return strip.primitives().stream()
        .filter(p -> p instanceof Primitive.Curve)
        .map(p -> (Primitive.Curve) p)
        .toList();
  }

  // ---- figures and fingers ---------------------------------------------------------------------

  private static Score triplet(String... pitches) {
    LineBuilder line = line();
    for (int i = 0; i < 3; i++) {
      Signs.Tuplet tuplet = new Signs.Tuplet(3, 2, i == 0, i == 2);
      line.add(Fraction.of(1, 12), List.of(head(pitches[i])), Signs.PLAIN.withTuplet(tuplet));
    }
    return line.build("", Interval.UNISON);
  }

  private static Primitive.Text figure(Strip strip) {
    return texts(strip, t -> t.style() == Primitive.Text.Style.ITALIC).get(0);
  }

  /** At the beam; but with digits over the notes under them, whichever way the stems go. */
  @Test
  void aTupletsFigureNeverStandsUnderADigit() {
    Score low = triplet("D4", "E4", "F4");
    Score high = triplet("D5", "E5", "F5");
    assertThat(figure(engraved(low)).bottom()).as("over the beam").isNegative();
    assertThat(figure(engraved(high)).top()).as("under the beam").isGreaterThan(4);
    for (Score s : List.of(low, high)) {
      for (int note = 0; note < 3; note++) {
        Strip strip = engraved(s, digit(note, "2"));
        Primitive.Text digit = text(strip, "2");
        assertThat(figure(strip).top()).as("note %d", note).isGreaterThan(4);
        assertThat(digit.bottom()).isNegative();
      }
    }
  }

  /** Away from its beam a figure has a bracket. */
  @Test
  void aFigureAwayFromItsBeamHasABracket() {
    Strip away = engraved(triplet("D4", "E4", "F4"), digit(1, "2"));
    double y = figure(away).y() - 0.45;
    assertThat(lines(away, l -> l.y1() == y && l.y2() == y)).hasSize(2);
    Strip at = engraved(triplet("D4", "E4", "F4"));
    assertThat(lines(at, l -> l.y1() == l.y2() && l.y1() < -3 && l.slice() == 0)).isEmpty();
  }

  /** One column from the lowest note up, each numeral on the line of its digit. */
  @Test
  void aChordsDigitsAreAColumnWithTheirNumeralsBeside() {
    LineBuilder line = line().add(HALF, Pitch.parse("B3"), Pitch.parse("G4"), Pitch.parse("E5"));
    Strip strip =
        engraved(
            line.build("", Interval.UNISON),
            new FingerText(0, "1", "IV", false),
            new FingerText(1, "2", "III", false),
            new FingerText(2, "4", "II", false));
    List<Primitive.Text> column = Stream.of("4", "2", "1").map(d -> text(strip, d)).toList();
    assertThat(column).extracting(Primitive.Text::y).isSorted();
    assertThat(column).extracting(Primitive.Text::x).containsOnly(column.get(0).x());
    List<Primitive.Text> numerals = Stream.of("II", "III", "IV").map(d -> text(strip, d)).toList();
    assertThat(numerals).extracting(Primitive.Text::x).containsOnly(numerals.get(0).x());
    for (int i = 0; i < 3; i++) {
      assertThat(numerals.get(i).y()).isEqualTo(column.get(i).y());
      assertThat(numerals.get(i).left()).isGreaterThan(column.get(i).right());
    }
  }

  // ---- two voices ------------------------------------------------------------------------------

  private static Score voices(LineBuilder upper, LineBuilder lower) {
    Score first = upper.build("", Interval.UNISON);
    Score second = lower.build("", Interval.UNISON);
    List<Bar> bars = new ArrayList<>();
    for (int i = 0; i < first.bars().size(); i++) {
      List<Event> events = new ArrayList<>(first.bars().get(i).events());
      for (Event e : second.bars().get(i).events()) {
        events.add(
            new Event(
                "2", e.onset(), e.duration(), e.value(), e.heads(), e.grace(), e.cue(), e.signs()));
      }
      bars.add(first.bars().get(i).withEvents(events));
    }
    return first.withBars(bars);
  }

  /** Each note tied to the next of its voice. */
  private static Score tied(Score score) {
    Fraction end = score.end();
    return score.withEach(
        (b, e) ->
            e.withHeads(
                e.heads().stream()
                    .map(h -> tied(h, !e.end().equals(end), e.onset().signum() > 0))
                    .toList()));
  }

  private static Head tied(Head h, boolean starts, boolean stops) {
    return new Head(h.pitch(), h.accidental(), starts, stops, h.harmonic(), "", 0, h.leftOut());
  }

  private static LineBuilder dotted(String pitch) {
    Set<Signs.Articulation> staccato = Set.of(Signs.Articulation.STACCATO);
    return line()
        .add(Fraction.of(3, 4), Pitch.parse(pitch))
        .add(QUARTER, List.of(head(pitch)), Signs.PLAIN.withArticulations(staccato));
  }

  @Test
  void eachVoiceKeepsItsTiesDotsAndDigitsOnItsSide() {
    Score score = tied(voices(dotted("D5"), dotted("B4")));
    ResolvedPassage p = Resolver.resolve(score);
    FingerText[] digits =
        IntStream.range(0, p.notes().size())
            .mapToObj(i -> digit(i, p.notes().get(i).voice().equals("2") ? "1" : "3"))
            .toArray(FingerText[]::new);
    Strip strip = engraved(score, digits);
    assertThat(text(strip, "3").bottom()).isNegative();
    assertThat(text(strip, "1").top()).isGreaterThan(4);
    List<Primitive.Curve> ties = curves(strip);
    assertThat(ties).hasSize(2);
    for (Primitive.Curve tie : ties) {
      boolean upper = tie.y1() < 2;
      assertThat(tie.height() < 0).as("%s", tie).isEqualTo(upper);
    }
    // D5 and B4 stand on lines: the upper dot in the space over it, the lower one under it.
    assertThat(glyphs(strip, MusicGlyph.DOT))
        .extracting(Primitive.Glyph::y)
        .containsExactlyInAnyOrder(0.5, 2.5);
    assertThat(glyphs(strip, MusicGlyph.STACCATO_ABOVE)).hasSize(1);
    assertThat(glyphs(strip, MusicGlyph.STACCATO_BELOW)).hasSize(1);
    assertThat(glyphs(strip, MusicGlyph.STACCATO_BELOW).get(0).top()).isGreaterThan(4);
  }

  /** A second apart they stand side by side, further apart over each other. */
  @ParameterizedTest
  @CsvSource({"G4, F4, true", "G4, E4, false", "G4, G4, false"})
  void voicesASecondApartStandSideBySide(String upper, String lower, boolean aside) {
    Score score =
        voices(
            line().add(Fraction.ONE, Pitch.parse(upper)),
            line().add(Fraction.ONE, Pitch.parse(lower)));
    List<Double> x =
        glyphs(engraved(score), MusicGlyph.HEAD_WHOLE).stream().map(Primitive.Glyph::x).toList();
    assertThat(x).hasSize(2);
    assertThat(x.get(1) - x.get(0) > 1).isEqualTo(aside);
  }

  // ---- over and under the stave ----------------------------------------------------------------

  /** The letter boxed over all, under it the tempo in one row, under it other words. */
  @Test
  void lettersAreBoxedOverTheTempoAndTheTempoOverOtherWords() {
    LineBuilder line = line();
    line.say(Direction.Kind.WORDS, "dolce")
        .say(Direction.Kind.WORDS, "Allegro con spirito")
        .say(Direction.Kind.TEMPO, "quarter=96")
        .say(Direction.Kind.REHEARSAL, "A");
    line.add(Fraction.ONE, Pitch.parse("G4"));
    Strip strip = engraved(line.build("", Interval.UNISON));
    Primitive.Text letter = text(strip, "A");
    Primitive.Text head = text(strip, "Allegro con spirito");
    Primitive.Text mark = texts(strip, t -> t.text().contains("96")).get(0);
    Primitive.Text dolce = text(strip, "dolce");
    assertThat(mark.y()).isEqualTo(head.y());
    assertThat(mark.left()).isGreaterThan(head.right());
    assertThat(head.style()).isEqualTo(Primitive.Text.Style.BOLD);
    assertThat(dolce.style()).isEqualTo(Primitive.Text.Style.ITALIC);
    assertThat(head.bottom()).isLessThan(dolce.top());
    List<Primitive.Line> box =
        lines(strip, l -> l.ink() == Primitive.Ink.WORDS && l.bottom() < head.top());
    assertThat(box).hasSize(4);
    assertThat(box.stream().mapToDouble(Primitive::left).min().orElseThrow())
        .isLessThan(letter.left());
    assertThat(box.stream().mapToDouble(Primitive::right).max().orElseThrow())
        .isGreaterThan(letter.right());
  }

  /** Long words stand over the number of the bar that they reach into, not under it. */
  @Test
  void barNumbersStandUnderTheWords() {
    LineBuilder line = line();
    line.say(Direction.Kind.WORDS, "very calm, in one long line to the end of the page");
    full(full(line, Fraction.ONE), Fraction.ONE);
    Strip strip = engraved(line.build("", Interval.UNISON));
    Primitive.Text words = texts(strip, t -> t.text().startsWith("very")).get(0);
    assertThat(words.right()).isGreaterThan(text(strip, "2").right());
    assertThat(words.bottom()).isLessThan(text(strip, "2").top());
  }

  private static Score swelling(int bars) {
    LineBuilder line = line();
    for (int b = 0; b < bars; b++) {
      if (b == 0) {
        line.say(Direction.Kind.DYNAMIC, "p").say(Direction.Kind.CRESCENDO, "");
      }
      for (int i = 0; i < 4; i++) {
        if (b == bars - 1 && i == 3) {
          line.say(Direction.Kind.HAIRPIN_END, "").say(Direction.Kind.DYNAMIC, "ff");
        }
        line.add(QUARTER, Pitch.parse(b == 0 && i == 2 ? "C4" : "A4"));
      }
    }
    return line.build("", Interval.UNISON);
  }

  /** The middle of a hairpin lies half a space over the feet of the letters at its ends. */
  @Test
  void hairpinsLieOnTheLineOfTheirDynamicsAndBetweenThem() {
    Strip strip = engraved(swelling(2));
    Primitive.Glyph soft = glyphs(strip, MusicGlyph.DYNAMIC_P).get(0);
    Primitive.Glyph loud = glyphs(strip, MusicGlyph.DYNAMIC_F).get(0);
    List<Primitive.Line> hairpin =
        lines(strip, l -> l.slice() < 0 && l.y1() > 4.5 && l.ink() == Primitive.Ink.NOTE);
    assertThat(hairpin).hasSize(2);
    assertThat(loud.y()).isEqualTo(soft.y());
    assertThat(hairpin).allSatisfy(l -> assertThat(l.y1()).isCloseTo(soft.y() - 0.5, within(1e-9)));
    assertThat(hairpin.get(0).x1()).isGreaterThan(soft.right());
    assertThat(hairpin.get(0).x2()).isLessThan(loud.left());
  }

  /** A dynamic within a hairpin breaks it: no line goes through its letters. */
  @Test
  void aHairpinIsLeftOutWhereADynamicStandsWithinIt() {
    LineBuilder line = line();
    line.say(Direction.Kind.DYNAMIC, "p").say(Direction.Kind.CRESCENDO, "");
    for (int i = 0; i < 8; i++) {
      if (i == 4) {
        line.say(Direction.Kind.DYNAMIC, "mf");
      }
      line.add(QUARTER, Pitch.parse("A4"));
    }
    line.say(Direction.Kind.HAIRPIN_END, "").say(Direction.Kind.DYNAMIC, "f");
    line.add(Fraction.ONE, Pitch.parse("A4"));
    Strip strip = engraved(line.build("", Interval.UNISON));
    List<Primitive.Line> hairpin =
        lines(strip, l -> l.slice() < 0 && l.y1() > 4.5 && l.ink() == Primitive.Ink.NOTE);
    assertThat(hairpin).as("two lines on each side of it").hasSize(4);
    Primitive.Glyph letter = glyphs(strip, MusicGlyph.DYNAMIC_M).get(0);
    assertThat(hairpin).noneMatch(l -> l.left() < letter.right() && l.right() > letter.left());
  }

  // ---- lines and pages -------------------------------------------------------------------------

  private static List<Strip> pageLines(Score score) {
    return new PageMaker(PlainMetrics.BOXES, Page.Paper.A4, 1.75)
        .music(Resolver.resolve(score), List.of(), Map.of(), List.of()).pages().stream()
            .flatMap(p -> p.blocks().stream())
            .filter(b -> b instanceof Page.MusicBlock)
            .map(b -> ((Page.MusicBlock) b).strip())
            .toList();
  }

  /** On the next line it comes in open, and it ends at the loud dynamic. */
  @Test
  void aHairpinGoesOnOverTheEndOfALine() {
    List<Strip> lines = pageLines(swelling(14));
    assertThat(lines).hasSizeGreaterThan(1);
    Predicate<Primitive.Line> isHairpin =
        l -> l.slice() < 0 && l.y1() > 4.5 && l.ink() == Primitive.Ink.NOTE;
    for (int i = 0; i < lines.size(); i++) {
      List<Primitive.Line> here = lines(lines.get(i), isHairpin);
      assertThat(here).as("line %d", i).hasSize(2);
      double opens = Math.abs(here.get(0).y1() - here.get(1).y1());
      assertThat(opens > 0.2).as("line %d opens at %s", i, opens).isEqualTo(i > 0);
    }
  }

  /** An octave line that began on the line before still moves the heads. */
  @Test
  void anOctaveLineGoesOnOverTheEndOfALine() {
    LineBuilder line = line();
    line.say(new Direction(Fraction.ZERO, Direction.Kind.OCTAVE_LINE, "8va", 1));
    for (int i = 0; i < 56; i++) {
      line.add(QUARTER, Pitch.parse("A5"));
    }
    line.say(Direction.Kind.OCTAVE_LINE_END, "");
    line.add(Fraction.ONE, Pitch.parse("A5"));
    List<Strip> lines = pageLines(line.build("", Interval.UNISON));
    assertThat(lines).hasSizeGreaterThan(1);
    for (int i = 0; i < lines.size(); i++) {
      String said = i == 0 ? "8va" : "(8va)";
      assertThat(texts(lines.get(i), t -> t.text().equals(said))).as("line %d", i).hasSize(1);
      assertThat(glyphs(lines.get(i), MusicGlyph.HEAD_BLACK))
          .allSatisfy(h -> assertThat(h.y()).isEqualTo(2.5));
    }
  }

  @Test
  void aTieOverTheEndOfALineIsDrawnOnBoth() {
    LineBuilder line = line();
    for (int b = 0; b < 30; b++) {
      line.add(Fraction.ONE, Pitch.parse("A4"));
    }
    List<Strip> lines = pageLines(tied(line.build("", Interval.UNISON)));
    assertThat(lines).hasSizeGreaterThan(1);
    int bars = 0;
    for (int i = 0; i < lines.size(); i++) {
      Strip s = lines.get(i);
      bars += s.bars().size();
      int wanted = s.bars().size() + (i == 0 || bars == 30 ? 0 : 1);
      assertThat(curves(s)).as("line %d", i).hasSize(wanted);
    }
  }

  private static LineBuilder full(LineBuilder line, Fraction bar) {
    for (int i = 0; i < 4; i++) {
      line.add(bar.divide(4), Pitch.parse(i % 2 == 0 ? "A4" : "D5"));
    }
    return line;
  }

  /** Wherever a line ends, the key and metre of the next one stand there too. */
  @Test
  void keyAndMetreAreToldAheadAtTheEndOfALine() {
    int found = 0;
    for (int bars = 3; bars < 9; bars++) {
      LineBuilder before =
          new LineBuilder(TimeSignature.COMMON_TIME, new KeySignature(1), Clef.TREBLE);
      LineBuilder after =
          new LineBuilder(TimeSignature.of(3, 4), new KeySignature(-2), Clef.TREBLE);
      for (int b = 0; b < bars; b++) {
        full(before, Fraction.ONE);
      }
      for (int b = 0; b < 12; b++) {
        full(after, Fraction.of(3, 4));
      }
      List<Bar> all = new ArrayList<>(before.build("", Interval.UNISON).bars());
      Fraction end = all.get(all.size() - 1).end();
      for (Bar b : after.build("", Interval.UNISON).bars()) {
        all.add(b.at(all.size(), end.add(b.start())));
      }
      Score score = before.build("", Interval.UNISON).withBars(all);
      for (Strip s : pageLines(score.laidOut())) {
        Strip.BarSpan last = s.bars().get(s.bars().size() - 1);
        if (last.index() == bars - 1) {
          found++;
          assertThat(glyphs(s, MusicGlyph.FLAT)).hasSize(2);
          assertThat(glyphs(s, MusicGlyph.NATURAL)).hasSize(1);
          assertThat(glyphs(s, MusicGlyph.timeDigit(3)).get(0).x()).isGreaterThan(last.right() - 4);
        }
      }
    }
    assertThat(found).as("the change falls on the end of a line").isPositive();
  }

  /** Bars of rest in a row stand on one line, whatever stands before them. */
  @ParameterizedTest
  @ValueSource(ints = {2, 3, 4, 5, 6, 7, 8, 9})
  void barsOfRestAreNotSplit(int before) {
    LineBuilder line = line();
    for (int b = 0; b < before; b++) {
      full(line, Fraction.ONE);
    }
    for (int b = 0; b < 5; b++) {
      line.add(Fraction.ONE);
    }
    for (int b = 0; b < 9; b++) {
      full(line, Fraction.ONE);
    }
    List<Strip> lines = pageLines(line.build("", Interval.UNISON));
    long with =
        lines.stream()
            .filter(s -> s.bars().stream().anyMatch(b -> isRest(b.index(), before)))
            .count();
    assertThat(with).isEqualTo(1);
    assertThat(lines).allMatch(s -> glyphs(s, MusicGlyph.REST_WHOLE).isEmpty());
  }

  private static boolean isRest(int bar, int before) {
    return bar >= before && bar < before + 5;
  }

  /** A bar of rest has the rest of a whole note in its middle, without a dot. */
  @ParameterizedTest
  @CsvSource({"6, 8", "3, 4", "5, 8", "2, 4", "12, 8"})
  void aBarOfRestIsAWholeRestInAnyMetre(int beats, int unit) {
    TimeSignature time = TimeSignature.of(beats, unit);
    LineBuilder line = new LineBuilder(time, KeySignature.NONE, Clef.TREBLE);
    line.add(Fraction.of(1, unit), Pitch.parse("A4"));
    line.add(time.barLength().subtract(Fraction.of(1, unit)), Pitch.parse("A4"));
    line.add(time.barLength());
    line.add(time.barLength(), Pitch.parse("A4"));
    Strip strip = engraved(line.build("", Interval.UNISON));
    Primitive.Glyph rest = glyphs(strip, MusicGlyph.REST_WHOLE).get(0);
    assertThat(glyphs(strip, MusicGlyph.REST_HALF)).isEmpty();
    Strip.BarSpan bar = strip.bars().get(1);
    double middle = (bar.left() + bar.right()) / 2;
    assertThat((rest.left() + rest.right()) / 2).isCloseTo(middle, within(0.3));
    assertThat(glyphs(strip, MusicGlyph.DOT))
        .noneMatch(d -> d.left() > bar.left() && d.right() < bar.right());
  }

  /** Words at the end of a line, long tuplets, a bar fuller than the line. */
  @Test
  void nothingPassesTheMargin() {
    LineBuilder line = line();
    for (int b = 0; b < 9; b++) {
      full(line, Fraction.ONE);
      line.say(Direction.Kind.WORDS, "sempre un poco più tranquillo, quasi niente");
    }
    for (int i = 0; i < 64; i++) {
      line.add(Fraction.of(1, 64), Pitch.parse(i % 2 == 0 ? "A4" : "D#5"));
    }
    Score score = line.build("", Interval.UNISON);
    List<Page> pages =
        new PageMaker(PlainMetrics.BOXES, Page.Paper.A4, 1.75)
            .music(Resolver.resolve(score), List.of(), Map.of(), List.of())
            .pages();
    for (Page page : pages) {
      for (Page.Block block : page.blocks()) {
        Page.MusicBlock music = (Page.MusicBlock) block;
        for (Primitive p : music.strip().primitives()) {
          assertThat(music.xMm() + p.right() * music.spaceMm()).as("%s", p).isLessThan(195.5);
          assertThat(music.xMm() + p.left() * music.spaceMm()).as("%s", p).isGreaterThan(14.5);
        }
      }
    }
  }

  /** Of the last lines of a page that ends which has the longest rest around its end. */
  @Test
  void aPageIsTurnedInTheLongestRest() {
    LineBuilder line = line();
    for (int b = 0; b < 120; b++) {
      if (b % 10 == 9) {
        line.add(Fraction.of(3, 4), Pitch.parse("A4")).add(QUARTER);
      } else if (b == 43 || b == 44) {
        line.add(Fraction.ONE);
      } else {
        full(line, Fraction.ONE);
      }
    }
    ResolvedPassage passage = Resolver.resolve(line.build("", Interval.UNISON));
    PageMaker maker = new PageMaker(PlainMetrics.BOXES, Page.Paper.A4, 1.75);
    List<Page> pages = maker.music(passage, List.of(), Map.of(), List.of()).pages();
    assertThat(pages).hasSizeGreaterThan(1);
    List<Page.Block> first = pages.get(0).blocks();
    Strip last = ((Page.MusicBlock) first.get(first.size() - 1)).strip();
    int end = last.bars().get(last.bars().size() - 1).index();
    List<Strip> all = pageLines(passage.score());
    double here = rest(passage.score(), end);
    // No line among the last ones of the full page would have given more time.
    int lines = first.size();
    for (int i = lines; i <= Math.min(all.size() - 1, lines + 2); i++) {
      List<Strip.BarSpan> bars = all.get(i - 1).bars();
      assertThat(rest(passage.score(), bars.get(bars.size() - 1).index()))
          .isLessThanOrEqualTo(here);
    }
  }

  private static double rest(Score score, int bar) {
    double rest = 0;
    for (int b = bar + 1; b < score.bars().size() && rests(score.bars().get(b)); b++) {
      rest += 1;
    }
    return rests(score.bars().get(bar)) ? 1 + rest : rest + tail(score.bars().get(bar));
  }

  private static boolean rests(Bar bar) {
    return bar.events().stream().allMatch(Event::isRest);
  }

  private static double tail(Bar bar) {
    Event last = bar.events().get(bar.events().size() - 1);
    return last.isRest() ? last.duration().doubleValue() : 0;
  }

  // ---- all together ----------------------------------------------------------------------------

  /** Anything over anything: 60 lines of chance, with all that can stand over a note. */
  @Test
  void nothingThatIsReadTouchesAnythingElse() {
    for (int seed = 0; seed < 60; seed++) {
      Strip strip = byChance(new Random(seed));
      List<Primitive> all =
          strip.primitives().stream().filter(p -> p.ink() != Primitive.Ink.STAVE).toList();
      List<Primitive> read = all.stream().filter(p -> p instanceof Primitive.Text).toList();
      assertThat(read).hasSizeGreaterThan(10);
      for (Primitive t : read) {
        for (Primitive o : all) {
          boolean touches =
              !t.equals(o)
                  && !(o instanceof Primitive.Curve || o instanceof Primitive.Beam)
                  && t.left() < o.right() - 0.01
                  && o.left() < t.right() - 0.01
                  && t.top() < o.bottom() - 0.01
                  && o.top() < t.bottom() - 0.01;
          assertThat(touches).as("seed %d: %s and %s", seed, t, o).isFalse();
        }
      }
    }
  }

  private static Strip byChance(Random random) {
    String[] words = {"dolce", "sempre pp", "gypsy", "cantabile"};
    LineBuilder line = line();
    for (int i = 0; i < 24; i++) {
      if (random.nextInt(4) == 0) {
        line.say(Direction.Kind.WORDS, words[random.nextInt(words.length)]);
      }
      if (random.nextInt(8) == 0) {
        line.say(Direction.Kind.REHEARSAL, String.valueOf((char) ('A' + i)));
      }
      if (random.nextInt(8) == 0) {
        line.say(Direction.Kind.WORDS, "Allegro").say(Direction.Kind.TEMPO, "quarter=96");
      }
      if (random.nextInt(6) == 0) {
        line.say(Direction.Kind.DYNAMIC, "mf").say(Direction.Kind.CRESCENDO, "");
      }
      if (i % 3 == 0 && random.nextBoolean()) {
        line.say(Direction.Kind.HAIRPIN_END, "");
      }
      Signs.Tuplet tuplet = new Signs.Tuplet(3, 2, i % 3 == 0, i % 3 == 2);
      Pitch low =
          Pitch.parse("CDEFGAB".charAt(random.nextInt(7)) + (random.nextBoolean() ? "4" : "5"));
      List<Head> heads =
          random.nextInt(5) == 0
              ? List.of(Head.of(low), Head.of(low.plus(new Interval(4, 7))))
              : List.of(Head.of(low));
      line.add(
          Fraction.of(1, 12),
          heads,
          Signs.PLAIN
              .withTuplet(tuplet)
              .withBow(random.nextInt(6) == 0 ? Signs.Bow.UP : Signs.Bow.NONE));
    }
    ResolvedPassage passage = Resolver.resolve(line.build("", Interval.UNISON));
    List<FingerText> texts = new ArrayList<>();
    for (int n = 0; n < passage.notes().size(); n++) {
      if (random.nextInt(3) > 0) {
        String string = random.nextInt(3) == 0 ? "III" : "";
        texts.add(
            new FingerText(n, String.valueOf(random.nextInt(5)), string, random.nextInt(5) == 0));
      }
    }
    return StripEngraver.engrave(
        passage,
        texts,
        PlainMetrics.BOXES,
        StripStyle.PLAIN.withShiftMarks(Map.of(random.nextInt(24), random.nextBoolean())));
  }
}
