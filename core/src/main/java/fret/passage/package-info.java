/**
 * A passage being prepared, its settings, and the one list of kinds of marks. Start with {@link
 * fret.passage.Passage}.
 */
package fret.passage;
