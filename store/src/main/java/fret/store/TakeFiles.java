package fret.store;

import com.fasterxml.jackson.databind.MapperFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import fret.shelf.StoreFailure;
import fret.shelf.Take;
import fret.shelf.Takes;
import fret.take.Heard;
import fret.take.Listener;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.DateTimeException;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.jdbi.v3.core.Handle;

/**
 * Recordings as files in a folder, told of in the library. A file is whole before its row is there,
 * and a row is gone before its file: what a kill leaves behind is at most a file that nobody knows.
 */
final class TakeFiles implements Takes {
  private static final System.Logger LOG = System.getLogger("fret");

  /** Components alone: what is asked of a record is not stored. */
  private static final ObjectMapper JSON =
      JsonMapper.builder().disable(MapperFeature.AUTO_DETECT_IS_GETTERS).build();

  private final Path folder;
  private final Work work;

  /** Work on the library, in one transaction. */
  interface Work {
    <T> T write(Function<Handle, T> does);
  }

  TakeFiles(Path folder, Work work) {
    this.folder = folder;
    this.work = work;
  }

  private Path file(long id) {
    return folder.resolve("take-" + id + ".wav");
  }

  @Override
  public List<Take> of(long passageId) {
    return work.write(
        h ->
            h
                .createQuery("SELECT * FROM take WHERE passage_id = ? ORDER BY made, id")
                .bind(0, passageId)
                .map((r, c) -> take(r))
                .list()
                .stream()
                .flatMap(Optional::stream)
                .toList());
  }

  /** Empty where it was written by a newer program and is not understood. */
  private static Optional<Take> take(ResultSet r) throws SQLException {
    try {
      return Optional.of(
          new Take(
              r.getLong("id"),
              r.getLong("passage_id"),
              LocalDateTime.parse(r.getString("made")),
              r.getString("name"),
              r.getString("note"),
              r.getDouble("seconds"),
              r.getDouble("per_minute"),
              Take.Whose.valueOf(r.getString("whose"))));
    } catch (IllegalArgumentException | DateTimeException e) {
      return Optional.empty();
    }
  }

  @Override
  public Take add(Take t, byte[] wav) {
    return work.write(
        h -> {
          long id =
              h.createUpdate(
                      "INSERT INTO take (passage_id, made, name, note, seconds, per_minute, whose) VALUES (?, ?, ?, ?, ?, ?, ?)")
                  .bind(0, t.passageId())
                  .bind(1, t.made().toString())
                  .bind(2, t.name())
                  .bind(3, t.note())
                  .bind(4, t.seconds())
                  .bind(5, t.perMinute())
                  .bind(6, t.whose().name())
                  .executeAndReturnGeneratedKeys("id")
                  .mapTo(Long.class)
                  .one();
          keep(id, wav);
          return t.withId(id);
        });
  }

  private void keep(long id, byte[] wav) {
    try {
      Files.createDirectories(folder);
      Path part = folder.resolve("take-" + id + ".part");
      Files.write(
          part,
          wav,
          StandardOpenOption.CREATE,
          StandardOpenOption.TRUNCATE_EXISTING,
          StandardOpenOption.WRITE,
          StandardOpenOption.SYNC);
      Files.move(part, file(id), StandardCopyOption.REPLACE_EXISTING);
    } catch (IOException e) {
      throw new StoreFailure(StoreFailure.Cause.DISK_FULL, e);
    }
  }

  @Override
  public void change(Take t) {
    int rows =
        work.write(
            h ->
                h.execute(
                    "UPDATE take SET name = ?, note = ?, whose = ? WHERE id = ?",
                    t.name(),
                    t.note(),
                    t.whose().name(),
                    t.id()));
    if (rows == 0) {
      throw new StoreFailure(StoreFailure.Cause.GONE, null);
    }
  }

  @Override
  public byte[] sound(long takeId) {
    try {
      return Files.readAllBytes(file(takeId));
    } catch (NoSuchFileException e) {
      throw new StoreFailure(StoreFailure.Cause.GONE, e);
    } catch (IOException e) {
      throw new StoreFailure(StoreFailure.Cause.DAMAGED, e);
    }
  }

  /** What was heard, and against what; by which ear, since a better one hears otherwise. */
  private record Hearing(int edition, String part, Heard heard) {}

  private Path hearing(long id) {
    return folder.resolve("take-" + id + ".heard.json");
  }

  @Override
  public Optional<Heard> heard(long takeId, String part) {
    try {
      Hearing h = JSON.readValue(Files.readAllBytes(hearing(takeId)), Hearing.class);
      boolean same = h.edition() == Listener.EDITION && part.equals(h.part()) && h.heard() != null;
      return same ? Optional.of(h.heard()) : Optional.empty();
    } catch (NoSuchFileException e) {
      return Optional.empty();
    } catch (IOException e) {
      LOG.log(System.Logger.Level.DEBUG, "heard again", e);
      return Optional.empty();
    }
  }

  @Override
  public void keepHeard(long takeId, String part, Heard heard) {
    try {
      Path written = Files.createTempFile(folder, "take-" + takeId + "-", ".part");
      try {
        Files.write(written, JSON.writeValueAsBytes(new Hearing(Listener.EDITION, part, heard)));
        Files.move(written, hearing(takeId), StandardCopyOption.REPLACE_EXISTING);
      } finally {
        Files.deleteIfExists(written);
      }
    } catch (IOException e) {
      LOG.log(System.Logger.Level.DEBUG, "not kept", e);
    }
  }

  @Override
  public void remove(long takeId) {
    work.write(h -> h.execute("DELETE FROM take WHERE id = ?", takeId));
    try {
      Files.deleteIfExists(file(takeId));
      Files.deleteIfExists(hearing(takeId));
    } catch (IOException e) {
      // The take is gone from the library; its file stays until its folder is cleared.
      LOG.log(System.Logger.Level.WARNING, "take not deleted", e);
    }
  }
}
