package fret.pitch;

/**
 * A spelled interval, upwards when positive.
 *
 * @param steps letters moved: 0 unison, 4 a fifth, -7 an octave down
 * @param semitones semitones moved
 */
public record Interval(int steps, int semitones) {
  public static final Interval UNISON = new Interval(0, 0);
  public static final Interval OCTAVE_DOWN = new Interval(-7, -12);

  /** From one pitch to another. */
  public static Interval between(Pitch from, Pitch to) {
    return new Interval(to.diatonic() - from.diatonic(), to.midi() - from.midi());
  }

  public Interval negated() {
    return new Interval(-steps, -semitones);
  }
}
