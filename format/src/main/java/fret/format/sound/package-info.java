/** Recordings as WAV files. */
package fret.format.sound;
