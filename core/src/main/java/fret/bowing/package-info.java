/**
 * The bow arm: which bowing, how many centimetres a note gets, where between frog and tip, what
 * runs out and what cures it.
 *
 * <p>Start with {@link fret.bowing.BowTask} (what is to be bowed) and {@link fret.bowing.BowSolver}
 * (the best bowings). Goes in: a resolved passage, its tempo, its fingering, what was decided.
 * Comes out: a {@link fret.bowing.Bowing} in which every bowed note stands in exactly one stroke,
 * the centimetres of its notes sum to the stroke's, strokes join where nothing is lifted, places
 * stay on the hair, and the named terms of its effort sum to the total.
 */
package fret.bowing;
