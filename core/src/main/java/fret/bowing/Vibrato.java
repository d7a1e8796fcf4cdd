package fret.bowing;

import fret.instrument.Instrument;
import fret.mark.VibratoRule;
import fret.mark.VibratoWish;
import java.util.Optional;

/**
 * Vibrato of a note.
 *
 * <p>A stopped note is vibrated by {@link VibratoRule}; what the player asks for stands over the
 * rule.
 *
 * @param cents to either side of the note, above 0; where it grows, at its end
 * @param hertz swings a second, above 0
 * @param growing whether it grows from nothing
 */
public record Vibrato(double cents, double hertz, boolean growing) {
  /** The usual one. */
  public static final Vibrato USUAL = new Vibrato(20, 5.5, false);

  public Vibrato {
    if (!(cents > 0) || !(hertz > 0)) {
      throw new IllegalArgumentException("vibrato of " + cents + " cents, " + hertz + " Hz");
    }
  }

  /**
   * The vibrato of a moment; empty for none.
   *
   * @param asked what the player asks for, over the rule
   */
  public static Optional<Vibrato> of(BowMoment m, Optional<VibratoWish> asked) {
    boolean open = m.stopped() == 0;
    boolean longEnough = VibratoRule.USUAL.admits(m.wholes(), m.timeMs() / 1000);
    boolean sung = m.isBowed() && !m.isGrace() && m.tremolo() == 0 && !m.isDotted();
    if (open || asked.filter(w -> w == VibratoWish.NONE).isPresent()) {
      return Optional.empty();
    }
    return asked
        .map(w -> asked(m, w))
        .or(() -> longEnough && sung ? Optional.of(USUAL) : Optional.empty());
  }

  private static Vibrato asked(BowMoment m, VibratoWish wish) {
    double quarters = m.wholes() * 4;
    double counted = wish.pulses() * quarters / (m.timeMs() / 1000);
    double hertz = wish.pulses() > 0 ? counted : wish.hertz();
    return new Vibrato(wish.cents(), hertz, wish == VibratoWish.GROWING);
  }

  /** Whole width in mm on the string, a number of semitones above the open one. */
  public double widthMm(Instrument instrument, double semitones) {
    return instrument.windowMm(semitones, cents);
  }
}
