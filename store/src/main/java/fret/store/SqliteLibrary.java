package fret.store;

import fret.base.Form;
import fret.base.Fractions;
import fret.drill.DrillKind;
import fret.format.json.FormJson;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.mark.Marks;
import fret.mark.Place;
import fret.passage.HeadingLayer;
import fret.passage.Passage;
import fret.passage.SettingLayers;
import fret.score.Bar;
import fret.score.Score;
import fret.score.ScoreForm;
import fret.session.BarsEdit;
import fret.session.Change;
import fret.session.ChangeForm;
import fret.session.Learning;
import fret.session.Log;
import fret.session.Step;
import fret.shelf.Audition;
import fret.shelf.Deed;
import fret.shelf.Library;
import fret.shelf.StoreFailure;
import fret.shelf.Takes;
import fret.tempo.Beat;
import java.nio.file.Path;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.statement.Update;

/**
 * The library in one SQLite file. Every change is one transaction that takes its lock at once and
 * is written through to the disk before the call returns. Safe for use by several threads, and by
 * several programs on one file.
 */
public final class SqliteLibrary implements Library {
  /** Name of the file in the folder of a library. */
  public static final String FILE_NAME = "library.sqlite";

  private final Path file;
  private final Handle handle;
  private final TakeFiles takes;
  private final Map<String, Unread> unread = new LinkedHashMap<>();

  SqliteLibrary(Path file, Handle handle) {
    this.file = file;
    this.handle = handle;
    this.takes = new TakeFiles(file.resolveSibling("takes"), this::write);
  }

  /**
   * Opens a library, making or migrating it where needed. Before a migration of an existing file a
   * copy of it is put beside it.
   *
   * @throws StoreFailure if the file cannot be opened
   */
  public static SqliteLibrary open(Path file) {
    return LibraryFile.open(file);
  }

  /** Where it is kept. */
  public Path file() {
    return file;
  }

  /** For tests: no more room than this. */
  void limitPages(int pages) {
    handle.execute("PRAGMA max_page_count = " + pages);
  }

  int pages() {
    return handle.createQuery("PRAGMA page_count").mapTo(Integer.class).one();
  }

  /** Puts a copy beside the file unless one of the last day is there; the newest few are kept. */
  public synchronized void backUpIfDue() {
    run(h -> LibraryFile.backUpIfDue(file, h));
  }

  private synchronized <T> T run(Function<Handle, T> work) {
    try {
      return work.apply(handle);
    } catch (org.jdbi.v3.core.JdbiException e) {
      throw LibraryFile.failure(e);
    }
  }

  private synchronized <T> T write(Function<Handle, T> work) {
    try {
      return handle.inTransaction(h -> work.apply(h));
    } catch (org.jdbi.v3.core.JdbiException e) {
      throw LibraryFile.failure(e);
    }
  }

  private void missed(long passageId, String what, String why) {
    unread.put(passageId + what, new Unread(passageId, what, why));
  }

  @Override
  public synchronized List<Unread> unread() {
    return List.copyOf(unread.values());
  }

  // ---- auditions -----------------------------------------------------------------------------

  @Override
  public List<Audition> auditions() {
    return run(
        h ->
            h
                .createQuery("SELECT * FROM audition ORDER BY date, id")
                .map((r, c) -> known(0, "audition " + r.getLong("id"), () -> audition(r)))
                .list()
                .stream()
                .flatMap(Optional::stream)
                .toList());
  }

  private interface Read<T> {
    T get() throws SQLException;
  }

  /** A row, where it is understood. */
  private <T> Optional<T> known(long passageId, String what, Read<T> read) throws SQLException {
    try {
      return Optional.of(read.get());
    } catch (IllegalArgumentException | java.time.DateTimeException e) {
      missed(passageId, what, String.valueOf(e.getMessage()));
      return Optional.empty();
    }
  }

  private static Audition audition(ResultSet r) throws SQLException {
    return new Audition(
        r.getLong("id"),
        r.getString("name"),
        LocalDate.parse(r.getString("date")),
        LocalDate.parse(r.getString("ready_date")));
  }

  @Override
  public Audition save(Audition a) {
    long id = write(h -> a.id() == 0 ? insert(h, a) : update(h, a));
    return a.withId(id);
  }

  /** A date as it is to be, under the id that it has or gets. */
  static Audition put(Handle h, Audition a) {
    if (a.id() == 0) {
      return a.withId(insert(h, a));
    }
    h.execute(
        "INSERT INTO audition (id, name, date, ready_date, minutes_per_day) VALUES (?, ?, ?, ?, 0) ON CONFLICT (id) DO UPDATE SET name = excluded.name, date = excluded.date, ready_date = excluded.ready_date",
        a.id(),
        a.name(),
        a.date().toString(),
        a.readyDate().toString());
    return a;
  }

  private static long insert(Handle h, Audition a) {
    return h.createUpdate(
            "INSERT INTO audition (name, date, ready_date, minutes_per_day) VALUES (?, ?, ?, 0)")
        .bind(0, a.name())
        .bind(1, a.date().toString())
        .bind(2, a.readyDate().toString())
        .executeAndReturnGeneratedKeys("id")
        .mapTo(Long.class)
        .one();
  }

  private static long update(Handle h, Audition a) {
    int rows =
        h.execute(
            "UPDATE audition SET name = ?, date = ?, ready_date = ? WHERE id = ?",
            a.name(),
            a.date().toString(),
            a.readyDate().toString(),
            a.id());
    if (rows == 0) {
      throw new StoreFailure(StoreFailure.Cause.GONE, null);
    }
    return a.id();
  }

  // ---- passages ------------------------------------------------------------------------------

  /** A passage's row without its marks. */
  private record Row(long id, long auditionId, String partName, long revision) {
    static Row of(ResultSet r) throws SQLException {
      return new Row(
          r.getLong("id"),
          r.getLong("audition_id"),
          r.getString("part_name"),
          r.getLong("revision"));
    }
  }

  @Override
  public List<Passage> passages() {
    return run(
        h -> {
          List<Row> rows =
              h.createQuery("SELECT * FROM passage ORDER BY id").map((r, c) -> Row.of(r)).list();
          Set<Long> unusable = new HashSet<>();
          Map<Long, Marks> marks = marks(h, Optional.empty(), unusable);
          List<Passage> all = new ArrayList<>();
          for (Row row : rows) {
            passage(row, marks, unusable).ifPresent(all::add);
          }
          return all;
        });
  }

  private Map<Long, Marks> marks(Handle h, Optional<Long> id, Set<Long> unusable) {
    return MarkRows.read(
        h,
        id,
        (passage, what) -> {
          missed(passage, what.getKey(), what.getValue());
          // Without its instrument, its file or its heading a passage would be another one.
          boolean small = !what.getKey().matches("mark (setting\\.|source|heading).*");
          if (!small) {
            unusable.add(passage);
          }
        });
  }

  private Optional<Passage> passage(Row row, Map<Long, Marks> marks, Set<Long> unusable) {
    Marks mine = marks.getOrDefault(row.id(), Marks.NONE);
    boolean whole = mine.at(SettingLayers.SETUP, Place.WHOLE).isPresent();
    if (!whole || unusable.contains(row.id())) {
      missed(row.id(), "passage", "its settings are not understood");
      return Optional.empty();
    }
    return Optional.of(new Passage(row.id(), row.auditionId(), row.partName(), mine));
  }

  @Override
  public Optional<Stored> load(long id) {
    return run(
        h -> {
          Optional<Row> row =
              h.createQuery("SELECT * FROM passage WHERE id = ?")
                  .bind(0, id)
                  .map((r, c) -> Row.of(r))
                  .findOne();
          Set<Long> unusable = new HashSet<>();
          Map<Long, Marks> marks = marks(h, Optional.of(id), unusable);
          return row.flatMap(r -> passage(r, marks, unusable))
              .map(p -> new Stored(p, page(h, p), row.get().revision(), log(h, id)));
        });
  }

  @Override
  public Optional<Learning> learning(long passageId, String madeBy) {
    return run(h ->
            h.createQuery(
                    "SELECT text FROM learning JOIN passage ON id = passage_id AND passage.revision = learning.revision WHERE passage_id = ? AND made_by = ?")
                .bind(0, passageId)
                .bind(1, madeBy)
                .mapTo(String.class)
                .findOne())
        .flatMap(LearningJson::read);
  }

  @Override
  public void keepLearning(long revision, String madeBy, Learning learning) {
    String text = LearningJson.text(learning);
    write(
        h ->
            h.execute(
                "INSERT INTO learning SELECT id, revision, ?, ? FROM passage WHERE id = ? AND revision = ? ON CONFLICT (passage_id) DO UPDATE SET revision = excluded.revision, made_by = excluded.made_by, text = excluded.text",
                madeBy,
                text,
                learning.passageId(),
                revision));
  }

  private static Optional<Score> page(Handle h, Passage p) {
    Optional<Score> heading = p.marks().at(HeadingLayer.HEADING, Place.WHOLE);
    return heading.map(s -> s.withBars(bars(h, p.id())).laidOut());
  }

  private static List<Bar> bars(Handle h, long id) {
    return h
        .createQuery("SELECT text FROM bar WHERE passage_id = ? ORDER BY place")
        .bind(0, id)
        .mapTo(String.class)
        .list()
        .stream()
        .map(SqliteLibrary::bar)
        .toList();
  }

  /** Without one of its bars a page would be another one. */
  private static Bar bar(String text) {
    try {
      return ScoreForm.bar(FormJson.form(text));
    } catch (IllegalArgumentException e) {
      throw new StoreFailure(StoreFailure.Cause.DAMAGED, e);
    }
  }

  private record Logged(long id, String form, boolean undone) {}

  /** The log from the newest entry back to the first one that is not understood. */
  private Log log(Handle h, long id) {
    List<Logged> rows =
        h.createQuery("SELECT * FROM step WHERE passage_id = ? ORDER BY id DESC")
            .bind(0, id)
            .map(
                (r, c) -> new Logged(r.getLong("id"), r.getString("form"), r.getInt("undone") == 1))
            .list();
    List<Change> done = new ArrayList<>();
    List<Change> undone = new ArrayList<>();
    for (Logged row : rows) {
      try {
        (row.undone() ? undone : done).add(ChangeForm.read(FormJson.form(row.form())));
      } catch (IllegalArgumentException e) {
        missed(id, "log", String.valueOf(e.getMessage()));
        if (!row.undone()) {
          break;
        }
        undone.clear();
      }
    }
    Collections.reverse(done);
    return Log.of(done, undone);
  }

  @Override
  public Passage add(Passage p, byte[] source, Optional<Score> page) {
    Passage full =
        page.map(
                s ->
                    p.withMarks(
                        p.marks()
                            .with(
                                HeadingLayer.HEADING,
                                Place.WHOLE,
                                Optional.of(HeadingLayer.of(s)))))
            .orElse(p);
    return write(
        h -> {
          long id =
              h.createUpdate(
                      "INSERT INTO passage (audition_id, source_name, part_name, source, settings, marks) VALUES (?, ?, ?, ?, '', '')")
                  .bind(0, full.auditionId())
                  .bind(1, full.sourceName())
                  .bind(2, full.partName())
                  .bind(3, source)
                  .executeAndReturnGeneratedKeys("id")
                  .mapTo(Long.class)
                  .one();
          MarkRows.insert(h, id, full.marks());
          page.ifPresent(s -> insertBars(h, id, 0, s.bars()));
          return full.withId(id);
        });
  }

  @Override
  public byte[] source(long passageId, long sourceId) {
    return run(
        h ->
            h.createQuery(
                    "SELECT coalesce(s.bytes, p.source) FROM passage p LEFT JOIN source s ON s.id = ? WHERE p.id = ?")
                .bind(0, sourceId)
                .bind(1, passageId)
                .mapTo(byte[].class)
                .findOne()
                .orElseThrow(() -> new StoreFailure(StoreFailure.Cause.GONE, null)));
  }

  @Override
  public long addSource(long passageId, byte[] source) {
    return write(
        h ->
            h.createUpdate("INSERT INTO source (passage_id, bytes) VALUES (?, ?)")
                .bind(0, passageId)
                .bind(1, source)
                .executeAndReturnGeneratedKeys("id")
                .mapTo(Long.class)
                .one());
  }

  private static void insertBars(Handle h, long passageId, int at, List<Bar> bars) {
    for (int i = 0; i < bars.size(); i++) {
      h.execute(
          "INSERT INTO bar (passage_id, place, text) VALUES (?, ?, ?)",
          passageId,
          at + i,
          FormJson.text(ScoreForm.of(bars.get(i))));
    }
  }

  private static void replaceBars(Handle h, long passageId, BarsEdit edit) {
    int from = edit.at();
    int to = from + edit.before().size();
    h.execute(
        "DELETE FROM bar WHERE passage_id = ? AND place >= ? AND place < ?", passageId, from, to);
    int by = edit.after().size() - edit.before().size();
    if (by != 0) {
      // Two steps by way of negative places: a place is unique, and rows move one at a time.
      h.execute(
          "UPDATE bar SET place = -1 - (place + ?) WHERE passage_id = ? AND place >= ?",
          by,
          passageId,
          to);
      h.execute("UPDATE bar SET place = -1 - place WHERE passage_id = ? AND place < 0", passageId);
    }
    insertBars(h, passageId, from, edit.after());
  }

  @Override
  public Optional<Picture> picture(long passageId) {
    return run(
        h ->
            h.createQuery("SELECT name, bytes FROM picture WHERE passage_id = ?")
                .bind(0, passageId)
                .map((r, c) -> new Picture(r.getString("name"), r.getBytes("bytes")))
                .findOne());
  }

  @Override
  public void keepPicture(long passageId, Picture picture) {
    write(
        h ->
            h.execute(
                "INSERT INTO picture (passage_id, name, bytes) VALUES (?, ?, ?) ON CONFLICT (passage_id) DO UPDATE SET name = excluded.name, bytes = excluded.bytes",
                passageId,
                picture.name(),
                picture.bytes()));
  }

  @Override
  public void remove(long passageId) {
    takes.of(passageId).forEach(t -> takes.remove(t.id()));
    write(
        h -> {
          for (String table :
              List.of(
                  "bar",
                  "source",
                  "picture",
                  "change",
                  "step",
                  "mark",
                  "journal",
                  "deed",
                  "learning")) {
            h.execute("DELETE FROM " + table + " WHERE passage_id = ?", passageId);
          }
          return h.execute("DELETE FROM passage WHERE id = ?", passageId);
        });
  }

  // ---- steps ---------------------------------------------------------------------------------

  @Override
  public boolean apply(long passageId, long revision, Step step, Score page, Deed deed) {
    return write(
        h -> {
          Optional<Long> stored =
              h.createQuery("SELECT revision FROM passage WHERE id = ?")
                  .bind(0, passageId)
                  .mapTo(Long.class)
                  .findOne();
          if (stored.isEmpty()) {
            throw new StoreFailure(StoreFailure.Cause.GONE, null);
          }
          Change change = step.change();
          if (stored.get() != revision || !MarkRows.fit(h, passageId, change.deltas())) {
            return false;
          }
          boolean wasMended = isMended(h, passageId);
          MarkRows.apply(h, passageId, change.deltas());
          boolean isMended = isMended(h, passageId);
          if (!wasMended && isMended) {
            h.execute("DELETE FROM bar WHERE passage_id = ?", passageId);
            insertBars(h, passageId, 0, page.bars());
          }
          change.bars().ifPresent(b -> replaceBars(h, passageId, b));
          if (!isMended) {
            h.execute("DELETE FROM bar WHERE passage_id = ?", passageId);
          }
          log(h, passageId, step, deed);
          h.execute("UPDATE passage SET revision = ? WHERE id = ?", revision + 1, passageId);
          return true;
        });
  }

  private static boolean isMended(Handle h, long passageId) {
    return h.createQuery("SELECT count(*) FROM mark WHERE passage_id = ? AND layer = ?")
            .bind(0, passageId)
            .bind(1, HeadingLayer.HEADING.id())
            .mapTo(Integer.class)
            .one()
        > 0;
  }

  @Override
  public List<Deed> deeds(boolean undone) {
    return run(h -> DeedRows.read(h, undone));
  }

  @Override
  public Deed apply(Deed deed) {
    return write(h -> DeedRows.insert(h, deed));
  }

  @Override
  public Deed turn(Deed deed, boolean undone) {
    return write(h -> DeedRows.turn(h, deed, undone));
  }

  private static void log(Handle h, long passageId, Step step, Deed deed) {
    switch (step.kind()) {
      case DO -> {
        h.execute("DELETE FROM step WHERE passage_id = ? AND undone = 1", passageId);
        h.execute(
            "INSERT INTO step (passage_id, form) VALUES (?, ?)",
            passageId,
            FormJson.text(ChangeForm.of(step.logged())));
        DeedRows.insert(h, deed);
      }
      case MERGE -> {
        Form form = ChangeForm.of(step.logged());
        h.execute("DELETE FROM step WHERE passage_id = ? AND undone = 1", passageId);
        h.execute(
            "UPDATE step SET form = ? WHERE id = (SELECT max(id) FROM step WHERE passage_id = ?)",
            FormJson.text(form),
            passageId);
      }
      case UNDO -> {
        h.execute(
            "UPDATE step SET undone = 1 WHERE id = (SELECT max(id) FROM step WHERE passage_id = ? AND undone = 0)",
            passageId);
        DeedRows.turnStep(h, passageId, true);
      }
      case REDO -> {
        h.execute(
            "UPDATE step SET undone = 0 WHERE id = (SELECT min(id) FROM step WHERE passage_id = ? AND undone = 1)",
            passageId);
        DeedRows.turnStep(h, passageId, false);
      }
    }
  }

  // ---- journal and settings ------------------------------------------------------------------

  @Override
  public List<JournalEntry> journal() {
    return run(
        h ->
            h
                .createQuery("SELECT * FROM journal ORDER BY date, id")
                .map(
                    (r, c) ->
                        known(
                            r.getLong("passage_id"),
                            "journal entry " + r.getLong("id"),
                            () -> entry(r)))
                .list()
                .stream()
                .flatMap(Optional::stream)
                .toList());
  }

  private static JournalEntry entry(ResultSet r) throws SQLException {
    return new JournalEntry(
        r.getLong("id"),
        r.getLong("passage_id"),
        LocalDate.parse(r.getString("date")),
        r.getString("chunk"),
        DrillKind.valueOf(r.getString("drill")),
        r.getDouble("per_minute"),
        counted(r.getString("counted")),
        r.getDouble("clicks"),
        r.getInt("seconds"),
        Verdict.valueOf(r.getString("verdict")),
        Breakage.valueOf(r.getString("breakage")),
        r.getString("note"),
        r.getInt("at_stand"),
        r.getBoolean("cold"));
  }

  private static Optional<Beat> counted(String length) {
    return length.isEmpty() ? Optional.empty() : Optional.of(new Beat(Fractions.parse(length)));
  }

  @Override
  public JournalEntry add(JournalEntry e) {
    return write(h -> put(h, e.withId(0)));
  }

  /** A try as it is to be, under the id that it has or gets. */
  static JournalEntry put(Handle h, JournalEntry e) {
    if (e.id() != 0) {
      h.execute("DELETE FROM journal WHERE id = ?", e.id());
    }
    long id =
        bound(
                h.createUpdate(
                    "INSERT INTO journal (id, passage_id, date, chunk, drill, per_minute, counted, clicks, seconds, verdict, breakage, note, at_stand, cold) VALUES (nullif(:id, 0), :passage, :date, :chunk, :drill, :tempo, :counted, :clicks, :seconds, :verdict, :breakage, :note, :stand, :cold)"),
                e)
            .bind("id", e.id())
            .executeAndReturnGeneratedKeys("id")
            .mapTo(Long.class)
            .one();
    return e.withId(id);
  }

  /** A try as it is stored. */
  static Optional<JournalEntry> entry(Handle h, long id) {
    return h.createQuery("SELECT * FROM journal WHERE id = ?")
        .bind(0, id)
        .map((r, c) -> entry(r))
        .findOne();
  }

  private static Update bound(Update update, JournalEntry e) {
    return update
        .bind("passage", e.passageId())
        .bind("date", e.date().toString())
        .bind("chunk", e.chunkId())
        .bind("drill", e.drill().name())
        .bind("tempo", e.perMinute())
        .bind("counted", e.counted().map(b -> Fractions.text(b.length())).orElse(""))
        .bind("clicks", e.clicks())
        .bind("seconds", e.seconds())
        .bind("verdict", e.verdict().name())
        .bind("breakage", e.breakage().name())
        .bind("note", e.note())
        .bind("stand", e.atStand())
        .bind("cold", e.cold());
  }

  @Override
  public void correct(JournalEntry e) {
    int rows =
        write(
            h ->
                bound(
                        h.createUpdate(
                            "UPDATE journal SET passage_id = :passage, date = :date, chunk = :chunk, drill = :drill, per_minute = :tempo, counted = :counted, clicks = :clicks, seconds = :seconds, verdict = :verdict, breakage = :breakage, note = :note, at_stand = :stand, cold = :cold WHERE id = :id"),
                        e)
                    .bind("id", e.id())
                    .execute());
    if (rows == 0) {
      throw new StoreFailure(StoreFailure.Cause.GONE, null);
    }
  }

  @Override
  public void removeEntry(long id) {
    write(h -> h.execute("DELETE FROM journal WHERE id = ?", id));
  }

  @Override
  public void removeAudition(long id) {
    write(
        h -> {
          h.execute("UPDATE passage SET audition_id = 0 WHERE audition_id = ?", id);
          return h.execute("DELETE FROM audition WHERE id = ?", id);
        });
  }

  @Override
  public void assign(long passageId, long auditionId) {
    write(h -> h.execute("UPDATE passage SET audition_id = ? WHERE id = ?", auditionId, passageId));
  }

  @Override
  public Takes takes() {
    return takes;
  }

  @Override
  public Map<String, String> settings() {
    Map<String, String> all = new LinkedHashMap<>();
    run(
        h ->
            h.createQuery("SELECT name, value FROM setting")
                .map((r, c) -> all.put(r.getString("name"), r.getString("value")))
                .list());
    return all;
  }

  @Override
  public void putSetting(String name, String value) {
    write(h -> putSetting(h, name, value));
  }

  static int putSetting(Handle h, String name, String value) {
    return h.execute(
        "INSERT INTO setting (name, value) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET value = excluded.value",
        name,
        value);
  }

  @Override
  public synchronized void close() {
    handle.close();
    LibraryFile.release(file);
  }
}
