/**
 * Writing a page by hand: an immutable draft with a place in it, and one operation for each key.
 * Bars that come out too short or too long stay as they were typed. Start with {@link
 * fret.writing.Draft}.
 */
package fret.writing;
