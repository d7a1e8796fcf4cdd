/**
 * Work that leaves the interface thread: {@link fret.app.work.Storing} keeps what was decided and
 * never computes;
 *
 * <p>{@link fret.app.work.Computing} answers questions and can be interrupted. Both hand their
 * results to an executor that is given to them.
 */
package fret.app.work;
