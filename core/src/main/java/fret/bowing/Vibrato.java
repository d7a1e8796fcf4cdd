package fret.bowing;

import fret.instrument.Instrument;
import java.util.Optional;

/**
 * Vibrato of a note.
 *
 * <p>By rule a stopped note is vibrated from a dotted quarter or 0.6 s on (common practice, no
 * source, from memory); what the player asks for stands over the rule.
 *
 * @param cents to either side of the note, above 0
 * @param hertz swings a second, above 0
 */
public record Vibrato(double cents, double hertz) {
  /** The usual one. */
  public static final Vibrato USUAL = new Vibrato(20, 5.5);

  private static final double LEAST_WHOLES = 3 / 8.0;
  private static final double LEAST_S = 0.6;

  public Vibrato {
    if (!(cents > 0) || !(hertz > 0)) {
      throw new IllegalArgumentException("vibrato of " + cents + " cents, " + hertz + " Hz");
    }
  }

  /**
   * The vibrato of a moment; empty for none.
   *
   * @param asked whether the player asks for it
   */
  public static Optional<Vibrato> of(BowMoment m, boolean asked) {
    boolean open = m.stopped() == 0;
    boolean longEnough = m.wholes() >= LEAST_WHOLES - 1e-9 || m.timeMs() / 1000 >= LEAST_S - 1e-9;
    boolean sung = m.isBowed() && !m.isGrace() && m.tremolo() == 0 && !m.isDotted();
    return !open && (asked || longEnough && sung) ? Optional.of(USUAL) : Optional.empty();
  }

  /** Whole width in mm on the string, a number of semitones above the open one. */
  public double widthMm(Instrument instrument, double semitones) {
    return instrument.windowMm(semitones, cents);
  }
}
