package fret.store;

import fret.format.json.FormJson;
import fret.journal.JournalEntry;
import fret.shelf.Audition;
import fret.shelf.Deed;
import fret.shelf.DeedForm;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jdbi.v3.core.Handle;

/** The table of what was done, in order, and how each part of it is made and taken back. */
final class DeedRows {
  /** So many can be taken back. */
  private static final int KEPT = 400;

  private DeedRows() {}

  /** A row that is not understood ends what can be taken back: older ones are left out. */
  static List<Deed> read(Handle h, boolean undone) {
    record Row(long id, long passageId, String form) {}
    List<Row> rows =
        h.createQuery("SELECT * FROM deed WHERE undone = ? ORDER BY id DESC LIMIT ?")
            .bind(0, undone ? 1 : 0)
            .bind(1, KEPT)
            .map((r, c) -> new Row(r.getLong("id"), r.getLong("passage_id"), r.getString("form")))
            .list();
    List<Deed> all = new ArrayList<>();
    for (Row row : rows) {
      try {
        all.add(0, DeedForm.read(FormJson.form(row.form()), row.id(), row.passageId()));
      } catch (IllegalArgumentException e) {
        return all;
      }
    }
    return all;
  }

  /** Does it and keeps it; what was taken back before cannot be done again any more. */
  static Deed insert(Handle h, Deed deed) {
    List<Deed.Part> made = new ArrayList<>();
    long newDate = 0;
    for (Deed.Part part : deed.parts()) {
      Deed.Part done = make(h, part, newDate);
      newDate = done instanceof Deed.Date d ? d.after().map(Audition::id).orElse(0L) : newDate;
      made.add(done);
    }
    h.execute("DELETE FROM deed WHERE undone = 1");
    Deed all = deed.stored(0, made);
    long id =
        h.createUpdate("INSERT INTO deed (passage_id, step, form) VALUES (?, ?, ?)")
            .bind(0, deed.passageId())
            .bind(1, deed.isStep() ? 1 : 0)
            .bind(2, FormJson.text(DeedForm.of(all)))
            .executeAndReturnGeneratedKeys("id")
            .mapTo(Long.class)
            .one();
    h.execute("DELETE FROM deed WHERE id <= ?", id - 2 * KEPT);
    return deed.stored(id, made);
  }

  /** Takes the newest step of a passage back, or makes it again. */
  static void turnStep(Handle h, long passageId, boolean undone) {
    h.execute(
        undone
            ? "UPDATE deed SET undone = 1 WHERE id = (SELECT max(id) FROM deed WHERE passage_id = ? AND undone = 0 AND step = 1)"
            : "UPDATE deed SET undone = 0 WHERE id = (SELECT min(id) FROM deed WHERE passage_id = ? AND undone = 1 AND step = 1)",
        passageId);
  }

  /** Takes a deed back, or does it again; what stands by then is what comes back later. */
  static Deed turn(Handle h, Deed deed, boolean undone) {
    List<Deed.Part> parts = new ArrayList<>();
    for (Deed.Part part : deed.parts()) {
      Deed.Part now = undone ? asItStands(h, part) : part;
      make(h, undone ? now.inverse() : now, 0);
      parts.add(now);
    }
    Deed turned = deed.stored(deed.id(), parts);
    h.execute(
        "UPDATE deed SET undone = ?, form = ? WHERE id = ?",
        undone ? 1 : 0,
        FormJson.text(DeedForm.of(turned)),
        deed.id());
    return turned;
  }

  /** A try that was told otherwise since comes back as it was told last. */
  private static Deed.Part asItStands(Handle h, Deed.Part part) {
    if (part instanceof Deed.Try t && t.after().isPresent()) {
      Optional<JournalEntry> now = SqliteLibrary.entry(h, t.after().get().id());
      return new Deed.Try(t.before(), now.or(t::after));
    }
    return part;
  }

  private static Deed.Part make(Handle h, Deed.Part part, long newDate) {
    if (part instanceof Deed.Setting s) {
      s.after()
          .ifPresentOrElse(
              value -> SqliteLibrary.putSetting(h, s.name(), value),
              () -> h.execute("DELETE FROM setting WHERE name = ?", s.name()));
      return s;
    } else if (part instanceof Deed.Try t) {
      if (t.after().isPresent()) {
        return new Deed.Try(t.before(), Optional.of(SqliteLibrary.put(h, t.after().get())));
      }
      h.execute("DELETE FROM journal WHERE id = ?", t.before().orElseThrow().id());
      return t;
    } else if (part instanceof Deed.Date d) {
      if (d.after().isPresent()) {
        return new Deed.Date(d.before(), Optional.of(SqliteLibrary.put(h, d.after().get())));
      }
      h.execute("DELETE FROM audition WHERE id = ?", d.before().orElseThrow().id());
      return d;
    }
    Deed.Belongs b = (Deed.Belongs) part;
    long to = b.after() == Deed.Belongs.NEW_DATE ? newDate : b.after();
    h.execute("UPDATE passage SET audition_id = ? WHERE id = ?", to, b.passageId());
    return new Deed.Belongs(b.passageId(), b.before(), to);
  }
}
