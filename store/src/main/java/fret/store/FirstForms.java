package fret.store;

import fret.base.Form;
import fret.base.Fractions;
import fret.base.Said;
import fret.format.json.FormJson;
import fret.instrument.Finger;
import fret.mark.Anchor;
import fret.mark.BowLayer;
import fret.mark.FingerLayer;
import fret.mark.FingerMark;
import fret.mark.Marks;
import fret.mark.Place;
import fret.mark.VibratoLayer;
import fret.mark.VibratoWish;
import fret.mark.Wish;
import fret.mark.WishLayer;
import fret.passage.HeadingLayer;
import fret.passage.SettingLayers;
import fret.passage.SourceLayer;
import fret.score.NoteKey;
import fret.score.ScoreForm;
import fret.score.Signs;
import fret.session.BarsEdit;
import fret.session.Change;
import fret.session.ChangeForm;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jdbi.v3.core.Handle;

/**
 * Reads the libraries of schema versions 1 and 2, in which all marks of a passage were one text and
 * every change held them all twice, into rows and deltas.
 */
final class FirstForms {
  private record OldPassage(
      long id, String sourceName, long sourceId, String settings, String marks, String page) {}

  private record OldChange(
      long id, String kind, String name, String before, String after, boolean undone) {}

  private FirstForms() {}

  /** A passage that is not understood stays as it is, and is told when the library is read. */
  static void convert(Handle h) {
    List<OldPassage> all =
        h.createQuery("SELECT * FROM passage")
            .map(
                (r, c) ->
                    new OldPassage(
                        r.getLong("id"),
                        r.getString("source_name"),
                        r.getLong("source_id"),
                        r.getString("settings"),
                        r.getString("marks"),
                        r.getString("page")))
            .list();
    for (OldPassage p : all) {
      try {
        Marks marks = settings(p.settings());
        marks = join(marks, marks(p.marks()));
        marks = marks.with(SourceLayer.SOURCE, Place.WHOLE, Optional.of(source(p, p.sourceId())));
        if (!p.page().isEmpty()) {
          marks =
              marks.with(
                  HeadingLayer.HEADING,
                  Place.WHOLE,
                  Optional.of(ScoreForm.readHeading(FormJson.form(p.page()))));
        }
        MarkRows.insert(h, p.id(), marks);
        steps(h, p);
        h.execute("UPDATE passage SET settings = '', marks = '', page = '' WHERE id = ?", p.id());
        h.execute("DELETE FROM change WHERE passage_id = ?", p.id());
      } catch (IllegalArgumentException e) {
        System.getLogger("fret")
            .log(System.Logger.Level.WARNING, "passage " + p.id() + " is left as it is", e);
      }
    }
  }

  private static SourceLayer.Source source(OldPassage p, long id) {
    return new SourceLayer.Source(id, p.sourceName());
  }

  private static Marks join(Marks some, Marks others) {
    Marks all = some;
    for (var layer : fret.passage.Layers.ALL) {
      all = join(all, others, layer);
    }
    return all;
  }

  private static <A extends Anchor, V> Marks join(
      Marks some, Marks others, fret.mark.Layer<A, V> layer) {
    return some.with(layer, others.of(layer));
  }

  private static Marks settings(String text) {
    Form form = FormJson.form(text);
    String beat = form.text("beat");
    Fractions.parse(beat);
    String details = form.text("details", "");
    return SettingLayers.readFirst(form, details.isEmpty() ? Form.EMPTY : FormJson.form(details));
  }

  private static Marks marks(String text) {
    Marks all = Marks.NONE;
    for (Form m : FormJson.forms(text)) {
      all = mark(all, m);
    }
    return all;
  }

  private static Marks mark(Marks all, Form m) {
    if (m.has("bow")) {
      return all.with(BowLayer.BOW, key(m, "note"), Signs.Bow.valueOf(m.text("bow")));
    } else if (m.has("wish")) {
      Wish wish =
          new Wish(
              Wish.Kind.valueOf(m.text("wish")), key(m, "from"), key(m, "to"), m.whole("value", 0));
      List<Wish.Ask> asks = new ArrayList<>(all.at(WishLayer.WISH, wish.place()).orElse(List.of()));
      asks.add(wish.ask());
      return all.with(WishLayer.WISH, wish.place(), Optional.of(List.copyOf(asks)));
    } else if (m.has("vibrato")) {
      return all.with(VibratoLayer.VIBRATO, key(m, "vibrato"), VibratoWish.USUAL);
    } else if (m.has("kept")) {
      Marks with = all;
      for (Object f : m.list("fingering")) {
        Form one = (Form) f;
        Place place = Place.of(key(one, "note")).in(m.text("kept"));
        with = with.with(FingerLayer.ADOPTED, place, Optional.of(finger(one)));
      }
      return with;
    }
    boolean pinned = m.text("standing").equals("PINNED");
    return all.with(pinned ? FingerLayer.PINNED : FingerLayer.ADOPTED, key(m, "note"), finger(m));
  }

  private static NoteKey key(Form m, String field) {
    return NoteKey.parse(m.text(field));
  }

  private static FingerMark finger(Form m) {
    return new FingerMark(
        Finger.ofDigit(m.text("finger")),
        Finger.ofDigit(m.text("replacedBy", "")),
        m.whole("string", 0),
        m.flag("harmonic"));
  }

  /** The log; where an entry is not understood, it begins behind it. */
  private static void steps(Handle h, OldPassage p) {
    List<OldChange> old =
        h.createQuery("SELECT * FROM change WHERE passage_id = ? ORDER BY id")
            .bind(0, p.id())
            .map(
                (r, c) ->
                    new OldChange(
                        r.getLong("id"),
                        r.getString("kind"),
                        r.getString("name"),
                        r.getString("before"),
                        r.getString("after"),
                        r.getInt("undone") == 1))
            .list();
    for (OldChange c : old) {
      Optional<Change> change = change(p, c);
      if (change.isEmpty()) {
        h.execute("DELETE FROM step WHERE passage_id = ?", p.id());
      } else {
        h.execute(
            "INSERT INTO step (passage_id, form, undone) VALUES (?, ?, ?)",
            p.id(),
            FormJson.text(ChangeForm.of(change.get())),
            c.undone() ? 1 : 0);
      }
    }
  }

  private static Optional<Change> change(OldPassage p, OldChange c) {
    Said name = Said.words(c.name());
    try {
      return Optional.of(
          switch (c.kind()) {
            case "marks" -> Change.of(name, marks(c.before()), marks(c.after()));
            case "settings" -> Change.of(name, settings(c.before()), settings(c.after()));
            case "page" -> page(name, FormJson.form(c.before()), FormJson.form(c.after()));
            case "source" -> source(name, p, FormJson.form(c.before()), FormJson.form(c.after()));
            default -> throw new IllegalArgumentException("a change of kind " + c.kind());
          });
    } catch (IllegalArgumentException e) {
      System.getLogger("fret")
          .log(System.Logger.Level.WARNING, "an entry of the log is left out", e);
      return Optional.empty();
    }
  }

  private static Change page(Said name, Form before, Form after) {
    Change marks = Change.of(name, marks(before.text("marks")), marks(after.text("marks")));
    BarsEdit edit =
        new BarsEdit(
            before.whole("at"),
            FormJson.forms(before.text("bars")).stream().map(ScoreForm::bar).toList(),
            FormJson.forms(after.text("bars")).stream().map(ScoreForm::bar).toList());
    return new Change(name, marks.deltas(), Optional.of(edit), false);
  }

  private static Change source(Said name, OldPassage p, Form before, Form after) {
    Marks was =
        marks(before.text("marks"))
            .with(
                SourceLayer.SOURCE,
                Place.WHOLE,
                Optional.of(source(p, before.longNumber("source"))));
    Marks is =
        marks(after.text("marks"))
            .with(
                SourceLayer.SOURCE,
                Place.WHOLE,
                Optional.of(source(p, after.longNumber("source"))));
    return Change.of(name, was, is);
  }
}
