package fret.take;

import java.util.List;
import java.util.Objects;

/**
 * A moment as it was heard.
 *
 * @param moment index among the expected moments
 * @param onsetS first moment above -20 dB of its peak and above what rings of the one before
 * @param endS last moment above -20 dB of its peak, not after the next onset where that is close
 * @param levelDb root mean square, 0 for full scale; {@code NaN} where it was not measured
 * @param attackMs from -20 to -3 dB of its peak
 * @param pitch of one note alone
 * @param tones cents of each note of a double stop or chord from where it is expected, low to high;
 *     {@code NaN} where it cannot be told, empty for one note alone
 * @param addedMs how long something else sounds before the next one
 * @param confidence 0 to 1
 */
public record HeardNote(
    int moment,
    double onsetS,
    double endS,
    double levelDb,
    double attackMs,
    HeardPitch pitch,
    List<Double> tones,
    double addedMs,
    double confidence) {
  public HeardNote {
    Objects.requireNonNull(pitch);
    tones = List.copyOf(tones);
  }

  public double lengthS() {
    return endS - onsetS;
  }

  HeardNote adding(double ms) {
    return new HeardNote(moment, onsetS, endS, levelDb, attackMs, pitch, tones, ms, confidence);
  }

  HeardNote within(double from, double to) {
    return new HeardNote(moment, from, to, levelDb, attackMs, pitch, tones, addedMs, confidence);
  }

  HeardNote with(HeardPitch other, double added) {
    return new HeardNote(moment, onsetS, endS, levelDb, attackMs, other, tones, added, confidence);
  }

  HeardNote withTones(List<Double> cents) {
    return new HeardNote(
        moment, onsetS, endS, levelDb, attackMs, pitch, cents, addedMs, confidence);
  }
}
