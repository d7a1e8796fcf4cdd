/** The commands that need no window. Start with {@link fret.app.batch.BatchCommands}. */
package fret.app.batch;
