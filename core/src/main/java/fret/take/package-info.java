/** A recording checked against the part: what is heard, where it stands, what differs. */
package fret.take;
