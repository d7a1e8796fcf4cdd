package fret.app.launch;

import fret.app.viewmodel.Studio;
import fret.app.words.Sentences;
import fret.app.work.Storing;
import java.util.Optional;
import javafx.scene.control.Alert;
import javafx.scene.control.ButtonType;
import javafx.stage.Stage;

/** Asked when the window closes and something could not be stored. */
final class Unstored {
  private Unstored() {}

  static boolean closeAnyway(Stage stage, Studio studio) {
    ButtonType close = new ButtonType(Sentences.of("close.anyway"));
    ButtonType stay = ButtonType.CANCEL;
    String why =
        studio
            .troubleProperty()
            .get()
            .map(Storing.Trouble::failure)
            .map(f -> Sentences.of("store." + f.why()))
            .orElse("");
    String text = Sentences.of("close.unstored", why, studio.notStoredProperty().get());
    Alert alert = new Alert(Alert.AlertType.WARNING, text, close, stay);
    alert.initOwner(stage);
    alert.setHeaderText(null);
    Optional<ButtonType> answer = alert.showAndWait();
    return answer.filter(close::equals).isPresent();
  }
}
