package fret.engraving;

import static org.assertj.core.api.Assertions.assertThat;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.LineBuilder;
import fret.score.ResolvedPassage;
import fret.score.Resolver;
import fret.score.Score;
import fret.score.TimeSignature;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Lines and pages, with made-up glyph sizes. */
class PageMakerTest {
  private static final GlyphMetrics METRICS =
      new GlyphMetrics() {
        @Override
        public Box box(MusicGlyph glyph) {
          return new Box(0, -0.5, 1.18, 0.5);
        }

        @Override
        public double textWidth(String text, Primitive.Text.Style style) {
          return 0.5 * text.length();
        }
      };

  private static Score bars(int count) {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, new KeySignature(2), Clef.TREBLE);
    for (int i = 0; i < count * 4; i++) {
      line.add(Fraction.of(1, 4), Pitch.parse(i % 2 == 0 ? "A4" : "D5"));
    }
    return line.build("lines", Interval.UNISON);
  }

  private static List<Page> pages(ResolvedPassage passage, Page.Paper paper) {
    return new PageMaker(METRICS, paper, 1.75)
        .music(passage, List.of(), Map.of(), List.of())
        .pages();
  }

  private static List<Page.MusicBlock> lines(List<Page> pages) {
    List<Page.MusicBlock> lines = new ArrayList<>();
    for (Page page : pages) {
      for (Page.Block block : page.blocks()) {
        if (block instanceof Page.MusicBlock m) {
          lines.add(m);
        }
      }
    }
    return lines;
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 7, 40, 160})
  void everyBarStandsOnceAndInOrder(int count) {
    Score score = bars(count);
    List<String> numbers =
        lines(pages(Resolver.resolve(score), Page.Paper.A4)).stream()
            .flatMap(l -> l.strip().bars().stream())
            .map(Strip.BarSpan::number)
            .toList();
    assertThat(numbers).isEqualTo(score.bars().stream().map(Bar::number).toList());
  }

  @Test
  void longPartsTakeMorePagesAndLinesDoNotOverlap() {
    List<Page> pages = pages(Resolver.resolve(bars(160)), Page.Paper.LETTER);
    assertThat(pages).hasSizeGreaterThan(1);
    for (Page page : pages) {
      double bottom = 0;
      for (Page.MusicBlock line : lines(List.of(page))) {
        assertThat(line.yMm() + line.strip().top() * line.spaceMm()).isGreaterThanOrEqualTo(bottom);
        bottom = line.yMm() + line.strip().bottom() * line.spaceMm();
      }
    }
  }

  @Test
  void theClefAndKeyStandAtEveryLineButTheMetreOnlyAtTheFirst() {
    List<Page.MusicBlock> lines = lines(pages(Resolver.resolve(bars(40)), Page.Paper.A4));
    assertThat(lines).hasSizeGreaterThan(2);
    for (int i = 0; i < lines.size(); i++) {
      List<MusicGlyph> glyphs =
          lines.get(i).strip().primitives().stream()
              .filter(p -> p instanceof Primitive.Glyph)
              .map(p -> ((Primitive.Glyph) p).glyph())
              .toList();
      assertThat(glyphs).contains(MusicGlyph.G_CLEF);
      assertThat(glyphs.stream().filter(g -> g == MusicGlyph.SHARP)).hasSize(2);
      assertThat(glyphs.contains(MusicGlyph.timeDigit(4))).isEqualTo(i == 0);
    }
  }

  @Test
  void textGoesAboveTheMusicAndWrapsWithinTheMargins() {
    PageMaker maker = new PageMaker(METRICS, Page.Paper.A4, 1.75);
    maker.text("word ".repeat(120).strip(), 3.4, Primitive.Text.Style.REGULAR);
    maker.music(Resolver.resolve(bars(2)), List.of(), Map.of(), List.of());
    List<Page.Block> blocks = maker.pages().get(0).blocks();
    assertThat(blocks.get(blocks.size() - 1)).isInstanceOf(Page.MusicBlock.class);
    assertThat(blocks).as("one text on several lines").hasSizeGreaterThan(2);
  }
}
