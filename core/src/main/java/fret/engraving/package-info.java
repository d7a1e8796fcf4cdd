/**
 * Where every glyph, line and curve of the strip stands, in staff spaces; nothing is painted here.
 */
package fret.engraving;
