/** Clicks, rendered sample by sample. Start with {@link fret.sound.ClickTrack}. */
package fret.sound;
