package fret.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fret.shelf.StoreFailure;
import fret.shelf.Take;
import fret.shelf.Take.Whose;
import fret.take.Heard;
import fret.take.HeardNote;
import fret.take.HeardPitch;
import fret.take.Listener;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.List;
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

  private static Heard heard() {
    HeardPitch pitch = new HeardPitch(-3.25, 1, 5.5, 20, 40, 0);
    HeardNote one = new HeardNote(0, 0.5, 1, -20.5, 30, pitch, List.of(), 0, 0.9);
    HeardNote chord =
        new HeardNote(2, 1, 2, Double.NaN, 0, HeardPitch.NONE, List.of(2.0, Double.NaN), 12, 0.4);
    return new Heard(
        31.5,
        List.of(one, chord),
        List.of(new Heard.TakenUp(2, 1, 0.9)),
        List.of(new Heard.LeftOut(0.1, 0.3)),
        List.of(1),
        -7.5,
        0.98);
  }

  @Test
  void whatWasHeardIsKeptForThePartItWasHeardAgainst() throws Exception {
    Take t = library.takes().add(take(7, 2, "first"), new byte[] {4});
    assertThat(library.takes().heard(t.id(), "part")).isEmpty();
    library.takes().keepHeard(t.id(), "part", heard());
    library.close();
    library = SqliteLibrary.open(dir.resolve("library.sqlite"));
    assertThat(library.takes().heard(t.id(), "part")).contains(heard());
    assertThat(library.takes().heard(t.id(), "another part")).isEmpty();
    Path kept = dir.resolve("takes").resolve("take-" + t.id() + ".heard.json");
    Files.writeString(kept, Files.readString(kept).substring(40));
    assertThat(library.takes().heard(t.id(), "part")).isEmpty();
    assertThat(library.takes().of(7)).containsExactly(t);
  }

  @Test
  void anEarThatHearsOtherwiseListensAgain() throws Exception {
    Take t = library.takes().add(take(7, 2, "first"), new byte[] {4});
    library.takes().keepHeard(t.id(), "part", heard());
    Path kept = dir.resolve("takes").resolve("take-" + t.id() + ".heard.json");
    Files.writeString(
        kept, Files.readString(kept).replace("\"edition\":" + Listener.EDITION, "\"edition\":0"));
    assertThat(library.takes().heard(t.id(), "part")).isEmpty();
  }

  @Test
  void aDeletedTakeIsGoneWithItsFile() throws Exception {
    Take t = library.takes().add(take(7, 2, "first"), new byte[] {4});
    library.takes().keepHeard(t.id(), "part", heard());
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
