package fret.lane;

import static org.assertj.core.api.Assertions.assertThat;

import fret.base.Said;
import fret.engraving.Axis;
import fret.engraving.LaneDrawing;
import fret.engraving.PlainMetrics;
import fret.engraving.Primitive;
import fret.engraving.Primitive.Spot;
import fret.engraving.StripEngraver;
import fret.intonation.Tuned;
import fret.passage.Passage;
import fret.session.Ear;
import fret.session.Lines;
import fret.session.Session;
import fret.session.TakeScore;
import fret.take.Expected;
import fret.take.Fault;
import fret.take.Finding;
import fret.take.Heard;
import fret.take.HeardNote;
import fret.take.HeardPitch;
import fret.take.TakeReport;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Ring, load and take: each lane says what it draws. */
class MeasuredLanesTest {
  private static final double HEIGHT = 14;

  private final Session session = Lines.session("G4 A4 B4 C5 D5 E5 F5 G5 A5 C6 E6 G6 E6 C6 A5 G5");

  private LaneDrawing drawn(String id, LaneInput input) {
    Axis axis = Axis.of(StripEngraver.engrave(session.resolved(), List.of(), PlainMetrics.BOXES));
    return Lanes.of(id).orElseThrow().draw(input, axis, PlainMetrics.BOXES, HEIGHT);
  }

  private static List<Primitive.Text> texts(LaneDrawing d) {
    return d.primitives().stream()
        .filter(Primitive.Text.class::isInstance)
        .map(Primitive.Text.class::cast)
        .toList();
  }

  private static List<Spot> spots(LaneDrawing d) {
    return d.primitives().stream().filter(Spot.class::isInstance).map(Spot.class::cast).toList();
  }

  /** A take in which note 5 is 20 cents high, bar 2 rushes and note 10 comes late. */
  private TakeReport take() {
    Expected e = TakeScore.of(session, Ear.tuned(session, Ear.harmony(session, List.of())));
    List<HeardNote> notes = new ArrayList<>();
    double at = 1;
    for (int i = 0; i < e.moments().size(); i++) {
      double step = e.moments().get(i).lengthMs() / 1000 / (i >= 8 ? 1.1 : 1);
      double cents = i == 5 ? 20 : 0;
      notes.add(
          new HeardNote(
              i,
              at,
              at + step,
              -20 - i,
              10,
              new HeardPitch(cents, 0, 0, 0, 0, 0),
              List.of(),
              0,
              0.9));
      at += step;
    }
    Heard heard = new Heard(at, notes, List.of(), List.of(), List.of(), 0, 1);
    TakeReport r = TakeReport.of(e, heard);
    List<Finding> found =
        List.of(
            new Finding(new Fault(Fault.Kind.LATE, 10, 55), 0.9),
            new Finding(new Fault(Fault.Kind.MISSING, 12, 1), 0.9));
    return new TakeReport(e, heard, r.tempo(), 0, found);
  }

  @ParameterizedTest
  @ValueSource(strings = {"ring", "load", "take"})
  void aLaneSaysOneThingAMomentAndStaysInItsHeight(String id) {
    LaneDrawing d = drawn(id, session.laneInput().withTake(take(), Optional.empty()));
    assertThat(d.spoken()).hasSize(session.resolved().slices().size());
    assertThat(d.summary().id()).startsWith("lane." + id);
    for (Primitive p : d.primitives()) {
      assertThat(p.top()).as(p.toString()).isGreaterThanOrEqualTo(-0.6);
      assertThat(p.bottom()).as(p.toString()).isLessThanOrEqualTo(HEIGHT + 0.6);
    }
  }

  @Test
  void whatThereIsNothingOfIsNotShown() {
    LaneInput drill =
        new LaneInput(
            session.resolved(), java.util.Optional.empty(), session.laneInput().instrument());
    for (String id : List.of("ring", "load", "take")) {
      assertThat(Lanes.of(id).orElseThrow().suits(drill)).as(id).isFalse();
    }
    assertThat(Lanes.of("take").orElseThrow().suits(session.laneInput())).isFalse();
  }

  @Test
  void aSharpNoteStandsHigherThanAllOthersAndIsFilled() {
    LaneDrawing d = drawn("take", session.laneInput().withTake(take(), Optional.empty()));
    Spot highest = spots(d).stream().min(Comparator.comparingDouble(Spot::y)).orElseThrow();
    assertThat(highest.slice()).isEqualTo(5);
    assertThat(highest.filled()).isTrue();
    assertThat(spots(d).stream().filter(Spot::filled)).hasSize(1);
    assertThat(d.spoken().get(5)).isEqualTo(Said.of("lane.take.at", 20L, 0L));
  }

  /** Another take stands beside it, faint, and changes nothing that is told. */
  @Test
  void anotherTakeIsDrawnFaintlyBesideIt() {
    LaneDrawing alone = drawn("take", session.laneInput().withTake(take(), Optional.empty()));
    LaneDrawing both = drawn("take", session.laneInput().withTake(take(), Optional.of(take())));
    assertThat(spots(both)).hasSize(2 * spots(alone).size());
    assertThat(spots(both).stream().filter(s -> s.ink() == Primitive.Ink.FAINT))
        .hasSameSizeAs(spots(alone));
    assertThat(both.spoken()).isEqualTo(alone.spoken());
    assertThat(both.summary()).isEqualTo(alone.summary());
  }

  @Test
  void aBarThatRushesAndALateNoteCarryTheirFigures() {
    LaneDrawing d = drawn("take", session.laneInput().withTake(take(), Optional.empty()));
    assertThat(texts(d)).extracting(Primitive.Text::text).contains("+55 ms", "\u2205");
    assertThat(texts(d))
        .extracting(Primitive.Text::text)
        .anyMatch(t -> t.startsWith("+") && t.endsWith("%"));
  }

  @Test
  void aNoteThatRingsHasARingAroundIt() {
    LaneDrawing d = drawn("ring", session.laneInput());
    Tuned tuned = session.laneInput().tuned().orElseThrow().get();
    for (int note = 0; note < tuned.notes().size(); note++) {
      Tuned.Place p = tuned.notes().get(note).orElseThrow();
      int slice = session.resolved().notes().get(note).slice();
      boolean round =
          spots(d).stream()
              .anyMatch(s -> s.slice() == slice && !s.filled() && s.form() == Spot.Form.CIRCLE);
      assertThat(round).as("note " + note).isEqualTo(!p.ring().isEmpty());
      String said = d.spoken().get(slice).id();
      assertThat(said.equals("lane.ring.rings")).isEqualTo(p.isMilestone());
    }
  }

  @Test
  void theHardestMomentIsNamedWithTheTempoThatItHolds() {
    Session quick = at(132);
    LaneDrawing d = drawn("load", quick.laneInput());
    var hardest = quick.load().hardest().get(0);
    assertThat(hardest.share()).isGreaterThan(0.4);
    assertThat(texts(d).stream().filter(t -> t.slice() == hardest.moment())).hasSize(1);
    long holds = Math.round(hardest.ceiling(132));
    assertThat(d.summary().args().get(0)).isEqualTo(holds);
    assertThat(d.spoken().get(hardest.moment()).args()).contains(holds);
  }

  @Test
  void whereNothingIsHardNothingIsToldToBreak() {
    Session calm = at(40);
    assertThat(calm.load().hardest().get(0).share()).isLessThan(0.4);
    assertThat(drawn("load", calm.laneInput()).summary()).isEqualTo(Said.of("lane.load.easy"));
  }

  private Session at(double perMinute) {
    Passage passage = session.passage();
    Passage.Settings settings = passage.settings().withTarget(new Tempo(Beat.QUARTER, perMinute));
    return Session.of(passage.withSettings(settings), session.page());
  }

  @Test
  void anotherTuningDrawsOtherPlaces() {
    Tuned equal = session.laneInput().tuned().orElseThrow().get();
    LaneDrawing one = drawn("ring", session.laneInput().withTuned(equal));
    assertThat(one).isEqualTo(drawn("ring", session.laneInput()));
  }
}
