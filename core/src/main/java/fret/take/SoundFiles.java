package fret.take;

import fret.base.UnusableInput;

/** Reads and writes recordings as files. */
public interface SoundFiles {
  /**
   * A recording for measuring.
   *
   * @throws UnusableInput if it cannot be read, holds next to nothing, is silent or too long
   */
  Recording read(String name, byte[] file) throws UnusableInput;

  /**
   * One channel at a rate, for hearing.
   *
   * @throws UnusableInput if it cannot be read or is too long
   */
  float[] samples(String name, byte[] file, int rate) throws UnusableInput;

  /**
   * A file as it is kept: as WAV, which it may be already.
   *
   * @throws UnusableInput if it cannot be read or is too long
   */
  byte[] kept(String name, byte[] file) throws UnusableInput;

  /** A WAV file of one channel. */
  byte[] wav(float[] samples, int rate);
}
