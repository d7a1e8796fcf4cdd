/**
 * MIDI files: a track read as a written part, on a grid that is chosen beat by beat, and a part
 * written as it sounds. Start with {@link fret.format.midi.MidiReader} and {@link
 * fret.format.midi.MidiWriter}.
 */
package fret.format.midi;
