/** Stored forms as JSON text; start with {@link fret.format.json.FormJson}. */
package fret.format.json;
