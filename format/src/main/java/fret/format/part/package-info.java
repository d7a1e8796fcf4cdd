/**
 * Parts in any of the file formats, read and written by what the file is. Start with {@link
 * fret.format.part.PartFiles}.
 */
package fret.format.part;
