package fret.lane;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.bowing.BowMoment;
import fret.bowing.BowRules;
import fret.bowing.Bowing;
import fret.bowing.Stroke;
import fret.engraving.Axis;
import fret.engraving.LaneDrawing;
import fret.engraving.PlainMetrics;
import fret.engraving.Primitive;
import fret.engraving.Primitive.Ink;
import fret.engraving.StripEngraver;
import fret.instrument.BowGeometry;
import fret.mark.VibratoLayer;
import fret.mark.VibratoWish;
import fret.search.Token;
import fret.session.BowDecisions;
import fret.session.Change;
import fret.session.Decisions;
import fret.session.LineDecisions;
import fret.session.Lines;
import fret.session.Session;
import java.util.List;
import java.util.function.Predicate;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The bow, its plane and its line, as they are drawn and as they are spoken. */
class BowLanesTest {
  private static final double HEIGHT = 14;

  private Session s;

  @BeforeEach
  void open() {
    s = Lines.session("A4 E5 A4 F5 G3 D4 B4 E5 A5 G5 F5 E5");
  }

  private void decide(Change change) {
    s = s.after(s.step(change)).computed(Token.NEVER);
  }

  private Axis axis() {
    return Axis.of(StripEngraver.engrave(s.resolved(), List.of(), PlainMetrics.BOXES));
  }

  private LaneDrawing draw(String lane) {
    return Lanes.of(lane).orElseThrow().draw(s.laneInput(), axis(), PlainMetrics.BOXES, HEIGHT);
  }

  private static List<Primitive.Line> lines(LaneDrawing lane, Predicate<Primitive.Line> wanted) {
    return lane.primitives().stream()
        .filter(Primitive.Line.class::isInstance)
        .map(Primitive.Line.class::cast)
        .filter(wanted)
        .toList();
  }

  private double share(double y) {
    return Lanes.of("bow").orElseThrow().valueAt(s.laneInput(), HEIGHT, y).orElseThrow();
  }

  @ParameterizedTest
  @ValueSource(strings = {"bow", "plane", "line"})
  void everyMomentIsSpokenAndNothingLeavesTheLane(String id) {
    LaneDrawing lane = draw(id);
    assertThat(lane.spoken()).hasSize(s.resolved().slices().size());
    for (Primitive p : lane.primitives()) {
      assertThat(p.top()).as(p.toString()).isGreaterThanOrEqualTo(-0.01);
      assertThat(p.bottom()).as(p.toString()).isLessThanOrEqualTo(HEIGHT + 0.01);
      assertThat(p.left()).as(p.toString()).isGreaterThanOrEqualTo(-2.5);
      assertThat(p.right()).as(p.toString()).isLessThanOrEqualTo(axis().width() + 2.5);
    }
  }

  /** What is read off the picture is what was planned. */
  @Test
  void aSlopeGoesFromWhereTheBowIsToWhereItWillBe() {
    LaneDrawing lane = draw("bow");
    double hair = s.bowTask().bow().hairCm();
    int slopes = 0;
    for (Stroke stroke : s.bowing().strokes()) {
      for (Stroke.Note n : stroke.notes()) {
        Primitive.Line slope =
            lines(lane, l -> l.ink() == Ink.BOW && !l.dashed() && l.slice() == n.moment()).stream()
                .filter(l -> l.x2() > l.x1())
                .findFirst()
                .orElseThrow();
        assertThat(share(slope.y1()) * hair).isCloseTo(n.fromCm(), within(1e-6));
        assertThat(share(slope.y2()) * hair).isCloseTo(n.toCm(), within(1e-6));
        slopes++;
      }
    }
    assertThat(slopes).isEqualTo(12);
  }

  @Test
  void theFrogIsBelowAndTheTipAbove() {
    assertThat(share(HEIGHT)).isZero();
    assertThat(share(0)).isEqualTo(1);
    assertThat(share(6)).isGreaterThan(share(7));
  }

  @Test
  void aLiftIsDottedAndAHookIsABar() {
    decide(BowDecisions.joint(s, 3, BowRules.Joint.RETAKE));
    decide(BowDecisions.joint(s, 5, BowRules.Joint.HOOK));
    LaneDrawing lane = draw("bow");
    assertThat(lines(lane, l -> l.dashed() && l.ink() == Ink.BOW && l.slice() == 3)).hasSize(1);
    assertThat(lines(lane, l -> l.ink() == Ink.BOW && l.x1() == l.x2() && l.slice() == 5))
        .hasSize(1);
    assertThat(lines(lane, l -> l.ink() == Ink.BOW && l.x1() == l.x2() && l.slice() == 4))
        .isEmpty();
  }

  /** Twelve eighths at 12 quarters a minute, one bow, loud: the line leaves the band in red. */
  @Test
  void whereTheBowRunsOutALineLeavesTheBand() {
    assertThat(lines(draw("bow"), l -> l.ink() == Ink.PINNED)).isEmpty();
    decide(
        Decisions.settings(
                s,
                fret.base.Said.of("set.target", "12"),
                o -> o.withTarget(s.passage().settings().target().at(12)))
            .orElseThrow());
    decide(BowDecisions.slur(s, 0, 11).orElseThrow());
    decide(LineDecisions.level(s, 0, 5));
    Stroke all = s.bowing().strokes().get(0);
    assertThat(all.missingCm()).isGreaterThan(50);
    LaneDrawing lane = draw("bow");
    assertThat(lines(lane, l -> l.ink() == Ink.PINNED && l.dashed())).hasSize(1);
    assertThat(lane.primitives())
        .filteredOn(p -> p instanceof Primitive.Text t && t.ink() == Ink.PINNED)
        .extracting(p -> ((Primitive.Text) p).text())
        .containsExactly("−" + Math.round(all.missingCm()) + " cm");
    assertThat(lane.summary().id()).isEqualTo("lane.bow.summary.out");
  }

  /** The plane's steps lie on the strings' own lines, the lowest string below. */
  @Test
  void theStepsOfThePlaneLieOnTheStrings() {
    LaneDrawing lane = draw("plane");
    List<Double> strings =
        lines(lane, l -> l.ink() == Ink.STAVE).stream().map(Primitive.Line::y1).toList();
    assertThat(strings).hasSize(4).isSorted();
    for (BowMoment m : s.bowing().moments()) {
      Primitive.Line step =
          lines(lane, l -> l.ink() == Ink.BOW && l.slice() == m.slice().index()).stream()
              .filter(l -> l.y1() == l.y2())
              .findFirst()
              .orElseThrow();
      assertThat(step.y1()).isCloseTo(strings.get(m.strings().get(0) - 1), within(1e-9));
    }
  }

  @Test
  void theArmsWayStaysBetweenTheOuterStringsAndTheCrossingsAreCounted() {
    LaneDrawing lane = draw("plane");
    BowGeometry bow = s.bowTask().bow();
    assertThat(lines(lane, Primitive.Line::dashed)).isNotEmpty();
    long crossings = s.arm().report().crossings().size();
    assertThat(crossings).isGreaterThan(3);
    assertThat(lane.summary().args()).contains(crossings);
    assertThat(lane.spoken().stream().filter(w -> w.id().equals("lane.plane.crossing")).count())
        .isEqualTo(crossings);
    double outer = bow.planeDegrees(bow.strings()) + bow.angleDegrees() / 2;
    s.arm()
        .report()
        .path()
        .points()
        .forEach(p -> assertThat(Math.abs(p.degrees())).isLessThanOrEqualTo(outer));
  }

  @Test
  void aLevelIsReadBackFromWhereItIsDrawn() {
    decide(LineDecisions.level(s, 4, 6));
    Lane line = Lanes.of("line").orElseThrow();
    LaneDrawing lane = draw("line");
    for (BowMoment m : s.bowing().moments()) {
      Primitive.Line own =
          lines(lane, l -> l.ink() == Ink.TIME && l.slice() == m.slice().index()).stream()
              .filter(l -> l.x2() > l.x1())
              .findFirst()
              .orElseThrow();
      assertThat(line.valueAt(s.laneInput(), HEIGHT, own.y1()).orElseThrow())
          .isCloseTo(m.slice().index() < 4 ? 4 : 6, within(1e-6));
    }
    assertThat(lane.summary().args()).startsWith("mf", "ff");
    Primitive.Line printed = lines(lane, l -> l.ink() == Ink.FAINT && l.slice() == 8).get(0);
    assertThat(line.valueAt(s.laneInput(), HEIGHT, printed.y1()).orElseThrow())
        .as("the page still says mezzo forte")
        .isCloseTo(4, within(1e-6));
  }

  @Test
  void vibratoThatIsAskedForIsAWave() {
    assertThat(lines(draw("line"), l -> l.ink() == Ink.HAND)).isEmpty();
    int note = s.resolved().slices().get(3).starting().get(0);
    decide(Decisions.toggle(s, VibratoLayer.VIBRATO, note, VibratoWish.USUAL));
    LaneDrawing lane = draw("line");
    assertThat(lines(lane, l -> l.ink() == Ink.HAND)).isNotEmpty().allMatch(l -> l.slice() == 3);
    assertThat(lane.spoken().get(3).id()).isEqualTo("lane.line.vibrato");
  }

  @Test
  void whereNothingIsBowedThereIsNoBow() {
    Bowing none = new Bowing(List.of(), List.of(), s.bowing().explanation(), List.of());
    LaneInput.Bow was = s.laneInput().bow().orElseThrow();
    LaneInput.Bow bare =
        new LaneInput.Bow(
            none, was.geometry(), was.report(), was.vibrato(), was.phrases(), was.printed());
    LaneInput input =
        new LaneInput(
            s.resolved(),
            java.util.Optional.empty(),
            s.laneInput().instrument(),
            java.util.Optional.of(bare));
    for (String id : List.of("bow", "plane", "line")) {
      assertThat(Lanes.of(id).orElseThrow().suits(input)).as(id).isFalse();
      assertThat(Lanes.of(id).orElseThrow().suits(s.laneInput())).as(id).isTrue();
    }
  }
}
