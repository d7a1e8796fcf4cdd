/**
 * Chunks of a passage and the drills made from them, as notation. Start with {@link
 * fret.drill.Drills}.
 */
package fret.drill;
