/** Where each note stands in a tuning, and what it can be checked against. */
package fret.intonation;
