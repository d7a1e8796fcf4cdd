package fret.store;

import fret.shelf.StoreFailure;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import org.jdbi.v3.core.JdbiException;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteDataSource;
import org.sqlite.SQLiteErrorCode;
import org.sqlite.SQLiteException;

/** The file of a library: opening it, copies of it, who has it open, and what can go wrong. */
public final class LibraryFile {
  private static final int WAIT_MS = 5000;
  private static final int COPIES_KEPT = 7;
  private static final String COPY = ".backup";
  private static final Map<Path, FileChannel> HELD = new ConcurrentHashMap<>();

  private LibraryFile() {}

  static SqliteLibrary open(Path file) {
    try {
      Path folder = file.toAbsolutePath().getParent();
      if (Files.exists(folder) && !Files.isDirectory(folder) || Files.isDirectory(file)) {
        throw new StoreFailure(StoreFailure.Cause.NO_FILE, null);
      }
      Files.createDirectories(folder);
      boolean existed = Files.exists(file) && Files.size(file) > 0;
      if (existed && !Files.isWritable(file)) {
        throw new StoreFailure(StoreFailure.Cause.READ_ONLY, null);
      }
      Jdbi jdbi = Jdbi.create(source(file));
      Handle handle = jdbi.open();
      try {
        prepare(file, handle, existed);
        return new SqliteLibrary(file, handle);
      } catch (RuntimeException e) {
        handle.close();
        throw e;
      }
    } catch (IOException e) {
      throw new StoreFailure(StoreFailure.Cause.NO_FILE, e);
    } catch (JdbiException e) {
      throw failure(e);
    }
  }

  private static SQLiteDataSource source(Path file) {
    SQLiteConfig config = new SQLiteConfig();
    config.setJournalMode(SQLiteConfig.JournalMode.WAL);
    config.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
    // A write that begins as a read and is upgraded fails at once when another one is under way.
    config.setTransactionMode(SQLiteConfig.TransactionMode.IMMEDIATE);
    config.setBusyTimeout(WAIT_MS);
    config.enforceForeignKeys(true);
    SQLiteDataSource source = new SQLiteDataSource(config);
    source.setUrl("jdbc:sqlite:" + file);
    return source;
  }

  private static void prepare(Path file, Handle handle, boolean existed) {
    int version = Migrations.version(handle);
    if (version > Migrations.newest()) {
      throw new StoreFailure(StoreFailure.Cause.NEWER, null);
    }
    if (existed) {
      boolean ours = count(handle, "name = 'passage'") > 0;
      if (!ours && count(handle, "1 = 1") > 0) {
        throw new StoreFailure(StoreFailure.Cause.FOREIGN, null);
      }
      String check = handle.createQuery("PRAGMA quick_check(1)").mapTo(String.class).first();
      if (!check.equals("ok")) {
        throw new StoreFailure(StoreFailure.Cause.DAMAGED, null);
      }
    }
    if (version < Migrations.newest()) {
      if (existed) {
        copy(file, handle);
      }
      Migrations.run(handle);
    }
  }

  private static int count(Handle handle, String where) {
    return handle
        .createQuery("SELECT count(*) FROM sqlite_master WHERE " + where)
        .mapTo(Integer.class)
        .one();
  }

  /** Why a call of the database failed. */
  static StoreFailure failure(Throwable thrown) {
    for (Throwable t = thrown; t != null; t = t.getCause()) {
      if (t instanceof StoreFailure f) {
        return f;
      }
      if (t instanceof SQLiteException e) {
        return new StoreFailure(why(e.getResultCode()), thrown);
      }
    }
    return new StoreFailure(StoreFailure.Cause.OTHER, thrown);
  }

  static StoreFailure.Cause why(SQLiteErrorCode code) {
    return switch (code.code & 0xff) {
      case 13 -> StoreFailure.Cause.DISK_FULL;
      case 8 -> StoreFailure.Cause.READ_ONLY;
      case 5, 6 -> StoreFailure.Cause.BUSY;
      case 11 -> StoreFailure.Cause.DAMAGED;
      case 26 -> StoreFailure.Cause.FOREIGN;
      case 14 -> StoreFailure.Cause.NO_FILE;
      default -> StoreFailure.Cause.OTHER;
    };
  }

  // ---- copies --------------------------------------------------------------------------------

  private static void copy(Path file, Handle handle) {
    String stamp = LocalDateTime.now().format(DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss-SSS"));
    Path copy = file.resolveSibling(file.getFileName() + "." + stamp + COPY);
    handle.execute("VACUUM INTO ?", copy.toString());
  }

  static int backUpIfDue(Path file, Handle handle) {
    List<Path> copies = copies(file);
    boolean due =
        copies.isEmpty()
            || modified(copies.get(0)).isBefore(Instant.now().minus(Duration.ofDays(1)));
    if (due) {
      copy(file, handle);
      copies.stream().skip(COPIES_KEPT - 1L).forEach(LibraryFile::delete);
    }
    return copies.size();
  }

  private static void delete(Path copy) {
    try {
      Files.deleteIfExists(copy);
    } catch (IOException e) {
      System.getLogger("fret").log(System.Logger.Level.WARNING, "an old copy stays", e);
    }
  }

  private static Instant modified(Path path) {
    try {
      return Files.getLastModifiedTime(path).toInstant();
    } catch (IOException e) {
      return Instant.EPOCH;
    }
  }

  /** The copies of a library, the newest first. */
  public static List<Path> copies(Path file) {
    Path folder = file.toAbsolutePath().getParent();
    String start = file.getFileName() + ".";
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    try (Stream<Path> all = Files.list(folder)) {
      return all.filter(p -> p.getFileName().toString().startsWith(start))
          .filter(p -> p.getFileName().toString().endsWith(COPY))
          .sorted(Comparator.comparing(LibraryFile::modified).reversed())
          .toList();
    } catch (IOException e) {
      return List.of();
    }
  }

  /**
   * Puts a copy in place of a library that cannot be opened; what was there is kept under another
   * name.
   *
   * @return where the unusable file is kept now; empty if there was none
   */
  public static Optional<Path> restore(Path file, Path copy) throws IOException {
    Optional<Path> aside = Optional.empty();
    String stamp = LocalDateTime.now().format(DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss"));
    for (String ending : List.of("-wal", "-shm", "")) {
      Path part = file.resolveSibling(file.getFileName() + ending);
      if (Files.exists(part)) {
        Path kept = file.resolveSibling(file.getFileName() + "." + stamp + ".unusable" + ending);
        Files.move(part, kept);
        aside = Optional.of(kept);
      }
    }
    Files.copy(copy, file);
    return aside;
  }

  // ---- who has it open -----------------------------------------------------------------------

  /**
   * Takes the library for this program until it is closed.
   *
   * @return false when another window has it
   */
  public static boolean take(Path file) {
    Path lock = lockOf(file);
    if (HELD.containsKey(lock)) {
      return false;
    }
    try {
      Files.createDirectories(lock.getParent());
      FileChannel channel =
          FileChannel.open(lock, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
      FileLock held = channel.tryLock();
      if (held == null) {
        channel.close();
        return false;
      }
      HELD.put(lock, channel);
      return true;
    } catch (OverlappingFileLockException e) {
      return false;
    } catch (IOException e) {
      return true; // A file system without locks: the steps themselves still collide safely.
    }
  }

  private static Path lockOf(Path file) {
    return file.toAbsolutePath().normalize().resolveSibling(file.getFileName() + ".open");
  }

  static void release(Path file) {
    try (FileChannel held = HELD.remove(lockOf(file))) {
      if (held != null) {
        Files.deleteIfExists(lockOf(file));
      }
    } catch (IOException e) {
      System.getLogger("fret").log(System.Logger.Level.WARNING, "the lock stays", e);
    }
  }
}
