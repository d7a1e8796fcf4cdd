package fret.session;

import fret.base.UnusableInput;

/** Writes a passage with its fingering as a file; implemented where file formats are known. */
public interface MarkedFileWriter {
  /**
   * The file that a passage came from with the fingering and the bow marks written into it;
   * everything else stays as it was.
   *
   * @throws UnusableInput if the source cannot be read any more
   */
  byte[] write(Session session, byte[] source) throws UnusableInput;

  /** A new file of the page as the player wrote or mended it, with the fingering. */
  byte[] writePage(Session session);
}
