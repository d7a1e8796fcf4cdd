/**
 * A passage being prepared and the changes made to it. Start with {@link fret.passage.Workbench}.
 */
package fret.passage;
