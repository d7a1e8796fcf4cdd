package fret.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fret.shelf.StoreFailure;
import fret.shelf.Take;
import fret.shelf.Take.Whose;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class TakeFilesTest {
  @TempDir Path dir;
  private SqliteLibrary library;

  @BeforeEach
  void open() {
    library = SqliteLibrary.open(dir.resolve("library.sqlite"));
  }

  @AfterEach
  void close() {
    library.close();
  }

  private static Take take(long passage, int day, String name) {
    LocalDateTime made = LocalDateTime.of(2026, 5, day, 17, 30);
    return new Take(0, passage, made, name, "", 31.5, 72, Whose.OWN);
  }

  @Test
  void takesAreKeptWithTheirSoundOldestFirst() {
    Take second = library.takes().add(take(7, 9, "second"), new byte[] {1, 2, 3});
    Take first = library.takes().add(take(7, 2, "first"), new byte[] {4});
    library.takes().add(take(8, 1, "of another passage"), new byte[] {5});
    assertThat(library.takes().of(7)).containsExactly(first, second);
    assertThat(library.takes().sound(second.id())).containsExactly(1, 2, 3);
    library.close();
    library = SqliteLibrary.open(dir.resolve("library.sqlite"));
    assertThat(library.takes().of(7)).containsExactly(first, second);
    assertThat(library.takes().sound(first.id())).containsExactly(4);
  }

  @Test
  void namesNotesAndWhoseAreChangedTheSoundStays() {
    Take t = library.takes().add(take(7, 2, "first"), new byte[] {4});
    Take other = t.named("after the lesson").noted("calmer").by(Whose.MODEL);
    library.takes().change(other);
    assertThat(library.takes().of(7)).containsExactly(other);
    assertThat(library.takes().sound(t.id())).containsExactly(4);
    assertThatThrownBy(() -> library.takes().change(t.withId(99))).isInstanceOf(StoreFailure.class);
  }

  @Test
  void aDeletedTakeIsGoneWithItsFile() throws Exception {
    Take t = library.takes().add(take(7, 2, "first"), new byte[] {4});
    library.takes().remove(t.id());
    assertThat(library.takes().of(7)).isEmpty();
    assertThatThrownBy(() -> library.takes().sound(t.id())).isInstanceOf(StoreFailure.class);
    try (var files = Files.list(dir.resolve("takes"))) {
      assertThat(files).isEmpty();
    }
  }

  @Test
  void whereTheFileCannotBeWrittenNothingIsKept() throws Exception {
    Files.writeString(dir.resolve("takes"), "a file where the folder should be");
    assertThatThrownBy(() -> library.takes().add(take(7, 2, "first"), new byte[] {4}))
        .isInstanceOf(StoreFailure.class);
    assertThat(library.takes().of(7)).isEmpty();
  }

  @Test
  void whatANewerProgramWroteIsLeftOut() {
    Take t = library.takes().add(take(7, 2, "first"), new byte[] {4});
    try (var c =
            java.sql.DriverManager.getConnection("jdbc:sqlite:" + dir.resolve("library.sqlite"));
        var s = c.createStatement()) {
      s.execute("UPDATE take SET whose = 'ENSEMBLE' WHERE id = " + t.id());
    } catch (java.sql.SQLException e) {
      throw new IllegalStateException(e);
    }
    assertThat(library.takes().of(7)).isEmpty();
  }
}
