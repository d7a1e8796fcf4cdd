/**
 * Strings, fingers and the geometry of the fingerboard. Start with {@link
 * fret.instrument.Instrument}.
 */
package fret.instrument;
