package fret.take;

/**
 * A moment as it was heard. What could not be told is {@code NaN}.
 *
 * @param moment index among the expected moments
 * @param onsetS first moment above -20 dB of its peak and above what rings of the one before
 * @param endS last moment above -20 dB of its peak, not after the next onset where that is close
 * @param cents of its mean pitch from where it is expected, the take's own tuning taken away
 * @param driftCents of its last third from its first
 * @param vibratoHz times a second, {@code vibratoCents} from its middle to its edge
 * @param levelDb root mean square, 0 for full scale
 * @param attackMs from -20 to -3 dB of its peak
 * @param glideMs on the way to it from the pitch before
 * @param otherSemitones what stands in place of it, in semitones from it; 0 for itself
 * @param addedMs how long something else sounds before the next one
 * @param confidence 0 to 1
 */
public record HeardNote(
    int moment,
    double onsetS,
    double endS,
    double cents,
    double driftCents,
    double vibratoHz,
    double vibratoCents,
    double levelDb,
    double attackMs,
    double glideMs,
    int otherSemitones,
    double addedMs,
    double confidence) {
  HeardNote adding(double ms) {
    return new HeardNote(
        moment,
        onsetS,
        endS,
        cents,
        driftCents,
        vibratoHz,
        vibratoCents,
        levelDb,
        attackMs,
        glideMs,
        otherSemitones,
        ms,
        confidence);
  }

  HeardNote within(double from, double to) {
    return new HeardNote(
        moment,
        from,
        to,
        cents,
        driftCents,
        vibratoHz,
        vibratoCents,
        levelDb,
        attackMs,
        glideMs,
        otherSemitones,
        addedMs,
        confidence);
  }

  public double lengthS() {
    return endS - onsetS;
  }

  public boolean isPitched() {
    return !Double.isNaN(cents);
  }
}
