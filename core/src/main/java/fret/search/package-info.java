/**
 * Exact layered search with named effort terms; knows no music. Start with {@link
 * fret.search.LayeredSearch}.
 */
package fret.search;
