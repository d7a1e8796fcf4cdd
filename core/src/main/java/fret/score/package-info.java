/**
 * The part as written and as it sounds. Start with {@link fret.score.Score} and {@link
 * fret.score.Resolver}.
 */
package fret.score;
