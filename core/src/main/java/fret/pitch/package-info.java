/** Spelled pitches, intervals, keys and clefs. Start with {@link fret.pitch.Pitch}. */
package fret.pitch;
