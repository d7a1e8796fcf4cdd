/** Keys of stretches and chords of bars, found from the notes. */
package fret.harmony;
