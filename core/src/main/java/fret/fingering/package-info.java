/**
 * Finds and explains fingerings and shifts. Start with {@link fret.fingering.FingeringSolver}; a
 * {@link fret.fingering.FingeringTask} goes in, a {@link fret.fingering.Fingering} that the hand
 * can play comes out.
 */
package fret.fingering;
