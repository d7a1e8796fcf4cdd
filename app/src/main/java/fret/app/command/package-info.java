/** What can be done by key. Start with {@link fret.app.command.Action}. */
package fret.app.command;
