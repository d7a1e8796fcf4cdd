package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.batch.ShippedFonts;
import fret.app.words.Sentences;
import fret.drill.Chunk;
import fret.drill.Drill;
import fret.drill.DrillKind;
import fret.engraving.Page;
import fret.engraving.Primitive;
import fret.format.page.PageFonts;
import fret.format.page.PagePrinter;
import fret.instrument.InstrumentType;
import fret.lane.Lanes;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.score.Bar;
import fret.score.Score;
import fret.session.Learning;
import fret.session.Session;
import fret.session.Sheets;
import fret.shelf.Asked;
import fret.tempo.Beat;
import fret.tempo.Ladder;
import fret.tempo.Tempo;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Pages read back by a PDF library, and laws of their layout. */
class PagesTest {
  private static final double MARGIN_MM = 15;
  private static final PageFonts FONTS = ShippedFonts.load();

  private static Session session(int times) throws Exception {
    byte[] bytes;
    try (var in = PagesTest.class.getResourceAsStream("/violin.musicxml")) {
      bytes = in.readAllBytes();
    }
    Score score = FretApplication.FORMATS.read("violin.musicxml", bytes, "").value();
    List<Bar> bars = new ArrayList<>(score.bars());
    for (int i = 1; i < times; i++) {
      bars.addAll(score.bars().subList(1, 7));
    }
    Passage.Settings settings =
        new Passage.Settings(
            "A Long Walk",
            new Tempo(Beat.QUARTER, 72),
            Setup.usual(InstrumentType.VIOLIN),
            Reading.PLAIN,
            false);
    return Session.of(Passage.of("", "", settings), score.withBars(bars).laidOut());
  }

  @ParameterizedTest
  @EnumSource(Page.Paper.class)
  void everyLineStaysWithinTheMarginsAndNoBarIsLost(Page.Paper paper) throws Exception {
    Session session = session(14);
    List<Page> pages =
        new Sheets(FONTS, paper).part(session, List.of(), Learning.chunks(session), List.of());
    assertThat(pages).hasSizeGreaterThan(1);
    int bars = 0;
    for (Page page : pages) {
      for (Page.Block block : page.blocks()) {
        if (block instanceof Page.MusicBlock m) {
          bars += m.strip().bars().size();
          double right = m.xMm() + (m.strip().width() - 1.5) * m.spaceMm();
          assertThat(right).isLessThanOrEqualTo(paper.widthMm() - MARGIN_MM + 2);
          assertThat(m.yMm() + m.strip().bottom() * m.spaceMm())
              .isLessThanOrEqualTo(paper.heightMm() - MARGIN_MM + 2);
          assertThat(m.yMm() + m.strip().top() * m.spaceMm()).isGreaterThan(MARGIN_MM - 2);
        }
      }
    }
    assertThat(bars).isEqualTo(session.score().bars().size());
  }

  /** Every note stands in the hand lane under its line, within the page. */
  @ParameterizedTest
  @EnumSource(Page.Paper.class)
  void theHandLaneIsPrintedUnderEveryLine(Page.Paper paper) throws Exception {
    Session session = session(6);
    List<Page> pages = new Sheets(FONTS, paper).part(session, List.of(), List.of(), Lanes.ALL);
    long spots = 0;
    for (Page page : pages) {
      for (Page.Block block : page.blocks()) {
        if (block instanceof Page.MusicBlock m) {
          double bottom = m.yMm() + m.strip().bottom() * m.spaceMm();
          assertThat(bottom).isLessThanOrEqualTo(paper.heightMm() - MARGIN_MM + 2);
          spots +=
              m.strip().primitives().stream()
                  .filter(p -> p instanceof Primitive.Spot && p.slice() >= 0)
                  .map(Primitive::slice)
                  .distinct()
                  .count();
        }
      }
    }
    assertThat(spots).isEqualTo(session.resolved().slices().size());
  }

  @Test
  void thePracticeSheetTellsItsLadderAndChunks() throws Exception {
    Session session = session(1);
    byte[] pdf =
        new PagePrinter(FONTS)
            .practicePdf(
                session,
                Learning.chunks(session),
                c -> Ladder.toTarget(72),
                Page.Paper.A4,
                Sentences::of);
    try (var document = Loader.loadPDF(pdf)) {
      String text = new PDFTextStripper().getText(document);
      assertThat(text).contains("A Long Walk", "36", "72", "Add a note", "Rhythms");
    }
  }

  /** A chunk with three drills stands on the upper half of its page. */
  @Test
  void aChunkTakesHalfAPage() throws Exception {
    Session session = session(1);
    Chunk chunk = Learning.chunks(session).get(0);
    List<Drill> drills =
        List.of(DrillKind.STRAIGHT, DrillKind.ADD_A_NOTE, DrillKind.RHYTHMS).stream()
            .map(k -> Asked.drill(session, Optional.of(chunk), k))
            .toList();
    List<Page> pages =
        new Sheets(FONTS, Page.Paper.A4)
            .chunk(session, chunk, Ladder.toTarget(72), drills, Sentences::of);
    assertThat(pages).hasSize(1);
    double lowest =
        pages.get(0).blocks().stream()
            .filter(b -> b instanceof Page.MusicBlock)
            .mapToDouble(b -> ((Page.MusicBlock) b).yMm())
            .max()
            .orElseThrow();
    assertThat(lowest).isLessThan(Page.Paper.A4.heightMm() / 2);
  }

  @Test
  void shiftsAreMarkedOverTheEventDuringWhichTheHandMoves() throws Exception {
    Session session = session(1);
    Map<Integer, Boolean> marks = Sheets.shiftMarks(session.fingering());
    assertThat(marks.keySet())
        .containsExactlyInAnyOrderElementsOf(
            session.fingering().shifts().stream().map(s -> s.moveSlice()).distinct().toList());
  }

  @Test
  void aPictureIsAnSvgWithTheWordsInIt() throws Exception {
    String svg =
        new String(new PagePrinter(FONTS).svg(session(1), List.of()), StandardCharsets.UTF_8);
    assertThat(svg).startsWith("<?xml").contains("<svg", "<path").endsWith("</svg>\n");
    assertThat(FONTS.textWidth("iii", Primitive.Text.Style.REGULAR))
        .isLessThan(FONTS.textWidth("WWW", Primitive.Text.Style.REGULAR));
  }
}
