/** How hard each moment is at a tempo, and why; up to which tempo each join holds. */
package fret.load;
