package fret.passage;

import fret.base.Outcome;
import fret.base.UnusableInput;
import fret.score.Score;

/** Reads a part from a file's bytes; implemented where file formats are known. */
@FunctionalInterface
public interface ScoreReader {
  /**
   * Reads a part.
   *
   * @param name the file's name, for messages
   * @param partName which part; empty for the first with notes
   * @throws UnusableInput if it cannot be used at all
   */
  Outcome<Score> read(String name, byte[] bytes, String partName) throws UnusableInput;
}
