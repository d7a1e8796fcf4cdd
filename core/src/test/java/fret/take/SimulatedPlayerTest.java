package fret.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.pitch.Pitch;
import fret.take.Expected.Join;
import fret.take.Expected.Moment;
import fret.take.Expected.Span;
import fret.take.Expected.Tone;
import fret.take.Fault.Kind;
import fret.take.SimulatedPlayer.Played;
import fret.take.SimulatedPlayer.Style;
import fret.take.SimulatedPlayer.Truth;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The stand-in plays what it says it plays: its truth is that of the sound that was made. */
class SimulatedPlayerTest {
  private static final double STEP = 600;
  private static final String[] LINE = "D4 E4 F#4 A4 D5 A4 F#4 D4".split(" ");

  private static Expected line(Join join, boolean slurred) {
    List<Moment> moments = new ArrayList<>();
    List<Span> bars = new ArrayList<>();
    for (int i = 0; i < LINE.length; i++) {
      Pitch pitch = Pitch.parse(LINE[i]);
      moments.add(
          new Moment(
              i,
              i / 4,
              i * STEP,
              (i + 1) * STEP,
              STEP,
              List.of(new Tone(i, pitch, pitch.hertz(440))),
              List.of(),
              i == 0 ? Join.ENTRY : i == 4 ? join : Join.PLAIN,
              i + 1 < LINE.length,
              i == 4 && slurred,
              false,
              4));
      if (i % 4 == 0) {
        bars.add(new Span(i / 4, String.valueOf(i / 4 + 1), i * STEP, (i + 4) * STEP));
      }
    }
    return new Expected(moments, bars, 440);
  }

  private static Played played(Fault... faults) {
    return SimulatedPlayer.play(line(Join.PLAIN, false), List.of(faults), Style.USUAL.withSeed(3));
  }

  private static Truth at(Played p, int moment) {
    return p.notes().stream().filter(t -> t.moment() == moment).findFirst().orElseThrow();
  }

  @Test
  void aCleanTakeHasEveryNoteNearItsTimeAndPitch() {
    Played p = played();
    assertThat(p.notes()).hasSize(LINE.length);
    for (int i = 1; i < LINE.length; i++) {
      double step = 1000 * (at(p, i).onsetS() - at(p, i - 1).onsetS());
      assertThat(step).isCloseTo(STEP, within(45.0)); // six jitters of 6 ms and what rings
      assertThat(at(p, i).cents()).isCloseTo(0, within(13.0));
    }
  }

  @ParameterizedTest
  @CsvSource({"SHARP, 25", "FLAT, -30"})
  void aNoteIsAsFarOffAsAskedFor(Kind kind, double cents) {
    Played p = played(new Fault(kind, 3, Math.abs(cents)));
    assertThat(at(p, 3).cents()).isCloseTo(cents, within(4.0));
    assertThat(at(p, 2).cents()).isCloseTo(0, within(13.0));
  }

  @Test
  void aLateNoteComesLaterAndTheNextInTime() {
    double late = at(played(new Fault(Kind.LATE, 3, 80)), 3).onsetS() - at(played(), 3).onsetS();
    assertThat(1000 * late).isCloseTo(80, within(10.0));
    double next = at(played(new Fault(Kind.LATE, 3, 80)), 4).onsetS() - at(played(), 4).onsetS();
    assertThat(1000 * next).isCloseTo(0, within(10.0));
  }

  @Test
  void aMissingNoteLeavesItsTimeSilent() {
    Played p = played(new Fault(Kind.MISSING, 2, 1));
    assertThat(p.notes()).noneMatch(t -> t.moment() == 2);
    Recording r = Recording.of(p.samples(), SimulatedPlayer.RATE);
    double silent = r.level(at(p, 3).onsetS() - 0.25, at(p, 3).onsetS() - 0.1);
    assertThat(silent).isLessThan(0.1 * r.level(at(p, 3).onsetS(), at(p, 3).endS()));
  }

  @Test
  void aRestartPlaysTheBarTwiceAndTheLastCounts() {
    Played clean = played();
    Played p = played(new Fault(Kind.RESTART, 4, 1));
    assertThat(p.notes()).hasSize(LINE.length);
    assertThat(p.samples().length).isGreaterThan(clean.samples().length + SimulatedPlayer.RATE);
    assertThat(at(p, 4).onsetS()).isGreaterThan(at(clean, 4).onsetS() + 1);
  }

  /** The way to a shifted note is heard before it: it is there in time. */
  @ParameterizedTest
  @ValueSource(doubles = {60, 120})
  void aGlideIsHeardBeforeTheNote(double ms) {
    Expected e = line(Join.PLAIN, true);
    Style style = Style.USUAL.withSeed(3);
    Played plain = SimulatedPlayer.play(e, List.of(), style);
    Played glides = SimulatedPlayer.play(e, List.of(new Fault(Kind.GLIDE, 4, ms)), style);
    double moved = at(glides, 4).onsetS() - at(plain, 4).onsetS();
    assertThat(1000 * moved).isCloseTo(0, within(12.0));
    assertThat(at(glides, 3).endS()).isLessThan(at(plain, 3).endS());
  }

  /** The noise lies so far under the playing as it is said to. */
  @ParameterizedTest
  @ValueSource(doubles = {40, 20})
  void theNoiseLiesAsFarBelowAsItIsSaid(double db) {
    Played p =
        SimulatedPlayer.play(
            line(Join.PLAIN, false), List.of(), Style.USUAL.withSeed(3).withNoise(db));
    Recording r = Recording.of(p.samples(), SimulatedPlayer.RATE);
    double playing = r.level(at(p, 0).onsetS(), at(p, 7).endS());
    double end = r.seconds();
    double noise = r.level(end - 0.3, end - 0.05);
    assertThat(20 * Math.log10(playing / noise)).isCloseTo(db, within(4.0));
  }

  @Test
  void aTakeThatIsTunedOtherwiseIsSoThroughout() {
    Played p =
        SimulatedPlayer.play(
            line(Join.PLAIN, false), List.of(), Style.USUAL.withSeed(3).withTuned(-30));
    assertThat(p.notes()).allSatisfy(t -> assertThat(t.cents()).isCloseTo(-30, within(13.0)));
  }
}
