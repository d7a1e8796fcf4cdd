/** Tables as text. Start with {@link fret.format.table.TableFiles}. */
package fret.format.table;
