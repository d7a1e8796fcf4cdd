/**
 * Tempo as a note value and a rate, tempo over time, the classic metronome, ladders. Start with
 * {@link fret.tempo.Tempo}.
 */
package fret.tempo;
