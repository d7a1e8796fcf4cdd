/** Wires the program together. Start with {@link fret.app.launch.Main}. */
package fret.app.launch;
