/**
 * What hurts, what loads it, and how practice comes back afterwards. Never a diagnosis. Start with
 * {@link fret.care.Care}.
 */
package fret.care;
