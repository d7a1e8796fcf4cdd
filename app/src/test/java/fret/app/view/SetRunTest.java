package fret.app.view;

import static org.assertj.core.api.Assertions.assertThat;

import fret.pitch.Clef;
import fret.pitch.Interval;
import fret.pitch.KeySignature;
import fret.pitch.Pitch;
import fret.score.LineBuilder;
import fret.score.Score;
import fret.score.TimeSignature;
import fret.sound.Click;
import fret.sound.ClickLine;
import fret.sound.ClickPlayer;
import fret.sound.ClickStyle;
import fret.sound.ClickTrack;
import fret.sound.PlaySet;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import fret.tempo.TempoMap;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntConsumer;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;

/** What a verdict is for, wherever in a set it falls. */
class SetRunTest {
  /** Sounds a click when it is told to. */
  private static final class ByHand implements ClickPlayer {
    private IntConsumer onClick;
    private Runnable onEnd;
    private int stops;

    @Override
    public void start(ClickTrack track, IntConsumer click, Runnable end) {
      onClick = click;
      onEnd = end;
    }

    @Override
    public void stop() {
      stops++;
    }

    @Override
    public String description() {
      return "by hand";
    }
  }

  private final ByHand player = new ByHand();
  private final List<SetRun.Phase> phases = new ArrayList<>();
  private final SetRun run =
      new SetRun(
          player,
          Runnable::run,
          new SetRun.Watcher() {
            @Override
            public void phase(SetRun.Phase now) {
              phases.add(now);
            }

            @Override
            public void click(Click c, double inPlay) {
              assertThat(inPlay < 0).isEqualTo(c.strength() == Click.Strength.COUNT_IN);
            }
          });

  private static ClickLine bar() {
    LineBuilder line = new LineBuilder(TimeSignature.COMMON_TIME, KeySignature.NONE, Clef.TREBLE);
    line.add(Fraction.ONE, Pitch.parse("A4"));
    Score score = line.build("x", Interval.UNISON);
    return new ClickLine(score, TempoMap.steady(new Tempo(Beat.QUARTER, 60)), ClickStyle.PLAIN);
  }

  /** Four beats counted in, four played, three times. */
  private void clicks(int count) {
    for (int i = 0; i < count; i++) {
      player.onClick.accept(i);
    }
  }

  @Test
  void playsThatWentByWithoutAWordWereClean() {
    run.start(PlaySet.of(bar(), 3, 6), false);
    assertThat(run.phase()).isEqualTo(SetRun.Phase.COUNT_IN);
    clicks(6);
    assertThat(run.unjudged()).as("within the first play").isZero();
    clicks(10);
    assertThat(run.phase()).as("the next count-in").isEqualTo(SetRun.Phase.PAUSE);
    assertThat(run.unjudged()).isEqualTo(1);
    assertThat(run.cleanBefore()).as("a word now is for the first play").isZero();
    clicks(14);
    assertThat(run.phase()).isEqualTo(SetRun.Phase.PLAYING);
    assertThat(run.cleanBefore()).as("a miss now is in the second").isEqualTo(1);
    player.onEnd.run();
    assertThat(run.phase()).isEqualTo(SetRun.Phase.ASKED);
    assertThat(run.unjudged()).isEqualTo(3);
    assertThat(run.cleanBefore()).isEqualTo(2);
    assertThat(phases).contains(SetRun.Phase.PAUSE, SetRun.Phase.PLAYING);
  }

  @Test
  void aLoopIsToldOfOnce() {
    run.start(PlaySet.loop(bar(), 5), true);
    clicks(14);
    assertThat(run.unjudged()).isEqualTo(1);
    assertThat(run.cleanBefore()).as("its rounds are no clean plays").isZero();
    run.stop();
    assertThat(player.stops).isEqualTo(1);
    assertThat(run.unjudged()).isZero();
  }

  @Test
  void theClickOfSomebodyElseGoesOnAndAnOldSetIsNotHeardOf() {
    run.stop();
    assertThat(player.stops).isZero();
    run.start(PlaySet.of(bar(), 1, 6), false);
    Runnable old = player.onEnd;
    run.start(PlaySet.of(bar(), 2, 6), false);
    old.run();
    assertThat(run.isMoving()).isTrue();
  }
}
