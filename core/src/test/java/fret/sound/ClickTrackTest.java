package fret.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.TimeSignature;
import fret.sound.Click.Strength;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** Clicks from the page to the samples. */
class ClickTrackTest {
  /**
   * Two eighths with a rest of an eighth after each: the ends at half a beat and at one and a half.
   */
  @Test
  void aSofterClickTellsWhereANoteEnds() {
    LineBuilder line = new LineBuilder(TimeSignature.of(2, 4), KeySignature.NONE, Clef.TREBLE);
    for (int i = 0; i < 2; i++) {
      line.add(Fraction.of(1, 8), Pitch.parse("A4")).add(Fraction.of(1, 8));
    }
    ClickLine made =
        new ClickLine(line.build("x", Interval.UNISON), quarters(60), ClickStyle.PLAIN);
    assertThat(made.clicks()).noneMatch(c -> c.strength() == Click.Strength.END);
    assertThat(made.withEnds().clicks())
        .filteredOn(c -> c.strength() == Click.Strength.END)
        .extracting(Click::seconds)
        .containsExactly(0.5, 1.5);
  }

  /** Running sixteenths, two bars silent, a cue of three notes, a bar alone: bar by bar. */
  @Test
  void theClickIsOtherwiseByBars() {
    List<ClickRange> ranges =
        List.of(
            new ClickRange("1", "2", ClickRange.Kind.RUNNING, List.of(Fraction.of(1, 16))),
            new ClickRange("3", "4", ClickRange.Kind.SILENT, List.of()),
            new ClickRange(
                "4",
                "4",
                ClickRange.Kind.CUE,
                List.of(Fraction.of(1, 8), Fraction.of(1, 8), Fraction.of(1, 4))),
            new ClickRange("5", "5", ClickRange.Kind.FREE_BARS, List.of()));
    List<Click> clicks =
        new ClickLine(bars(TimeSignature.of(4, 4), 6), quarters(60), ClickStyle.PLAIN, ranges)
            .clicks();
    List<Double> heard =
        clicks.stream()
            .filter(c -> c.strength() != Click.Strength.SILENT)
            .map(Click::seconds)
            .toList();
    assertThat(heard.stream().filter(t -> t < 8)).hasSize(32);
    assertThat(heard.stream().filter(t -> t >= 8 && t < 16)).containsExactly(14.0, 14.5, 15.0);
    assertThat(heard.stream().filter(t -> t >= 16 && t < 20)).containsExactly(16.0);
    assertThat(heard.stream().filter(t -> t >= 20)).hasSize(4);
  }

  /** Sixteenths that stop in bar 3 where the player goes on, and an entry after a bar of rest. */
  @Test
  void theOtherPartsGiveTheRunningValueTheDangersAndTheCues() {
    LineBuilder own = new LineBuilder(TimeSignature.of(2, 4), KeySignature.NONE, Clef.TREBLE);
    LineBuilder other = new LineBuilder(TimeSignature.of(2, 4), KeySignature.NONE, Clef.BASS);
    Pitch a = Pitch.parse("A4");
    for (int bar = 1; bar <= 5; bar++) {
      if (bar == 4) {
        own.add(Fraction.of(1, 2));
      } else {
        own.add(Fraction.of(1, 2), a);
      }
      if (bar <= 2) {
        for (int i = 0; i < 8; i++) {
          other.add(Fraction.of(1, 16), a);
        }
      } else if (bar == 4) {
        other.add(Fraction.of(1, 4), a).add(Fraction.of(1, 8), a).add(Fraction.of(1, 8), a);
      } else {
        other.add(Fraction.of(1, 2), a);
      }
    }
    List<ClickRange> found =
        Accompaniment.of(
            own.build("own", Interval.UNISON), List.of(other.build("other", Interval.UNISON)));
    assertThat(found)
        .containsExactly(
            new ClickRange("1", "2", ClickRange.Kind.RUNNING, List.of(Fraction.of(1, 16))),
            new ClickRange("3", "3", ClickRange.Kind.RUSH, List.of()),
            new ClickRange("4", "4", ClickRange.Kind.RUNNING, List.of(Fraction.of(1, 4))),
            new ClickRange("5", "5", ClickRange.Kind.RUSH, List.of()),
            new ClickRange(
                "4",
                "4",
                ClickRange.Kind.CUE,
                List.of(Fraction.of(1, 4), Fraction.of(1, 8), Fraction.of(1, 8))));
  }

  private static Score bars(TimeSignature time, int count) {
    LineBuilder line = new LineBuilder(time, KeySignature.NONE, Clef.TREBLE);
    for (int i = 0; i < count; i++) {
      line.add(time.barLength(), Pitch.parse("A4"));
    }
    return line.build("", Interval.UNISON);
  }

  private static TempoMap quarters(double perMinute) {
    return TempoMap.steady(new Tempo(Beat.QUARTER, perMinute));
  }

  private static ClickTrack track(ClickLine line) {
    return new ClickTrack(line.clicks(), line.seconds());
  }

  private static String strengths(List<Click> clicks) {
    return clicks.stream()
        .map(
            c ->
                switch (c.strength()) {
                  case STRONG -> "S";
                  case MEDIUM -> "m";
                  case WEAK -> "w";
                  case SILENT -> "-";
                  default -> ".";
                })
        .collect(Collectors.joining());
  }

  /** An hour of 97 a minute, each click at the sample nearest to its time. */
  @Test
  void anHourDoesNotDrift() {
    ClickTrack hour =
        track(new ClickLine(bars(TimeSignature.of(4, 4), 1455), quarters(97), ClickStyle.PLAIN));
    assertThat(hour.clicks()).hasSize(5820);
    for (int n = 0; n < 5820; n++) {
      assertThat(hour.start(n)).isEqualTo(Math.round(n * 60.0 / 97 * 44_100));
    }
    float[] last = new float[100];
    long start = hour.start(5819);
    hour.render(start - 10, last);
    assertThat(last[9]).isZero();
    assertThat(Math.abs(last[10])).isGreaterThan(0.1f);
    assertThat(hour.length()).isEqualTo(3600L * 44_100);
  }

  @Test
  void blocksJoinWithoutASeam() {
    ClickTrack track =
        track(
            new ClickLine(
                bars(TimeSignature.of(3, 4), 2), quarters(97), ClickStyle.PLAIN.withBetween(2)));
    float[] whole = new float[40_000];
    track.render(0, whole);
    float[] block = new float[777];
    for (int at = 0; at + block.length < whole.length; at += block.length) {
      track.render(at, block);
      assertThat(block).isEqualTo(java.util.Arrays.copyOfRange(whole, at, at + block.length));
    }
  }

  /** 5/8 as 2+3, then 3/4: strong on 1, medium on 3, strong on 6, medium on 8 and 10 of eleven. */
  @Test
  void groupsAreHeard() {
    TimeSignature five = new TimeSignature(List.of(2, 3), 8, TimeSignature.Sign.NUMBERS);
    Score first = bars(five, 1);
    Bar three = bars(TimeSignature.of(3, 4), 1).bars().get(0);
    List<Bar> all = new ArrayList<>(first.bars());
    all.add(
        new Bar(
            1,
            "2",
            Fraction.of(5, 8),
            three.length(),
            three.time(),
            three.key(),
            three.clef(),
            List.of(),
            List.of(),
            List.of(),
            false,
            false,
            List.of(),
            Bar.Line.FINAL));
    ClickStyle eighths = ClickStyle.PLAIN.counting(Beat.EIGHTH);
    assertThat(strengths(new ClickLine(first.withBars(all), quarters(60), eighths).clicks()))
        .isEqualTo("SwmwwSwmwmw");
    assertThat(strengths(new ClickLine(first, quarters(60), ClickStyle.PLAIN).clicks()))
        .as("uneven groups are counted in their unit")
        .isEqualTo("Swmww");
  }

  /** 60 to 120 over a whole note lasts 2.77 s (4 ln 2); at half level 5.55 s. */
  @Test
  void aGradualChangeIsStraightInBeats() {
    Tempo slow = new Tempo(Beat.QUARTER, 60);
    Tempo fast = new Tempo(Beat.QUARTER, 120);
    TempoMap map =
        TempoMap.of(
            List.of(
                new TempoMap.Section(Fraction.ZERO, slow, fast),
                new TempoMap.Section(Fraction.ONE, fast, fast)),
            List.of());
    Score one = bars(TimeSignature.of(4, 4), 1);
    assertThat(new ClickLine(one, map, ClickStyle.PLAIN).seconds())
        .isCloseTo(4 * Math.log(2), within(1e-9));
    assertThat(new ClickLine(one, map.scaled(0.5), ClickStyle.PLAIN).seconds())
        .isCloseTo(5.545, within(1e-3));
    List<Click> clicks = new ClickLine(one, map, ClickStyle.PLAIN).clicks();
    double before = Double.MAX_VALUE;
    for (int i = 1; i < clicks.size(); i++) {
      double gap = clicks.get(i).seconds() - clicks.get(i - 1).seconds();
      assertThat(gap).isLessThan(before);
      before = gap;
    }
  }

  /** Running sixteenths silent for two bars: exactly these two. */
  @Test
  void silentBarsAreExactlyThose() {
    ClickStyle style = ClickStyle.PLAIN.withBetween(4).silentFor(2, 2);
    List<Click> clicks =
        new ClickLine(bars(TimeSignature.of(4, 4), 4), quarters(60), style).clicks();
    assertThat(clicks).hasSize(64);
    for (Click c : clicks) {
      boolean silent = c.seconds() >= 8 && c.seconds() < 16;
      assertThat(c.strength() == Strength.SILENT).as("%s", c).isEqualTo(silent);
    }
  }

  /** At 124 the second eighth comes after 241.9 ms, triplets at 161.3 and 322.6. */
  @Test
  void eighthsAgainstTriplets() {
    ClickStyle style = ClickStyle.PLAIN.withBetween(2).withAgainst(3);
    List<Double> ms =
        new ClickLine(bars(TimeSignature.of(1, 4), 1), quarters(124), style)
            .clicks().stream().map(c -> c.seconds() * 1000).sorted().toList();
    assertThat(ms).hasSize(4);
    assertThat(ms.get(1)).isCloseTo(161.29, within(0.01));
    assertThat(ms.get(2)).isCloseTo(241.94, within(0.01));
    assertThat(ms.get(3)).isCloseTo(322.58, within(0.01));
  }

  @Test
  void offTheBeatAndBarsOnly() {
    Score two = bars(TimeSignature.of(4, 4), 2);
    assertThat(strengths(new ClickLine(two, quarters(60), ClickStyle.PLAIN.offBeat(true)).clicks()))
        .isEqualTo("-.-.-.-.-.-.-.-.");
    assertThat(
            strengths(new ClickLine(two, quarters(60), ClickStyle.PLAIN.barsOnly(true)).clicks()))
        .isEqualTo("SS");
    ClickStyle dotted = ClickStyle.PLAIN.counting(Beat.QUARTER.dotted());
    assertThat(new ClickLine(bars(TimeSignature.of(6, 8), 1), quarters(60), dotted).clicks())
        .extracting(Click::seconds)
        .containsExactly(0.0, 1.5);
  }

  /** 32 beats at 60, three plays, 6 s after each: 114 s. */
  @Test
  void aSetLastsItsPlaysAndPauses() {
    PlaySet set =
        PlaySet.of(
            new ClickLine(bars(TimeSignature.of(4, 4), 8), quarters(60), ClickStyle.PLAIN), 3, 6);
    assertThat(set.seconds()).isCloseTo(114, within(1e-4));
    assertThat(set.plays()).hasSize(3);
    assertThat(set.plays().get(0)).isEqualTo(new PlaySet.Span(4, 36));
    assertThat(set.plays().get(1).from()).isCloseTo(42, within(1e-9));
    List<Click> second = set.track().clicks().stream().filter(c -> c.play() == 1).limit(5).toList();
    assertThat(second).extracting(Click::seconds).containsExactly(38.0, 39.0, 40.0, 41.0, 42.0);
    assertThat(second.get(3).strength()).isEqualTo(Strength.COUNT_IN);
    assertThat(second.get(4).strength()).isEqualTo(Strength.STRONG);
  }

  @Test
  void aPickUpHasTheLastBeatsOfItsBar() {
    Bar full = bars(TimeSignature.of(4, 4), 1).bars().get(0);
    Bar pickUp =
        new Bar(
            0,
            "0",
            Fraction.of(-1, 4),
            Fraction.of(1, 4),
            full.time(),
            full.key(),
            full.clef(),
            List.of(),
            List.of(),
            List.of(),
            false,
            false,
            List.of(),
            Bar.Line.PLAIN);
    Score score = bars(TimeSignature.of(4, 4), 1).withBars(List.of(pickUp, full));
    List<Click> clicks = new ClickLine(score, quarters(60), ClickStyle.PLAIN).clicks();
    assertThat(clicks).extracting(Click::count).containsExactly(4, 1, 2, 3, 4);
    assertThat(clicks).extracting(Click::seconds).containsExactly(0.0, 1.0, 2.0, 3.0, 4.0);
  }

  /**
   * A ramp of samples in three plays: half as loud under the clicks of each, no longer than it is.
   */
  @Test
  void musicSoundsUnderTheClicksOfEachPlay() {
    PlaySet alone =
        PlaySet.of(
            new ClickLine(bars(TimeSignature.of(4, 4), 1), quarters(60), ClickStyle.PLAIN), 3, 6);
    float[] music = new float[3 * 44_100];
    for (int i = 0; i < music.length; i++) {
      music[i] = i / 1_000_000f;
    }
    PlaySet along = alone.along(music);
    assertThat(along.plays()).isEqualTo(alone.plays());
    assertThat(along.seconds()).isEqualTo(alone.seconds());
    float[] without = alone.track().samples();
    float[] with = along.track().samples();
    assertThat(with).hasSameSizeAs(without);
    for (PlaySet.Span play : along.plays()) {
      int from = (int) Math.round(play.from() * 44_100);
      for (int at : new int[] {0, 1, 30_000, music.length - 1}) {
        assertThat(with[from + at] - without[from + at])
            .as("%s, sample %d", play, at)
            .isCloseTo(music[at] / 2, within(1e-6f));
      }
      assertThat(with[from - 1]).isEqualTo(without[from - 1]);
      assertThat(with[from + music.length]).isEqualTo(without[from + music.length]);
    }
  }

  /** Blocks as a sound card asks for them give what the whole gives. */
  @Test
  void musicIsTheSameInBlocks() {
    float[] music = new float[20_011];
    java.util.Arrays.fill(music, 0.125f);
    ClickTrack track =
        track(new ClickLine(bars(TimeSignature.of(2, 4), 1), quarters(97), ClickStyle.PLAIN))
            .over(music, List.of(0.1, 0.7));
    float[] whole = track.samples();
    float[] block = new float[512];
    for (int at = 0; at + block.length <= whole.length; at += block.length) {
      track.render(at, block);
      assertThat(block).isEqualTo(java.util.Arrays.copyOfRange(whole, at, at + block.length));
    }
  }

  @Test
  void whatAClickGivesIsReadAsItWasWritten() {
    ClickStyle odd = ClickStyle.PLAIN.counting(Beat.QUARTER.dotted()).withBetween(3).withAgainst(2);
    for (ClickStyle s :
        List.of(ClickStyle.PLAIN, odd, odd.silentFor(2, 2).offBeat(true), odd.barsOnly(true))) {
      assertThat(ClickStyle.read(s.text())).contains(s);
    }
    for (String wrong :
        List.of("", "felt 1", "felt 99 false 0 1 0 false", "x 1 false 0 1 0 false")) {
      assertThat(ClickStyle.read(wrong)).isEmpty();
    }
  }
}
