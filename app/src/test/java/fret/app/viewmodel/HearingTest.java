package fret.app.viewmodel;

import static org.assertj.core.api.Assertions.assertThat;

import fret.sound.ClickTrack;
import fret.sound.PassagePlayer;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class HearingTest {
  @TempDir Path dir;
  private Room room;
  private LeftHandModel selection;
  private Hearing hearing;
  private final Player player = new Player();

  /** What was asked for, in the order it was asked. */
  private static final class Player implements PassagePlayer {
    private final List<Integer> lengths = new ArrayList<>();
    private boolean looping;
    private boolean playing;

    @Override
    public void play(float[] samples, boolean loop) {
      lengths.add(samples.length);
      looping = loop;
      playing = true;
    }

    @Override
    public void stop() {
      playing = false;
    }

    @Override
    public boolean isPlaying() {
      return playing;
    }

    @Override
    public String description() {
      return "a list";
    }

    double seconds() {
      return lengths.get(lengths.size() - 1) / (double) ClickTrack.SAMPLE_RATE;
    }
  }

  @BeforeEach
  void open() {
    room = new Room(dir.resolve("library.sqlite"));
    selection = new LeftHandModel(room.studio);
    hearing = new Hearing(room.studio, selection, player);
  }

  @AfterEach
  void close() {
    room.close();
  }

  private void toggle() {
    hearing.toggle();
    room.settle();
  }

  @Test
  void withoutAPassageThereIsNothingToHear() {
    toggle();
    assertThat(player.lengths).isEmpty();
  }

  /** Eighths at 80 quarters a minute last 0.375 s each. */
  @Test
  void itSoundsFromTheSelectedNoteToTheEndAndStops() {
    room.open(0);
    toggle();
    double all = player.seconds();
    assertThat(all).isGreaterThanOrEqualTo(8 * 0.375);
    toggle();
    assertThat(player.playing).isFalse();
    assertThat(player.lengths).hasSize(1);
    room.studio.select(4);
    toggle();
    assertThat(all - player.seconds())
        .isCloseTo(4 * 0.375, org.assertj.core.data.Offset.offset(0.01));
    assertThat(player.looping).isFalse();
  }

  @Test
  void selectedNotesSoundAgainAndAgain() {
    room.open(0);
    room.studio.select(2);
    selection.extend(1);
    toggle();
    assertThat(player.looping).isTrue();
    assertThat(player.seconds()).isBetween(2 * 0.375 - 0.01, 2 * 0.375 + 1.5);
  }

  @Test
  void anotherPassageEndsIt() {
    room.open(0);
    toggle();
    room.open(1);
    assertThat(player.playing).isFalse();
  }
}
