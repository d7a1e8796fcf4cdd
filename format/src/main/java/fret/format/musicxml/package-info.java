/**
 * MusicXML in and out. Start with {@link fret.format.musicxml.MusicXmlFile} and {@link
 * fret.format.musicxml.MusicXmlReader}; bytes go in, a {@link fret.score.Score} with everything
 * that was noticed comes out, or a clear refusal.
 */
package fret.format.musicxml;
