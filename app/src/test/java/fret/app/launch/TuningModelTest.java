package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.viewmodel.LeftHandModel;
import fret.app.viewmodel.TuningModel;
import fret.sound.PassagePlayer;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;

/** What is tuned is of the notes that are shown. */
class TuningModelTest extends OnDemoLibrary {
  /** A drone asked for while another passage was being tuned once looked for notes of the first. */
  @Test
  void ofAnotherPassageNothingIsKnownUntilItIsTuned() throws Exception {
    openDemo(0);
    PassagePlayer drone = Mockito.mock(PassagePlayer.class);
    Mockito.when(drone.description()).thenReturn("test");
    TuningModel model =
        new TuningModel(
            studio, new LeftHandModel(studio), Mockito.mock(PassagePlayer.class), drone);
    does(() -> model.setLooking(true));
    until(() -> model.tunedProperty().get().isPresent());
    List<Boolean> fits = new ArrayList<>();
    studio
        .shownProperty()
        .addListener(
            o -> {
              int notes = studio.shown().resolved().notes().size();
              fits.add(
                  model.tunedProperty().get().map(t -> t.notes().size() == notes).orElse(true));
              studio.select(0);
              model.sounds().toggleDrone();
            });
    for (int demo = 1; demo < 5; demo++) {
      openDemo(demo);
      until(() -> model.tunedProperty().get().isPresent());
    }
    assertThat(fits).isNotEmpty().doesNotContain(false);
  }
}
