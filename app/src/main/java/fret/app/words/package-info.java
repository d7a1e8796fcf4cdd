/**
 * The one bundle of words: sentences and labels are made here from what core tells. Start with
 * {@link fret.app.words.Sentences}.
 */
package fret.app.words;
