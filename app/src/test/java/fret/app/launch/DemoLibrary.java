package fret.app.launch;

import fret.store.SqliteLibrary;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;

/** The demo library is filled once a day that is asked for; every test has a copy of its own. */
final class DemoLibrary {
  private static final Map<LocalDate, byte[]> FILLED = new HashMap<>();

  private DemoLibrary() {}

  /** A library of one's own at a path where nothing is yet. */
  static SqliteLibrary open(Path file, LocalDate today) throws IOException {
    Files.write(file, filled(today));
    return SqliteLibrary.open(file);
  }

  private static synchronized byte[] filled(LocalDate today) throws IOException {
    byte[] known = FILLED.get(today);
    if (known == null) {
      Path file = Files.createTempDirectory("demo").resolve("library.sqlite");
      SqliteLibrary library = SqliteLibrary.open(file);
      Demo.fill(library, FretApplication.FORMATS, today);
      library.close();
      known = Files.readAllBytes(file);
      FILLED.put(today, known);
    }
    return known;
  }
}
