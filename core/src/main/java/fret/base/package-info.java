/**
 * Checks, problems and outcomes that everything else speaks in. Start with {@link
 * fret.base.Problem}.
 */
package fret.base;
