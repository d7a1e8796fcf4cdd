package fret.shelf;

import fret.journal.JournalEntry;
import fret.passage.Change;
import fret.passage.Passage;
import fret.score.Score;
import java.util.List;
import java.util.Optional;

/**
 * Where everything is kept. Each call that changes something is durable when it returns: nothing
 * that was reported as saved is lost if the program is killed afterwards.
 */
public interface Library extends AutoCloseable {
  List<Audition> auditions();

  /** Stores an audition; returns it with its id. */
  Audition save(Audition audition);

  /** All passages in the order in which they were added. */
  List<Passage> passages();

  Optional<Passage> passage(long id);

  /** Stores a new passage with the file it came from; returns it with its id. */
  Passage add(Passage passage, byte[] source);

  /** The file a passage is read from now, byte for byte; empty when it was written by hand. */
  byte[] source(long passageId);

  /** Stores another file for a passage, not yet in force; returns its id. */
  long addSource(long passageId, byte[] source);

  /** The page as the player wrote or mended it; empty while it is as in the file. */
  Optional<Score> page(long passageId);

  /** Whether the page was written or mended, which is quicker to say than {@link #page}. */
  boolean hasPage(long passageId);

  /** Keeps a page, so that changes of it can follow. */
  void keepPage(long passageId, Score page);

  /** A photo or scan of the page. */
  record Picture(String name, byte[] bytes) {}

  Optional<Picture> picture(long passageId);

  /** Keeps a photo or scan of the page in place of the one before. */
  void keepPicture(long passageId, Picture picture);

  /** Takes a passage with all that belongs to it out of the library. */
  void remove(long passageId);

  /** Applies a change and appends it to the passage's log, in one transaction. */
  Passage apply(long passageId, Change change);

  /** Takes the newest change back; empty if there is none. */
  Optional<Change> undo(long passageId);

  /** Applies the change that was taken back last; empty if there is none. */
  Optional<Change> redo(long passageId);

  /** All tries, oldest first. */
  List<JournalEntry> journal();

  /** Appends a try; returns it with its id. */
  JournalEntry add(JournalEntry entry);

  Optional<String> setting(String name);

  void putSetting(String name, String value);

  @Override
  void close();
}
