package fret.bowing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.instrument.BowGeometry;
import fret.instrument.Instrument;
import fret.instrument.InstrumentType;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Planes, the arm's way, contact and force; figures worked by hand from the geometry. */
class ArmAndContactTest {
  private static BowGeometry bow(InstrumentType type) {
    return BowGeometry.usual(Instrument.standard(type));
  }

  /** 2 asin(spacing / 2 radius). */
  @ParameterizedTest
  @CsvSource({"VIOLIN, 15.6", "VIOLA, 14.4", "CELLO, 13.7", "BASS, 20.7"})
  void anglesBetweenNeighboursFollowFromSpacingAndCurvature(InstrumentType type, double degrees) {
    assertThat(bow(type).angleDegrees()).isCloseTo(degrees, within(0.05));
  }

  /** Angle in radians times lever: at the tip (62 cm), in the middle, at the frog (3 cm). */
  @ParameterizedTest
  @CsvSource({
    "1, 62, 16.9",
    "1, 31, 8.4",
    "1, 3, 0.8",
    "1, 0, 0.8",
    "2, 62, 33.8",
    "2, 31, 16.9",
    "2, 3, 1.6",
    "3, 62, 50.6",
    "3, 31, 25.3",
    "3, 3, 2.5"
  })
  void theHandTravelsByTheLever(int strings, double place, double cm) {
    BowGeometry violin = bow(InstrumentType.VIOLIN);
    assertThat(violin.handCm(strings * violin.angleDegrees(), place)).isCloseTo(cm, within(0.1));
  }

  @Test
  void aPairLiesHalfWay() {
    BowGeometry violin = bow(InstrumentType.VIOLIN);
    assertThat(violin.planeDegrees(List.of(2, 3))).isCloseTo(0, within(1e-9));
    assertThat(violin.planeDegrees(List.of(1, 2)) - violin.planeDegrees(1))
        .isCloseTo(violin.angleDegrees() / 2, within(1e-9));
  }

  private static List<BowMoment> moments(String words, double quarters) {
    return BowMoments.of(Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, words), quarters));
  }

  /** Over alternating neighbours the arm stays on the pair's plane: one straight line. */
  @Test
  void alternatingNeighboursAreOneStraightLine() {
    BowGeometry violin = bow(InstrumentType.VIOLIN);
    ArmPath path =
        ArmPath.of(
            moments("A4:8 E5:8 A4:8 E5:8 A4:8 E5:8 A4:8 E5:8", 90),
            violin,
            ArmPath.Manner.HAND_GIVES);
    double pair = violin.planeDegrees(List.of(1, 2));
    assertThat(path.points()).hasSize(2);
    assertThat(path.points())
        .allSatisfy(p -> assertThat(p.degrees()).isCloseTo(pair, within(1e-6)));
    assertThat(violin.angleDegrees() / 2).as("what the hand gives").isCloseTo(7.8, within(0.05));
  }

  @Test
  void theArmStaysInEveryCorridorAndGoesAhead() {
    BowGeometry violin = bow(InstrumentType.VIOLIN);
    List<BowMoment> moments = moments("G3:4 G3:4 D4:8 A4:8 E5:4 E5:4 A4:4 D4:4 G3:4 ", 80);
    ArmPath path = ArmPath.of(moments, violin, ArmPath.Manner.HAND_GIVES);
    double half = violin.angleDegrees() / 2 + 1e-6;
    for (BowMoment m : moments) {
      double plane = violin.planeDegrees(m.strings());
      for (double share = 0.02; share < 1; share += 0.12) {
        double at = path.at(m.startMs() + share * m.timeMs());
        assertThat(at).isBetween(plane - half, plane + half);
      }
    }
    BowMoment toD = moments.get(2);
    assertThat(path.aheadMs(toD.startMs())).as("the arm leaves the G string early").isPositive();
    double least = Double.MAX_VALUE;
    for (int i = 1; i < path.points().size(); i++) {
      least = Math.min(least, path.points().get(i).ms() - path.points().get(i - 1).ms());
    }
    assertThat(least).isPositive();
  }

  /** No line inside the corridors is shorter: a thousand other lines through the same gates. */
  @Test
  void noOtherLineIsShorter() {
    BowGeometry violin = bow(InstrumentType.VIOLIN);
    List<BowMoment> moments = moments("A4:4 E5:8 E5:8 A4:8 D4:8 D4:4 G3:8 D4:8 A4:4 E5:4", 100);
    ArmPath path = ArmPath.of(moments, violin, ArmPath.Manner.HAND_GIVES);
    double[] at = new double[moments.size() + 1];
    for (int i = 0; i < moments.size(); i++) {
      at[i] = moments.get(i).startMs();
    }
    at[moments.size()] = moments.get(moments.size() - 1).endMs();
    double[] mine = new double[at.length];
    for (int i = 0; i < at.length; i++) {
      mine[i] = path.at(at[i]);
    }
    double best = bend(at, mine);
    java.util.Random random = new java.util.Random(5);
    for (int n = 0; n < 1000; n++) {
      double[] other = mine.clone();
      for (int i = 0; i < at.length; i++) {
        double low = Double.NEGATIVE_INFINITY;
        double high = Double.POSITIVE_INFINITY;
        for (int m = Math.max(0, i - 1); m <= Math.min(moments.size() - 1, i); m++) {
          double plane = violin.planeDegrees(moments.get(m).strings());
          low = Math.max(low, plane - violin.angleDegrees() / 2);
          high = Math.min(high, plane + violin.angleDegrees() / 2);
        }
        double moved = other[i] + random.nextGaussian();
        other[i] = Math.max(low, Math.min(Math.max(low, high), moved));
      }
      assertThat(bend(at, other)).isGreaterThanOrEqualTo(best - 1e-6);
    }
  }

  /** Length of a line, with a second as long as a hundred degrees. */
  private static double bend(double[] ms, double[] degrees) {
    double sum = 0;
    for (int i = 1; i < ms.length; i++) {
      sum += Math.hypot((ms[i] - ms[i - 1]) / 10, degrees[i] - degrees[i - 1]);
    }
    return sum;
  }

  /** The octave's distance from the bridge is half of the open string's, at one loudness. */
  @Test
  void theOctaveIsBowedAtHalfTheDistance() {
    Instrument violin = Instrument.standard(InstrumentType.VIOLIN);
    List<BowMoment> open = moments("E5:4", 90);
    BowMoment octave =
        BowMoments.of(Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, "E6:4"), 90)).get(0);
    double near = Contact.mm(violin, octave, 1);
    assertThat(near).isCloseTo(Contact.mm(violin, open.get(0), 1) / 2, within(1e-9));
    assertThat(Contact.beta(violin, open.get(0), 1)).isBetween(1 / 14.0, 1 / 11.0);
    assertThat(Contact.mm(violin, open.get(0), 0.25))
        .as("slower goes nearer by the root")
        .isCloseTo(Contact.mm(violin, open.get(0), 1) / 2, within(1e-9));
  }

  /** Schelleng 1973, JASA 53: greatest force falls with distance, least with its square. */
  @Test
  void everyProposedTripleLiesBetweenTheLimitsOfForce() {
    for (InstrumentType type : InstrumentType.values()) {
      BowTask task =
          Lines.task(
              type,
              Lines.of(4, 4, "{ff} (A4:4 B4:4) C5:2> {pp} (D5:1 | E5:1) {f} E5:8 D5:8 C5:8 B4:8"),
              70);
      Bowing b = new BowSolver(task).best();
      for (Stroke s : b.strokes()) {
        for (Stroke.Note n : s.notes()) {
          BowMoment m = b.moments().get(n.moment());
          double beta = Contact.beta(task.instrument(), m, n.ofNatural());
          double force = Contact.planned(m, n.cmPerS(), beta, n.ofNatural());
          assertThat(force)
              .isGreaterThan(Contact.least(n.cmPerS(), beta))
              .isLessThan(Contact.greatest(n.cmPerS(), beta));
        }
      }
    }
    double twice = Contact.greatest(20, 1 / 10.0) / Contact.greatest(20, 1 / 5.0);
    assertThat(twice).isCloseTo(2, within(1e-9));
    assertThat(Contact.least(20, 1 / 10.0) / Contact.least(20, 1 / 5.0)).isCloseTo(4, within(1e-9));
    assertThat(Contact.least(20, 1 / 60.0)).isCloseTo(Contact.greatest(20, 1 / 60.0), within(1e-6));
  }

  /**
   * Cello, 5 mm over the board at the octave, 60 mm from the bridge: 0.87 mm; 3.5 mm at 5: 0.41.
   */
  @Test
  void aStoppedStringSinksAtTheBow() {
    assertThat(Clearance.sunkMm(5, 60, 690, 12)).isCloseTo(0.87, within(0.005));
    assertThat(Clearance.sunkMm(3.5, 60, 690, 5)).isCloseTo(0.41, within(0.005));
    BowGeometry cello = bow(InstrumentType.CELLO);
    double free = Clearance.degrees(cello.angleDegrees(), 15.7, 0.87);
    assertThat(free).isCloseTo(6.8 - 3.2, within(0.1));
  }

  /**
   * The E string sinks by atan(sunk / spacing); soft notes beside a ringing open string are told.
   */
  @Test
  void roomIsToldInLowPositionsAndBesideARingingString() {
    BowTask t = Lines.task(InstrumentType.CELLO, Lines.of(4, 4, "{p} D3:4 C3:4 D3:4 Bb2:4"), 72);
    Bowing b = new BowSolver(t).best();
    BowMoment c = b.moments().get(1);
    double mm = b.strokeAt(1).orElseThrow().at(1).contactMm();
    double room = Clearance.room(t, c, mm).orElseThrow();
    double tips = Clearance.tips(t, c, mm);
    assertThat(room).isCloseTo(t.bow().angleDegrees() / 2 - tips, within(1e-9));
    assertThat(Clearance.tips(t, b.moments().get(0), mm)).as("an open string").isZero();
    assertThat(BowWarning.of(b, t))
        .filteredOn(w -> w.kind() == BowWarning.Kind.CLEARANCE)
        .isNotEmpty()
        .allSatisfy(w -> assertThat(w.message().id()).isEqualTo("bow.beside-ringing"));
    BowTask damped = t.withRules(BowRules.NONE.withDamped(Set.of(1, 3)));
    assertThat(BowWarning.of(b, damped))
        .as("a finger damps it")
        .noneMatch(w -> w.kind() == BowWarning.Kind.CLEARANCE);
    BowTask stopped =
        Lines.task(InstrumentType.CELLO, Lines.of(4, 4, "{p} E3:4 C3:4 E3:4 Bb2:4"), 72);
    assertThat(BowWarning.of(new BowSolver(stopped).best(), stopped))
        .noneMatch(w -> w.kind() == BowWarning.Kind.CLEARANCE);
  }
}
