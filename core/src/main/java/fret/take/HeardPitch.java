package fret.take;

/**
 * The pitch of a note as it was heard.
 *
 * @param cents its mean from where it is expected, the take's own tuning taken away; {@code NaN}
 *     where it cannot be told
 * @param driftCents of its last third from its first
 * @param vibratoHz times a second, {@code vibratoCents} from its middle to its edge; 0 for none
 * @param glideMs on the way to it from the pitch before
 * @param otherSemitones what stands in place of it, in semitones from it; 0 for itself
 */
public record HeardPitch(
    double cents,
    double driftCents,
    double vibratoHz,
    double vibratoCents,
    double glideMs,
    int otherSemitones) {
  /** No single pitch could be told. */
  public static final HeardPitch NONE = new HeardPitch(Double.NaN, 0, 0, 0, 0, 0);

  /** With another mean. */
  HeardPitch at(double mean) {
    return new HeardPitch(mean, driftCents, vibratoHz, vibratoCents, glideMs, otherSemitones);
  }

  HeardPitch gliding(double ms) {
    return new HeardPitch(cents, driftCents, vibratoHz, vibratoCents, ms, otherSemitones);
  }

  public boolean isTold() {
    return !Double.isNaN(cents);
  }

  /** Whether it is another note than the written one. */
  public boolean isOther() {
    return otherSemitones != 0;
  }
}
