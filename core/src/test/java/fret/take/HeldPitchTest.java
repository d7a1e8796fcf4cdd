package fret.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.pitch.Pitch;
import fret.take.Expected.Join;
import fret.take.Expected.Moment;
import fret.take.Expected.Span;
import fret.take.Expected.Tone;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class HeldPitchTest {
  private static final int RATE = 44_100;
  private static final int BLOCK = 2048;

  private static Expected notes(String... names) {
    List<Moment> moments = new ArrayList<>();
    for (int i = 0; i < names.length; i++) {
      Pitch pitch = Pitch.parse(names[i]);
      Tone tone = new Tone(i, pitch, pitch.hertz(440));
      double at = 500 * i;
      moments.add(
          new Moment(
              i,
              0,
              at,
              at + 500,
              500,
              List.of(tone),
              List.of(),
              Join.PLAIN,
              true,
              false,
              false,
              4));
    }
    return new Expected(moments, List.of(new Span(0, "1", 0, 500 * names.length)), 440);
  }

  /** What is told after half a second of a tone that turns from one frequency to another. */
  private static Optional<HeldPitch.Reading> told(HeldPitch held, double from, double to) {
    Optional<HeldPitch.Reading> last = Optional.empty();
    double phase = 0;
    int blocks = RATE / 2 / BLOCK;
    for (int b = 0; b < blocks; b++) {
      float[] block = new float[BLOCK];
      double hertz = from + (to - from) * b / (blocks - 1);
      for (int i = 0; i < BLOCK; i++) {
        phase += 2 * Math.PI * hertz / RATE;
        block[i] = (float) (0.3 * Math.sin(phase) + 0.15 * Math.sin(2 * phase));
      }
      last = held.take(block);
    }
    return last;
  }

  @Test
  void aHeldToneIsToldAgainstTheNearestNote() {
    HeldPitch held = new HeldPitch(notes("D4", "E4", "F#4", "A4"), RATE);
    double sharp = Pitch.parse("F#4").hertz(440) * Math.pow(2, 9 / 1200.0);
    HeldPitch.Reading r = told(held, sharp, sharp).orElseThrow();
    assertThat(r.nearest().pitch()).isEqualTo(Pitch.parse("F#4"));
    assertThat(r.cents()).isCloseTo(9, within(0.5));
  }

  @Test
  void theLowestStringOfTheBassIsHeardToo() {
    HeldPitch held = new HeldPitch(notes("E1", "A1"), RATE);
    double flat = Pitch.parse("E1").hertz(440) * Math.pow(2, -7 / 1200.0);
    assertThat(told(held, flat, flat).orElseThrow().cents()).isCloseTo(-7, within(1.0));
  }

  @Test
  void slidesAndSilenceAreNotTold() {
    HeldPitch held = new HeldPitch(notes("A4"), RATE);
    assertThat(told(held, 400, 480)).isEmpty();
    assertThat(held.take(new float[RATE])).isEmpty();
  }
}
