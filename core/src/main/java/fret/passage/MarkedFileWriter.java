package fret.passage;

import fret.base.UnusableInput;

/**
 * Writes a passage's fingering into the file it came from; implemented where file formats are
 * known.
 */
@FunctionalInterface
public interface MarkedFileWriter {
  /**
   * The file with the fingering of a snapshot written into it; everything else stays as it was.
   *
   * @throws UnusableInput if the source cannot be read any more
   */
  byte[] write(Workbench bench, byte[] source) throws UnusableInput;
}
