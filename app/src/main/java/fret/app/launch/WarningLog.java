package fret.app.launch;

import fret.app.viewmodel.Preferences;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.logging.FileHandler;
import java.util.logging.Handler;
import java.util.logging.Level;
import java.util.logging.Logger;
import java.util.logging.SimpleFormatter;

/** Keeps warnings in a file of bounded size in the data folder. */
final class WarningLog {
  private static final String ROLLING = Preferences.LOG.replace("0", "%g");

  private static final int LARGEST_BYTES = 500_000;
  private static final int FILES = 2;

  /** Kept, so that the level set on it is not lost. */
  private static final Logger ROOT = Logger.getLogger("");

  private WarningLog() {}

  /** Starts the log; where it cannot be written, the program goes on without. */
  static void start(Path folder) {
    for (Handler handler : ROOT.getHandlers()) {
      handler.setLevel(Level.WARNING);
    }
    try {
      Files.createDirectories(folder);
      FileHandler file =
          new FileHandler(folder.resolve(ROLLING).toString(), LARGEST_BYTES, FILES, true);
      file.setLevel(Level.WARNING);
      file.setFormatter(new SimpleFormatter());
      file.setEncoding("UTF-8");
      ROOT.addHandler(file);
    } catch (IOException e) {
      ROOT.log(Level.WARNING, "no log is kept in " + folder, e);
    }
  }
}
