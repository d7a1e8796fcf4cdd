/** What the player decided about notes, laid over the part. Start with {@link fret.mark.Marks}. */
package fret.mark;
