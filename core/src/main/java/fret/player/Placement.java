package fret.player;

import fret.instrument.Finger;

/**
 * One way to stop a semitone: which finger, and where the hand then stands.
 *
 * @param base semitones above the open string where the first finger would stand
 * @param strain semitones by which the finger leaves the easy shape taught there, 0 or more
 */
public record Placement(Finger finger, int base, Region region, double strain) {}
