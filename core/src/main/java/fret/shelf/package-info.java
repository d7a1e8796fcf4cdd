/** Auditions, and the port to where everything is kept. Start with {@link fret.shelf.Library}. */
package fret.shelf;
