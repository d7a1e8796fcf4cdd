package fret.shelf;

import fret.journal.JournalEntry;
import fret.passage.Passage;
import fret.score.Score;
import fret.session.Learning;
import fret.session.Log;
import fret.session.Step;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * Where everything is kept. Each call that changes something is durable when it returns: nothing
 * that was reported as stored is lost if the program is killed afterwards.
 *
 * <p>Every method may throw a {@link StoreFailure}; then nothing was changed.
 */
public interface Library extends AutoCloseable {
  List<Audition> auditions();

  /** Stores an audition; returns it with its id. */
  Audition save(Audition audition);

  /** Takes an audition out; its passages stay, without a date. */
  void removeAudition(long id);

  /** A passage belongs to an audition; 0 for none. */
  void assign(long passageId, long auditionId);

  /** All passages that can be read, in the order in which they were added. */
  List<Passage> passages();

  /**
   * Something in the library that this program does not understand. It is kept as it is and left
   * out.
   *
   * @param passageId the passage concerned; 0 where it is none
   * @param what the kind of entry, such as {@code mark finger.pinned}
   * @param why what was found there
   */
  record Unread(long passageId, String what, String why) {
    public Unread {
      Objects.requireNonNull(what);
      Objects.requireNonNull(why);
    }
  }

  /** What could not be read so far. */
  List<Unread> unread();

  /**
   * A passage as it is stored.
   *
   * @param page as the player wrote or mended it; empty while it is as in the file
   * @param revision counts its steps
   */
  record Stored(Passage passage, Optional<Score> page, long revision, Log log) {}

  /** A passage with all that belongs to it; empty if it is not there. */
  Optional<Stored> load(long passageId);

  /**
   * What there is to learn in a passage, where it was kept at the passage's revision of now.
   *
   * @param madeBy what it was made by and for; only what was kept under the same is given
   */
  Optional<Learning> learning(long passageId, String madeBy);

  /**
   * Keeps what there is to learn in a passage, in place of what was kept before; nothing happens
   * where the passage is not there or has another revision by now.
   *
   * @param revision of which it was made
   */
  void keepLearning(long revision, String madeBy, Learning learning);

  /**
   * Stores a new passage.
   *
   * @param source the file it came from; empty bytes when it was written by hand
   * @param page the page where it was written by hand
   * @return the passage with its id
   */
  Passage add(Passage passage, byte[] source, Optional<Score> page);

  /**
   * A file that was brought in for a passage, byte for byte.
   *
   * @param sourceId 0 for the first one
   */
  byte[] source(long passageId, long sourceId);

  /** Stores another file for a passage, not yet in force; returns its id. */
  long addSource(long passageId, byte[] source);

  /** A photo or scan of the page. */
  record Picture(String name, byte[] bytes) {}

  Optional<Picture> picture(long passageId);

  /** Keeps a photo or scan of the page in place of the one before. */
  void keepPicture(long passageId, Picture picture);

  /** Takes a passage with all that belongs to it out of the library. */
  void remove(long passageId);

  /**
   * Makes a step of a passage, with its entry in the passage's log and among the deeds, in one
   * transaction.
   *
   * @param revision the passage's revision from which the step starts
   * @param page the page from which it starts
   * @param deed what is kept among the deeds where the step is a new entry
   * @return false, with nothing changed, where the stored passage is not as the step expects it
   */
  boolean apply(long passageId, long revision, Step step, Score page, Deed deed);

  /** The same where it is not known in which area it was done. */
  default boolean apply(long passageId, long revision, Step step, Score page) {
    Deed deed = Deed.step(step.logged().name(), "", passageId, false);
    return apply(passageId, revision, step, page, deed);
  }

  /**
   * What was done and can be taken back, or was taken back and can be done again; oldest first.
   *
   * @param undone which of both
   */
  List<Deed> deeds(boolean undone);

  /**
   * Does something beside the passages and keeps it among the deeds, in one transaction.
   *
   * @return the deed with the ids that it gave
   */
  Deed apply(Deed deed);

  /**
   * Takes back a deed that was done last, or does again the one that was taken back last.
   *
   * @param undone whether it is taken back
   * @return the deed as it would now be turned again
   */
  Deed turn(Deed deed, boolean undone);

  /** All tries that can be read, oldest first. */
  List<JournalEntry> journal();

  /** Appends a try; returns it with its id. */
  JournalEntry add(JournalEntry entry);

  /** A try that was stored is told otherwise. */
  void correct(JournalEntry entry);

  /** Takes a try out of the record; nothing happens where it is not there. */
  void removeEntry(long id);

  /** The recordings. */
  Takes takes();

  /** Everything that was set for the whole program. */
  Map<String, String> settings();

  void putSetting(String name, String value);

  @Override
  void close();
}
