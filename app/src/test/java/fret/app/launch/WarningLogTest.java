package fret.app.launch;

import static org.assertj.core.api.Assertions.assertThat;

import fret.app.viewmodel.Preferences;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Set;
import java.util.logging.Handler;
import java.util.logging.Level;
import java.util.logging.Logger;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class WarningLogTest {
  private static final Logger ROOT = Logger.getLogger("");
  private Set<Handler> before;

  @TempDir Path folder;

  @BeforeEach
  void remember() {
    before = Arrays.stream(ROOT.getHandlers()).collect(Collectors.toSet());
  }

  @AfterEach
  void putBack() {
    for (Handler handler : ROOT.getHandlers()) {
      if (!before.contains(handler)) {
        handler.close();
        ROOT.removeHandler(handler);
      }
    }
    before.stream()
        .filter(h -> !Arrays.asList(ROOT.getHandlers()).contains(h))
        .forEach(ROOT::addHandler);
  }

  private String kept() throws java.io.IOException {
    return Files.readString(folder.resolve(Preferences.LOG), StandardCharsets.UTF_8);
  }

  @Test
  void warningsAreKeptWithTheirCauseAndRemarksAreNot() throws Exception {
    WarningLog.start(folder);
    System.Logger log = System.getLogger("fret");
    log.log(System.Logger.Level.INFO, "only a remark");
    log.log(System.Logger.Level.WARNING, "not kept: naïve", new IllegalStateException("the disk"));
    assertThat(kept()).contains("not kept: naïve", "the disk").doesNotContain("only a remark");
  }

  @Test
  void theLogStaysSmallHoweverMuchIsWarned() throws Exception {
    before.forEach(ROOT::removeHandler); // or the test's own log would be full of it
    WarningLog.start(folder);
    String long1 = "x".repeat(10_000);
    for (int i = 0; i < 200; i++) {
      ROOT.log(Level.WARNING, long1);
    }
    try (var files = Files.list(folder)) {
      long bytes =
          files
              .filter(f -> !f.toString().endsWith(".lck"))
              .mapToLong(f -> f.toFile().length())
              .sum();
      assertThat(bytes).isBetween(500_000L, 1_100_000L);
    }
  }

  @Test
  void aFolderThatCannotBeUsedStopsNothing() throws Exception {
    Path file = Files.writeString(folder.resolve("file"), "in the way");
    WarningLog.start(file.resolve("below"));
    assertThat(Files.readString(file)).isEqualTo("in the way");
  }
}
