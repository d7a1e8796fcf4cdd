/** Keeps the library in one SQLite file. Start with {@link fret.store.SqliteLibrary}. */
package fret.store;
