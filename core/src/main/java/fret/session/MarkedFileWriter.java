package fret.session;

import fret.base.UnusableInput;

/** Writes a passage with its fingering as a file; implemented where file formats are known. */
public interface MarkedFileWriter {
  /** What is written of a fingering that is only proposed. */
  enum Proposed {
    LEFT_OUT,
    /** Its digits, in grey, and the strings that a reader could be in doubt of. */
    MARKED,
    /** The same with the string of every note, decided or not. */
    EVERY_STRING
  }

  /**
   * The file that a passage came from with what was decided: as signs where there are signs for it,
   * and all of it in the file's place for what programs keep. Everything else stays as it was.
   *
   * @throws UnusableInput if the source cannot be read any more
   */
  byte[] write(Session session, byte[] source, Proposed proposed) throws UnusableInput;

  /** A new file of the page as the player wrote or mended it, with the same. */
  byte[] writePage(Session session, Proposed proposed);
}
