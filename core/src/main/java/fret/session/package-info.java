/**
 * An open passage as a value: what is stored of it, what was computed from it, and the changes that
 * can be made to it. No threads. Start with {@link fret.session.Session};
 *
 * <p>{@link fret.session.Decisions} makes changes, {@link fret.session.Pipeline} every answer.
 */
package fret.session;
