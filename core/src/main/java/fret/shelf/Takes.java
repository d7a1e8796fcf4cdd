package fret.shelf;

import fret.take.Heard;
import java.util.List;
import java.util.Optional;

/**
 * The recordings of a library. They lie as WAV files in its folder and never leave it by
 * themselves. Every method may throw a {@link StoreFailure}; then nothing was changed.
 */
public interface Takes {
  /** Those of a passage, oldest first. */
  List<Take> of(long passageId);

  /**
   * Keeps a recording.
   *
   * @param wav the whole file
   * @return the take with its id
   */
  Take add(Take take, byte[] wav);

  /** A take that is kept is told otherwise; its sound stays. */
  void change(Take take);

  /** The file, byte for byte. */
  byte[] sound(long takeId);

  /**
   * What was heard of a take when it was last listened to.
   *
   * @param part fingerprint of what it was listened against; of another one nothing is known
   * @return empty where it has to be listened to, also where what was kept cannot be read
   */
  Optional<Heard> heard(long takeId, String part);

  /** Keeps what was heard, in place of what was kept before; a failure is no loss and not told. */
  void keepHeard(long takeId, String part, Heard heard);

  /** Deletes a take with its file. */
  void remove(long takeId);
}
