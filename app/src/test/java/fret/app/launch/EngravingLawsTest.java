package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.widget.MusicFont;
import fret.engraving.Axis;
import fret.engraving.LaneDrawing;
import fret.engraving.MusicGlyph;
import fret.engraving.Primitive;
import fret.engraving.Strip;
import fret.engraving.StripEngraver;
import fret.instrument.InstrumentType;
import fret.lane.Lane;
import fret.lane.Lanes;
import fret.passage.Passage;
import fret.passage.Reading;
import fret.passage.Setup;
import fret.score.Score;
import fret.session.Digits;
import fret.session.Session;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.testfx.api.FxToolkit;

/** Laws of the page, with the shipped fonts, on the demo, on real parts and on a crowded page. */
class EngravingLawsTest {
  /** Staff spaces in px: the smallest, the usual and the largest. */
  private static final double[] ZOOMS = {5, 9, 22};

  private static final Set<MusicGlyph> HEADS =
      EnumSet.of(
          MusicGlyph.HEAD_BLACK,
          MusicGlyph.HEAD_HALF,
          MusicGlyph.HEAD_WHOLE,
          MusicGlyph.HEAD_BREVE,
          MusicGlyph.HEAD_DIAMOND_BLACK,
          MusicGlyph.HEAD_DIAMOND_WHITE);

  @BeforeAll
  static void toolkit() throws Exception {
    FxToolkit.registerPrimaryStage();
  }

  private static Strip strip(String resource, InstrumentType type, boolean digits)
      throws Exception {
    byte[] bytes;
    try (var in = EngravingLawsTest.class.getResourceAsStream(resource)) {
      bytes = in.readAllBytes();
    }
    Score score = FretApplication.FORMATS.read(resource, bytes, "").value();
    Passage.Settings settings =
        new Passage.Settings(
            "", new Tempo(Beat.QUARTER, 80), Setup.usual(type), Reading.PLAIN, false);
    Session session = Session.of(Passage.of("", "", settings), score);
    return StripEngraver.engrave(
        session.resolved(),
        digits ? Digits.of(session, session.fingering(), true) : List.of(),
        MusicFont.load());
  }

  @ParameterizedTest
  @CsvSource({
    "/fret/app/demo/lantern-dance.musicxml, VIOLIN",
    "/fret/app/demo/slow-tide.musicxml, CELLO",
    "/fret/app/demo/workshop-march.musicxml, VIOLA",
    "/fret/app/demo/giants-stairs.musicxml, BASS",
    "/fret/app/demo/night-market.musicxml, VIOLIN",
    "/violin.musicxml, VIOLIN",
    "/violone.musicxml, CELLO",
    "/crowded.musicxml, VIOLIN",
    "/around.musicxml, CELLO",
  })
  void noTwoMarksOverlapAtAnyZoom(String resource, InstrumentType type) throws Exception {
    for (boolean digits : new boolean[] {true, false}) {
      Strip strip = strip(resource, type, digits);
      for (double zoom : ZOOMS) {
        assertThat(overlaps(strip, zoom)).as("at %s px a space", zoom).isEmpty();
      }
    }
  }

  @ParameterizedTest
  @CsvSource({
    "/fret/app/demo/lantern-dance.musicxml",
    "/violin.musicxml",
    "/crowded.musicxml",
    "/around.musicxml"
  })
  void momentsFollowEachOtherAndLongerNotesGetMoreRoom(String resource) throws Exception {
    Strip strip = strip(resource, InstrumentType.VIOLIN, false);
    for (int i = 1; i < strip.sliceX().size(); i++) {
      assertThat(strip.sliceX().get(i)).isGreaterThan(strip.sliceX().get(i - 1) + 0.7);
    }
    assertThat(strip.bars()).allMatch(b -> b.right() > b.left());
  }

  /**
   * Heights of a lane in staff spaces: the least one of a strip, the usual ones, the highest. Of
   * larger letters a space has more px, and the least height as many spaces.
   */
  private static final double[] LANE_HEIGHTS = {8, 11, 20, 44};

  /** Two hundred parts that are as crowded as parts get: the stave, and every lane under it. */
  @Test
  void nothingOverlapsOrLeavesItsBoxInTwoHundredParts() {
    MusicFont font = MusicFont.load();
    List<String> faults = new ArrayList<>();
    for (long seed = 0; seed < 200; seed++) {
      Session s = CrowdedParts.of(seed);
      Strip strip = StripEngraver.engrave(s.resolved(), Digits.of(s, s.fingering(), true), font);
      for (double zoom : ZOOMS) {
        for (String fault : overlaps(strip, zoom)) {
          faults.add("part " + seed + ": " + fault);
        }
      }
      for (Lane lane : Lanes.ALL) {
        for (double height : lane.suits(s.laneInput()) ? LANE_HEIGHTS : new double[0]) {
          LaneDrawing drawn = lane.draw(s.laneInput(), Axis.of(strip), font, height);
          String where = "part " + seed + ", " + lane.id() + " of " + height + ": ";
          inLane(drawn).forEach(fault -> faults.add(where + fault));
        }
      }
    }
    assertThat(faults).isEmpty();
  }

  /** What leaves a lane, or stands over something else in it. */
  private static List<String> inLane(LaneDrawing lane) {
    List<String> found = new ArrayList<>();
    for (Primitive p : lane.primitives()) {
      if (Math.max(-p.top(), p.bottom() - lane.height()) > LINE) {
        found.add(p + " leaves it");
      }
    }
    for (Primitive p : lane.scale()) {
      double down = Math.max(-p.top(), p.bottom() - lane.height());
      if (Math.max(down, Math.max(-p.left(), p.right() - lane.scaleWidth())) > LINE) {
        found.add(p + " leaves its scale");
      }
    }
    over(lane.primitives(), found);
    over(lane.scale(), found);
    return found;
  }

  private static void over(List<Primitive> drawn, List<String> found) {
    List<Primitive> solid =
        drawn.stream()
            .filter(p -> p instanceof Primitive.Text || p instanceof Primitive.Spot)
            .sorted(Comparator.comparingDouble(Primitive::left))
            .toList();
    for (int i = 0; i < solid.size(); i++) {
      for (int j = i + 1; j < solid.size() && solid.get(j).left() < solid.get(i).right(); j++) {
        if (covers(solid.get(i), solid.get(j))) {
          found.add(solid.get(i) + " over " + solid.get(j));
        }
      }
    }
  }

  /** Half of what a line is thick. */
  private static final double LINE = 0.1;

  /** A letter over a letter or over a mark, but for the digit within its own mark. */
  private static boolean covers(Primitive a, Primitive b) {
    boolean letters = a instanceof Primitive.Text || b instanceof Primitive.Text;
    return letters && !isOwnDigit(a, b) && !isOwnDigit(b, a) && overlap(a, b, 9);
  }

  private static boolean isOwnDigit(Primitive mark, Primitive digit) {
    return mark instanceof Primitive.Spot spot
        && digit instanceof Primitive.Text text
        && text.ink() == Primitive.Ink.PAPER
        && text.slice() == spot.slice()
        && Math.abs(text.x() - spot.x()) < 1e-9;
  }

  /** Marks that may not touch: glyphs, texts, and curves and hairpins against both. */
  private static List<String> overlaps(Strip strip, double zoom) {
    List<Primitive> solid =
        strip.primitives().stream()
            .filter(p -> p instanceof Primitive.Glyph || p instanceof Primitive.Text)
            .sorted(Comparator.comparingDouble(Primitive::left))
            .toList();
    List<String> found = new ArrayList<>();
    for (int i = 0; i < solid.size(); i++) {
      Primitive a = solid.get(i);
      for (int j = i + 1; j < solid.size() && solid.get(j).left() < a.right(); j++) {
        Primitive b = solid.get(j);
        if (!belongTogether(a, b) && overlap(a, b, zoom)) {
          found.add(name(a) + " over " + name(b));
        }
      }
    }
    for (Primitive p : strip.primitives()) {
      if (p instanceof Primitive.Curve c) {
        solid.stream()
            .filter(s -> crosses(c, s))
            .forEach(s -> found.add("curve at " + at(c) + " through " + name(s)));
      } else if (p instanceof Primitive.Beam b) {
        solid.stream()
            .filter(s -> s.slice() < 0 || s instanceof Primitive.Text)
            .filter(s -> overlap(b, s, zoom) && beamCrosses(b, s))
            .forEach(s -> found.add("beam at " + at(b) + " through " + name(s)));
      }
    }
    return found;
  }

  /** Parts of one sign: a note with its flag, letters of a dynamic, digits of a metre or key. */
  private static boolean belongTogether(Primitive a, Primitive b) {
    boolean glyphs = a instanceof Primitive.Glyph && b instanceof Primitive.Glyph;
    if (!glyphs) {
      return false;
    }
    String x = ((Primitive.Glyph) a).glyph().smuflName();
    String y = ((Primitive.Glyph) b).glyph().smuflName();
    boolean letters = x.startsWith("dynamic") && y.startsWith("dynamic");
    boolean flag = x.startsWith("flag") || y.startsWith("flag");
    boolean chord =
        HEADS.contains(((Primitive.Glyph) a).glyph())
            && HEADS.contains(((Primitive.Glyph) b).glyph())
            && a.slice() == b.slice();
    boolean tremolo = x.startsWith("tremolo") || y.startsWith("tremolo");
    // A flat's box reaches into the corner that its neighbour leaves free.
    boolean accidentals =
        x.startsWith("accidental") && y.startsWith("accidental") && a.slice() == b.slice();
    return letters || chord || (flag || tremolo || accidentals) && a.slice() == b.slice();
  }

  private static boolean overlap(Primitive a, Primitive b, double zoom) {
    double slack = 0.06 - 0.3 / zoom * 0.1; // Less than a line's width; a painted edge is 0.03 px.
    return a.left() + slack < b.right()
        && b.left() + slack < a.right()
        && a.top() + slack < b.bottom()
        && b.top() + slack < a.bottom();
  }

  private static boolean crosses(Primitive.Curve c, Primitive s) {
    for (int i = 1; i < 40; i++) {
      double t = i / 40.0;
      double x = c.x1() + (c.x2() - c.x1()) * t;
      double y = c.yAt(t);
      double in = 0.12;
      if (x > s.left() + in && x < s.right() - in && y > s.top() + in && y < s.bottom() - in) {
        return true;
      }
    }
    return false;
  }

  private static boolean beamCrosses(Primitive.Beam b, Primitive s) {
    double from = Math.max(b.x1(), s.left());
    double to = Math.min(b.x2(), s.right());
    double middle = (from + to) / 2;
    double y = b.y1() + (b.y2() - b.y1()) * (middle - b.x1()) / Math.max(1e-9, b.x2() - b.x1());
    return to > from
        && y + b.thickness() / 2 > s.top() + 0.06
        && y - b.thickness() / 2 < s.bottom() - 0.06;
  }

  private static String at(Primitive p) {
    return String.format(java.util.Locale.ROOT, "x %.1f y %.1f", p.left(), p.top());
  }

  private static String name(Primitive p) {
    return (p instanceof Primitive.Glyph g
            ? g.glyph().smuflName()
            : "\"" + ((Primitive.Text) p).text() + "\"")
        + " at "
        + at(p);
  }
}
