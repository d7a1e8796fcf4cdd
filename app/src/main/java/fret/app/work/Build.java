package fret.app.work;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URISyntaxException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.CodeSource;
import java.util.TreeSet;
import java.util.stream.Stream;

/** Which build of the program this is: answers kept by another one may be other answers. */
public final class Build {
  private Build() {}

  /**
   * A text that is another one after every build of what a class and its neighbours come from.
   *
   * @return empty where the program does not know what it was loaded from
   */
  public static String of(Class<?>... classes) {
    TreeSet<String> all = new TreeSet<>();
    for (Class<?> c : classes) {
      CodeSource source = c.getProtectionDomain().getCodeSource();
      if (source == null) {
        return "";
      }
      try {
        all.add(stamp(Path.of(source.getLocation().toURI())));
      } catch (IOException | UncheckedIOException | URISyntaxException e) {
        return "";
      }
    }
    return String.join(" ", all);
  }

  /**
   * When the newest file of an archive or a folder of classes was written, and how long all are.
   */
  private static String stamp(Path from) throws IOException {
    try (Stream<Path> files = Files.walk(from)) {
      long[] newestAndLength = new long[2];
      for (Path f : (Iterable<Path>) files.filter(Files::isRegularFile)::iterator) {
        newestAndLength[0] = Math.max(newestAndLength[0], Files.getLastModifiedTime(f).toMillis());
        newestAndLength[1] += Files.size(f);
      }
      return newestAndLength[0] + "/" + newestAndLength[1];
    }
  }
}
