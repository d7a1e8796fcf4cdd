/** The record of tries. Start with {@link fret.journal.JournalEntry}. */
package fret.journal;
