package fret.lane;

import static org.assertj.core.api.Assertions.assertThat;

import fret.base.Said;
import fret.engraving.Axis;
import fret.engraving.FingerText;
import fret.engraving.LaneDrawing;
import fret.engraving.PlainMetrics;
import fret.engraving.Primitive.Area;
import fret.engraving.Primitive.Spot;
import fret.engraving.Primitive.Text;
import fret.engraving.StripEngraver;
import fret.fingering.NoteFinger;
import fret.fingering.PositionChanges;
import fret.instrument.Finger;
import fret.instrument.InstrumentType;
import fret.mark.FingerLayer;
import fret.mark.FingerMark;
import fret.player.Shape;
import fret.search.Token;
import fret.session.Decisions;
import fret.session.Digits;
import fret.session.Lines;
import fret.session.Session;
import java.util.DoubleSummaryStatistics;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class LanesTest {
  private static final double HEIGHT = 14;
  private static final Lane HAND = Lanes.of("hand").orElseThrow();

  private final Session session = Lines.session("A3 C4 E4 G4 B4 C5 E5 F5 G5 A5 B5 C6 E6 G6");
  private final LaneDrawing drawing = hand(session);

  private static LaneDrawing hand(Session session) {
    Axis axis = Axis.of(StripEngraver.engrave(session.resolved(), List.of(), PlainMetrics.BOXES));
    return HAND.draw(session.laneInput(), axis, PlainMetrics.BOXES, HEIGHT);
  }

  @Test
  void everyNoteHasItsMarkAndEveryStringAShapeOfItsOwn() {
    Map<Integer, List<Spot>> marks =
        drawing.primitives().stream()
            .filter(Spot.class::isInstance)
            .map(Spot.class::cast)
            .collect(Collectors.groupingBy(Spot::slice));
    assertThat(marks).hasSize(session.resolved().notes().size());
    for (int note = 0; note < session.resolved().notes().size(); note++) {
      NoteFinger place = session.fingering().notes().get(note).orElseThrow();
      Spot spot = marks.get(session.resolved().notes().get(note).slice()).get(0);
      assertThat(spot.form()).isEqualTo(Spot.Form.values()[place.string() - 1]);
      assertThat(spot.filled()).as("only stopped notes are filled").isEqualTo(!place.isOpen());
      assertThat(spot.y()).isBetween(0.0, HEIGHT);
    }
  }

  @Test
  void farUpTheStringIsHighUpInTheLane() {
    List<NoteFinger> stopped =
        session.fingering().notes().stream()
            .flatMap(Optional::stream)
            .filter(n -> !n.isOpen())
            .toList();
    List<Spot> spots =
        drawing.primitives().stream()
            .filter(p -> p instanceof Spot s && s.filled())
            .map(Spot.class::cast)
            .toList();
    assertThat(spots).hasSameSizeAs(stopped);
    for (int i = 1; i < spots.size(); i++) {
      double mm = stopped.get(i).mmFromNut() - stopped.get(i - 1).mmFromNut();
      double up = spots.get(i - 1).y() - spots.get(i).y();
      assertThat(Math.signum(Math.round(up * 1e6))).isEqualTo(Math.signum(Math.round(mm * 1e6)));
    }
  }

  /** The positions stand along the top, each where the hand comes to it; on the page if asked. */
  @Test
  void positionsAreNamedWhereTheyChange() {
    Set<Integer> changes = PositionChanges.of(session.fingering());
    assertThat(changes).contains(0).hasSize(1 + session.fingering().shifts().size());
    List<String> named =
        drawing.primitives().stream()
            .filter(p -> p instanceof Text t && t.y() < 1.5)
            .map(p -> ((Text) p).text())
            .toList();
    assertThat(named).hasSize(changes.size()).first().isEqualTo("1st");
    assertThat(over(session)).doesNotContain("1st");
    Session asked =
        session.after(session.step(Decisions.namePositions(session, true))).computed(Token.NEVER);
    assertThat(over(asked).stream().filter(t -> t.matches("(raised |low )?\\d\\w\\w.*")))
        .hasSize(changes.size());
  }

  private static List<String> over(Session s) {
    return Digits.of(s).stream().map(FingerText::string).toList();
  }

  /** A finger that is replaced in mid-note brings the hand elsewhere: that is named there. */
  @Test
  void aReplacedFingerNamesItsNewPosition() {
    Session s = Lines.session("A4 B4 D5 E5");
    FingerMark threeToOne =
        new FingerMark(Optional.of(Finger.THIRD), Optional.of(Finger.FIRST), 2, false);
    Session pinned =
        s.after(
                s.step(
                    Decisions.mark(
                        s, FingerLayer.PINNED, 2, Optional.of(threeToOne), Said.words("3-1"))))
            .computed(Token.NEVER);
    NoteFinger place = pinned.fingering().notes().get(2).orElseThrow();
    assertThat(place.lastBase()).isNotEqualTo(place.base());
    List<Text> named =
        hand(pinned).primitives().stream()
            .filter(p -> p instanceof Text t && t.y() < 1.5)
            .map(Text.class::cast)
            .toList();
    assertThat(named).extracting(Text::text).contains("3rd");
  }

  @Test
  void openStringsThatSoundTogetherAreBothSeen() {
    LaneDrawing drawn = hand(Lines.session("B4 D4+A4 B4"));
    List<Double> open =
        drawn.primitives().stream()
            .filter(p -> p instanceof Spot s && s.slice() == 1)
            .map(p -> ((Spot) p).y())
            .toList();
    assertThat(open).hasSize(2);
    assertThat(open.get(0) - open.get(1)).isGreaterThan(1.3);
  }

  /** The frame of the cello's hand is as wide as the hand is open. */
  @Test
  void anExtendedHandHasAWiderFrame() {
    Session cello = Lines.session(InstrumentType.CELLO, "C4 D4 B3 D#4");
    NoteFinger open = cello.fingering().notes().get(3).orElseThrow();
    assertThat(open.shape()).isEqualTo(Shape.FORWARD);
    List<Double> heights =
        hand(cello).primitives().stream()
            .filter(Area.class::isInstance)
            .map(p -> height((Area) p))
            .toList();
    assertThat(heights.get(3)).isGreaterThan(heights.get(0) * 1.2);
  }

  private static double height(Area area) {
    DoubleSummaryStatistics y =
        area.ys().stream().mapToDouble(Double::doubleValue).summaryStatistics();
    return y.getMax() - y.getMin();
  }

  @Test
  void everyMomentIsSpokenWithItsString() {
    assertThat(drawing.spoken()).hasSize(session.resolved().slices().size());
    for (int note = 0; note < session.resolved().notes().size(); note++) {
      NoteFinger place = session.fingering().notes().get(note).orElseThrow();
      String string = session.task().hand().instrument().stringName(place.string());
      assertThat(drawing.spoken().get(session.resolved().notes().get(note).slice()).toString())
          .contains(string);
    }
  }

  @Test
  void withoutAFingeringThereIsNoHand() {
    LaneInput drill =
        new LaneInput(session.resolved(), Optional.empty(), session.laneInput().instrument());
    assertThat(HAND.suits(drill)).isFalse();
    assertThat(Lanes.of("nothing of this name")).isEmpty();
  }
}
