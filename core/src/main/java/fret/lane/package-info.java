/**
 * The lanes under the stave, each laid out as primitives on the strip's axis with one spoken line
 * for every moment. Start with {@link fret.lane.Lanes}.
 */
package fret.lane;
