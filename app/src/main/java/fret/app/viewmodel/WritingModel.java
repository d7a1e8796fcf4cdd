package fret.app.viewmodel;

import fret.app.command.WritingKey;
import fret.app.words.Sentences;
import fret.base.Said;
import fret.pitch.Pitch;
import fret.score.Event;
import fret.score.Score;
import fret.session.Session;
import fret.sound.MidiKeyboard;
import fret.sound.NotePlayer;
import fret.writing.BarCure;
import fret.writing.Draft;
import java.util.List;
import java.util.function.UnaryOperator;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Writing on the open page. What is typed shows at once; storing and fingering follow behind it.
 */
public final class WritingModel {
  private final Studio studio;
  private final NotePlayer player;
  private final MidiKeyboard keyboard;
  private final ReadOnlyObjectWrapper<Draft> draft = new ReadOnlyObjectWrapper<>();
  private List<Event> clip = List.of();
  private boolean pendingStart;
  private long openBefore = -1;
  private long writtenId;

  /**
   * @param player sounds what is typed
   * @param keyboard notes can be entered with
   */
  public WritingModel(Studio studio, NotePlayer player, MidiKeyboard keyboard) {
    this.studio = studio;
    this.player = player;
    this.keyboard = keyboard;
    studio.shownProperty().addListener((o, before, now) -> follow(now));
  }

  /** The draft; null while nothing is being written. */
  public ReadOnlyObjectProperty<Draft> draftProperty() {
    return draft.getReadOnlyProperty();
  }

  public boolean isWriting() {
    return draft.get() != null;
  }

  /** Starts to write: at the selected note, or at the end of an empty page. */
  public void start() {
    Session session = studio.shown();
    if (session == null) {
      return;
    }
    writtenId = session.passage().id();
    int note = studio.selectedProperty().get();
    boolean any = note >= 0 && note < session.resolved().notes().size();
    draft.set(
        any
            ? at(studio.session().page(), session.resolved().notes().get(note).onset())
            : Draft.atEnd(studio.session().page()));
    keyboard.start(
        midi -> Platform.runLater(() -> apply(Said.of("writing.from-the"), d -> d.sounding(midi))));
  }

  public void stop() {
    keyboard.stop();
    draft.set(null);
  }

  /** What else notes can be entered with. */
  public String keyboardName() {
    return keyboard.description();
  }

  /** Whether what is typed is heard. */
  public boolean isHeard() {
    return studio.preferences().isHeard();
  }

  public void toggleHeard() {
    studio.preferences().setHeard(!studio.preferences().isHeard());
    studio.tell(
        studio.preferences().isHeard()
            ? Sentences.of("writing.what-is")
            : Sentences.of("writing.typing-is"));
  }

  private void sound(Draft after) {
    double a4 = studio.session().passage().settings().setup().a4Hz();
    after
        .current()
        .filter(e -> !e.isRest())
        .ifPresent(
            e -> {
              Pitch top = e.heads().get(e.heads().size() - 1).pitch();
              double hertz = top.plus(after.page().transposition()).hertz(a4);
              player.play(Math.max(20, Math.min(8000, hertz)));
            });
  }

  /** Goes to the note at an onset. */
  public void goTo(Fraction onset) {
    if (isWriting()) {
      draft.set(at(draft.get().page(), onset).with(draft.get().pen()));
    }
  }

  private static Draft at(Score page, Fraction onset) {
    int bar = page.bars().indexOf(page.barAt(onset));
    Draft d = Draft.at(page, new Draft.Place(bar, 0));
    while (d.current().map(e -> e.onset().compareTo(onset) < 0).orElse(false)) {
      Draft next = d.right();
      if (next.at().bar() != bar || next.at().equals(d.at())) {
        return d;
      }
      d = next;
    }
    return d;
  }

  /** Makes a change; the page is stored when its notes changed. */
  public void apply(Said name, UnaryOperator<Draft> edit) {
    Draft before = draft.get();
    if (before == null) {
      return;
    }
    Draft after = edit.apply(before);
    draft.set(after);
    if (!after.page().equals(before.page())) {
      studio.writePage(name, after.page());
      if (studio.preferences().isHeard() && !after.current().equals(before.current())) {
        sound(after);
      }
    }
  }

  /** Does one of the cures of the bar at the pen; nothing where there is none. */
  public void cure(int which) {
    List<BarCure> cures = isWriting() ? BarCure.of(draft.get()) : List.of();
    if (which < cures.size()) {
      BarCure cure = cures.get(which);
      apply(Said.of("writing.cure." + cure.kind()), d -> cure.after().with(d.pen()));
    }
  }

  public void copy() {
    clip = draft.get().copy();
    studio.tell(Sentences.of(clip.size() == 1 ? "note.copied" : "notes.copied", clip.size()));
  }

  public void cut() {
    clip = draft.get().copy();
    apply(WritingKey.CUT.said(), Draft::delete);
  }

  public void paste() {
    List<Event> notes = clip;
    apply(WritingKey.PASTE.said(), d -> d.paste(notes));
  }

  /** Writing begins as soon as the passage that is being opened is there. */
  public void startWhenOpen() {
    draft.set(null);
    pendingStart = true;
    openBefore = studio.shown() == null ? -1 : studio.shown().passage().id();
  }

  /** A change from elsewhere, such as undo, or another passage. */
  private void follow(Session now) {
    // What was open before may be shown once more on the way.
    if (pendingStart && now != null && now.passage().id() != openBefore) {
      pendingStart = false;
      start();
    }
    Draft d = draft.get();
    if (d == null || now == null) {
      return;
    }
    if (now.passage().id() != writtenId) {
      stop();
    } else if (!studio.session().page().equals(d.page())) {
      draft.set(Draft.at(studio.session().page(), d.at()).with(d.pen()));
    }
  }
}
