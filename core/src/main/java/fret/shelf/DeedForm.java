package fret.shelf;

import fret.base.Form;
import fret.base.Fractions;
import fret.base.Said;
import fret.drill.DrillKind;
import fret.journal.Breakage;
import fret.journal.JournalEntry;
import fret.journal.Verdict;
import fret.tempo.Beat;
import java.time.LocalDate;
import java.util.Optional;
import java.util.function.Function;

/** The stored form of a deed. */
public final class DeedForm {
  private static final String BEFORE = "before";
  private static final String AFTER = "after";

  private DeedForm() {}

  public static Form of(Deed d) {
    return Form.version(1)
        .with("name", d.name().form())
        .with("area", d.area())
        .with("parts", d.parts().stream().map(DeedForm::part).toList())
        .with("joined", d.joined());
  }

  /**
   * Reads what {@link #of} wrote.
   *
   * @throws IllegalArgumentException if it is not understood
   */
  public static Deed read(Form form, long id, long passageId) {
    return new Deed(
        id,
        Said.read(form.form("name")),
        form.text("area", ""),
        passageId,
        form.list("parts", DeedForm::readPart),
        form.flag("joined"));
  }

  private static Form part(Deed.Part part) {
    if (part instanceof Deed.Setting s) {
      Form f = Form.EMPTY.with("kind", "setting").with("name", s.name());
      return sides(f, s.before(), s.after(), t -> t);
    } else if (part instanceof Deed.Try t) {
      return sides(Form.EMPTY.with("kind", "try"), t.before(), t.after(), DeedForm::entry);
    } else if (part instanceof Deed.Date d) {
      return sides(Form.EMPTY.with("kind", "date"), d.before(), d.after(), DeedForm::date);
    }
    Deed.Belongs b = (Deed.Belongs) part;
    return Form.EMPTY
        .with("kind", "belongs")
        .with("passage", b.passageId())
        .with(BEFORE, b.before())
        .with(AFTER, b.after());
  }

  private static <T> Form sides(
      Form form, Optional<T> before, Optional<T> after, Function<T, Object> write) {
    Form all = before.isPresent() ? form.with(BEFORE, write.apply(before.get())) : form;
    return after.isPresent() ? all.with(AFTER, write.apply(after.get())) : all;
  }

  private static Deed.Part readPart(Form f) {
    return switch (f.text("kind")) {
      case "setting" -> new Deed.Setting(f.text("name"), text(f, BEFORE), text(f, AFTER));
      case "try" ->
          new Deed.Try(
              f.findForm(BEFORE).map(DeedForm::readEntry),
              f.findForm(AFTER).map(DeedForm::readEntry));
      case "date" ->
          new Deed.Date(
              f.findForm(BEFORE).map(DeedForm::readDate),
              f.findForm(AFTER).map(DeedForm::readDate));
      case "belongs" ->
          new Deed.Belongs(f.longNumber("passage"), f.longNumber(BEFORE), f.longNumber(AFTER));
      default -> throw new IllegalArgumentException("no part is called " + f.text("kind"));
    };
  }

  private static Optional<String> text(Form f, String name) {
    return f.has(name) ? Optional.of(f.text(name)) : Optional.empty();
  }

  private static Form entry(JournalEntry e) {
    return Form.EMPTY
        .with("id", e.id())
        .with("passage", e.passageId())
        .with("date", e.date().toString())
        .with("chunk", e.chunkId())
        .with("drill", e.drill().name())
        .with("tempo", e.perMinute())
        .with("counted", e.counted().map(b -> Fractions.text(b.length())).orElse(""))
        .with("clicks", e.clicks())
        .with("seconds", e.seconds())
        .with("verdict", e.verdict().name())
        .with("broke", e.breakage().name())
        .with("note", e.note())
        .with("atStand", e.atStand())
        .with("cold", e.cold() ? 1 : 0);
  }

  private static JournalEntry readEntry(Form f) {
    int seconds = f.whole("seconds");
    boolean cold = f.has("cold") && f.whole("cold") == 1;
    return new JournalEntry(
        f.longNumber("id"),
        f.longNumber("passage"),
        LocalDate.parse(f.text("date")),
        f.text("chunk"),
        f.word("drill", DrillKind.class),
        f.decimal("tempo"),
        text(f, "counted").filter(t -> !t.isEmpty()).map(t -> new Beat(Fractions.parse(t))),
        f.decimal("clicks"),
        seconds,
        f.word("verdict", Verdict.class),
        f.word("broke", Breakage.class),
        f.text("note"),
        f.has("atStand") ? f.whole("atStand") : seconds,
        cold);
  }

  private static Form date(Audition a) {
    return Form.EMPTY
        .with("id", a.id())
        .with("name", a.name())
        .with("date", a.date().toString())
        .with("ready", a.readyDate().toString());
  }

  private static Audition readDate(Form f) {
    return new Audition(
        f.longNumber("id"),
        f.text("name"),
        LocalDate.parse(f.text("date")),
        LocalDate.parse(f.text("ready")));
  }
}
