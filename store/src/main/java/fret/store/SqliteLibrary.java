package fret.store;

import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.passage.Change;
import fret.passage.Passage;
import fret.score.Bar;
import fret.score.Score;
import fret.shelf.Audition;
import fret.shelf.Library;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Optional;
import org.flywaydb.core.Flyway;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import org.jdbi.v3.core.JdbiException;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteDataSource;

/**
 * The library in one SQLite file. Every change is one transaction, written through to the disk
 * before the call returns. Safe for use by several threads.
 */
public final class SqliteLibrary implements Library {
  /** Version of the newest migration. */
  static final int SCHEMA_VERSION = 2;

  private final Handle handle;

  private SqliteLibrary(Handle handle) {
    this.handle = handle;
  }

  /**
   * Opens a library, making or migrating it where needed. Before a migration of an existing file a
   * copy of it is put beside it.
   *
   * @throws StoreException if the file cannot be opened
   */
  public static SqliteLibrary open(Path file) {
    try {
      Files.createDirectories(file.toAbsolutePath().getParent());
      SQLiteConfig config = new SQLiteConfig();
      config.setJournalMode(SQLiteConfig.JournalMode.WAL);
      config.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
      config.setBusyTimeout(5000);
      config.enforceForeignKeys(true);
      SQLiteDataSource source = new SQLiteDataSource(config);
      source.setUrl("jdbc:sqlite:" + file);
      boolean existed = Files.exists(file) && Files.size(file) > 0;
      Jdbi jdbi = Jdbi.create(source);
      int version =
          jdbi.withHandle(h -> h.createQuery("PRAGMA user_version").mapTo(Integer.class).one());
      if (version > SCHEMA_VERSION) {
        throw new StoreException(
            "The library was written by a newer version of Fret. Update Fret to open it.", null);
      }
      if (version < SCHEMA_VERSION) {
        migrate(file, source, jdbi, existed);
      }
      return new SqliteLibrary(jdbi.open());
    } catch (IOException | JdbiException e) {
      throw new StoreException("The library " + file.getFileName() + " cannot be opened.", e);
    }
  }

  private static void migrate(Path file, SQLiteDataSource source, Jdbi jdbi, boolean existed) {
    if (existed) {
      String stamp = LocalDateTime.now().format(DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss-SSS"));
      Path backup = file.resolveSibling(file.getFileName() + "." + stamp + ".backup");
      jdbi.useHandle(h -> h.execute("VACUUM INTO ?", backup.toString()));
    }
    Flyway.configure()
        .dataSource(source)
        .locations("classpath:fret/store/migration")
        .baselineOnMigrate(existed)
        .baselineVersion("0")
        .load()
        .migrate();
    jdbi.useHandle(h -> h.execute("PRAGMA user_version = " + SCHEMA_VERSION));
  }

  @Override
  public synchronized List<Audition> auditions() {
    return handle
        .createQuery("SELECT * FROM audition ORDER BY date, id")
        .map((r, c) -> audition(r))
        .list();
  }

  private static Audition audition(ResultSet r) throws SQLException {
    return new Audition(
        r.getLong("id"),
        r.getString("name"),
        LocalDate.parse(r.getString("date")),
        LocalDate.parse(r.getString("ready_date")),
        r.getInt("minutes_per_day"));
  }

  @Override
  public synchronized Audition save(Audition a) {
    long id =
        handle.inTransaction(
            h -> {
              if (a.id() == 0) {
                return h.createUpdate(
                        "INSERT INTO audition (name, date, ready_date, minutes_per_day) VALUES (?, ?, ?, ?)")
                    .bind(0, a.name())
                    .bind(1, a.date().toString())
                    .bind(2, a.readyDate().toString())
                    .bind(3, a.minutesPerDay())
                    .executeAndReturnGeneratedKeys("id")
                    .mapTo(Long.class)
                    .one();
              }
              h.execute(
                  "UPDATE audition SET name = ?, date = ?, ready_date = ?, minutes_per_day = ? WHERE id = ?",
                  a.name(),
                  a.date().toString(),
                  a.readyDate().toString(),
                  a.minutesPerDay(),
                  a.id());
              return a.id();
            });
    return new Audition(id, a.name(), a.date(), a.readyDate(), a.minutesPerDay());
  }

  @Override
  public synchronized List<Passage> passages() {
    return handle.createQuery("SELECT * FROM passage ORDER BY id").map((r, c) -> passage(r)).list();
  }

  @Override
  public synchronized Optional<Passage> passage(long id) {
    return handle
        .createQuery("SELECT * FROM passage WHERE id = ?")
        .bind(0, id)
        .map((r, c) -> passage(r))
        .findOne();
  }

  private static Passage passage(ResultSet r) throws SQLException {
    return new Passage(
        r.getLong("id"),
        r.getLong("audition_id"),
        r.getString("source_name"),
        r.getString("part_name"),
        r.getLong("source_id"),
        Texts.settings(r.getString("settings")),
        Texts.marks(r.getString("marks")));
  }

  @Override
  public synchronized Passage add(Passage p, byte[] source) {
    long id =
        handle.inTransaction(
            h ->
                h.createUpdate(
                        "INSERT INTO passage (audition_id, source_name, part_name, source, settings, marks) VALUES (?, ?, ?, ?, ?, ?)")
                    .bind(0, p.auditionId())
                    .bind(1, p.sourceName())
                    .bind(2, p.partName())
                    .bind(3, source)
                    .bind(4, Texts.of(p.settings()))
                    .bind(5, Texts.of(p.marks()))
                    .executeAndReturnGeneratedKeys("id")
                    .mapTo(Long.class)
                    .one());
    return p.withId(id);
  }

  @Override
  public synchronized byte[] source(long passageId) {
    return handle
        .createQuery(
            "SELECT coalesce(s.bytes, p.source) FROM passage p LEFT JOIN source s ON s.id = p.source_id WHERE p.id = ?")
        .bind(0, passageId)
        .mapTo(byte[].class)
        .one();
  }

  @Override
  public synchronized long addSource(long passageId, byte[] source) {
    return handle.inTransaction(
        h ->
            h.createUpdate("INSERT INTO source (passage_id, bytes) VALUES (?, ?)")
                .bind(0, passageId)
                .bind(1, source)
                .executeAndReturnGeneratedKeys("id")
                .mapTo(Long.class)
                .one());
  }

  @Override
  public synchronized Optional<Score> page(long passageId) {
    String header =
        handle
            .createQuery("SELECT page FROM passage WHERE id = ?")
            .bind(0, passageId)
            .mapTo(String.class)
            .one();
    if (header.isEmpty()) {
      return Optional.empty();
    }
    List<Bar> bars =
        handle
            .createQuery("SELECT text FROM bar WHERE passage_id = ? ORDER BY place")
            .bind(0, passageId)
            .map((r, c) -> Pages.bar(r.getString("text")))
            .list();
    return Optional.of(Pages.page(header, bars));
  }

  @Override
  public synchronized boolean hasPage(long passageId) {
    return handle
        .createQuery("SELECT page <> '' FROM passage WHERE id = ?")
        .bind(0, passageId)
        .mapTo(Boolean.class)
        .one();
  }

  @Override
  public synchronized void keepPage(long passageId, Score page) {
    handle.useTransaction(
        h -> {
          h.execute("DELETE FROM bar WHERE passage_id = ?", passageId);
          insertBars(h, passageId, 0, page.bars());
          h.execute("UPDATE passage SET page = ? WHERE id = ?", Pages.header(page), passageId);
        });
  }

  private static void insertBars(Handle h, long passageId, int at, List<Bar> bars) {
    for (int i = 0; i < bars.size(); i++) {
      h.execute(
          "INSERT INTO bar (passage_id, place, text) VALUES (?, ?, ?)",
          passageId,
          at + i,
          Pages.of(bars.get(i)));
    }
  }

  private static void replaceBars(Handle h, long passageId, Change.PageChange change) {
    int from = change.at();
    int to = from + change.bars().size();
    h.execute(
        "DELETE FROM bar WHERE passage_id = ? AND place >= ? AND place < ?", passageId, from, to);
    int by = change.newBars().size() - change.bars().size();
    if (by != 0) {
      // Two steps by way of negative places: a place is unique, and rows move one at a time.
      h.execute(
          "UPDATE bar SET place = -1 - (place + ?) WHERE passage_id = ? AND place >= ?",
          by,
          passageId,
          to);
      h.execute("UPDATE bar SET place = -1 - place WHERE passage_id = ? AND place < 0", passageId);
    }
    insertBars(h, passageId, from, change.newBars());
  }

  @Override
  public synchronized Optional<Picture> picture(long passageId) {
    return handle
        .createQuery("SELECT name, bytes FROM picture WHERE passage_id = ?")
        .bind(0, passageId)
        .map((r, c) -> new Picture(r.getString("name"), r.getBytes("bytes")))
        .findOne();
  }

  @Override
  public synchronized void keepPicture(long passageId, Picture picture) {
    handle.execute(
        "INSERT INTO picture (passage_id, name, bytes) VALUES (?, ?, ?) ON CONFLICT (passage_id) DO UPDATE SET name = excluded.name, bytes = excluded.bytes",
        passageId,
        picture.name(),
        picture.bytes());
  }

  @Override
  public synchronized void remove(long passageId) {
    handle.useTransaction(
        h -> {
          for (String table : List.of("bar", "source", "picture", "change", "journal")) {
            h.execute("DELETE FROM " + table + " WHERE passage_id = ?", passageId);
          }
          h.execute("DELETE FROM passage WHERE id = ?", passageId);
        });
  }

  @Override
  public synchronized Passage apply(long passageId, Change change) {
    return handle.inTransaction(
        h -> {
          Passage now =
              passage(passageId)
                  .orElseThrow(
                      () -> new StoreException("The passage is not in the library.", null));
          h.execute("DELETE FROM change WHERE passage_id = ? AND undone = 1", passageId);
          String[] texts = Texts.of(change);
          h.execute(
              "INSERT INTO change (passage_id, kind, name, before, after) VALUES (?, ?, ?, ?, ?)",
              passageId,
              texts[0],
              change.name(),
              texts[1],
              texts[2]);
          return write(h, now, change);
        });
  }

  private static Passage write(Handle h, Passage before, Change change) {
    Passage p = change.applyTo(before);
    if (change instanceof Change.PageChange page) {
      replaceBars(h, p.id(), page);
    }
    h.execute(
        "UPDATE passage SET settings = ?, marks = ?, source_id = ? WHERE id = ?",
        Texts.of(p.settings()),
        Texts.of(p.marks()),
        p.sourceId(),
        p.id());
    return p;
  }

  private record Logged(long id, Change change) {}

  private static Logged logged(ResultSet r) throws SQLException {
    return new Logged(
        r.getLong("id"),
        Texts.change(
            r.getString("kind"), r.getString("name"), r.getString("before"), r.getString("after")));
  }

  @Override
  public synchronized Optional<Change> undo(long passageId) {
    return step(passageId, "undone = 0 ORDER BY id DESC", true);
  }

  @Override
  public synchronized Optional<Change> redo(long passageId) {
    return step(passageId, "undone = 1 ORDER BY id", false);
  }

  private Optional<Change> step(long passageId, String which, boolean undo) {
    return handle.inTransaction(
        h -> {
          Optional<Logged> found =
              h.createQuery("SELECT * FROM change WHERE passage_id = ? AND " + which + " LIMIT 1")
                  .bind(0, passageId)
                  .map((r, c) -> logged(r))
                  .findOne();
          found.ifPresent(
              l -> {
                Change change = undo ? l.change().inverse() : l.change();
                write(h, passage(passageId).orElseThrow(), change);
                h.execute("UPDATE change SET undone = ? WHERE id = ?", undo ? 1 : 0, l.id());
              });
          return found.map(Logged::change);
        });
  }

  @Override
  public synchronized List<JournalEntry> journal() {
    return handle
        .createQuery("SELECT * FROM journal ORDER BY date, id")
        .map((r, c) -> entry(r))
        .list();
  }

  private static JournalEntry entry(ResultSet r) throws SQLException {
    return new JournalEntry(
        r.getLong("id"),
        r.getLong("passage_id"),
        LocalDate.parse(r.getString("date")),
        r.getString("chunk"),
        DrillKind.valueOf(r.getString("drill")),
        r.getInt("per_minute"),
        r.getInt("seconds"),
        Verdict.valueOf(r.getString("verdict")),
        Breakage.valueOf(r.getString("breakage")),
        r.getString("note"));
  }

  @Override
  public synchronized JournalEntry add(JournalEntry e) {
    long id =
        handle.inTransaction(
            h ->
                h.createUpdate(
                        "INSERT INTO journal (passage_id, date, chunk, drill, per_minute, seconds, verdict, breakage, note) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)")
                    .bind(0, e.passageId())
                    .bind(1, e.date().toString())
                    .bind(2, e.chunkId())
                    .bind(3, e.drill().name())
                    .bind(4, e.perMinute())
                    .bind(5, e.seconds())
                    .bind(6, e.verdict().name())
                    .bind(7, e.breakage().name())
                    .bind(8, e.note())
                    .executeAndReturnGeneratedKeys("id")
                    .mapTo(Long.class)
                    .one());
    return new JournalEntry(
        id,
        e.passageId(),
        e.date(),
        e.chunkId(),
        e.drill(),
        e.perMinute(),
        e.seconds(),
        e.verdict(),
        e.breakage(),
        e.note());
  }

  @Override
  public synchronized Optional<String> setting(String name) {
    return handle
        .createQuery("SELECT value FROM setting WHERE name = ?")
        .bind(0, name)
        .mapTo(String.class)
        .findOne();
  }

  @Override
  public synchronized void putSetting(String name, String value) {
    handle.execute(
        "INSERT INTO setting (name, value) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET value = excluded.value",
        name,
        value);
  }

  @Override
  public synchronized void close() {
    handle.close();
  }
}
