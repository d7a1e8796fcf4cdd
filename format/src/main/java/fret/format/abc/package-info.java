/** ABC text read as a part. Start with {@link fret.format.abc.AbcReader}. */
package fret.format.abc;
