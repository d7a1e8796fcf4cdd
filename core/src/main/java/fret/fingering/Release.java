package fret.fingering;

/**
 * A held note that ends before its written length.
 *
 * @param note index of the note
 * @param slice the moment at which it does not sound any more
 * @param byBow whether the bow leaves its string; else the hand needs the finger
 */
public record Release(int note, int slice, boolean byBow) {}
