package fret.app.viewmodel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.AdditionalAnswers.delegatesTo;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;

import fret.app.viewmodel.TakesModel.Checked;
import fret.base.Said;
import fret.format.sound.RecordingFiles;
import fret.sound.Microphone;
import fret.sound.PassagePlayer;
import fret.take.Expected;
import fret.take.Fault;
import fret.take.SimulatedPlayer;
import fret.take.SoundFiles;
import fret.tempo.Beat;
import fret.tempo.Tempo;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class TakesModelTest {
  @TempDir Path dir;
  private Room room;

  @AfterEach
  void close() {
    room.close();
  }

  private TakesModel takes(SoundFiles sounds) {
    return new TakesModel(
        room.studio,
        new LeftHandModel(room.studio),
        mock(PassagePlayer.class),
        mock(Microphone.class),
        sounds);
  }

  private static SoundFiles sounds() {
    return mock(SoundFiles.class, delegatesTo(new RecordingFiles()));
  }

  /** The fourth note flat, in bars of eight eighths. */
  private static List<Fault> flat(Expected expected) {
    return List.of(new Fault(Fault.Kind.FLAT, 3, 40));
  }

  @Test
  void aStoredTakeIsListenedToOnceForOnePart() throws Exception {
    room = new Room(dir.resolve("library.sqlite"));
    room.open(0);
    TakesModel first = takes(sounds());
    first.setLooking(true);
    first.simulate(TakesModelTest::flat, SimulatedPlayer.Style.USUAL);
    room.settle();
    Checked heard = first.checkedProperty().get().orElseThrow();
    assertThat(heard.findings()).isNotEmpty();
    room.close();

    room = new Room(dir.resolve("library.sqlite"));
    room.open(0);
    SoundFiles untouched = sounds();
    TakesModel again = takes(untouched);
    again.setLooking(true);
    room.settle();
    Checked kept = again.checkedProperty().get().orElseThrow();
    assertThat(kept.report().heard()).isEqualTo(heard.report().heard());
    assertThat(kept.report().findings()).isEqualTo(heard.report().findings());
    verify(untouched, never()).read(any(), any());

    // Another tempo is another part: it is measured anew.
    room.studio.changeSettings(
        Said.words("slower"), s -> s.withTarget(new Tempo(Beat.QUARTER, 70)));
    room.settle();
    verify(untouched).read(any(), any());
  }
}
