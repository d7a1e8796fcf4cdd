/**
 * Where every glyph, line and curve of the strip stands, in staff spaces;
 *
 * <p>nothing is painted here. Start with {@link fret.engraving.StripEngraver}.
 */
package fret.engraving;
