package fret.app.viewmodel;

import fret.journal.JournalEntry;
import fret.passage.Passage;
import fret.score.Score;
import fret.session.Learning;
import fret.session.Step;
import fret.shelf.Audition;
import fret.shelf.Deed;
import fret.shelf.Library;
import fret.shelf.StoreFailure;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A real library whose writes fail when that is asked for. */
final class FaultyLibrary implements Library {
  private final Library real;
  private Optional<StoreFailure.Cause> fault = Optional.empty();
  private boolean unreadable;

  FaultyLibrary(Library real) {
    this.real = real;
  }

  void fail(StoreFailure.Cause why) {
    fault = Optional.of(why);
  }

  /** Sources cannot be read until {@link #mend}. */
  void failSources() {
    unreadable = true;
  }

  void mend() {
    unreadable = false;
    fault = Optional.empty();
  }

  private Library write() {
    fault.ifPresent(
        f -> {
          throw new StoreFailure(f, null);
        });
    return real;
  }

  @Override
  public List<Audition> auditions() {
    return real.auditions();
  }

  @Override
  public Audition save(Audition audition) {
    return write().save(audition);
  }

  @Override
  public List<Passage> passages() {
    return real.passages();
  }

  @Override
  public List<Unread> unread() {
    return real.unread();
  }

  @Override
  public Optional<Stored> load(long passageId) {
    return real.load(passageId);
  }

  @Override
  public Optional<Learning> learning(long passageId, String madeBy) {
    return real.learning(passageId, madeBy);
  }

  @Override
  public void keepLearning(long revision, String madeBy, Learning learning) {
    write().keepLearning(revision, madeBy, learning);
  }

  @Override
  public Passage add(Passage passage, byte[] source, Optional<Score> page) {
    return write().add(passage, source, page);
  }

  @Override
  public byte[] source(long passageId, long sourceId) {
    if (unreadable) {
      throw new StoreFailure(StoreFailure.Cause.DAMAGED, null);
    }
    return real.source(passageId, sourceId);
  }

  @Override
  public long addSource(long passageId, byte[] source) {
    return write().addSource(passageId, source);
  }

  @Override
  public Optional<Picture> picture(long passageId) {
    return real.picture(passageId);
  }

  @Override
  public void keepPicture(long passageId, Picture picture) {
    write().keepPicture(passageId, picture);
  }

  @Override
  public void remove(long passageId) {
    write().remove(passageId);
  }

  @Override
  public boolean apply(long passageId, long revision, Step step, Score page, Deed deed) {
    return write().apply(passageId, revision, step, page, deed);
  }

  @Override
  public List<Deed> deeds(boolean undone) {
    return real.deeds(undone);
  }

  @Override
  public Deed apply(Deed deed) {
    return write().apply(deed);
  }

  @Override
  public Deed turn(Deed deed, boolean undone) {
    return write().turn(deed, undone);
  }

  @Override
  public List<JournalEntry> journal() {
    return real.journal();
  }

  @Override
  public JournalEntry add(JournalEntry entry) {
    return write().add(entry);
  }

  @Override
  public void correct(JournalEntry entry) {
    write().correct(entry);
  }

  @Override
  public void removeEntry(long id) {
    write().removeEntry(id);
  }

  @Override
  public void removeAudition(long id) {
    write().removeAudition(id);
  }

  @Override
  public void assign(long passageId, long auditionId) {
    write().assign(passageId, auditionId);
  }

  @Override
  public fret.shelf.Takes takes() {
    return real.takes();
  }

  @Override
  public Map<String, String> settings() {
    return real.settings();
  }

  @Override
  public void putSetting(String name, String value) {
    write().putSetting(name, value);
  }

  @Override
  public void close() {
    real.close();
  }
}
