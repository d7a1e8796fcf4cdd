package fret.app.launch;

import javafx.application.Application;
import javafx.stage.Stage;

/** The window. */
public final class FretApplication extends Application {
  static void open(String[] args) {
    launch(FretApplication.class, args);
  }

  @Override
  public void start(Stage stage) {
    stage.show();
  }
}
