package fret.mark;

import fret.base.Form;
import fret.base.Said;
import java.util.Optional;

/** A reminder pencilled over a note. */
public final class ReminderLayer implements NoteLayer<Reminder> {
  public static final ReminderLayer REMINDER = new ReminderLayer();

  private ReminderLayer() {}

  @Override
  public String id() {
    return "reminder";
  }

  @Override
  public Concern concern() {
    return Concern.NOTHING;
  }

  @Override
  public Form write(Reminder r) {
    Form form = Form.version(1).with("kind", r.kind().name());
    return r.text().isEmpty() ? form : form.with("text", r.text());
  }

  @Override
  public Reminder read(Form form) {
    return new Reminder(form.word("kind", Reminder.Kind.class), form.text("text", ""));
  }

  @Override
  public Said told(Reminder r) {
    return Said.of(
        "mark.reminder",
        r.kind() == Reminder.Kind.WORD
            ? Said.words(r.text())
            : Said.of("reminder." + r.kind().name()));
  }

  @Override
  public Optional<Reminder> pencilled(Reminder r) {
    return Optional.of(r);
  }
}
