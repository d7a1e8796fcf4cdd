/** Measurements. Run with {@code scripts/bench.sh}. */
package fret.bench;
