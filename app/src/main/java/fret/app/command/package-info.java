/** All keys, in one table. Start with {@link fret.app.command.Shortcut}. */
package fret.app.command;
