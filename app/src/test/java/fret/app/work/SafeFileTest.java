package fret.app.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SafeFileTest {
  @TempDir Path dir;

  @Test
  void aFileIsReplacedAsAWholeAndNothingIsLeftBeside() throws IOException {
    Path file = dir.resolve("part.pdf");
    SafeFile.write(file, "old".getBytes(java.nio.charset.StandardCharsets.UTF_8));
    SafeFile.write(file, "new".getBytes(java.nio.charset.StandardCharsets.UTF_8));
    assertThat(file).hasContent("new");
    try (var all = Files.list(dir)) {
      assertThat(all).containsExactly(file);
    }
  }

  /** The new bytes cannot be put there: what was there stays, and nothing is left beside. */
  @Test
  void whatWasThereStaysWhenTheNewCannotBeWritten() throws IOException {
    Path kept = Files.createDirectory(dir.resolve("part.pdf"));
    Files.writeString(kept.resolve("inside"), "old");
    assertThatThrownBy(() -> SafeFile.write(kept, new byte[] {1})).isInstanceOf(IOException.class);
    assertThat(kept.resolve("inside")).hasContent("old");
    try (var all = Files.list(dir)) {
      assertThat(all).containsExactly(kept);
    }
    assertThatThrownBy(() -> SafeFile.write(dir.resolve("no/part.pdf"), new byte[] {1}))
        .isInstanceOf(IOException.class);
  }
}
