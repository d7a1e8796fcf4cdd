package fret.bowing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.instrument.InstrumentType;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where plain short strokes live: common practice, no source; the figures from memory. */
class PlaceWindowTest {
  private static final int ROWS = 500;

  /** p 0.60, mf 0.55, f 0.50, ff 0.45; from 8 notes a second 0.50; cello and bass lower. */
  @ParameterizedTest
  @CsvSource({
    "VIOLIN, 2, 4, 0.60",
    "VIOLIN, 3, 4, 0.575",
    "VIOLA, 4, 4, 0.55",
    "VIOLIN, 5, 4, 0.50",
    "VIOLIN, 6, 4, 0.45",
    "VIOLIN, 7, 4, 0.45",
    "VIOLIN, 0, 4, 0.60",
    "VIOLIN, 2, 8, 0.50",
    "CELLO, 2, 4, 0.55",
    "CELLO, 5, 7.9, 0.45",
    "CELLO, 5, 8, 0.50",
    "BASS, 4, 4, 0.45",
    "BASS, 6, 9, 0.50"
  })
  void softNearerTheTipLoudNearerTheFrog(
      InstrumentType type, double level, double rate, double middle) {
    PlaceWindow w = PlaceWindow.of(type, level, rate, false, BowHabits.USUAL);
    assertThat(w.middle()).isCloseTo(middle, within(1e-9));
    assertThat(w.to() - w.from()).isCloseTo(0.3, within(1e-9));
  }

  @Test
  void aPlayersOwnHalfMovesIt() {
    BowHabits upper = BowHabits.USUAL.with(BowHabit.PLACE, BowHabit.Way.UPPER_HALF);
    BowHabits lower = BowHabits.USUAL.with(BowHabit.PLACE, BowHabit.Way.LOWER_HALF);
    assertThat(PlaceWindow.of(InstrumentType.VIOLIN, 4, 4, false, upper).middle())
        .isCloseTo(0.75, within(1e-9));
    assertThat(PlaceWindow.of(InstrumentType.VIOLIN, 4, 4, false, lower).middle())
        .isCloseTo(0.35, within(1e-9));
  }

  /** A row of equal strokes. */
  private record Row(InstrumentType type, String words, int perMinute, String told) {
    static Row of(int seed) {
      Random random = new Random(seed);
      InstrumentType type = InstrumentType.values()[random.nextInt(4)];
      String level = List.of("p", "mp", "mf", "f", "ff").get(random.nextInt(5));
      String base =
          switch (type) {
            case VIOLIN -> "G3 A3 B3 C4 D4 E4 F4 G4 A4 B4 C5 D5 E5 F5 G5 A5";
            case VIOLA -> "C3 D3 E3 F3 G3 A3 B3 C4 D4 E4 F4 G4 A4 B4 C5 D5";
            case CELLO -> "C2 D2 E2 F2 G2 A2 B2 C3 D3 E3 F3 G3 A3 B3 C4 D4";
            case BASS -> "E1 F1 G1 A1 B1 C2 D2 E2 F2 G2 A2 B2";
          };
      String[] pitches = base.split(" ");
      boolean slurred = random.nextInt(4) == 0;
      int leap = random.nextInt(5) == 0 ? pitches.length : 3;
      int at = random.nextInt(pitches.length);
      StringBuilder words = new StringBuilder("{" + level + "}");
      int count = 2 * (4 + random.nextInt(9));
      for (int i = 0; i < count; i++) {
        at = Math.floorMod(at + random.nextInt(2 * leap + 1) - leap, pitches.length);
        boolean opens = slurred && i % 2 == 0;
        boolean closes = slurred && i % 2 == 1;
        words
            .append(opens ? " (" : " ")
            .append(pitches[at])
            .append(":16")
            .append(closes ? ")" : "");
      }
      int perMinute = (slurred ? 100 : 40) + random.nextInt(101);
      return new Row(type, words.toString(), perMinute, seed + " " + type + " " + perMinute);
    }

    BowTask task() {
      return Lines.task(type, Lines.of(4, 4, words), perMinute);
    }
  }

  /**
   * Rows of eight strokes or more, of one kind, loudness and speed, each under a third of the hair:
   * their mean place lies in the window in all, that of 95 in 100 strokes does.
   */
  @Test
  void rowsOfEqualStrokesLieInTheirWindow() {
    int strokes = 0;
    int inside = 0;
    int rows = 0;
    for (int seed = 0; rows < ROWS; seed++) {
      Row row = Row.of(seed);
      BowTask task = row.task();
      double hair = task.bow().hairCm();
      Bowing b = new BowSolver(task).best();
      boolean isShort =
          b.strokes().stream().allMatch(s -> s.naturalCm() < hair * PlaceWindow.LONG_SHARE);
      boolean isPlain =
          b.strokes().stream()
              .allMatch(s -> s.kind() == StrokeKind.DETACHE || s.kind() == StrokeKind.LEGATO);
      if (!isShort || !isPlain || b.strokes().stream().anyMatch(s -> s.retake().isPresent())) {
        continue;
      }
      rows++;
      BowMoment first = b.moments().get(0);
      double rate = 1000 / first.timeMs() / b.strokes().get(0).notes().size();
      PlaceWindow w = PlaceWindow.of(row.type(), first.level(), rate, false, BowHabits.USUAL);
      double mean =
          b.strokes().stream()
              .mapToDouble(s -> (s.startCm() + s.endCm()) / 2 / hair)
              .average()
              .orElseThrow();
      assertThat(w.outside(mean)).as("%s: mean %s of %s", row.told(), mean, w).isLessThan(1e-6);
      for (Stroke s : b.strokes()) {
        strokes++;
        boolean in = w.outside((s.startCm() + s.endCm()) / 2 / hair) < 1e-6;
        inside += in ? 1 : 0;
      }
    }
    assertThat(inside / (double) strokes).as("of %d strokes", strokes).isGreaterThan(0.95);
  }

  /** The same short strokes in the middle, and after a whole bow that ends at the tip. */
  @Test
  void aStrokeThatIsLedToAnEndIsTold() {
    BowTask free = Lines.task(InstrumentType.VIOLIN, Lines.of(4, 4, "A4:16 A4:16 A4:8 A4:2."), 90);
    BowTask held = free.withRules(BowRules.NONE.withStarts(java.util.Map.of(0, 0.98, 1, 0.9)));
    Bowing there = new BowSolver(held).best();
    LedPlace led = LedPlace.of(held, there, there.strokes().get(0)).orElseThrow();
    assertThat(led.towardsTip()).isTrue();
    assertThat(there.strokes().get(0).endCm()).isGreaterThan(led.toCm());
    Bowing plain =
        new BowSolver(
                Lines.task(
                    InstrumentType.VIOLIN,
                    Lines.of(4, 4, "A4:8 A4:8 A4:8 A4:8 A4:8 A4:8 A4:8 A4:8"),
                    100))
            .best();
    assertThat(plain.strokes()).allSatisfy(s -> assertThat(LedPlace.of(free, plain, s)).isEmpty());
  }

  /** The player's own numbers move the window; the usual ones are those of p, ff and quick. */
  @Test
  void placesAreTheirPlayers() {
    BowHabits usual = BowHabits.USUAL;
    BowHabits own = usual.withPlaces(new ShortPlaces(0.8, 0.5, 0.3));
    double p = fret.score.LoudnessLine.PIANO;
    assertThat(PlaceWindow.of(InstrumentType.VIOLIN, p, 4, false, usual).middle())
        .isCloseTo(0.6, within(1e-9));
    assertThat(PlaceWindow.of(InstrumentType.VIOLIN, p, 4, false, own).middle())
        .isCloseTo(0.8, within(1e-9));
    assertThat(PlaceWindow.of(InstrumentType.VIOLIN, p + 4, 4, false, own).middle())
        .as("ff")
        .isCloseTo(0.5, within(1e-9));
    assertThat(PlaceWindow.of(InstrumentType.VIOLIN, p, 9, false, own).middle())
        .isCloseTo(0.3, within(1e-9));
    BowTask free =
        Lines.task(
            InstrumentType.VIOLIN, Lines.of(4, 4, "A4:8 A4:8 A4:8 A4:8 A4:8 A4:8 A4:8 A4:8"), 100);
    double usually = middle(free);
    assertThat(middle(free.withHabits(usual.withPlaces(new ShortPlaces(0.8, 0.8, 0.8)))))
        .isGreaterThan(usually + 10);
  }

  private static double middle(BowTask task) {
    return new BowSolver(task)
        .best().strokes().stream()
            .mapToDouble(s -> (s.startCm() + s.endCm()) / 2)
            .average()
            .orElseThrow();
  }
}
