package fret.shelf;

import java.util.List;

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

  /** Deletes a take with its file. */
  void remove(long takeId);
}
